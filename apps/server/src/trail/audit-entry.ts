import type { Deed } from '@coiled-strand/contract';
import type { EntityManager } from 'typeorm';
import { identityNow } from '../identity/identity.js';
import { TrailRow } from '../rows/people.entities.js';

interface About {
  readonly subject?: string | null;
  /** A state, a role, a count: nothing that is said of a person, who may want it forgotten. */
  readonly more?: string | null;
  /** Where it is not the one that is worked in. */
  readonly workshopId?: string;
  readonly personId?: string | null;
}

/** Adds a line to the trail, in the transaction of what it tells of: both are kept, or neither. */
export async function writeAuditEntry(
  manager: EntityManager,
  did: Deed,
  about: About = {},
): Promise<void> {
  const identity = identityNow();
  const {
    workshopId = identity?.workshopId,
    personId = identity?.personId ?? null,
    subject = null,
    more = null,
  } = about;
  if (!workshopId) return;
  await manager.insert(TrailRow, { workshopId, personId, did, subject, more });
}
