/** Workings of what switches: bridges of transistors, phase control, volts that may be a ghost. */
import { averageShare, firingAngle, rmsShare } from '../circuit/index.js';
import { fixed } from '../quantity/index.js';
import { choice, number, words } from './fields.js';
import { figure, row, share } from './show.js';
import type { Working } from './working.js';
import { say } from '../words/index.js';
import { RAILS_LEAST } from './defaults.js';

/** Diode range of a good switch's body diode, volts, and what counts as a short (common practice). */
const DIODE = { least: 0.3, most: 0.8, short: 0.1 } as const;
const LEGS = ['A', 'B', 'C'] as const;

/** Six switches. */
export const BRIDGE: Working = {
  id: 'bridge',
  name: say`Bridge of six switches`,
  asks: say`Which leg is shorted, and may it have power?`,
  assumes: [
    say`Pack out, capacitor measured discharged, motor leads off: windings tie the phases together.`,
    say`Diode range 0.4 to 0.7 V one way, open or slowly rising the other; all three alike (common practice).`,
    say`Devices in parallel: take one out, measure again.`,
  ],
  fields: [
    words('plus', say`Phases to + rail, red on the phase: A B C, V`),
    words('plusBack', say`The same to the + rail, leads swapped`),
    words('minus', say`− rail to phases, red on the rail: A B C, V`),
    words('minusBack', say`The same from the − rail, leads swapped`),
    number('rails', say`Rail to rail, settled`, 'Ω', { optional: true }),
    number('volts', say`Pack`, 'V', { optional: true }),
  ],
  solve(given) {
    const [plus, plusBack, minus, minusBack] = (['plus', 'plusBack', 'minus', 'minusBack'] as const).map((id) =>
      given.numbers(id, 3),
    ) as [number[], number[], number[], number[]];
    const state = (there = 0, back = 0): string => {
      if (there < DIODE.short && back < DIODE.short) return 'shorted';
      if (there < DIODE.short || back < DIODE.least) return 'leaky';
      return there > DIODE.most ? 'open' : there < DIODE.least ? 'leaky' : 'right';
    };
    const legs = LEGS.flatMap((leg, i) => [
      { name: `${leg}, upper`, is: state(plus[i], plusBack[i]) },
      { name: `${leg}, lower`, is: state(minus[i], minusBack[i]) },
    ]);
    const bad = legs.filter(({ is }) => is !== 'right');
    const rows = legs.map(({ name, is }) => row(say`Leg ${name}`, is));
    const says = bad.map(
      ({ name, is }) => say`Leg ${name} ${is}: both switches of that leg, their gate parts, and every one in parallel.`,
    );
    const rails = given.optional('rails');
    const dark = rails !== null && rails < RAILS_LEAST;
    if (rails !== null) rows.push(row(say`Rail to rail`, figure(rails, 'Ω')));
    if (dark) says.push(say`Rail to rail under a kilohm: no power.`);
    if (rails === null)
      says.push(
        say`Rail to rail not measured: measure it before any power, it ought to climb and settle like a sister unit.`,
      );
    if (bad.length === 0 && !dark && rails !== null)
      says.push(
        say`First power without the motor, limit 0.2 to 0.5 A; then with it up to 5 A. Fuse rated for the d.c. volts
          of the pack.`,
      );
    const safe = bad.length === 0 && rails !== null && !dark;
    return { rows, verdict: safe ? say`may have limited power` : say`no power`, says, expects: null };
  },
};

const METERS = ['true r.m.s.', 'average'] as const;

