/** What one may do in a workshop; each may what those before it may. */
export const ROLES = ['viewer', 'maker', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** Whether one role may what is for another. */
export const may = (role: Role | null, needed: Role): boolean =>
  role !== null && ROLES.indexOf(role) >= ROLES.indexOf(needed);
