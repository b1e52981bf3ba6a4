/** How a thing to choose looks, chosen and not: a chalk line round it, never colour alone. */
export const selectable = (chosen: boolean) =>
  ({
    borderRadius: 'soft',
    border: '1px solid',
    borderColor: chosen ? 'chalk' : 'line',
    boxShadow: chosen ? 'inset 0 0 0 1px {colors.chalk}' : 'none',
    bg: chosen ? 'chalkFaint' : 'raised',
    cursor: 'pointer',
  }) as const;
