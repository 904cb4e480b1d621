/**
 * Ten months of the island's jobs that went back: made up, but told by the drive paths. Each names its fault and how far
 * off it was; the look that saw it, the mend that cures it, the functions shown afterwards and the safety readings
 * follow from the family's own data, the speeds from tones that are measured.
 */
import {
  provingPlan,
  readingsOf,
  safetyLimit,
  toleranceOfUse,
  USUAL_SAFETY_LIMITS,
  usualFollowUps,
  workOfRepair,
  type EventBody,
  type ProvingCheck,
  type SafetyReading,
  type StageId,
} from '@amber-gauge/core/bench';
import { familyOf, PATHS, provingOf, type PathRepair } from '@amber-gauge/core/families';
import { healthyStates } from '@amber-gauge/core/diagnosis';
import { charge, rpm, still, type DemoJob } from './jobs.js';

/** What is chosen of a job; the rest follows. */
interface Past {
  readonly number: number;
  readonly daysAgo: number;
  readonly days: number;
  readonly family: string;
  readonly unit: readonly [make: string, model: string, serial: string];
  readonly customer: string;
  readonly complaint: string;
  readonly powerKind?: 'mains' | 'pack';
  readonly volts: number;
  readonly speeds: readonly string[];
  /** As found in percent, or turns a minute where there is no nominal; null did not turn. */
  readonly found: readonly (number | null)[];
  readonly left: readonly number[];
  /** The look that saw it: test, answer. */
  readonly look: readonly [test: string, outcome: string] | null;
  readonly repair: string;
  readonly rank: number;
  readonly price: number;
  readonly worth: number;
  readonly returnOf?: number;
  /** Shown in full and still here: it waits for its owner. */
  readonly stays?: boolean;
}

const past = (
  number: number,
  daysAgo: number,
  days: number,
  family: string,
  unit: Past['unit'],
  customer: string,
  complaint: string,
  more: Pick<Past, 'volts' | 'speeds' | 'found' | 'left' | 'look' | 'repair' | 'rank' | 'price' | 'worth'> &
    Partial<Past>,
): Past => ({ number, daysAgo, days, family, unit, customer, complaint, ...more });

