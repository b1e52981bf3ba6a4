/** A copy of what the server makes at its first start: with the made-up workshop, or with none. */
export type Like = 'demo' | 'empty';

export function makeTemplates(adminUrl: string): Promise<void>;

export function createDatabase(
  adminUrl: string,
  purpose: string,
  like?: Like,
): Promise<{ url: string; drop: () => Promise<void> }>;
