import { hash, verify } from '@node-rs/argon2';

/**
 * argon2id with 19 MiB, two passes and one lane: the least that the OWASP Password Storage Cheat Sheet asks for (from
 * memory). Argon2id is what the library makes unless told otherwise. A hash carries its parameters with it.
 */
const PARAMETERS = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, PARAMETERS);

/** Made once: what a password is compared with where there is none, so that it takes as long. */
let nobody: Promise<string> | null = null;

/** Whether it is the password; as slow where there is none as where it is wrong. */
export async function isPassword(known: string | null, password: string): Promise<boolean> {
  nobody ??= hashPassword('nobody has this');
  const same = await verify(known ?? (await nobody), password).catch(() => false);
  return same && known !== null;
}
