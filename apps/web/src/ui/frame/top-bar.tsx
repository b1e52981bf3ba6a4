import { Box, Flex, Link as ChakraLink, Text } from '@chakra-ui/react';
import { ToolButton } from '../shell/tool-button';
import {
  BookMarked,
  BookOpen,
  CircleHelp,
  Gauge,
  Hand,
  Lasso,
  LockOpen,
  Moon,
  Settings as SettingsIcon,
  Sun,
  UserRound,
} from 'lucide-react';
import { Button } from '../shell/button';
import { useState, type ReactNode } from 'react';
import { Link, NavLink } from 'react-router';
import { useSession } from '../../data/api/people-queries';
import { Mark } from './mark';
import { useDevice } from '../../data/device/device-store';
import { useColourMode } from '../theme/colour-mode';
import { later } from '../shell/later';
import { useHotkeys } from '../shell/use-hotkeys';

const Help = later(() => import('./help').then((m) => m.Help));
const SettingsDialog = later(() =>
  import('../settings/settings-dialog').then((m) => m.SettingsDialog),
);

interface PageLink {
  readonly to: string;
  readonly label: string;
  readonly icon: typeof Lasso;
  /** Left out on a phone, where the page before it leads there. */
  readonly wide?: true;
}

/** What belongs to the whole workshop. */
const PAGES: readonly PageLink[] = [
  { to: '/book', label: 'Book of makes', icon: BookOpen },
  { to: '/hand', label: 'Your hand', icon: Hand },
  { to: '/knots', label: 'Your knots', icon: Lasso },
  { to: '/knot-book', label: 'Knot book', icon: BookMarked, wide: true },
];

/** The bar on top: where you are, and what belongs to the whole program. */
export function TopBar({ children }: { readonly children?: ReactNode }) {
  const [open, setOpen] = useState<'help' | 'settings' | null>(null);
  const mode = useColourMode();
  const setTheme = useDevice((device) => device.setTheme);
  useHotkeys({ '?': () => setOpen('help') });
  return (
    <Flex
      as="header"
      align="center"
      gap={{ base: '2', md: '4' }}
      px={{ base: '3', md: '6' }}
      minH="60px"
      className="no-print"
    >
      <ChakraLink asChild color="ink" textDecoration="none" borderRadius="soft">
        <Link to="/" aria-label="Coiled Strand, to the workshop">
          <Flex align="center" gap="2">
            <Mark />
            <Text
              as="span"
              fontWeight="600"
              fontSize="lg"
              display={{ base: children ? 'none' : 'inline', lg: 'inline' }}
              whiteSpace="nowrap"
              // At four times its size a page has no room for the name beside its pages.
              css={{ '@media (max-width: 379px)': { display: 'none' } }}
            >
              Coiled Strand
            </Text>
          </Flex>
        </Link>
      </ChakraLink>
      <Box flex="1" minW="0">
        {children}
      </Box>
      <Flex as="nav" aria-label="Workshop" gap="0">
        {PAGES.map(({ to, label, icon: Icon, wide }) => (
          <Button
            key={to}
            variant="bare"
            asChild
            display={{
              base: children || wide ? 'none' : 'inline-flex',
              md: 'inline-flex',
            }}
          >
            <NavLink to={to} aria-label={label} title={label}>
              <Icon size={19} />
              <Box as="span" display={{ base: 'none', lg: children ? 'none' : 'inline' }}>
                {label}
              </Box>
            </NavLink>
          </Button>
        ))}
      </Flex>
      <Flex gap="0">
        <ToolButton
          label={mode === 'dark' ? 'Light theme' : 'Dark theme'}
          onClick={() => setTheme(mode === 'dark' ? 'light' : 'dark')}
          display={{ base: 'none', sm: 'inline-flex' }}
        >
          {mode === 'dark' ? <Sun size={19} /> : <Moon size={19} />}
        </ToolButton>
        <ToolButton
          label="Keys"
          hotkey="?"
          onClick={() => setOpen('help')}
          display={{ base: 'none', md: 'inline-flex' }}
        >
          <CircleHelp size={19} />
        </ToolButton>
        <ToolButton
          label="Instruments"
          onClick={() => window.open('/instruments', 'instruments', 'width=900,height=640')}
          display={{ base: 'none', md: 'inline-flex' }}
        >
          <Gauge size={19} />
        </ToolButton>
        <Me />
        <ToolButton label="Settings" onClick={() => setOpen('settings')}>
          <SettingsIcon size={19} />
        </ToolButton>
      </Flex>
      {open === 'help' && <Help onClose={() => setOpen(null)} />}
      {open === 'settings' && <SettingsDialog onClose={() => setOpen(null)} />}
    </Flex>
  );
}

/** Who is signed in, or that the workshop is open to whoever sits here. */
function Me() {
  const { data } = useSession();
  if (!data?.person) return null;
  const label = data.open ? 'Open to whoever sits here' : `You: ${data.person.name}`;
  return (
    <Button variant="bare" size="icon" asChild>
      <NavLink to="/account" aria-label={label} title={label}>
        {data.open ? <LockOpen size={19} /> : <UserRound size={19} />}
      </NavLink>
    </Button>
  );
}
