export function createDatabase(
  adminUrl: string,
  purpose: string,
): Promise<{ url: string; drop: () => Promise<void> }>;
