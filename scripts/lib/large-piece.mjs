/** Thirty beads with square knots between, on ten cores, a carried cord and two working ends. */
export function largePiece(core) {
  const cord = { ...core.EXAMPLE_CORD, kind: 'waxed-cotton', diameter: 1 };
  const parts = Array.from({ length: 30 }, (_, i) => [
    {
      id: `knots-${i}`,
      kind: 'square-knot-sinnet',
      form: 'flat',
      tension: 'even',
      length: null,
      units: i === 0 || i === 29 ? null : 4,
    },
    {
      id: `bead-${i}`,
      kind: 'beads',
      beads: ['six'],
      through: 'core',
      runs: null,
      between: 'touching',
      gap: 0,
    },
  ]).flat();
  const six = { id: 'six', name: 'six', shape: 'round', length: 6, height: 6, hole: 5 };
  return {
    ...core.EXAMPLE_PIECE,
    ends: 'glue',
    wear: { site: 'neck', turns: 1, length: 700 },
    strands: [
      ...Array.from({ length: 10 }, () => ({ cord, legs: ['core'], laidIn: false })),
      { cord, legs: ['working', 'working'], laidIn: true },
      { cord, legs: ['carried'], laidIn: false },
    ],
    beads: [{ ...six, colour: { name: 'grey', hex: '#777777' } }],
    parts,
    closure: core.closureKind('square-knot-slider').make(cord),
  };
}
