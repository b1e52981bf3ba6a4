import type { INestApplicationContext } from '@nestjs/common';
import { isLoopback } from '../identity/loopback.js';
import { AccountsService } from './accounts.service.js';

/**
 * Nobody but this machine may reach a workshop that has no owner with a password.
 *
 * @throws Error in plain words
 */
export async function refuseUnowned(app: INestApplicationContext, host: string): Promise<void> {
  if (isLoopback(host) || (await app.get(AccountsService).isOwned())) return;
  throw new Error(
    `HOST is ${host}, so that others could reach this workshop, and it has no owner with a password. Nothing is served. Make one with \`npm run owner\`, or start without HOST, open the address on this machine and choose a password; then start with HOST again.`,
  );
}
