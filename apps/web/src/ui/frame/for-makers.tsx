import type { Role } from '@coiled-strand/contract';
import { Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { useMay, useSession } from '../../data/api/people-queries';

interface Props {
  /** From which role on; makers when left out. */
  readonly role?: Role;
  readonly children: ReactNode;
}

/** What begins a change is only there for those who may make it. */
export function ForMakers({ role = 'maker', children }: Props) {
  return useMay(role) ? children : null;
}

/** Fields and buttons of a change can be looked at by all, and used by those who may make it. */
export function Changeable({ role = 'maker', children }: Props) {
  return (
    <fieldset disabled={!useMay(role)} style={{ display: 'contents' }}>
      {children}
    </fieldset>
  );
}

/** Says to those who may only look why nothing can be changed. */
export function LooksOnly() {
  const { data } = useSession();
  if (data?.workshop?.role !== 'viewer') return null;
  return (
    <Text
      className="no-print"
      role="note"
      bg="faint"
      px={{ base: '4', md: '7' }}
      py="2"
      fontSize="sm"
    >
      You look around as a viewer: you see everything and change nothing. An owner of{' '}
      {data.workshop.name} can give you another role.
    </Text>
  );
}
