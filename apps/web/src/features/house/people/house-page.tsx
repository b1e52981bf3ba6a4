import { Box, chakra, Flex, Heading, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { useMay } from '../../../data/api/people-queries';
import { Page, PageHead } from '../../../ui/frame/page';

/** What the house is about, and from which role on one sees it. */
const PLACES = [
  { to: '/account', label: 'You', needs: 'viewer' },
  { to: '/people', label: 'People', needs: 'viewer' },
  { to: '/personal-data', label: 'Personal data', needs: 'owner' },
  { to: '/trail', label: 'Trail', needs: 'owner' },
  { to: '/backups', label: 'Backups', needs: 'owner' },
] as const;

const Place = chakra(NavLink, {
  base: {
    display: 'flex',
    alignItems: 'center',
    minH: '40px',
    px: '3',
    color: 'muted',
    textDecoration: 'none',
    whiteSpace: 'nowrap',
    borderRadius: 'soft',
    _hover: { color: 'ink', bg: 'faint' },
    '&[aria-current=page]': { color: 'ink', fontWeight: '600', bg: 'faint' },
  },
});

interface Props {
  readonly title: string;
  readonly about?: ReactNode;
  readonly children: ReactNode;
}

/** A page of who is in the house and how it is kept, with ways to the others beside it. */
export function HousePage({ title, about, children }: Props) {
  const owner = useMay('owner');
  return (
    <Page>
      <Flex gap={{ base: '5', lg: '14' }} direction={{ base: 'column', lg: 'row' }}>
        <Flex
          as="nav"
          aria-label="People and house"
          direction={{ base: 'row', lg: 'column' }}
          gap="1"
          mx={{ base: '-3', lg: '0' }}
          w={{ lg: '170px' }}
          flexShrink={0}
          flexWrap="wrap"
        >
          {PLACES.filter(({ needs }) => owner || needs === 'viewer').map(({ to, label }) => (
            <Place key={to} to={to}>
              {label}
            </Place>
          ))}
        </Flex>
        <Box flex="1" minW="0" maxW="860px">
          <PageHead title={title} about={about} />
          <Flex direction="column" gap="10">
            {children}
          </Flex>
        </Box>
      </Flex>
    </Page>
  );
}

interface SectionProps {
  readonly title: string;
  readonly about?: ReactNode;
  readonly children: ReactNode;
}

export function Section({ title, about, children }: SectionProps) {
  return (
    <Box as="section" aria-label={title}>
      <Heading as="h2" fontSize="lg">
        {title}
      </Heading>
      {about !== undefined && (
        <Text color="muted" mt="1" maxW="64ch" overflowWrap="anywhere">
          {about}
        </Text>
      )}
      <Box mt="4">{children}</Box>
    </Box>
  );
}

interface RowProps {
  readonly title: ReactNode;
  readonly about?: ReactNode;
  /** What can be done with it. */
  readonly children?: ReactNode;
}

/** A line of a list: what it is, what is known of it, and what can be done with it. */
export function HouseRow({ title, about, children }: RowProps) {
  return (
    <Flex
      as="li"
      align="center"
      gap="3"
      py="3"
      borderBottom="1px solid {colors.line}"
      flexWrap="wrap"
      minH="64px"
    >
      <Box flex="1" minW="200px">
        <Text fontWeight="600">{title}</Text>
        {about !== undefined && (
          <Text color="muted" fontSize="sm" overflowWrap="anywhere">
            {about}
          </Text>
        )}
      </Box>
      {children !== undefined && (
        <Flex gap="3" flexWrap="wrap">
          {children}
        </Flex>
      )}
    </Flex>
  );
}

export const HouseList = ({ children }: { readonly children: ReactNode }) => (
  <Box as="ul" listStyleType="none" m="0" p="0">
    {children}
  </Box>
);
