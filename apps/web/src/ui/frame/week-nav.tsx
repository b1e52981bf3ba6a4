import { Box, chakra } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';

/** What a maker's week is made of, in the order of the work. */
const PAGES = [
  { to: '/', label: 'Now' },
  { to: '/orders', label: 'Orders' },
  { to: '/bench-time', label: 'Bench time' },
  { to: '/cutting', label: 'Cutting' },
  { to: '/stash', label: 'Stash' },
  { to: '/buying', label: 'To buy' },
  { to: '/kits', label: 'Kits' },
] as const;

const Place = chakra(NavLink, {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    minH: '44px',
    px: '3',
    color: 'muted',
    textDecoration: 'none',
    whiteSpace: 'nowrap',
    borderRadius: 'soft',
    _hover: { color: 'ink', bg: 'faint' },
    '&[aria-current=page]': {
      color: 'ink',
      fontWeight: '600',
      boxShadow: 'inset 0 -3px 0 -1px var(--cs-colors-chalk)',
      borderRadius: '0',
    },
  },
});

/** The pages of the week. On a narrow screen they are drawn sideways. */
export function WeekNav() {
  const row = useRef<HTMLDivElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    const here = row.current?.querySelector('[aria-current=page]');
    here?.scrollIntoView?.({ inline: 'center', block: 'nearest' });
  }, [pathname]);
  return (
    <Box
      ref={row}
      as="nav"
      aria-label="The week"
      className="no-print"
      display="flex"
      gap={{ base: '0', md: '1' }}
      overflowX="auto"
      px={{ base: '1', md: '4' }}
      maxW="1320px"
      mx="auto"
      css={{ scrollbarWidth: 'none' }}
    >
      {PAGES.map(({ to, label }) => (
        <Place key={to} to={to} end={to === '/'}>
          {label}
        </Place>
      ))}
    </Box>
  );
}
