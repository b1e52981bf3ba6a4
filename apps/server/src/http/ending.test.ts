import type { AddressInfo } from 'node:net';
import { Agent, get, type IncomingMessage } from 'node:http';
import { expect, it } from '@jest/globals';
import { startTestApp } from '../testing/test-app.js';

it('ends while somebody asks again and again over one connection, and answers all that it took', async () => {
  const test = await startTestApp();
  await test.app.listen(0, '127.0.0.1');
  const { port } = test.app.getHttpServer().address() as AddressInfo;
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const ask = () =>
    new Promise<IncomingMessage>((resolve, reject) => {
      get({ agent, host: '127.0.0.1', port, path: '/api/health' }, (answer) =>
        answer.resume().once('end', () => resolve(answer)),
      ).once('error', reject);
    });
  let ended = false;
  let answered = 0;
  const asking = (async () => {
    try {
      while (!ended) {
        expect((await ask()).statusCode).toBe(200);
        answered += 1;
      }
      return 'still there';
    } catch (error) {
      return (error as { code?: string }).code;
    }
  })();
  while (answered < 5) await new Promise((resolve) => setTimeout(resolve, 5));
  // Without letting go it would wait for a connection that never rests.
  await test.close();
  ended = true;
  expect(['ECONNREFUSED', 'ECONNRESET']).toContain(await asking);
  agent.destroy();
});
