/** 1. Columns of times without a word. */
import { asked, LP, lp, mean, overMarks, pulses, type MadeCase } from './case.js';
import { counterCsv, stampsCsv, timesCsv } from './logs.js';
import { markTimes, type Motion } from './shaft.js';

const capstan: Motion = { rpm: 452, durationS: 20, wow: [{ hz: 2.1, percent: 0.15 }] };

/** Times in every unit, counters, polls, both edges, drift. */
export const TIMES_CASES: MadeCase[] = [
  ...(
    [
      ['seconds', 1, 6],
      ['milliseconds', 1e3, 3],
      ['microseconds', 1e6, 0],
      ['nanoseconds', 1e9, 0],
    ] as const
  ).flatMap(([word, scale, digits]) => [
    pulses(
      `times in ${word}, no header`,
      () => timesCsv(markTimes(lp(), { perTurn: 4 }), { scale, digits }),
      4,
      LP,
      mean(lp()),
    ),
  ]),
  pulses(
    'times in us with decimal comma',
    () => timesCsv(markTimes(lp(), { perTurn: 4 }), { scale: 1e6, digits: 2, comma: true, header: 'Zeit' }),
    4,
    LP,
    mean(lp()),
  ),
  pulses(
    'times named ms',
    () => timesCsv(markTimes(capstan, { perTurn: 8 }), { scale: 1e3, digits: 4, header: 'time_ms' }),
    8,
    450,
    mean(capstan),
  ),
  pulses(
    'named seconds but in ms',
    () => timesCsv(markTimes(lp(), { perTurn: 4 }), { scale: 1e3, digits: 3, header: 'Time (s)' }),
    4,
    LP,
    asked('TIME_UNIT', LP * 1.004),
  ),
  pulses('ISO stamps over midnight', () => stampsCsv(markTimes(lp(), { perTurn: 4 }), 'iso'), 4, LP, mean(lp())),
  pulses('clock stamps over midnight', () => stampsCsv(markTimes(lp(), { perTurn: 4 }), 'clock'), 4, LP, mean(lp())),
  pulses('epoch in ms', () => stampsCsv(markTimes(lp(), { perTurn: 4 }), 'epoch-ms'), 4, LP, mean(lp())),
  pulses('epoch in s', () => stampsCsv(markTimes(lp(), { perTurn: 4 }), 'epoch-s'), 4, LP, mean(lp())),
  pulses(
    '16-bit counter of ms that runs over',
    () => counterCsv(markTimes(lp({ durationS: 200 }), { perTurn: 2 }), 16, 1000, 't'),
    2,
    LP,
    mean(lp({ durationS: 200 }), 0.03, { warning: 'COUNTER_WRAPPED' }),
  ),
  pulses(
    '32-bit counter of us that runs over',
    () => counterCsv(markTimes(lp({ durationS: 600 }), { perTurn: 2 }), 32, 1e6, 'micros'),
    2,
    LP,
    mean(lp({ durationS: 600 }), 0.02, { warning: 'COUNTER_WRAPPED' }),
  ),
  pulses(
    'ticks of an unknown clock',
    () => counterCsv(markTimes(lp(), { perTurn: 4 }), 48, 16e6, 'ticks'),
    4,
    LP,
    asked('TIME_UNIT', LP * 1.004),
  ),
  pulses(
    'double triggers among 60 a turn, in us',
    () => {
      const t = markTimes({ rpm: 300, durationS: 20 }, { perTurn: 60 });
      return timesCsv(
        [...t, ...t.filter((_, i) => i % 5 === 0).map((x) => x + 0.0004)].sort((a, b) => a - b),
        { scale: 1e6, digits: 0 },
      );
    },
    60,
    300,
    mean({ rpm: 300, durationS: 20 }, 0.02, { warning: 'DOUBLED_PULSES' }),
  ),
  pulses(
    'intervals instead of times, in us',
    () => {
      const t = markTimes(lp(), { perTurn: 4 });
      return ['period_us', ...t.slice(1).map((x, i) => ((x - (t[i] as number)) * 1e6).toFixed(1))].join('\n');
    },
    4,
    LP,
    mean(lp(), 0.02, { warning: 'INTERVALS_SUMMED' }),
  ),
  pulses(
    'minutes and seconds on a clock',
    () =>
      [
        'time',
        ...markTimes(lp(), { perTurn: 2 }).map((t) => `${Math.floor(t / 60)}:${(t % 60).toFixed(4).padStart(7, '0')}`),
      ].join('\n'),
    2,
    LP,
    mean(lp()),
  ),
  pulses(
    'polled in ms',
    () => timesCsv(markTimes(capstan, { perTurn: 1 }), { scale: 1e3, digits: 0 }),
    1,
    450,
    mean(capstan, 0.05),
  ),
  pulses(
    'both edges, 30 % duty',
    () =>
      timesCsv(
        markTimes(lp(), { perTurn: 1 }).flatMap((t) => [t, t + 0.54]),
        { digits: 6 },
      ),
    1,
    LP,
    mean(lp(), 0.02, { warning: 'BOTH_EDGES' }),
  ),
  pulses(
    'both edges, half and half',
    () => timesCsv(markTimes(lp(), { perTurn: 2 })),
    1,
    LP,
    asked('BOTH_EDGES', LP * 1.004),
  ),
  pulses(
    'a log of speeds',
    () =>
      ['time,rpm', ...Array.from({ length: 300 }, (_, i) => `${i / 10},${(33.3 + 0.1 * Math.sin(i)).toFixed(3)}`)].join(
        '\n',
      ),
    1,
    LP,
    { kind: 'refused', reason: 'ALREADY_SPEEDS' },
  ),
  pulses(
    'started, run and stopped in half a minute',
    () => {
      const stopping = Array.from({ length: 60 }, (_, i) => 25 - 6 * Math.log(1 - i / 62));
      return timesCsv([...markTimes({ rpm: 60, durationS: 25, spinUpS: 2 }, { perTurn: 8 }), ...stopping]);
    },
    8,
    60,
    { kind: 'mean', rpm: 60, withinPercent: 0.02, warning: 'UNSTEADY_PART_LEFT_OUT' },
  ),
  pulses(
    'running down all the time',
    () => timesCsv(Array.from({ length: 150 }, (_, i) => -20 * Math.log(1 - i / 200))),
    4,
    LP,
    asked('UNSTEADY'),
  ),
  pulses(
    'twenty-three pulses a turn taken for one',
    () => timesCsv(markTimes(lp(), { perTurn: 23 }), { digits: 6, header: 'Time (s)' }),
    1,
    LP,
    asked('SPEED_OUT_OF_REACH', LP * 1.004),
  ),
  pulses(
    'once a turn with slow drift',
    () => timesCsv(markTimes(lp({ driftPercent: 1.5, durationS: 120 }), { perTurn: 1, jitterS: 2e-4 }), { digits: 6 }),
    1,
    LP,
    {
      kind: 'mean',
      rpm: overMarks(lp({ driftPercent: 1.5, durationS: 120 })),
      withinPercent: 0.002,
      motion: lp({ driftPercent: 1.5, durationS: 120 }),
    },
  ),
];
