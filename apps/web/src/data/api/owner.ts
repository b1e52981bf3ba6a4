import { doneByOf, type SessionView } from '@coiled-strand/contract';
import type { Query, QueryClient } from '@tanstack/react-query';
import { workAs } from '../outbox/outbox';
import { keys } from './queries';

/** Whoever is signed in, and the workshop that they work in; null where nobody is, or in none. */
export const ownerOf = (session: SessionView | undefined): string | null =>
  session?.state === 'signed-in' && session.person && session.workshop
    ? doneByOf(session.person.id, session.workshop.id)
    : null;

/**
 * Lets what is done from now on belong to whoever is signed in.
 *
 * @param onEnter hears of each who is there now and was not before, or works in another workshop than before
 */
export function followOwner(client: QueryClient, onEnter: () => void): void {
  let before: string | null = null;
  const look = (): void => {
    const owner = ownerOf(client.getQueryData<SessionView>(keys.session));
    if (owner === before) return;
    before = owner;
    if (owner === null) return;
    workAs(owner);
    onEnter();
  };
  client.getQueryCache().subscribe(({ query }: { readonly query: Query }) => {
    if (query.queryKey[0] === keys.session[0]) look();
  });
  look();
}
