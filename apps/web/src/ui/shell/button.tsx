import { chakra, defineRecipe } from '@chakra-ui/react';
import { control } from '../theme/recipes';

const recipe = defineRecipe({
  base: {
    ...control,
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '2',
    fontWeight: '600',
    whiteSpace: 'nowrap',
    cursor: 'pointer',
    minH: '40px',
    px: '4',
    border: '1px solid transparent',
    _disabled: { opacity: 0.4, cursor: 'not-allowed' },
  },
  variants: {
    variant: {
      solid: { bg: 'ink', color: 'surface', _hover: { bg: 'muted' } },
      line: { borderColor: 'line', bg: 'raised', _hover: { borderColor: 'ink' } },
      bare: { px: '2', _hover: { bg: 'faint' } },
      text: {
        minH: '0',
        px: '0',
        color: 'chalk',
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
        textDecorationThickness: '1px',
      },
    },
    size: {
      md: {},
      icon: { w: '40px', px: '0' },
      large: { minH: '56px', px: '7', fontSize: 'lg' },
    },
  },
  defaultVariants: { variant: 'line', size: 'md' },
});

/** solid: the one thing to do next; line: another choice; bare: a tool; text: a word in a sentence. */
export const Button = chakra('button', recipe, { defaultProps: { type: 'button' } });
