/** 2. Changes as a logic analyser lists them. */
import { asked, LP, lp, mean, pulses, type MadeCase } from './case.js';
import { changesCsv, timesCsv } from './logs.js';
import { markTimes, type Motion } from './shaft.js';

const capstan: Motion = { rpm: 452, durationS: 20, wow: [{ hz: 2.1, percent: 0.15 }] };
const drum: Motion = { rpm: 52, durationS: 14 };

const levels = (t: readonly number[], highS: number, name: string) => ({ name, rises: t, highS });

/** Channels, quadrature, spin-up, edges in words. */
export const LOGIC_CASES: MadeCase[] = [
  pulses(
    'changes of one channel',
    () => changesCsv([levels(markTimes(capstan, { perTurn: 8 }), 0.003, 'D0')]),
    8,
    450,
    mean(capstan),
  ),
  pulses(
    'a silent channel beside it',
    () => changesCsv([levels([], 0, 'D0'), levels(markTimes(capstan, { perTurn: 8 }), 0.003, 'D1')]),
    8,
    450,
    mean(capstan),
  ),
  pulses(
    'a fast clock beside it',
    () =>
      changesCsv([
        levels(
          Array.from({ length: 4000 }, (_, i) => i * 0.005),
          0.0025,
          'clk',
        ),
        levels(markTimes({ rpm: 120, durationS: 20 }, { perTurn: 2 }), 0.1, 'fg'),
      ]),
    2,
    120,
    mean({ rpm: 120, durationS: 20 }, 0.02, { warning: 'CHANNEL_CHOSEN' }),
  ),
  pulses(
    'two channels that both make sense',
    () =>
      changesCsv([
        levels(markTimes({ rpm: 90, durationS: 20 }, { perTurn: 2 }), 0.1, 'a'),
        levels(markTimes({ rpm: 130, durationS: 20 }, { perTurn: 2 }), 0.1, 'b'),
      ]),
    2,
    100,
    asked('WHICH_CHANNEL'),
  ),
  pulses(
    'an edge that bounces twice',
    () =>
      changesCsv([
        levels(
          markTimes({ rpm: 450, durationS: 10 }, { perTurn: 6 }).flatMap((t) => [t, t + 6e-5, t + 1e-4]),
          3e-5,
          'fg',
        ),
      ]),
    6,
    450,
    mean({ rpm: 450, durationS: 10 }, 0.02, { warning: 'DOUBLED_PULSES' }),
  ),
  pulses(
    'quadrature, forward',
    () => {
      const t = markTimes({ rpm: 60, durationS: 20 }, { perTurn: 12 });
      return changesCsv([
        levels(t, 0.04, 'A'),
        levels(
          t.map((x) => x + 1 / 48),
          0.04,
          'B',
        ),
      ]);
    },
    12,
    60,
    mean({ rpm: 60, durationS: 20 }, 0.02, { sense: 1 }),
  ),
  pulses(
    'quadrature, a drum that reverses',
    () => {
      const t = markTimes(drum, { perTurn: 12 });
      const q = 60 / drum.rpm / 48;
      const later = (by: number) => t.map((x) => x + by);
      const a = [...later(0), ...later(18), ...later(36)];
      const b = [...later(q), ...later(18 - q), ...later(36 + q)].sort((x, y) => x - y);
      return changesCsv([levels(a, 0.04, 'A'), levels(b, 0.04, 'B')]);
    },
    12,
    52,
    mean(drum, 0.05, { warning: 'RUN_BY_RUN', stretches: 3 }),
  ),
  pulses(
    'spin-up before the steady part',
    () => changesCsv([levels(markTimes({ ...capstan, durationS: 30, spinUpS: 1.5 }, { perTurn: 8 }), 0.002, 'FG')]),
    8,
    450,
    { kind: 'mean', rpm: 452, withinPercent: 0.05, warning: 'UNSTEADY_PART_LEFT_OUT' },
  ),
  pulses(
    'time, channel and edge in words',
    () =>
      [
        'Time,Channel,Edge',
        ...markTimes(capstan, { perTurn: 8 }).flatMap((t) => [
          `${t.toFixed(7)},FG,Rising`,
          `${(t + 0.004).toFixed(7)},FG,Falling`,
        ]),
      ].join('\n'),
    8,
    450,
    mean(capstan),
  ),
  pulses(
    'another speed selected in mid-log',
    () => {
      const a = markTimes(lp({ durationS: 20 }), { perTurn: 4 });
      const b = markTimes({ rpm: 45.1, durationS: 20 }, { perTurn: 4 }).map((t) => t + 21);
      return timesCsv([...a, ...b], { digits: 6 });
    },
    4,
    LP,
    asked('SEVERAL_SPEEDS', LP * 1.004),
  ),
];
