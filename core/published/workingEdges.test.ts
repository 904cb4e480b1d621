/**
 * What each working says on either side of its limits: the limits are common practice of the trade, with no source, as
 * the working itself names them; figures are worked by hand beside them (handbook formulae).
 */
import { describe, expect, it } from 'vitest';
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';

/** What is typed where nothing else is said. */
const USUAL: Readonly<Record<string, WorkingTexts>> = {
  bridge: {
    plus: '0.45 0.46 0.45',
    plusBack: 'OL OL OL',
    minus: '0.44 0.45 0.46',
    minusBack: 'OL OL OL',
    rails: '4000',
  },
  'phase-control': { mains: '230' },
  ghost: { high: '100' },
  hall: { supply: '10' },
  brushes: { left: '12', right: '12', limit: '8' },
  lamps: {},
  windings: { pairs: '30 30 30' },
  mains: { wanted: '100' },
};

/**
 * "working | field: text; … | what": =verdict, ~words said, !words not said, "label = value" of a row, ? refused with
 * these words.
 */
const TABLE = `
bridge | plus: 0.31 0.45 0.45 | =may have limited power
bridge | plus: 0.29 0.45 0.45 | =no power
bridge | plus: 0.29 0.45 0.45 | Leg A, upper = leaky
bridge | plus: 0.79 0.45 0.45 | Leg A, upper = right
bridge | plus: 0.81 0.45 0.45 | Leg A, upper = open
bridge | minus: 0.45 0.45 0.81 | Leg C, lower = open
bridge | minus: 0.45 0.09 0.45; minusBack: OL 0.09 OL | Leg B, lower = shorted
bridge | minus: 0.45 0.09 0.45; minusBack: OL 0.2 OL | Leg B, lower = leaky
bridge | minus: 0.45 0.09 0.45 | Leg B, lower = leaky
bridge | plusBack: 0.29 OL OL | Leg A, upper = leaky
bridge | plusBack: 0.31 OL OL | Leg A, upper = right
bridge | plusBack: OL OL 0.05; plus: 0.45 0.45 0.05 | Leg C, upper = shorted
bridge | plus: 0.29 0.45 0.45 | ~Leg A, upper leaky: both switches
bridge | | !both switches
bridge | | ~First power without the motor
bridge | | !Rail to rail
bridge | rails: 1001 | =may have limited power
bridge | rails: 1000 | =may have limited power
bridge | rails: 999 | =no power
bridge | rails: 999 | ~under a kilohm
bridge | rails: 999 | !First power
bridge | rails: 999 | Rail to rail = 999 Ω
bridge | rails: | ~measure it before any power
bridge | rails: | !First power
phase-control | angle: 90 | Fires at = 90°
phase-control | angle: 90 | True r.m.s. = 163 V, 70.7 %
phase-control | angle: 90 | An average-reading meter shows = 115 V, 50.0 %
phase-control | angle: 0 | True r.m.s. = 230 V, 100.0 %
phase-control | angle: 60 | An average-reading meter shows = 173 V, 75.0 %
phase-control | angle: 120 | An average-reading meter shows = 57.5 V, 25.0 %
phase-control | angle: 180 | True r.m.s. = 0 V, 0.0 %
phase-control | angle: 181 | ?half wave ends
phase-control | read: 115 | Fires at = 90°
phase-control | read: 163; meter: true r.m.s. | Fires at = 90°
phase-control | read: 172.5 | Fires at = 60°
phase-control | read: 47 | =
phase-control | read: 45 | =undecided
phase-control | read: 45 | ~low-impedance meter
phase-control | read: 47 | !low-impedance
phase-control | read: 0 | =
phase-control | read: 241 | Fires at = 0°
phase-control | read: 242 | ?More than the mains
phase-control | | ?firing angle
ghost | | =undecided
ghost | | ~Until then it is live
ghost | low: 29 | =ghost
ghost | low: 31 | =undecided
ghost | low: 31 | ~Treat it as live
ghost | low: 79 | =undecided
ghost | low: 81 | =real source
ghost | low: 81 | ~lift the far end
ghost | low: 29 | Held under load = 29.0 %
ghost | low: 120 | Held under load = 100.0 %
ghost | low: 90; end: lifted, both ends insulated | =backfeed, not yet placed
ghost | low: 90; end: lifted, both ends insulated; shared: yes | =backfeed, not yet placed
ghost | low: 90; end: lifted, both ends insulated; shared: none | =backfeed from the board
ghost | low: 90; shared: none | =real source
ghost | low: 20; end: lifted, both ends insulated; shared: none | =ghost
ghost | high: 0; low: 0 | =ghost
hall | rest: 1.9 | =right at rest
hall | rest: 2.1 | =not right
hall | rest: 7.9 | =not right
hall | rest: 8.1 | =right at rest
hall | rest: 8.1 | ~turn it slowly by hand
hall | rest: 2.1 | ~no pull-up
hall | rest: 1.9 | At rest = 19.0 % of the supply
hall | rest: 10.9 | =right at rest
hall | rest: 11.1 | ?More than its supply
hall | rest: 0; turning: 1.6 | =right
hall | rest: 0; turning: 1.4 | =not right
hall | rest: 10; turning: 8.4 | =right
hall | rest: 10; turning: 8.6 | =not right
hall | rest: 10; turning: 8.6 | ~does not move when turned
hall | rest: 10; turning: 5 | While turned = 50.0 % of the supply
hall | rest: 5; turning: 1 | =not right
hall | supply: ; hz: 100; perTurn: 4 | Shaft with the sensor = 1500.0 rpm
hall | supply: ; hz: 100; perTurn: 4; ratio: 12 | Drum or platter = 125.0 rpm
hall | supply: | ?Type the frequency
brushes | left: 8.1 | =undecided
brushes | left: 8.2 | =undecided
brushes | left: 8.3 | =good
brushes | left: 8 | =renew
brushes | right: 7.9 | =renew
brushes | left: 10; right: 10; before: 12; hours: 40 | Wear = 0.05 mm/h
brushes | left: 10; right: 10; before: 9.9; hours: 40 | ~No wear to be seen
brushes | left: 10; right: 10; before: 9.7; hours: 40 | ?cannot have grown
brushes | left: 10; right: 9.5 | Shorter side over the limit = 1.5 mm
brushes | left: 10; right: 9.5 | Sides apart = 0.5 mm
brushes | left: 9.5; right: 10 | Shorter side over the limit = 1.5 mm
windings | pairs: 30 30 30 | =right
windings | pairs: 30 30 32 | =not right
windings | pairs: 30 30 30.6 | =right
windings | pairs: 4.9 4.9 4.5 | =undecided
windings | pairs: 30 30 30; megohm: 0.9 | =not right
windings | pairs: 30 30 30; megohm: 1.1 | =right
windings | pairs: 20 20 20; connection: star | Single windings = 10.00, 10.00, 10.00 Ω
windings | pairs: 20 20 20; connection: delta | Single windings = 30.00, 30.00, 30.00 Ω
windings | pairs: 10 11 12; connection: star | Single windings = 5.50, 4.50, 6.50 Ω
windings | pairs: 30.5 30.5 30.5; leads: 0.5; connection: star | Single windings = 15.00, 15.00, 15.00 Ω
windings | pairs: 0.5 30 30; leads: 0.5 | ?The leads read as much
mains | given: 100 | =right
mains | given: 106.1 | =near the limit
mains | given: 93.9 | =near the limit
mains | given: 110.1 | =not right
mains | given: 89.9 | =not right
mains | given: 105 | Beside what it wants here = +5.0 %
mains | given: 100; plateHz: 60 | Set it to = 83.3 V
mains | given: 100; mains: 60 | Set it to = 100 V
mains | given: 100; va: 40 | Take at least = 60 VA
lamps | row: 011010 | Code = 26
lamps | row: 011010 | If lit and dark are swapped = 37
lamps | row: 011010 | If read from the other end = 22
lamps | row: 011010 | =
lamps | row: 011010 | ~A code names a symptom
lamps | row: 011010; table: 26 = pump, 37 = door | =pump
lamps | row: 011010; table: 26 = pump, 37 = door | ~A code names a symptom
lamps | row: 011010; table: 26 = pump, 37 = door | If lit and dark are swapped = 37: door
lamps | row: 011010; table: 37 = door | =not in the sheet
lamps | row: 011010; table: 37 = door | ~try it swapped or mirrored
lamps | row: 011010; means: as 0 | Code = 37
lamps | row: 01102 | ?Two to sixteen lamps
copper | ohm: 10; from: 20; to: 80 | At 80 °C = 12.4 Ω
copper | ohm: 10; from: -61; to: 20 | ?No bench is that cold
copper | ohm: 10; from: 20; to: -61 | ?No bench is that cold
copper | ohm: 10; from: -59; to: 20 | !Type a temperature
copper | ohm: 10; from: 20 | ~Type a temperature, or the ohms read hot
motor-state | amps: 0 | =open
motor-state | amps: 0.0009 | =open
motor-state | amps: 0.01 | =open or not driven
motor-state | amps: 0.019 | =open or not driven
motor-state | amps: 0.021 | =weak or jammed
motor-state | amps: 0.01; kind: bare | =weak or jammed
motor-state | amps: 0.05; does: hums or twitches | =weak
motor-state | amps: 0.71; ohm: 12 | =jammed
motor-state | amps: 0.69; ohm: 12 | =weak or jammed
motor-state | amps: 0.5; ohm: 12 | Of its stall current = 50.0 %
motor-state | amps: 0.05; does: turns well | =right
motor-state | amps: 0.05; does: turns slowly | =weak
motor-state | amps: 0.061; usual: 0.04; does: turns well | =drags
motor-state | amps: 0.059; usual: 0.04; does: turns well | =right
fitted-resistor | added: 10000; from: 45; to: 90 | Fitted = 10 kΩ
fitted-resistor | added: 10000; from: 45; to: 90 | =
fitted-resistor | added: 10000; from: 45; to: 90; checkOhm: 20000; checkRpm: 22.5 | Law by two readings = 1/R
fitted-resistor | added: 10000; from: 45; to: 90; checkOhm: 20000; checkRpm: 22.5 | !Neither law fits
fitted-resistor | added: 10000; from: 45; to: 90; checkOhm: 20000; checkRpm: 90 | =the law does not hold
fitted-resistor | added: 10000; from: 45; to: 90; checkOhm: 20000; checkRpm: 60 | Law by two readings = neither
fitted-resistor | added: 10000; from: 45; to: 90; checkOhm: 20000 | !Neither law fits
`
  .trim()
  .split('\n');

