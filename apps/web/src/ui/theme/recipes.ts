import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';
import {
  dialogAnatomy,
  fieldAnatomy,
  menuAnatomy,
  popoverAnatomy,
  toastAnatomy,
} from '@chakra-ui/react/anatomy';

/** What everything that is clicked or typed into shares. */
export const control = {
  fontFamily: 'body',
  fontSize: 'md',
  color: 'ink',
  borderRadius: 'soft',
  transition: 'background-color .12s, border-color .12s, color .12s',
} as const;

/** What is typed into. */
const typed = {
  ...control,
  w: 'full',
  px: '3',
  bg: 'raised',
  border: '1px solid {colors.line}',
  _hover: { borderColor: 'muted' },
  _placeholder: { color: 'muted', opacity: 1 },
  _invalid: { borderColor: 'danger' },
} as const;

const input = defineRecipe({ base: { ...typed, minH: '40px' } });
const textarea = defineRecipe({ base: { ...typed, py: '2', lineHeight: '1.3' } });

const dialog = defineSlotRecipe({
  slots: dialogAnatomy.keys(),
  base: {
    backdrop: { position: 'fixed', inset: 0, bg: 'rgba(12,18,18,.45)', zIndex: 1400 },
    positioner: {
      position: 'fixed',
      inset: 0,
      zIndex: 1401,
      display: 'flex',
      alignItems: { base: 'flex-end', md: 'flex-start' },
      justifyContent: 'center',
      pt: { base: '6', md: '10vh' },
      px: { base: '0', md: '6' },
      overflow: 'auto',
    },
    content: {
      position: 'relative',
      w: 'full',
      maxW: '560px',
      maxH: { base: '92dvh', md: '80vh' },
      overflow: 'auto',
      bg: 'raised',
      color: 'ink',
      borderRadius: { base: '12px 12px 0 0', md: '10px' },
      boxShadow: 'lifted',
      p: { base: '5', md: '7' },
      outline: 0,
    },
    title: { fontSize: 'xl', fontWeight: '600', lineHeight: '1.2' },
    description: { color: 'muted', mt: '2' },
    body: { mt: '5' },
    footer: { mt: '7', display: 'flex', flexWrap: 'wrap', gap: '3', justifyContent: 'flex-end' },
    closeTrigger: { position: 'absolute', top: '4', right: '4' },
  },
});

const popover = defineSlotRecipe({
  slots: popoverAnatomy.keys(),
  base: {
    content: {
      bg: 'raised',
      color: 'ink',
      borderRadius: '8px',
      boxShadow: 'lifted',
      p: '4',
      maxW: 'min(420px, 92vw)',
      zIndex: 1300,
      outline: 0,
    },
  },
});

const menu = defineSlotRecipe({
  slots: menuAnatomy.keys(),
  base: {
    content: {
      bg: 'raised',
      color: 'ink',
      borderRadius: '8px',
      boxShadow: 'lifted',
      py: '2',
      minW: '220px',
      zIndex: 1300,
      outline: 0,
    },
    item: {
      display: 'flex',
      alignItems: 'center',
      gap: '3',
      px: '4',
      minH: '40px',
      cursor: 'pointer',
      textDecoration: 'none',
      color: 'ink',
      _highlighted: { bg: 'faint' },
    },
  },
});

const field = defineSlotRecipe({
  slots: fieldAnatomy.keys(),
  base: {
    root: { display: 'flex', flexDirection: 'column', gap: '1', minW: 0, w: 'full' },
    label: { fontSize: 'sm', color: 'muted' },
    helperText: { fontSize: 'sm', color: 'muted' },
    errorText: { fontSize: 'sm', color: 'danger' },
  },
});

const toast = defineSlotRecipe({
  slots: toastAnatomy.keys(),
  base: {
    root: {
      display: 'flex',
      alignItems: 'center',
      gap: '4',
      bg: 'ink',
      color: 'surface',
      borderRadius: '8px',
      boxShadow: 'lifted',
      px: '5',
      py: '3',
      width: 'auto',
      translate: 'var(--x) var(--y)',
      scale: 'var(--scale)',
      zIndex: 'var(--z-index)',
      height: 'var(--height)',
      opacity: 'var(--opacity)',
      transition: 'translate 300ms, scale 300ms, opacity 300ms',
    },
    title: { fontWeight: '600' },
    actionTrigger: {
      fontWeight: '600',
      textDecoration: 'underline',
      textUnderlineOffset: '3px',
      cursor: 'pointer',
      minH: '32px',
    },
  },
});

export const recipes = { input, textarea };
export const slotRecipes = { dialog, popover, menu, field, toast };
