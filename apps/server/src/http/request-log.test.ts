import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { Logger } from '@nestjs/common';
import { useTestApp } from '../testing/test-app.js';

const api = useTestApp();
const lines = jest.spyOn(Logger.prototype, 'log');
afterEach(() => void lines.mockClear());
const told = (): unknown[] =>
  lines.mock.calls.map(([line]) => line as unknown).filter((line) => typeof line === 'object');

describe('the log of requests', () => {
  it('has a line of each change and each fault, with the id that the caller got', async () => {
    const change = await api().put('/api/workshop/settings').send({});
    const fault = await api().get('/api/pieces/none');
    expect(told()).toMatchObject([
      { method: 'PUT', path: '/api/workshop/settings', status: 422 },
      { method: 'GET', path: '/api/pieces/none', status: fault.status },
    ]);
    expect((told()[0] as { requestId: string }).requestId).toBe(change.headers['x-request-id']);
  });
  it('has none of what only reads and is answered at once', async () => {
    await api().get('/api/workshop').expect(200);
    expect(told()).toEqual([]);
  });
});