const PAST: readonly Past[] = [
  past(
    126,
    3,
    1,
    'belt-turntable-ac',
    ['Holmgard', 'Synkron', 'HG-76031'],
    'Lighthouse museum',
    'Squeals when it starts.',
    {
      volts: 230,
      speeds: ['33'],
      found: [-0.3],
      left: [-0.1],
      look: ['coast', 'drags'],
      repair: 'motor-oil',
      rank: 1,
      price: 40,
      worth: 180,
      stays: true,
    },
  ),
  past(125, 12, 4, 'cordless-brushless', ['Jernvik', 'Blås 56', 'JF-2210'], 'Boatyard', 'Dead after rain.', {
    powerKind: 'pack',
    volts: 50.4,
    speeds: ['full'],
    found: [null],
    left: [19800],
    look: ['contact-ohms', 'contact-open'],
    repair: 'contact',
    rank: 1,
    price: 90,
    worth: 320,
  }),
  past(127, 302, 6, 'belt-turntable-dc', ['Brenning', 'Dans 33', 'BD-1003'], 'School', 'Everything sounds low.', {
    volts: 230,
    speeds: ['33', '45'],
    found: [-1.9, -1.8],
    left: [0.1, 0.05],
    look: ['belt-look', 'slack-or-shiny'],
    repair: 'new-belt',
    rank: 1,
    price: 38,
    worth: 140,
  }),
  past(
    128,
    287,
    9,
    'belt-turntable-ac',
    ['Holmgard', 'Synkron', 'HG-75004'],
    'Church hall',
    'Hums, starts by hand only.',
    {
      volts: 230,
      speeds: ['33'],
      found: [-0.9],
      left: [-0.1],
      look: ['coast', 'drags'],
      repair: 'motor-oil',
      rank: 1,
      price: 45,
      worth: 160,
    },
  ),
  past(129, 268, 12, 'cassette-direct', ['Lyngvik', 'Studio 3', '20911'], 'Cinema club', 'Fast when it is damp.', {
    volts: 230,
    speeds: ['4.76'],
    found: [3.1],
    left: [0.2],
    look: ['board-look', 'leaked'],
    repair: 'recap-wash',
    rank: 2,
    price: 85,
    worth: 300,
  }),
  past(
    130,
    244,
    3,
    'vacuum-cleaner',
    ['Virvle', 'Sug 2', 'V2-118'],
    'Guest house laundry',
    'Howls and does not pull.',
    {
      volts: 230,
      speeds: ['high'],
      found: [31200],
      left: [26100],
      look: ['filters-look', 'blocked'],
      repair: 'filters',
      rank: 1,
      price: 15,
      worth: 60,
    },
  ),
  past(131, 221, 8, 'rim-drive', ['Skarvholm', 'Reise', 'SR-0440'], 'Dance hall', 'Thumps and is slow.', {
    volts: 230,
    speeds: ['33', '45'],
    found: [-2.6, -2.4],
    left: [-0.3, -0.2],
    look: ['idler-look', 'glazed'],
    repair: 'idler-clean',
    rank: 1,
    price: 40,
    worth: 120,
  }),
  past(
    132,
    203,
    14,
    'video-recorder',
    ['Tangvik', 'Bilde 4', 'TB-9022'],
    'Ferry office',
    'Takes the tape and changes its mind.',
    {
      volts: 230,
      speeds: ['sp'],
      found: [null],
      left: [0.1],
      look: ['mode-look', 'oxidised'],
      repair: 'mode-switch',
      rank: 1,
      price: 60,
      worth: 110,
    },
  ),
  past(
    133,
    176,
    5,
    'stand-mixer',
    ['Kornblom', 'Deigmester 5', 'KB-1760'],
    'Island bakery',
    'Sparks, starts after a knock.',
    {
      volts: 230,
      speeds: ['low', 'high'],
      found: [52, 214],
      left: [66, 263],
      look: ['brush-look', 'under-the-limit'],
      repair: 'brushes',
      rank: 1,
      price: 55,
      worth: 420,
    },
  ),
  past(
    134,
    151,
    10,
    'washer-top',
    ['Havstein', 'Topp 40', 'HT-3321'],
    'Guest house laundry',
    'Says out of balance when it is empty.',
    {
      volts: 230,
      speeds: ['spin'],
      found: [180],
      left: [640],
      look: ['sensor-look', 'corroded'],
      repair: 'sensor-fasten',
      rank: 2,
      price: 50,
      worth: 380,
    },
  ),
  past(135, 122, 4, 'tool-brushed', ['Jernvik', 'Bor 18', 'JB-0071'], 'Boatyard', 'Weak, smells.', {
    powerKind: 'pack',
    volts: 18,
    speeds: ['half', 'full'],
    found: [310, 1180],
    left: [420, 1710],
    look: ['brush-look', 'under-the-limit'],
    repair: 'brushes',
    rank: 1,
    price: 25,
    worth: 110,
  }),
  past(136, 101, 11, 'open-reel', ['Terneskjær', 'Spole B', 'TS-204'], 'School', 'Slow, more at the end.', {
    volts: 230,
    speeds: ['19', '9.5'],
    found: [-1.7, -1.9],
    left: [0.1, 0.2],
    look: ['belt-look', 'slack-or-oily'],
    repair: 'belt',
    rank: 1,
    price: 70,
    worth: 350,
  }),
  past(137, 88, 7, 'direct-drive-servo', ['Fyrhavn', 'Direkte', 'FD-551'], 'Lighthouse museum', '45 wanders.', {
    volts: 230,
    speeds: ['33', '45'],
    found: [-0.2, 2.3],
    left: [0.05, 0.1],
    look: ['trim-nudge', 'jumps-while-turned'],
    repair: 'clean',
    rank: 3,
    price: 30,
    worth: 260,
  }),
  past(138, 64, 13, 'washer-front', ['Havstein', 'Trommel 60', 'HF-0113'], 'Guest house laundry', 'Fills and stands.', {
    volts: 230,
    speeds: ['wash'],
    found: [null],
    left: [52],
    look: ['pressure-blow', 'clicks-does-not-make'],
    repair: 'pressure',
    rank: 1,
    price: 65,
    worth: 450,
  }),
  past(139, 41, 6, 'cassette-belt', ['Lyngvik', 'Bånd 12', '40093'], 'Cinema club', 'Low and it warbles.', {
    volts: 230,
    speeds: ['4.76'],
    found: [-2.2],
    left: [-0.2],
    look: ['belt-look', 'slack-or-shiny'],
    repair: 'belt',
    rank: 1,
    price: 35,
    worth: 120,
  }),
  past(140, 26, 5, 'stand-mixer', ['Kornblom', 'Deigmester 5', 'KB-1760'], 'Island bakery', 'Sparks again.', {
    volts: 230,
    speeds: ['low', 'high'],
    found: [49, 205],
    left: [65, 261],
    look: ['commutator-look', 'black-or-pitted'],
    repair: 'commutator',
    rank: 2,
    price: 0,
    worth: 420,
    returnOf: 133,
  }),
];

