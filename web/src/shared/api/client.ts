/** The one way to the server: JSON by the contract's schemas, failures as one type. */
import { errorSchema, type ErrorCode, type WireError } from '@amber-gauge/contract';
import type { z } from 'zod';
import { say } from '@amber-gauge/core/words';

/** The server said no, in its own words. */
export class ApiError extends Error {
  constructor(readonly wire: WireError) {
    super(wire.message);
    this.name = 'ApiError';
  }
  get code(): ErrorCode {
    return this.wire.code;
  }
}

/** The server was not reached, or not in a state to answer: worth trying again. */
export class Unreachable extends Error {
  constructor(message: string = say`The server does not answer. It may be restarting.`) {
    super(message);
    this.name = 'Unreachable';
  }
}

/** Something answered that was not this page's server: cut off, of another version, or somebody in between. */
export class Strange extends Unreachable {
  constructor() {
    super(say`What answered does not fit this page. Load the page again; nothing entered is lost.`);
    this.name = 'Strange';
  }
}

/** What a call sends, and until when it is wanted. */
export interface CallOptions {
  readonly method?: 'GET' | 'POST' | 'PATCH' | 'PUT';
  readonly body?: unknown;
  readonly raw?: { readonly bytes: Blob; readonly type: string };
  readonly signal?: AbortSignal;
}

/** Calls `/api/v1` + path and parses the answer by `schema`. */
export async function call<T>(path: string, schema: z.ZodType<T>, options: CallOptions = {}): Promise<T> {
  const response = await reach(path, options);
  if (response.ok) {
    const answer = schema.safeParse(await response.json().catch(() => undefined));
    if (answer.success) return answer.data;
    options.signal?.throwIfAborted();
    throw new Strange();
  }
  const wire = errorSchema.safeParse(await response.json().catch(() => null));
  if (!wire.success || response.status >= 502 || wire.data.error.code === 'NOT_READY') throw new Unreachable();
  throw new ApiError(wire.data.error);
}

async function reach(path: string, options: CallOptions): Promise<Response> {
  const content = options.raw
    ? { body: options.raw.bytes, headers: { 'content-type': options.raw.type } }
    : options.body === undefined
      ? {}
      : { body: JSON.stringify(options.body), headers: { 'content-type': 'application/json' } };
  try {
    return await fetch(`/api/v1${path}`, {
      method: options.method ?? 'GET',
      signal: options.signal ?? null,
      ...content,
    });
  } catch (error) {
    if (options.signal?.aborted) throw error;
    throw new Unreachable();
  }
}
