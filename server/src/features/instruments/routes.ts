/**
 * Readings of instruments on the network: only addresses of Set-up, or one tried out from there, are spoken to; beyond
 * this machine only where Set-up allows it; nothing but questions of a meter is ever sent.
 */
import {
  askReadingSchema,
  identitySchema,
  takenSchema,
  TRIGGER_WAIT_MS,
  tryInstrumentSchema,
} from '@amber-gauge/contract';
import {
  connectInstrument,
  greet,
  instrumentAddress,
  InstrumentProblem,
  takePresent,
  takeTriggered,
} from '@amber-gauge/core/instruments';
import type { Response, Router } from 'express';
import { connect } from 'node:net';
import type { Db } from '../../db/connect.js';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import { presentSettings } from '../settings/repository.js';

type Session = Awaited<ReturnType<typeof connectInstrument>>;

export function instrumentRoutes({ db }: { readonly db: Db }): Router {
  const router = apiRouter();
  const busy = new Set<string>();

  /** Talks with what stands at an address; one talk at a time, ended when the page goes away. */
  async function talk<T>(address: string, res: Response, work: (session: Session) => Promise<T>) {
    const { remoteInstruments } = await presentSettings(db);
    if (busy.has(address)) throw instrumentError('It is being read already: wait for that reading, or leave it.');
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
        error.code === 'NOT_ALLOWED' ? `${error.message} Allow it in Set-up if it is your instrument.` : error.message,
      );
    } finally {
      busy.delete(address);
      res.off('close', leave);
      session?.close();
    }
  }

  router.post('/instruments/try', async (req, res) => {
    const { address } = body(req, tryInstrumentSchema);
    send(res, identitySchema, await talk(address, res, greet));
  });
  router.post('/instruments/reading', async (req, res) => {
    const { id, wanted, trigger } = body(req, askReadingSchema);
    const known = (await presentSettings(db)).instruments.find((one) => one.id === id);
    if (!known)
      throw new HttpError('UNKNOWN_REFERENCE', { fields: { id: 'this instrument is not in Set-up any more' } });
    const reading = await talk(known.address, res, async (session) => {
      await greet(session);
      return trigger ? takeTriggered(session, wanted, TRIGGER_WAIT_MS) : takePresent(session, wanted);
    });
    send(res, takenSchema, {
      name: known.name,
      function: reading.function,
      unit: reading.unit,
      value: reading.over ? null : reading.value,
    });
  });
  return router;
}

const instrumentError = (words: string): HttpError => new HttpError('INSTRUMENT', { fields: { instrument: words } });
