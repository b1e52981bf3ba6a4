/** A start that failed, as a sentence with the remedy. */
export function sayStartFailure(error: unknown, env: NodeJS.ProcessEnv): string {
  const { code, message } = error as { code?: string; message?: string };
  switch (code) {
    case 'EADDRINUSE':
      return `Port ${env.PORT ?? '4173'} is taken by another program. Stop that, or choose another: PORT=4180 npm start`;
    case 'EACCES':
      return `Port ${env.PORT ?? ''} may not be used by this user. Choose one above 1023.`;
    case 'ECONNREFUSED':
    case 'ENOTFOUND':
    case 'ETIMEDOUT':
      return `No PostgreSQL answers at the address in DATABASE_URL (${message ?? code}). Start it, or unset DATABASE_URL to use the one that npm start brings.`;
    case '28P01':
    case '28000':
      return 'PostgreSQL refuses the user or password in DATABASE_URL. Check both.';
    case '3D000':
      return `The database named in DATABASE_URL does not exist. Create it with createdb, or correct the name.`;
    default:
      return `The server could not start: ${message ?? String(error)}`;
  }
}
