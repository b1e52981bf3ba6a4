import { isIP } from 'node:net';
import type { Request } from 'express';
import { nameIn } from '../http/same-site.js';

/** Whether an address leads nowhere but to this machine. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || (isIP(host) === 4 && host.startsWith('127.'));

/** What a program in between adds to a request that it hands on. */
const HANDED_ON = [
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-port',
  'x-forwarded-server',
  'x-real-ip',
  'forwarded',
  'via',
];

/**
 * Whether a request comes straight from this machine, and not through a program that lets others in. One of these may
 * say nothing of itself and give this machine's own name: but none of the browsers speaks as old an HTTP as they do.
 */
export function isFromHere({ headers, socket, httpVersion }: Request): boolean {
  const from = (socket.remoteAddress ?? '').replace(/^::ffff:/, '');
  return (
    isLoopback(from) &&
    httpVersion !== '1.0' &&
    isLoopback(nameIn(headers.host ?? '')) &&
    HANDED_ON.every((header) => headers[header] === undefined)
  );
}