const plain = (text: string) => text.replace(/[\u202f\u00a0]/g, ' ');

describe('on either side of a limit', () => {
  it.each(TABLE)('%s', (line) => {
    const [, id = '', typed = '', want = ''] = /^(\S+) \|(.*)\| (.*)$/.exec(line) ?? [];
    const texts = Object.fromEntries(
      typed
        .split(';')
        .filter((one) => one.includes(':'))
        .map((one) => [one.slice(0, one.indexOf(':')).trim(), one.slice(one.indexOf(':') + 1).trim()]),
    );
    const working = workingOf(id);
    if (!working) throw new Error(id);
    const result = solveWorking(working, { ...USUAL[id], ...texts });
    if (want.startsWith('?')) {
      expect(result.kind).not.toBe('answer');
      expect(plain(JSON.stringify(result))).toContain(want.slice(1));
      return;
    }
    if (result.kind !== 'answer') throw new Error(JSON.stringify(result));
    const said = plain(result.says.join(' '));
    if (want.startsWith('=')) expect(result.verdict ?? '').toBe(want.slice(1));
    else if (want.startsWith('~')) expect(said).toContain(want.slice(1));
    else if (want.startsWith('!')) expect(said).not.toContain(want.slice(1));
    else {
      const [label = '', value = ''] = want.split(' = ');
      expect(plain(result.rows.find((row) => row.label === label)?.value ?? 'no such row')).toBe(value);
    }
  });
});
