import { parseReading, type Reading } from '@coiled-strand/core';
import { connect, type Socket } from 'node:net';

/** A device that was gone is looked for again after so long, in ms. */
const AGAIN = 1000;
/** A line longer than this is none: what comes over a line may be anything. */
const MAX_LINE_LENGTH = 200;

/** Listens to a device that speaks lines over TCP, for as long as it is there, and whenever it comes back. */
export class LineDevice {
  private socket: Socket | null = null;
  private timer: NodeJS.Timeout | null = null;
  private closed = false;
  private rest = '';

  constructor(
    private readonly host: string,
    private readonly port: number,
    private readonly onReading: (reading: Reading) => void,
    private readonly onHere: (here: boolean) => void,
  ) {
    this.open();
  }

  close(): void {
    this.closed = true;
    if (this.timer) clearTimeout(this.timer);
    this.socket?.destroy();
  }

  private open(): void {
    const socket = connect(this.port, this.host);
    this.socket = socket;
    this.rest = '';
    socket.setEncoding('latin1');
    socket.on('data', (data: string) => this.take(data));
    // What went wrong does not matter: it is looked for again.
    socket.on('error', () => undefined);
    socket.on('close', () => {
      this.onHere(false);
      if (!this.closed) this.timer = setTimeout(() => this.open(), AGAIN);
    });
  }

  private take(data: string): void {
    const lines = (this.rest + data).split('\n');
    this.rest = lines.pop()!.slice(-MAX_LINE_LENGTH);
    for (const line of lines) {
      const reading = line.length <= MAX_LINE_LENGTH ? parseReading(line) : null;
      if (!reading) continue;
      this.onHere(true);
      this.onReading(reading);
    }
  }
}
