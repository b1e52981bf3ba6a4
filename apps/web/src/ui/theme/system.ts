import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react';
import { recipes, slotRecipes } from './recipes';

const both = (light: string, dark: string) => ({ value: { _light: light, _dark: dark } });

const STEPS = [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 20, 24];
/** Distances in quarters of a rem. */
const spacing = Object.fromEntries(
  STEPS.map((step) => [String(step), { value: `${step * 0.25}rem` }]),
);

/**
 * The look: one calm surface, ink on it, and colour kept for cords and for warnings. Chalk blue is the
 * line a maker snaps on the work: what is selected, held or aimed at.
 */
const config = defineConfig({
  cssVarsPrefix: 'cs',
  preflight: true,
  globalCss: {
    html: { colorPalette: 'ink' },
    body: {
      fontFamily: 'body',
      fontSize: 'md',
      lineHeight: '1.45',
      color: 'ink',
      bg: 'surface',
      fontVariantNumeric: 'tabular-nums lining-nums',
    },
    'h1, h2, h3, b, strong': { fontWeight: '600' },
    '*:focus-visible': {
      outline: '2px solid {colors.chalk}',
      outlineOffset: '2px',
      borderRadius: '3px',
    },
  },
  theme: {
    breakpoints: { sm: '480px', md: '768px', lg: '1024px', xl: '1280px' },
    tokens: {
      spacing,
      sizes: { ...spacing, full: { value: '100%' } },
      fonts: {
        body: { value: "'Rosario Variable', 'Gill Sans', 'Optima', sans-serif" },
        mono: { value: "ui-monospace, 'SFMono-Regular', 'DejaVu Sans Mono', monospace" },
        heading: { value: "'Rosario Variable', 'Gill Sans', 'Optima', sans-serif" },
      },
      fontSizes: {
        xs: { value: '0.8125rem' },
        sm: { value: '0.9375rem' },
        md: { value: '1.0625rem' },
        lg: { value: '1.25rem' },
        xl: { value: '1.5rem' },
        '2xl': { value: '2rem' },
        '3xl': { value: '2.75rem' },
        count: { value: 'clamp(5rem, 16vw, 9.5rem)' },
      },
      radii: { soft: { value: '6px' }, round: { value: '999px' } },
    },
    semanticTokens: {
      colors: {
        surface: both('#f4f5f1', '#151a1b'),
        raised: both('#fcfcfa', '#1c2324'),
        bench: both('#dfe5e1', '#36423f'),
        ink: both('#1c2626', '#e9ede7'),
        muted: both('#55635f', '#a3b0ab'),
        line: both('#cdd5cf', '#354142'),
        faint: both('#e6eae5', '#2a3433'),
        chalk: both('#23569f', '#93bbff'),
        chalkFaint: both('#dbe6f5', '#22344f'),
        warn: both('#8a5200', '#e7b059'),
        warnFaint: both('#f7ecd8', '#3a2e18'),
        danger: both('#a23420', '#f39783'),
        dangerFaint: both('#f8e3de', '#40221c'),
        rule: both('#efe4c8', '#4b4230'),
        ruleInk: both('#4c3f20', '#eadcb8'),
      },
      shadows: {
        lifted: both(
          '0 1px 2px rgba(28,38,38,.10), 0 12px 32px rgba(28,38,38,.16)',
          '0 1px 2px rgba(0,0,0,.5), 0 12px 32px rgba(0,0,0,.6)',
        ),
      },
    },
    recipes,
    slotRecipes,
  },
});

export const system = createSystem(defaultBaseConfig, config);
