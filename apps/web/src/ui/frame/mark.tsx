interface Props {
  readonly size?: number;
}

/** The sign of the program: a strand that coils, with a bright end. */
export function Mark({ size = 30 }: Props) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden>
      <g fill="none" strokeLinecap="round" strokeWidth="3.4">
        <path
          style={{ stroke: 'var(--cs-colors-ink)' }}
          d="M16 4c7 0 12 4.700 12 11.500S22.800 27 16.500 27 6.500 22.500 6.500 17s4-9 9-9 8 3.300 8 7.500-3 7.500-6.500 7.500"
        />
        <path stroke="#e5682a" d="M17 23c-3.200 0-5.400-2.200-5.400-5" />
      </g>
    </svg>
  );
}
