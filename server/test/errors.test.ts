/** What was thrown, and what a client is told of it: status, code, when to ask again. */
import { ERROR_TABLE, errorSchema, type ErrorCode } from '@amber-gauge/contract';
import express from 'express';
import request from 'supertest';
import { describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { errorHandler, HttpError } from '../src/http/errors.js';
import { guard } from '../src/http/guard.js';

/** An application that throws this on any address. */
function throwing(thrown: unknown) {
  const logged = vi.fn();
  const app = express();
  app.use((req, _res, next) => {
    Object.assign(req, { log: { error: logged } });
    next();
  });
  app.get('/', () => {
    throw thrown;
  });
  app.use(errorHandler);
  return { app, logged };
}
const coded = (code: string) => Object.assign(new Error('from the database'), { code });
const typed = (type: string, status?: number) => Object.assign(new Error('from the reader'), { type, status });

describe('what a client is told', () => {
  // Codes of PostgreSQL as its manual lists them (appendix A): 23503 names a row that is not there; 08, 53 and 57P a
  // server that is gone, full or going down; 57014, 55P03, 40P01, 40001 that it took too long or stood in another's way.
  it.each<[string, unknown, number, ErrorCode, string | undefined]>([
    ['of a service', new HttpError('CONFLICT'), 409, 'CONFLICT', undefined],
    ['too many at once', new HttpError('TOO_MANY'), 429, 'TOO_MANY', '2'],
    ['not there yet', new HttpError('NOT_READY'), 503, 'NOT_READY', '2'],
    ['too large', typed('entity.too.large', 413), 413, 'TOO_LARGE', undefined],
    ['no JSON', typed('entity.parse.failed', 400), 400, 'BAD_REQUEST', undefined],
    ['packed strangely', typed('encoding.unsupported', 415), 415, 'UNSUPPORTED_TYPE', undefined],
    ['in a strange alphabet', typed('charset.unsupported', 415), 415, 'UNSUPPORTED_TYPE', undefined],
    ['of a strange kind', typed('other', 415), 415, 'UNSUPPORTED_TYPE', undefined],
    ['an address that is no text', new URIError('malformed'), 404, 'NOT_FOUND', undefined],
    ['nothing there', typed('other', 404), 404, 'NOT_FOUND', undefined],
    ['cut off', typed('other', 400), 400, 'BAD_REQUEST', undefined],
    ['a row that is not there', coded('23503'), 422, 'UNKNOWN_REFERENCE', undefined],
    ['no connection', coded('08006'), 503, 'NOT_READY', '2'],
    ['going down', coded('57P01'), 503, 'NOT_READY', '2'],
    ['took too long', coded('57014'), 503, 'NOT_READY', '2'],
    ['locked', coded('55P03'), 503, 'NOT_READY', '2'],
    ['stood in each other’s way', coded('40P01'), 503, 'NOT_READY', '2'],
    ['nobody listens', coded('ECONNREFUSED'), 503, 'NOT_READY', '2'],
    ['disk full', coded('53100'), 503, 'NOT_READY', '2'],
    ['none free', new Error('Timeout acquiring a connection'), 503, 'NOT_READY', '2'],
    ['ended', new Error('Connection terminated unexpectedly'), 503, 'NOT_READY', '2'],
    ['a broken rule of the database', coded('23505'), 500, 'INTERNAL', undefined],
    ['unforeseen', new Error('what now'), 500, 'INTERNAL', undefined],
  ])('%s', async (_words, thrown, status, code, again) => {
    const { app, logged } = throwing(thrown);
    const answer = await request(app).get('/');
    const { error } = errorSchema.parse(answer.body);
    expect([answer.status, error.code, error.message, answer.headers['retry-after']]).toEqual([
      status,
      code,
      ERROR_TABLE[code].message,
      again,
    ]);
    // What nobody foresaw is for who keeps the server; all else is the client's.
    expect(logged).toHaveBeenCalledTimes(status === 500 ? 1 : 0);
  });

  it('which field, and what is wrong with it; of no field the whole body', async () => {
    const wrong = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error;
    const fields = async (thrown: unknown) =>
      errorSchema.parse((await request(throwing(thrown).app).get('/')).body).error.fields;
    expect(await fields(wrong(z.object({ a: z.object({ b: z.number('a number') }) }), { a: { b: 'x' } }))).toEqual({
      'a.b': 'a number',
    });
    expect(await fields(wrong(z.string('a text'), 7))).toEqual({ body: 'a text' });
    expect(await fields(typed('entity.parse.failed', 400))).toEqual({ body: 'not valid JSON' });
  });

  it('nothing more, once an answer has begun', async () => {
    const app = express();
    app.get('/', (_req, res) => {
      res.write('begun');
      throw new HttpError('CONFLICT');
    });
    app.use(errorHandler);
    await expect(request(app).get('/')).rejects.toThrow(/aborted|hang up/);
  });
});

describe('who may write here', () => {
  const app = express();
  app.use(guard);
  app.use((_req, res) => void res.json({}));
  app.use(errorHandler);
  const post = (headers: Record<string, string>) =>
    request(app)
      .post('/')
      .set({ host: 'localhost:4747', 'content-type': 'application/json', ...headers })
      .send(headers['content-type'] ? 'x' : '{}');

  it.each<[string, Record<string, string>, number]>([
    ['this page', { origin: 'http://localhost:4747' }, 200],
    ['a program without a page', {}, 200],
    ['the page of another port', { origin: 'http://localhost:4748' }, 403],
    ['the same name encrypted', { origin: 'https://localhost:4747' }, 403],
    ['a page elsewhere by its own word', { 'sec-fetch-site': 'cross-site' }, 403],
    ['the same site by its own word', { 'sec-fetch-site': 'same-origin' }, 200],
    ['a recording', { 'content-type': 'audio/wav' }, 200],
    ['bytes', { 'content-type': 'application/octet-stream' }, 200],
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['plain text, as a form may send it', { 'content-type': 'text/plain' }, 415],
    ['another name for this machine', { host: 'bench.example' }, 421],
    ['an address of six groups', { host: '[::1]:4747' }, 200],
    ['a loopback address without a port', { host: '127.0.0.1' }, 200],
    ['another loopback address', { host: '127.0.0.2' }, 421],
  ])('%s', async (_who, headers, status) => {
    expect((await post(headers)).status).toBe(status);
  });

  it('a form that is only read is no matter', async () => {
    const from = { host: 'localhost', origin: 'http://elsewhere.example', 'sec-fetch-site': 'cross-site' };
    expect((await request(app).get('/').set(from)).status).toBe(200);
    expect((await request(app).head('/').set(from)).status).toBe(200);
  });
});
