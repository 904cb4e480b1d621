/** Workings of capacitors: is this one good, does that one fit, what is printed on it. */
import {
  CAPACITOR_KINDS,
  dissipationLimit,
  esrLimit120,
  leakageLimit,
  lifeFactor,
  readCapacitorMark,
  readDateCode,
  USUAL_TOLERANCE,
  type CapacitorKind,
} from '../circuit/index.js';
import { choice, number, words } from './fields.js';
import { figure, percentOff, row, share } from './show.js';
import type { Given, Working, WorkingRow } from './working.js';
import { say } from '../words/index.js';
import {
  CAPACITOR_MIN,
  LEAST_MARGIN,
  METER_HZ,
  MOST_CAPACITORS,
  MOST_PRICE,
  OLD_YEARS,
  OPEN_AGAIN_MIN,
} from './defaults.js';

interface Judged {
  readonly rows: WorkingRow[];
  readonly bad: string[];
  readonly open: string[];
}

/** Is this capacitor good? */
export const CAPACITOR: Working = {
  id: 'capacitor',
  name: say`Capacitor: is it good?`,
  asks: say`Measured out of circuit: keep it, or replace it?`,
  assumes: [
    say`Electrolytics ±20 %, film ±10 %, X and Y ±20 %, motor run ±10 % unless its letter or plate says otherwise.`,
    say`Dissipation limits at 120 Hz from typical catalogues (from memory); life doubles with each 10 K less
      (handbook).`,
    say`Leakage of electrolytics: 0.01 C V microamperes, at least 3, after 2 minutes (typical catalogue, from memory).`,
    say`Measured out of circuit and discharged; across the mains only class X, to earth only class Y.`,
  ],
  fields: [
    choice('kind', say`Kind`, CAPACITOR_KINDS, 'electrolytic'),
    number('rated', say`Printed value`, 'µF'),
    number('tolerance', 'Tolerance, ±', '%', { optional: true }),
    number('volts', say`Printed volts`, 'V'),
    number('circuit', say`Most volts it sees in circuit`, 'V', { optional: true }),
    number('measured', say`Measured`, 'µF', { optional: true, range: 'zero or more' }),
    number('esr', 'ESR', 'Ω', { optional: true, range: 'zero or more' }),
    number('esrHz', say`ESR meter’s frequency`, 'Hz', { usual: String(METER_HZ) }),
    number('sister', say`ESR of a new or sister part, same meter`, 'Ω', { optional: true }),
    number('leakage', say`Leakage after 2 minutes at its volts`, 'µA', { optional: true, range: 'zero or more' }),
    number('years', say`Age`, 'years', { optional: true, range: 'zero or more' }),
    number('ratedC', say`Printed temperature`, '°C', { usual: '85' }),
    number('usedC', say`Temperature where it sits`, '°C', { optional: true, range: 'any' }),
    choice('look', say`Looks`, ['sound', 'cracked, swollen, sooty or leaking'], 'sound'),
    number('set', say`Others of its age and stress beside it`, '', { optional: true }),
    number('price', say`One new one costs`, say`of money`, { optional: true, range: 'zero or more' }),
  ],
  solve(given) {
    const kind = given.choice('kind', CAPACITOR_KINDS);
    const judged: Judged = { rows: [], bad: [], open: [] };
    if (given.text('look') !== 'sound')
      judged.bad.push(say`It is cracked, swollen, sooty or leaks: replace it whatever it reads.`);
    judgeValue(given, kind, judged);
    judgeEsr(given, kind, judged);
    judgeLeakage(given, kind, judged);
    judgeVolts(given, kind, judged);
    judgeAge(given, kind, judged);
    const { rows, bad, open } = judged;
    const schools = bad.length > 0 && kind === 'electrolytic' ? twoSchools(given, rows) : [];
    return {
      rows,
      verdict: bad.length > 0 ? 'replace' : open.length > 0 ? 'undecided' : 'keep',
      says: [...bad, ...open, ...schools],
      expects: null,
    };
  },
};

/** Only what failed, or the set of its age while it is open: what each costs here. */
function twoSchools(given: Given, rows: WorkingRow[]): string[] {
  const price = given.optional('price');
  const others = given.optional('set') === null ? null : Math.round(given.optional('set') ?? 0);
  const both = say`Two schools: only what failed (least disturbed, cheapest today), or the set of its age and stress
    while it is open (a second visit saved).`;
  if ((price ?? 0) > MOST_PRICE) given.refuse('price', say`That is no price of a capacitor.`);
  if (others !== null && others > MOST_CAPACITORS) given.refuse('set', say`So many capacitors are in no unit.`);
  if (others === null || others < 1) return [both];
  const cost = (count: number) =>
    say`${CAPACITOR_MIN * count} min${price === null ? '' : say`, parts ${Number((count * price).toPrecision(4))}`}`;
  const later = Math.ceil((CAPACITOR_MIN * others) / (OPEN_AGAIN_MIN + CAPACITOR_MIN));
  rows.push(
    row(say`Only it`, say`${cost(1)}; each that fails later ${OPEN_AGAIN_MIN + CAPACITOR_MIN} min`),
    row(say`All ${others + 1} while it is open`, cost(others + 1)),
  );
  return [
    both,
    later > others
      ? say`By its minutes the set never pays here.`
      : say`By its minutes the set pays when
        ${later === others ? (others === 1 ? say`the other one` : say`all ${others} of the others`) : say`${later} or more of the others`}
        would have failed.`,
  ];
}

