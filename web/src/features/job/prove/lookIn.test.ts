import type { JobTimer } from '@amber-gauge/core/bench';
import { describe, expect, it } from 'vitest';
import { LOOK_IN, lookedIn } from './lookIn.js';

const NOW = new Date('2026-01-01T10:00:00.000Z');
const due = (minutes: number) =>
  ({ key: 'soak', dueAt: new Date(NOW.getTime() + minutes * 60_000).toISOString() }) as unknown as JobTimer;
const kinds = (look: JobTimer | null, soak: JobTimer | null) => lookedIn(look, soak, NOW).map(({ kind }) => kind);

describe('a look at what soaks', () => {
  it('is a line; the next is due in an hour while more than an hour is left', () => {
    expect(LOOK_IN).toMatchObject({ kind: 'timer', timer: 'look-in', minutes: 60 });
    expect(kinds(null, due(61))).toEqual(['note', 'timer']);
    expect(kinds(null, due(60))).toEqual(['note']);
    expect(kinds(null, due(-5))).toEqual(['note']);
    expect(kinds(null, null)).toEqual(['note']);
  });

  it('answers the one that was due', () => {
    const look = { ...due(0), key: 'look' };
    expect(lookedIn(look, due(180), NOW)).toEqual([
      { kind: 'note', text: 'Soak: looked in, all well' },
      { kind: 'timer-end', target: 'look', how: 'answered' },
      LOOK_IN,
    ]);
  });
});
