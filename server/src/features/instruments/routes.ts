/**
 * Readings of instruments on the network: only addresses of Set-up, or one tried out from there, are spoken to; beyond
 * this machine only where Set-up allows it; nothing but questions is ever sent: no supply is set or switched from here.
 */
import {
  askReadingSchema,
  askTraceSchema,
  identitySchema,
  serialBaud,
  takenSchema,
  traceSchema,
  TRIGGER_WAIT_MS,
  tryInstrumentSchema,
  type Instrument,
} from '@amber-gauge/contract';
import {
  connectInstrument,
  greet,
  instrumentAddress,
  InstrumentProblem,
  readInstrument,
  takeTrace,
  traceCsv,
} from '@amber-gauge/core/instruments';
import type { Response, Router } from 'express';
import { connect } from 'node:net';
import type { Db } from '../../db/connect.js';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import { presentSettings } from '../settings/repository.js';
import { say } from '@amber-gauge/core/words';

type Session = Awaited<ReturnType<typeof connectInstrument>>;

export function instrumentRoutes({ db }: { readonly db: Db }): Router {
  const router = apiRouter();
  const busy = new Set<string>();

  /** Talks with what stands at an address; one talk at a time, ended when the page goes away. */
  async function talk<T>(address: string, res: Response, work: (session: Session) => Promise<T>) {
    const { remoteInstruments } = await presentSettings(db);
    if (serialBaud(address) !== null)
      throw instrumentError(say`It is on a serial line: it is read by the device that it is plugged into.`);
    if (busy.has(address)) throw instrumentError(say`It is being read already: wait for that reading, or leave it.`);
    busy.add(address);
    let session: Session | null = null;
    const leave = () => session?.close();
    res.on('close', leave);
    try {
      session = await connectInstrument(connect, instrumentAddress(address, remoteInstruments));
      return await work(session);
    } catch (error) {
      if (!(error instanceof InstrumentProblem)) throw error;
      throw instrumentError(
        error.code === 'NOT_ALLOWED'
          ? say`${error.message} Allow it in Set-up if it is your instrument.`
          : error.message,
      );
    } finally {
      busy.delete(address);
      res.off('close', leave);
      session?.close();
    }
  }

  async function knownInstrument(id: string): Promise<Instrument> {
    const known = (await presentSettings(db)).instruments.find((one) => one.id === id);
    if (known) return known;
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { id: 'this instrument is not in Set-up any more' } });
  }

  router.post('/instruments/try', async (req, res) => {
    const { address } = body(req, tryInstrumentSchema);
    send(res, identitySchema, await talk(address, res, greet));
  });
  router.post('/instruments/reading', async (req, res) => {
    const { id, wanted, trigger } = body(req, askReadingSchema);
    const known = await knownInstrument(id);
    const asked = { kind: known.kind, wanted, triggerMs: trigger ? TRIGGER_WAIT_MS : null };
    const reading = await talk(known.address, res, (session) => readInstrument(session, asked));
    send(res, takenSchema, {
      name: known.name,
      function: reading.function,
      unit: reading.unit,
      value: reading.over ? null : reading.value,
    });
  });
  router.post('/instruments/trace', async (req, res) => {
    const known = await knownInstrument(body(req, askTraceSchema).id);
    if (known.kind !== 'scope') throw instrumentError(say`${known.name} is no scope: it shows no trace.`);
    const trace = await talk(known.address, res, async (session) => {
      await greet(session);
      return takeTrace(session);
    });
    send(res, traceSchema, { name: known.name, csv: traceCsv(trace) });
  });
  return router;
}

const instrumentError = (words: string): HttpError => new HttpError('INSTRUMENT', { fields: { instrument: words } });
