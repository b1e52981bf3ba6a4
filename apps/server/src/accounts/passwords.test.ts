import { describe, expect, it } from '@jest/globals';
import { PASSWORD } from '../testing/people.js';
import { hashPassword, isPassword } from './passwords.js';

describe('a password', () => {
  it('is kept as argon2id with salt and parameters, and never twice alike', async () => {
    const [one, other] = await Promise.all([hashPassword(PASSWORD), hashPassword(PASSWORD)]);
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$[\w+/]{22}\$[\w+/]{43}$/);
    expect(one).not.toBe(other);
    expect(await isPassword(one, PASSWORD)).toBe(true);
    expect(await isPassword(one, `${PASSWORD} `)).toBe(false);
    expect(await isPassword(null, 'nobody has this')).toBe(false);
  });
  // RFC 9106, appendix-style vector of the reference implementation (from memory: "password", "somesalt", t=2, m=2^16).
  it('is checked as other programs check it', async () => {
    const known =
      '$argon2id$v=19$m=65536,t=2,p=1$c29tZXNhbHQ$CTFhFdXPJO1aFaMaO6Mm5c8y7cJHAph8ArZWb2GRPPc';
    expect(await isPassword(known, 'password')).toBe(true);
    expect(await isPassword(known, 'Password')).toBe(false);
  });
});
