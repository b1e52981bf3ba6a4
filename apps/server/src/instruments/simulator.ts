import type { HandleDto } from '@coiled-strand/contract';
import { createServer, type Socket } from 'node:net';

// A program of its own beside the server: the stand-in of a caliper or a scale. It speaks the line protocol of
// docs/instruments.md over TCP on loopback; its hands are messages of the program that started it.

const which = process.argv[2] === 'scale' ? 'scale' : 'caliper';
/** Largest value that it can show, in mm or g. */
const MAX_READING = which === 'caliper' ? 150 : 5000;
const DECIMALS = 2;
/** How often it says something, in ms: as usual devices do. */
const EVERY = 120;
/** So long it moves until it rests, in ms. */
const SETTLES = 600;

let value = 0;
let from = 0;
let turnedAt = -SETTLES;
let plugged = true;
let batteryLow = false;
const listeners = new Set<Socket>();

/** What it shows now: on its way, it trembles. */
function shown(): { readonly value: number; readonly stable: boolean } {
  const share = (performance.now() - turnedAt) / SETTLES;
  if (share >= 1) return { value, stable: true };
  const tremble = (Math.random() - 0.5) * Math.abs(value - from) * 0.05;
  return { value: from + (value - from) * share + tremble, stable: false };
}

function line(): string {
  const now = shown();
  const battery = batteryLow ? ' B' : '';
  const over = Math.abs(now.value) > MAX_READING;
  const sign = now.value < 0 ? '-' : '+';
  const digits = Math.abs(now.value).toFixed(DECIMALS);
  if (which === 'caliper') {
    return over
      ? `C ------ mm O${battery}`
      : `C ${sign}${digits.padStart(6, '0')} mm ${now.stable ? 'S' : 'M'}${battery}`;
  }
  return over ? `O  ------ g${battery}` : `${now.stable ? 'S' : 'M'}  ${sign}${digits} g${battery}`;
}

setInterval(() => {
  if (plugged) for (const socket of listeners) socket.write(`${line()}\r\n`);
}, EVERY);

const server = createServer((socket) => {
  if (!plugged) {
    socket.destroy();
    return;
  }
  listeners.add(socket);
  socket.on('error', () => undefined);
  socket.on('close', () => listeners.delete(socket));
});

process.on('message', (hands: HandleDto) => {
  if (hands.value !== undefined) {
    from = shown().value;
    value = hands.value;
    turnedAt = performance.now();
  }
  if (hands.batteryLow !== undefined) batteryLow = hands.batteryLow;
  if (hands.plugged === undefined) return;
  plugged = hands.plugged;
  if (!plugged) for (const socket of listeners) socket.destroy();
});
// Whoever started it is gone.
process.on('disconnect', () => process.exit(0));

server.listen(0, '127.0.0.1', () => {
  const address = server.address();
  if (address && typeof address === 'object') process.send?.({ port: address.port });
});
