export type Side = 'left' | 'right';
export const otherSide = (side: Side): Side => (side === 'left' ? 'right' : 'left');
