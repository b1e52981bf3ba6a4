import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals';
import type { InstrumentView } from '@coiled-strand/contract';
import { parseReading } from '@coiled-strand/core';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { startTestApp, type TestApp } from '../testing/test-app.js';
import { listenTo, until } from '../testing/processes.js';
import { LineDevice } from './line-device.js';

describe('stand-ins beside the server', () => {
  let test: TestApp;
  beforeAll(async () => {
    test = await startTestApp(true, { instruments: 'simulated' });
  });
  afterAll(() => test.close());
  const api = () => request(test.app.getHttpServer());
  const caliper = async (): Promise<InstrumentView> =>
    ((await api().get('/api/instruments')).body as InstrumentView[]).find(
      ({ instrument }) => instrument === 'caliper',
    )!;
  const hands = (body: object, which = 'caliper') =>
    api().put(`/api/instruments/${which}`).send(body);

  it('are turned, move, and come to rest', async () => {
    await until(async () => ((await caliper()).here ? true : undefined));
    await hands({ value: 12.34 }).expect(200);
    const moving = await until(async () => {
      const { reading } = await caliper();
      return reading && !reading.stable ? reading : undefined;
    });
    expect(moving.value).toBeLessThan(13);
    const rest = await until(async () => {
      const { reading } = await caliper();
      return reading?.stable && reading.value !== 0 ? reading : undefined;
    });
    expect(rest).toMatchObject({ value: 12.34, unit: 'mm', batteryLow: false });
  });
  it('say that it is too much, that the battery is low, and are gone with the plug', async () => {
    await hands({ value: 400, batteryLow: true }).expect(200);
    const over = await until(async () => {
      const { reading } = await caliper();
      return reading?.value === null ? reading : undefined;
    });
    expect(over.batteryLow).toBe(true);
    await hands({ plugged: false }).expect(200);
    await until(async () => ((await caliper()).here ? undefined : true));
    expect((await caliper()).reading).toBeNull();
    await hands({ plugged: true, value: 5 }).expect(200);
    await until(async () => ((await caliper()).here ? true : undefined));
  });
  it('are told as they happen to whoever listens', async () => {
    await test.app.listen(0, '127.0.0.1');
    const url = `${await test.app.getUrl()}/api/live`;
    const { heard } = await listenTo<InstrumentView>(url, {}, 'reading');
    await hands({ value: 31.2 }, 'scale').expect(200);
    await until(() => heard.some(({ reading }) => reading?.value === 31.2));
    // Nobody hears the end of it, and the server can still be closed: see below.
  });
  it('are told again when the database had no time for what they said', async () => {
    const database = test.app.get(DataSource);
    const ask = database.query.bind(database) as (...all: unknown[]) => Promise<unknown>;
    let refused = 0;
    const busy = jest.spyOn(database, 'query').mockImplementation(((...all: unknown[]) => {
      if (!String(all[0]).includes('insert into instrument') || refused > 0) return ask(...all);
      refused += 1;
      return Promise.reject(new Error('timeout exceeded when trying to connect'));
    }) as typeof database.query);
    // Pulled: it says nothing more of which something later could be written.
    await hands({ plugged: false }, 'scale').expect(200);
    await until(async () => {
      const all = (await api().get('/api/instruments')).body as InstrumentView[];
      return all.find(({ instrument }) => instrument === 'scale')!.here ? undefined : true;
    });
    expect(refused).toBe(1);
    busy.mockRestore();
  });
  it('take nothing that is no hand', async () => {
    await hands({ value: 'much' }).expect(422);
    await hands({ value: 1 }, 'thermometer').expect(404);
  });
});

describe('a device that speaks lines', () => {
  let server: Server;
  const sockets = new Set<Socket>();
  beforeAll(
    () =>
      new Promise<void>((resolve) => {
        server = createServer((socket) => {
          sockets.add(socket);
          socket.on('error', () => undefined);
        }).listen(0, '127.0.0.1', resolve);
      }),
  );
  afterAll(() => {
    sockets.forEach((socket) => socket.destroy());
    server.close();
  });
  it('is read line by line, however they arrive, and found again when it was gone', async () => {
    const said: number[] = [];
    const here: boolean[] = [];
    const device = new LineDevice(
      '127.0.0.1',
      (server.address() as AddressInfo).port,
      ({ value }) => said.push(value!),
      (is) => here.push(is),
    );
    const socket = await until(() => [...sockets][0]);
    socket.write('garbage\r\nC +00');
    socket.write('1.50 mm S\r\n\0\0\xff\nS  +2.00 g\n');
    socket.write(`${'x'.repeat(5000)}\nC +003.00 mm S\n`);
    await until(() => (said.length === 3 ? true : undefined));
    expect(said).toEqual([1.5, 2, 3]);
    // The plug is pulled in the middle of a line; what is left of it is no beginning of the next.
    socket.write('C +009');
    await new Promise((resolve) => setTimeout(resolve, 50));
    socket.destroy();
    sockets.clear();
    const again = await until(() => [...sockets][0]);
    again.write('.99 mm S\r\nC +004.00 mm S\r\n');
    await until(() => (said.length === 4 ? true : undefined));
    expect(said[3]).toBe(4);
    expect(here).toContain(false);
    device.close();
    expect(parseReading('C +009.99 mm S')?.value).toBe(9.99);
  });
});
