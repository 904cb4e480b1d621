/**
 * What happens at the unit, told from the speed alone, so that nobody presses a key between moves: it moved and has
 * settled, the selector was turned to another speed, the tone ended.
 */
import { lineFree, type LineFree } from './lineFree.js';
import { WATCH } from '../defaults.js';

/** A speed that may be selected: the tone or rate that is right for it, hertz, and the time of its turn. */
export interface WatchedSpeed {
  readonly id: string;
  readonly nominalHz: number;
  readonly turnS: number | null;
}

/** What was seen at one moment. */
export interface WatchView {
  readonly atS: number;
  /** Speed that the selector stands at, by what is heard; null before anything was. */
  readonly speedId: string | null;
  /** Error without the wow, percent; null while nothing is heard. */
  readonly errorPercent: number | null;
  readonly state: 'waiting' | 'moving' | 'settled' | 'ended';
  /** Just now: a reading that counts, once a move is over, or the first. */
  readonly read: { readonly speedId: string; readonly errorPercent: number } | null;
  /** Just now: the speed had moved since the last reading at this speed. */
  readonly movedSince: boolean;
}

/** Takes what is heard, hertz or null for silence, and says what happened. */
export interface Watch {
  push(atS: number, hz: number | null): WatchView;
}

/** @param speeds those the unit has; at least one. */
export function watchSpeeds(speeds: readonly WatchedSpeed[]): Watch {
  let speed: WatchedSpeed | null = null;
  let free: LineFree | null = null;
  let recent: { readonly atS: number; readonly percent: number }[] = [];
  let lastHeardS = Number.NEGATIVE_INFINITY;
  const lastRead = new Map<string, number>();
  let readSince = false;
  const silent = (atS: number): WatchView => {
    const ended = atS - lastHeardS > WATCH.endedS;
    if (ended) recent = [];
    return {
      atS,
      speedId: speed?.id ?? null,
      errorPercent: null,
      state: speed === null ? 'waiting' : ended ? 'ended' : 'moving',
      read: null,
      movedSince: false,
    };
  };
  return {
    push(atS, hz) {
      const near = hz === null ? null : nearest(speeds, hz);
      if (hz === null || near === null) return silent(atS);
      if (near.id !== speed?.id || atS - lastHeardS > WATCH.endedS) {
        speed = near;
        free = lineFree(near.turnS);
        recent = [];
        readSince = false;
      }
      lastHeardS = atS;
      const errorPercent = (free as LineFree).push(atS, 100 * (hz / near.nominalHz - 1));
      recent = [...recent.filter((one) => atS - one.atS <= WATCH.settledS), { atS, percent: errorPercent }];
      const settled = stands(recent);
      const mean = recent.reduce((sum, one) => sum + one.percent, 0) / recent.length;
      const was = lastRead.get(near.id);
      const movedSince = was !== undefined && Math.abs(mean - was) > WATCH.movePercent;
      if (!settled && movedSince) readSince = false;
      const counts = settled && !readSince;
      if (counts) {
        readSince = true;
        lastRead.set(near.id, mean);
      }
      return {
        atS,
        speedId: near.id,
        errorPercent,
        state: settled ? 'settled' : 'moving',
        read: counts ? { speedId: near.id, errorPercent: mean } : null,
        movedSince: counts && movedSince,
      };
    },
  };
}

const nearest = (speeds: readonly WatchedSpeed[], hz: number): WatchedSpeed | null => {
  const [best] = [...speeds].sort(
    (a, b) => Math.abs(Math.log(hz / a.nominalHz)) - Math.abs(Math.log(hz / b.nominalHz)),
  );
  return best && Math.abs(Math.log(hz / best.nominalHz)) < Math.log(WATCH.nearFactor) ? best : null;
};

/** Long enough, and within the width. The wow of the first turn is not learnt yet: it is waited for. */
function stands(recent: readonly { readonly atS: number; readonly percent: number }[]): boolean {
  const [first, last] = [recent[0], recent.at(-1)];
  if (!first || !last || last.atS - first.atS < WATCH.settledS * 0.95) return false;
  const values = recent.map((one) => one.percent);
  return Math.max(...values) - Math.min(...values) <= WATCH.withinPercent;
}