/** All of them as the demo puts them in. */
export const demoHistory = (now: Date): DemoJob[] => PAST.map((one) => historyOf(one, now));

/** What a meter reads on a store that is gone, volts. */
const LEFT_V = 0.4;
/** Length of the tones of old, seconds. */
const TONE_S = 8;

type Line = DemoJob['lines'][number];

/** Tells a job's log line after line as its clock goes on. */
class Teller {
  readonly lines: Line[] = [];

  constructor(
    private readonly one: Past,
    private hoursAgo: number,
  ) {}

  add(
    stage: StageId,
    line: { readonly body: EventBody; readonly id?: string } | Pick<Extract<Line, { tone: unknown }>, 'tone'>,
    minutes = 4,
  ): void {
    this.lines.push({ hoursAgo: this.hoursAgo, stage, ...line });
    this.wait(minutes);
  }

  wait(minutes: number): void {
    this.hoursAgo -= minutes / 60;
  }

  measure(stage: StageId, values: readonly (number | null)[], condition: 'warm' | null = null): void {
    this.one.speeds.forEach((speedId, i) => this.add(stage, speedOf(this.one, speedId, values[i] ?? null, condition)));
  }

  at(now: Date): Date {
    return new Date(now.getTime() - this.hoursAgo * 3_600_000);
  }
}

const powerOf = (one: Past, on: boolean): EventBody => {
  const pack = one.powerKind === 'pack';
  const state = on ? (pack ? 'pack-in' : 'live-isolated') : pack ? 'pack-out' : 'unplugged-discharged';
  return { kind: 'power', state, conditions: [] };
};

function historyOf(one: Past, now: Date): DemoJob {
  const repair = PATHS.get(one.family)?.repairs.find(({ id }) => id === one.repair);
  if (!repair) throw new Error(`demo history ${one.number}: ${one.family} has no mend ${one.repair}`);
  const told = new Teller(one, one.daysAgo * 24);
  if (one.returnOf !== undefined)
    told.add('take-in', { body: { kind: 'return', number: one.returnOf, jobId: `job:${one.returnOf}`, same: true } });
  told.measure('take-in', one.found);
  told.add('take-in', { body: { kind: 'terms', worth: one.worth, price: one.price, ceiling: null, wantedBy: null } });
  told.add('make-safe', { body: powerOf(one, false) }, 20);
  if (one.look) told.add('find', { body: lookOf(one, one.look) }, 25);
  told.wait(1440 * Math.max(0, one.days - 3));
  told.add('mend', { body: workOfRepair(repair) }, 2);
  told.add('mend', { body: { kind: 'mended', repairId: repair.id, name: repair.name, rank: one.rank } }, 20);
  prove(told, one, repair);
  told.add('hand-back', { body: powerOf(one, false) }, 10);
  if (familyOf(one.family).stores.some(({ powerKinds }) => powerKinds.includes(one.powerKind ?? 'mains')))
    told.add('hand-back', { body: charge(LEFT_V) });
  if (one.powerKind !== 'pack') for (const body of safetyOf()) told.add('hand-back', { body }, 3);
  if (!one.stays) told.add('hand-back', { body: { kind: 'hand-back', leftUndone: '' } }, 2);
  for (const body of usualFollowUps([workOfRepair(repair)], told.at(now)))
    if (Date.parse(body.on) > now.getTime()) told.add('hand-back', { body }, 1);
  const [make, model, serial] = one.unit;
  const { family: familyId, customer, complaint, volts: ratedVolts } = one;
  const speedIds = [...one.speeds];
  const { use } = toleranceOfUse(familyOf(familyId));
  const powerKind = one.powerKind ?? 'mains';
  const fields = {
    familyId,
    make,
    model,
    serial,
    customer,
    powerKind,
    ratedVolts,
    speedIds,
    complaint,
    tried: '',
    use,
  };
  return { number: one.number, fields, lines: told.lines };
}

/** Speeds cold and warm, every function owed, the soak with its last reading. */
function prove(told: Teller, one: Past, repair: PathRepair): void {
  const { warmMin, soakMin } = provingOf(one.family);
  told.add('prove', { body: powerOf(one, true) });
  told.measure('prove', one.left);
  if (warmMin !== null) {
    told.wait(warmMin);
    told.measure('prove', one.left, 'warm');
  }
  for (const check of owedAfter(one, repair)) for (const body of shownBy(one, check)) told.add('prove', { body }, 3);
  const id = `soak-${one.number}`;
  told.add('prove', { body: { kind: 'timer', timer: 'soak', label: 'Soak', minutes: soakMin }, id }, soakMin + 2);
  told.measure('prove', one.left);
  told.add('prove', { body: { kind: 'timer-end', target: `ref:${id}`, how: 'answered' } });
}