function judgeValue(given: Given, kind: CapacitorKind, { rows, bad, open }: Judged): void {
  const [rated, measured] = [given.number('rated'), given.optional('measured')];
  if (measured === null) {
    open.push(say`Not measured: nothing is said of its value.`);
    return;
  }
  const allowed = given.optional('tolerance') ?? USUAL_TOLERANCE[kind];
  const off = 100 * (measured / rated - 1);
  rows.push(row(say`Beside its print`, `${percentOff(off)} (±${allowed} % allowed)`));
  if (off < -allowed) bad.push(say`It has lost too much of its value.`);
  // Electrolytics are often made large: half as much again means leakage or a chain that the meter takes for capacitance.
  else if (kind === 'electrolytic' ? off >= 50 : off > allowed)
    bad.push(say`It reads too much: leakage or age reads as capacitance.`);
  else if (off > allowed) open.push(say`Over its tolerance: measure leakage, or compare with a sister part.`);
}

function judgeEsr(given: Given, kind: CapacitorKind, { rows, bad, open }: Judged): void {
  const [esr, sister, hz] = [given.optional('esr'), given.optional('sister'), given.number('esrHz')];
  if (esr === null) return;
  if (sister !== null) {
    rows.push(row(say`ESR beside the sister part`, say`${Number((esr / sister).toPrecision(3))} times`));
    if (esr > 2 * sister) bad.push(say`Over twice the ESR of a sister part.`);
    return;
  }
  if (kind !== 'electrolytic') return;
  const [volts, microfarad] = [given.number('volts'), given.number('rated')];
  const limit = esrLimit120(volts, microfarad);
  rows.push(
    row(
      say`ESR limit at 120 Hz`,
      `${figure(limit, 'Ω')} (dissipation ${dissipationLimit(volts, microfarad).toFixed(2)})`,
    ),
  );
  if (esr > limit) bad.push(say`Over even the 120 Hz limit.`);
  else if (hz > 1000)
    open.push(
      say`Under the 120 Hz limit, but that proves little at ${Math.round(hz / 1000)} kHz: compare with a new part of
        the same size.`,
    );
}

function judgeLeakage(given: Given, kind: CapacitorKind, { rows, bad, open }: Judged): void {
  const leakage = given.optional('leakage');
  if (leakage === null) return;
  if (kind !== 'electrolytic') {
    if (leakage > 1) bad.push(say`A film part passes no current: replace it.`);
    return;
  }
  const limit = leakageLimit(given.number('volts'), given.number('rated'));
  rows.push(row(say`Leakage allowed`, figure(limit * 1e-6, 'A')));
  if (leakage > 3 * limit) bad.push(say`It leaks more than three times what it may.`);
  else if (leakage > limit)
    open.push(
      say`It leaks too much, as one long stored does: leave it an hour at its volts through a resistor, measure again.`,
    );
}

function judgeVolts(given: Given, kind: CapacitorKind, { rows, bad, open }: Judged): void {
  const [rated, circuit] = [given.number('volts'), given.optional('circuit')];
  if (circuit === null) return;
  const part = circuit / rated;
  rows.push(row(say`Of its rated volts`, share(part)));
  if (part > 1) bad.push(say`Refused: the circuit puts more on it than it is rated for.`);
  else if (part > LEAST_MARGIN) bad.push(say`No margin is left for spikes: take the next higher rating.`);
  else if (part > 0.9 && kind === 'electrolytic')
    open.push(say`The least rating that will do; the next higher one is better.`);
}

function judgeAge(given: Given, kind: CapacitorKind, { rows, open }: Judged): void {
  const [years, usedC] = [given.optional('years'), given.optional('usedC')];
  if (kind !== 'electrolytic') return;
  if (usedC !== null) {
    const factor = lifeFactor(given.number('ratedC'), usedC);
    rows.push(row(say`Life beside its printed hours`, say`${Number(factor.toPrecision(2))} times`));
    if (factor < 1) open.push(say`Hotter than it is rated for: it dies early, fit a 105 °C part.`);
  }
  if (years !== null && years >= OLD_YEARS)
    open.push(say`${Math.round(years)} years old: sound today says little of next year.`);
}

