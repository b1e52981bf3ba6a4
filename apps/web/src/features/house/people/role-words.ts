import { ROLES, type Role } from '@coiled-strand/contract';

interface RoleWords {
  readonly name: string;
  readonly a: string;
  readonly may: string;
}

/** What each role is called, and what one may in it. */
export const ROLE_WORDS: Readonly<Record<Role, RoleWords>> = {
  viewer: { name: 'Viewer', a: 'a viewer', may: 'You see everything and change nothing.' },
  maker: { name: 'Maker', a: 'a maker', may: 'You plan, cut, make, order and count.' },
  owner: {
    name: 'Owner',
    a: 'an owner',
    may: 'You do all that a maker does, set prices, let others in, and take backups.',
  },
};

export const ROLE_CHOICES = ROLES.map((value) => ({
  value,
  label: ROLE_WORDS[value].name,
}));