function speedOf(one: Past, speedId: string, value: number | null, condition: 'warm' | null) {
  if (value === null) return { body: still(speedId) };
  const speed = familyOf(one.family).speeds.find(({ id }) => id === speedId);
  if (speed?.nominalRpm == null && speed?.nominalCmPerS == null) return { body: rpm(speedId, value) };
  return {
    tone: {
      speedId,
      sourceIndex: familyOf(one.family).testTone === 'record' ? 0 : 1,
      errorPercent: value,
      lines: [{ hz: (speed.nominalRpm ?? 120) / 60, peakPercent: 0.08 }],
      snrDb: 44,
      seconds: TONE_S,
      condition,
    },
  };
}

function lookOf(one: Past, [testId, outcomeId]: readonly [string, string]): EventBody {
  const test = PATHS.get(one.family)?.tests.find(({ id }) => id === testId);
  const outcome = test?.outcomes.find(({ id }) => id === outcomeId);
  if (!test || !outcome) throw new Error(`demo history ${one.number}: no answer ${outcomeId} of ${testId}`);
  return {
    kind: 'answer',
    testId,
    name: test.name,
    outcome: outcome.id,
    words: outcome.words,
    value: null,
    unit: null,
  };
}

/** What the plan owes once the mend is in the log. */
function owedAfter(one: Past, repair: PathRepair): ProvingCheck[] {
  const family = familyOf(one.family);
  const job = {
    number: one.number,
    familyId: one.family,
    make: '',
    model: '',
    serial: '',
    customer: '',
    powerKind: one.powerKind ?? ('mains' as const),
    ratedVolts: one.volts,
    speedIds: one.speeds,
    complaint: one.complaint,
    tried: '',
    tolerance: toleranceOfUse(family),
  };
  const bodies: EventBody[] = [
    ...(one.look ? [lookOf(one, one.look)] : []),
    workOfRepair(repair),
    { kind: 'mended', repairId: repair.id, name: repair.name },
  ];
  const lines = bodies.map((body, sequence) => ({
    key: `h${sequence}`,
    enteredAt: new Date(sequence * 60_000).toISOString(),
    device: 'demo',
    sequence,
    stage: 'mend' as const,
    body,
  }));
  return provingPlan(job, lines).checks.filter(({ status }) => status === 'owed');
}

/** The lines that show a check: what a unit without fault answers. */
function shownBy(one: Past, check: ProvingCheck): EventBody[] {
  const { bound, id: checkId, name } = check;
  const path = PATHS.get(one.family);
  if (bound.kind === 'look' && check.group !== 'safety')
    return [{ kind: 'proved', checkId, name, good: true, words: '' }];
  if (bound.kind === 'trial') {
    const trial = (
      { heat: 'warmed', cold: 'cooled', breath: 'breathed-on', tap: 'tapped', sink: 'sink', load: 'loaded' } as const
    )[bound.provocation];
    return [{ kind: 'tried', block: bound.block, name: bound.name, trial, result: 'no-change', amps: null }];
  }
  if (bound.kind !== 'test') return [];
  const test = path?.tests.find(({ id }) => id === bound.testId);
  const state = path && test ? healthyStates(path, test.context).get(test.signal ?? '') : undefined;
  const outcome = test?.outcomes.find(({ states }) => state !== undefined && states.includes(state));
  if (!test || !outcome) return [];
  return [
    {
      kind: 'answer',
      testId: test.id,
      name: test.name,
      outcome: outcome.id,
      words: outcome.words,
      value: null,
      unit: null,
    },
  ];
}

/** What a tester shows on a sound unit of class II: value, and whether it is above the tester's range. */
const SOUND: Readonly<Record<SafetyReading, readonly [number, boolean]>> = {
  earth: [0.1, false],
  insulation: [20, true],
  'earth-current': [0.2, false],
  'touch-current': [0.08, false],
};

/** Looked at, its class, and every reading that the class asks for. */
const safetyOf = (): EventBody[] => [
  { kind: 'proved', checkId: 'safety.look', name: 'Looked at', good: true, words: '' },
  { kind: 'protection-class', protection: 'II', cordM: 2 },
  ...readingsOf('II').map((reading): EventBody => {
    const [value, above] = SOUND[reading];
    const limit = safetyLimit(USUAL_SAFETY_LIMITS, reading, 'II', 2);
    return { kind: 'safety-reading', reading, value, above, limit, instrument: 'bench tester' };
  }),
];
