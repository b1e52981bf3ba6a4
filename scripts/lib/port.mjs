import { createServer } from 'node:net';

/** Whether a port on loopback is free. */
export const isFree = (port, host = '127.0.0.1') =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

/** A port that is free now. */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = /** @type {import('node:net').AddressInfo} */ (probe.address());
      probe.close(() => resolve(port));
    });
  });

/** Whether something can listen on an address: it is this machine's. */
export const isOurs = (host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', ({ code }) => resolve(code !== 'EADDRNOTAVAIL' && code !== 'ENOTFOUND'));
    probe.listen(0, host, () => probe.close(() => resolve(true)));
  });