/** What is printed on it? */
export const CAPACITOR_MARK: Working = {
  id: 'capacitor-mark',
  name: say`What is printed on a capacitor`,
  asks: say`104K275, 4n7, 0.15 uF X2, 1842: what does it say?`,
  assumes: [
    say`Codes: two figures and a power of ten in picofarads, tolerance letter of IEC 60062 (from memory); dates as
      year and week.`,
  ],
  fields: [
    words('mark', say`Print`),
    words('date', say`Date code`, { optional: true }),
    number('year', say`This year`, 'year', { now: 'year' }),
  ],
  solve(given) {
    const mark = readCapacitorMark(given.text('mark'));
    if (!mark) return given.refuse('mark', say`No usual marking: type it as 104K275, 4n7, 0.15 uF X2 or 1000 uF 63 V.`);
    const rows = [row(say`Capacitance`, figure(mark.farad, 'F'))];
    if (mark.tolerancePercent !== null) rows.push(row(say`Tolerance`, `±${mark.tolerancePercent} %`));
    if (mark.volts !== null) rows.push(row(say`Rated`, `${mark.volts} V${mark.kind ? ' a.c.' : ''}`));
    if (mark.kind) rows.push(row(say`Class`, mark.kind));
    if (given.text('date') !== '') {
      const date = readDateCode(given.text('date'), given.number('year'));
      if (!date) return given.refuse('date', say`No year and week: 201842, 1842 and 18W42 are read.`);
      rows.push(
        row(say`Made`, say`week ${date.week} of ${date.year}`),
        row(say`Age`, say`${given.number('year') - date.year} years`),
      );
    }
    const says =
      mark.kind?.startsWith('X') === true
        ? [say`Only across the mains: replace by X2 or X1, same value, same or higher a.c. rating.`]
        : mark.kind?.startsWith('Y') === true
          ? [
              say`To earth: same value, same class or better; more raises the touch current. Never add one to a unit
                that had none.`,
            ]
          : [];
    return { rows, verdict: null, says, expects: null };
  },
};

/** Rules by which one part may stand for another, each named when it refuses. */
export const SUBSTITUTE: Working = {
  id: 'substitute-capacitor',
  name: say`Does this capacitor stand in for that one?`,
  asks: say`What was fitted, what I have: may it go in?`,
  assumes: [
    say`Value within ±20 % for a reservoir (up to twice where only ripple counts), same for X, Y and motor run.`,
    say`Volts equal or higher; class of X and Y equal or better; motor run only by motor run.`,
  ],
  fields: [
    choice('kind', say`Fitted: kind`, CAPACITOR_KINDS, 'electrolytic'),
    number('rated', say`Fitted: value`, 'µF'),
    number('volts', say`Fitted: volts`, 'V'),
    choice('newKind', say`Candidate: kind`, [...CAPACITOR_KINDS, 'X1', 'Y1', 'motor start'], 'electrolytic'),
    number('newRated', say`Candidate: value`, 'µF'),
    number('newVolts', say`Candidate: volts`, 'V'),
    number('circuit', say`Most volts it sees in circuit`, 'V', { optional: true }),
  ],
  solve(given) {
    const kind = given.choice('kind', CAPACITOR_KINDS);
    const newKind = given.text('newKind');
    const ratio = given.number('newRated') / given.number('rated');
    const refused: string[] = [];
    const allowed: Readonly<Record<CapacitorKind, readonly string[]>> = {
      electrolytic: ['electrolytic', 'film'],
      film: ['film'],
      X2: ['X2', 'X1'],
      Y2: ['Y2', 'Y1'],
      'motor run': ['motor run' as const],
    };
    if (!allowed[kind].includes(newKind))
      refused.push(say`Class rule: in place of ${kind} only ${allowed[kind].join(' or ')}.`);
    if (given.number('newVolts') < given.number('volts'))
      refused.push(say`Volts rule: the same or higher, never lower.`);
    const circuit = given.optional('circuit');
    if (circuit !== null && circuit > given.number('newVolts'))
      refused.push(say`Volts rule: the circuit puts more on it than it is rated for.`);
    const most = kind === 'electrolytic' ? 2 : kind === 'motor run' ? 1.1 : 1.2;
    const least = kind === 'motor run' ? 0.9 : 0.8;
    if (ratio < least || ratio > most) refused.push(say`Value rule: ${least} to ${most} times the fitted value.`);
    const says =
      ratio > 1.2 && refused.length === 0
        ? [say`More than fitted: the rectifier and its fuse see a larger rush at switch-on.`]
        : [];
    return {
      rows: [
        row(say`Value`, say`${Number(ratio.toPrecision(3))} times`),
        row(say`Volts`, say`${Number((given.number('newVolts') / given.number('volts')).toPrecision(3))} times`),
      ],
      verdict: refused.length === 0 ? 'fits' : 'refused',
      says: [...refused, ...says],
      expects: null,
    };
  },
};
