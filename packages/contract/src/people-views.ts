import type { BackupPlanDto } from './people.dto.js';
import type { Role } from './roles.js';

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly signIn: string;
  /** null for those who were added before they had one. */
  readonly hasPassword: boolean;
}

export interface WorkshopOfView {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

/** Who is asking, and what they may. */
export interface SessionView {
  /** `set-up`: there is no workshop yet. */
  readonly state: 'set-up' | 'signed-out' | 'signed-in';
  /** Nobody has a password yet: whoever sits at this machine is the owner. */
  readonly open: boolean;
  readonly person: PersonView | null;
  /** The workshop that is worked in; null for one who is in none. */
  readonly workshop: WorkshopOfView | null;
  readonly workshops: readonly WorkshopOfView[];
  /** Sent as X-Session-Token with changes by programs that are no browser. */
  readonly token: string | null;
}

/** A device that somebody is signed in on. */
export interface DeviceView {
  readonly id: string;
  /** What the browser said of itself. */
  readonly agent: string;
  readonly address: string;
  readonly since: string;
  readonly seenAt: string;
  readonly here: boolean;
}

export interface MemberView extends PersonView {
  readonly role: Role;
  readonly since: string;
  /** Whether this owner may make them a link for a new password. */
  readonly linkable: boolean;
}

export interface InvitationView {
  readonly id: string;
  readonly role: Role;
  readonly who: string;
  readonly until: string;
}

export interface PeopleView {
  readonly members: readonly MemberView[];
  /** Open ones; told to owners alone. */
  readonly invitations: readonly InvitationView[];
}

/** A link that was made; its token is told this once. */
export interface MadeLinkView {
  readonly id: string;
  readonly token: string;
  readonly until: string;
}

/** What a link is for, as it is told to whoever holds it. */
export interface LinkView {
  readonly kind: 'invitation' | 'password';
  readonly workshop: string | null;
  readonly role: Role | null;
  /** Who made it. */
  readonly by: string;
  /** Whose new password it is for. */
  readonly signIn: string | null;
  readonly until: string;
}

/** What was done to orders, stash and accounts. */
export const DEEDS = [
  'order.added',
  'order.changed',
  'order.state',
  'customer.exported',
  'customer.forgotten',
  'wearer.exported',
  'wearer.forgotten',
  'list.added',
  'list.filled',
  'list.removed',
  'list.changed',
  'lot.changed',
  'lot.moved',
  'cutting.added',
  'cutting.closed',
  'shopping.added',
  'shopping.ticked',
  'shopping.removed',
  'shopping.arrived',
  'kit.added',
  'kit.packed',
  'workshop.pricing',
  'workshop.added',
  'workshop.restored',
  'workshop.backup',
  'workshop.backed-up',
  'person.signed-in',
  'person.changed',
  'person.password',
  'person.invited',
  'person.uninvited',
  'person.joined',
  'person.role',
  'person.link',
  'person.left',
  'person.sessions',
] as const;
export type Deed = (typeof DEEDS)[number];

export interface TrailView {
  readonly id: string;
  readonly at: string;
  /** null: somebody who has gone since, or the program itself. */
  readonly who: string | null;
  readonly did: Deed;
  /** What it was done to, as it is called now; null where it is gone, was forgotten, or has no name. */
  readonly what: string | null;
  readonly subject: string | null;
  /** A state, a role, a count: never what is said of a person. */
  readonly more: string | null;
}

/** Somebody who ordered something. */
export interface CustomerView {
  readonly id: string;
  readonly name: string;
  readonly orders: number;
}

/** Something with words of the maker's own in which a name still stands. */
export interface MentionView {
  readonly in: 'piece' | 'make' | 'cutting' | 'order';
  readonly id: string;
  readonly name: string;
  readonly text: string;
}

/** What was changed where a wearer was forgotten, and what is left for the maker to look at. */
export interface ForgottenWearerView {
  readonly pieces: number;
  readonly makes: number;
  readonly mentions: readonly MentionView[];
}

/** What is told as it happens: which kinds of things changed; `all` after a gap. */
export interface LiveView {
  readonly workshop: string;
  readonly changed: readonly string[];
}

/** What a backup says it holds. */
export interface BackupLookView {
  readonly sha256: string;
  readonly madeAt: string;
  readonly workshop: string;
  readonly counts: Readonly<Record<string, number>>;
}

export interface KeptBackupView {
  readonly id: string;
  readonly madeAt: string;
  readonly bytes: number;
  /** Machine on whose disk it lies. */
  readonly machine: string;
  /** Whether that is the one which answers. */
  readonly here: boolean;
}

export interface BackupsView {
  readonly plan: BackupPlanDto;
  readonly kept: readonly KeptBackupView[];
  /** Folder they are kept in; null where the machine has none. */
  readonly folder: string | null;
}

export interface RestoredView {
  readonly workshop: string;
  readonly counts: Readonly<Record<string, number>>;
  /** Accounts whose sign-in name was taken, with the one they have now. */
  readonly renamed: readonly { readonly from: string; readonly to: string }[];
  /** Names of its members who have an account here and were not in this workshop: they have to be asked anew. */
  readonly notAsked: readonly string[];
}