/** A triac that fires late. */
export const PHASE_CONTROL: Working = {
  id: 'phase-control',
  name: say`Phase control: what the motor gets`,
  asks: say`So many volts at the motor: how late does it fire, or what belongs to this setting?`,
  assumes: [
    say`Resistive load; a motor’s own e.m.f. shifts it (handbook).`,
    say`Which meter it was counts: note it with the reading.`,
  ],
  fields: [
    number('mains', say`Mains`, 'V', { usual: '230' }),
    choice('meter', say`Meter`, METERS, 'average'),
    number('read', say`Read at the motor`, 'V', { optional: true, range: 'zero or more', from: /motor/ }),
    number('angle', say`Or: firing angle`, '°', { optional: true, range: 'zero or more' }),
  ],
  solve(given) {
    const meter = given.choice('meter', METERS);
    const [mains, read, typed] = [given.number('mains'), given.optional('read'), given.optional('angle')];
    if (read !== null && read > 1.05 * mains) given.refuse('read', say`More than the mains: check range and meter.`);
    if (typed !== null && typed > 180) given.refuse('angle', say`A half wave ends at 180°.`);
    const angle = typed ?? (read === null ? null : firingAngle(Math.min(1, read / mains), meter));
    if (angle === null) return given.refuse('read', say`Type what was read, or a firing angle.`);
    const rows = [
      row(say`Fires at`, `${fixed(angle, 0)}°`),
      row(say`True r.m.s.`, `${figure(rmsShare(angle) * mains, 'V')}, ${share(rmsShare(angle))}`),
      row(
        say`An average-reading meter shows`,
        `${figure(averageShare(angle) * mains, 'V')}, ${share(averageShare(angle))}`,
      ),
    ];
    const low = read !== null && read < 0.2 * mains && read > 0;
    return {
      rows,
      verdict: low ? 'undecided' : null,
      says: low
        ? [
            say`Hardly anything: fired very late, path open with only the snubber’s leakage, or a ghost. Read it again
              with a low-impedance meter before blaming the board.`,
          ]
        : [],
      expects: null,
    };
  },
};

/** Volts where none belong. */
export const GHOST: Working = {
  id: 'ghost',
  name: say`Ghost, backfeed, or a real source`,
  asks: say`Volts where none belong: does something feed it?`,
  assumes: [
    say`A low-impedance meter loads with 3 to 10 kΩ (common practice).`,
    say`It is live until it is proved dead.`,
  ],
  fields: [
    number('high', say`Read with the usual meter`, 'V', { range: 'zero or more' }),
    number('low', say`Read with the low-impedance meter`, 'V', { optional: true, range: 'zero or more' }),
    choice('end', say`Far end of the wire`, ['connected', 'lifted, both ends insulated'], 'connected'),
    choice('shared', say`Another feed on the same wire`, ['none', 'yes', 'not known'], 'not known'),
  ],
  solve(given) {
    const [high, low] = [given.number('high'), given.optional('low')];
    const lifted = given.text('end') !== 'connected';
    if (low === null)
      return {
        rows: [row(say`Usual meter`, figure(high, 'V'))],
        verdict: 'undecided',
        says: [say`Take it again with a low-impedance meter. Until then it is live.`],
        expects: null,
      };
    const held = high > 0 ? low / high : 0;
    const rows = [row(say`Held under load`, share(Math.min(1, held)))];
    const answer = (verdict: string, says: string) => ({ rows, verdict, says: [says], expects: null });
    if (held < 0.3)
      return answer(
        'ghost',
        say`It collapses: coupled from a neighbour, no source. Prove the meter on a known source all the same.`,
      );
    if (held < 0.8)
      return answer(
        'undecided',
        say`It sags but does not collapse: a weak source, a snubber or a heating element in series. Treat it as live.`,
      );
    if (!lifted)
      return answer(
        say`real source`,
        say`It holds: something feeds it. Unplug, lift the far end, insulate both ends, read again.`,
      );
    if (given.text('shared') !== 'none')
      return answer(
        say`backfeed, not yet placed`,
        say`It holds with the far end lifted, but another feed may share the wire: rule that out first.`,
      );
    return answer(
      say`backfeed from the board`,
      say`It holds, the far end is lifted and nothing else shares the wire: the board feeds it.`,
    );
  },
};
