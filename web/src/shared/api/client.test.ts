/** The one way to the server: what is sent, and which failures are worth trying again. */
import { afterEach, describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { ApiError, call, Unreachable } from './client.js';

afterEach(() => vi.unstubAllGlobals());

const SCHEMA = z.object({ n: z.number() });
const answering = (body: unknown, status = 200) => {
  const fetched = vi.fn((_url: string, _init?: RequestInit) =>
    Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status })),
  );
  vi.stubGlobal('fetch', fetched);
  return fetched;
};
const refusal = (code: string) => ({ error: { code, message: 'In its own words.' } });

describe('a call', () => {
  it('asks below /api/v1, sends JSON or bytes as they are, and reads the answer by its schema', async () => {
    const fetched = answering({ n: 3 });
    expect(await call('/a?b=1', SCHEMA)).toEqual({ n: 3 });
    expect(fetched.mock.calls[0]).toEqual(['/api/v1/a?b=1', { method: 'GET', signal: null }]);
    await call('/a', SCHEMA, { method: 'POST', body: { x: 1 } });
    expect(fetched.mock.calls[1]?.[1]).toMatchObject({
      method: 'POST',
      body: '{"x":1}',
      headers: { 'content-type': 'application/json' },
    });
    const bytes = new Blob(['RIFF']);
    await call('/a', SCHEMA, { method: 'PUT', raw: { bytes, type: 'audio/wav' } });
    expect(fetched.mock.calls[2]?.[1]).toMatchObject({ body: bytes, headers: { 'content-type': 'audio/wav' } });
  });

  it.each([{ n: 'three' }, '<html>please log in</html>', '{"n": 3', ''])(
    'an answer of another shape, or cut off, is no answer, and what waits to be kept waits on: %j',
    async (body) => {
      answering(body);
      const error: unknown = await call('/a', SCHEMA).catch((one: unknown) => one);
      expect(error).toBeInstanceOf(Unreachable);
      expect((error as Error).message).toBe(
        'What answered does not fit this page. Load the page again; nothing entered is lost.',
      );
    },
  );

  it.each([
    [400, refusal('BAD_REQUEST'), ApiError],
    [409, refusal('CONFLICT'), ApiError],
    [500, refusal('INTERNAL'), ApiError],
    // A proxy without a server behind it, a server that still starts, something that is no server of ours.
    [502, refusal('INTERNAL'), Unreachable],
    [503, refusal('NOT_READY'), Unreachable],
    [404, '<html>not here</html>', Unreachable],
    [500, refusal('SOMETHING_ELSE'), Unreachable],
  ] as const)('%i is told apart: the server’s word, or worth trying again', async (status, body, kind) => {
    answering(body, status);
    const error: unknown = await call('/a', SCHEMA).catch((one: unknown) => one);
    expect(error).toBeInstanceOf(kind);
    if (error instanceof ApiError) expect([error.code, error.message]).toEqual([error.wire.code, 'In its own words.']);
  });

  it('away is worth trying again; stopped by hand is not away', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')));
    await expect(call('/a', SCHEMA)).rejects.toBeInstanceOf(Unreachable);
    const stop = new AbortController();
    stop.abort();
    await expect(call('/a', SCHEMA, { signal: stop.signal })).rejects.toBeInstanceOf(TypeError);
  });
});
