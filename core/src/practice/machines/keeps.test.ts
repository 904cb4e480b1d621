/**
 * What every machine keeps to, whatever is wrong with it (physics and common practice, no source): sound ones of a kind
 * are alike; a fault makes no volts that were not there, and wears nothing new; how it is stood matters where it says so.
 */
import { describe, expect, it } from 'vitest';
import { PRACTICE_MACHINES } from '../index.js';
import type { Condition, PracticeMachine } from '../machine.js';

const SEEDS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];
const STANCES = [{}, { warm: 1 }, { loaded: true }, { tapped: true }, { damp: true }] as const;
const MACHINES = PRACTICE_MACHINES.map((one) => [one.id, one] as const);

/** Least and most of each quantity over units with these faults, one at a time, in all settings and stances. */
function ranges(
  machine: PracticeMachine,
  faults: readonly (readonly string[])[],
  stances: readonly Partial<Condition>[],
) {
  const out = new Map<string, { least: number; most: number }>();
  for (const fault of faults)
    for (const seed of SEEDS) {
      const unit = machine.unit(fault, seed);
      for (const setting of machine.settings)
        for (const stance of stances)
          for (const [name, value] of Object.entries(unit.moment({ setting, ...stance }))) {
            const { least, most } = out.get(name) ?? { least: Infinity, most: -Infinity };
            out.set(name, { least: Math.min(least, value), most: Math.max(most, value) });
          }
    }
  return out;
}

/** Only ever longer, rougher or higher in ohms than on a sound one, or gone to nought with the power. */
const GROWS =
  /(drag\.times|shaft\.rough|play\.mm|belt\.slack|belt\.stiff|pinch\.hard|esr\.ohm|itself\.ohm|fuse\.ohm|contacts?(\.\d+)?\.ohm|switch\.ohm|pins\.ohm|main\.ohm|runout(\.mm)?|gap\.mm|gear\.times|idler\.(flat|glaze|stiff)|heap\.kg)$/;
/** Only ever shorter, weaker or leakier than on a sound one. */
const SHRINKS =
  /(coast\.s|\.Mohm|brush\.mm|suction|fg\.part|fg\.volts\.V|heads\.level|heads\.dirt|picture\.dB|idler\.(tyre|clutch)|reel\.(wind|take-up)\.part|pack\.V|basket\.rpm|bowl\.rpm|spindle\.rpm|fan\.rpm|air|lamps?)$/;

/** What is so on a sound one, of all that is or is not; everything else of this kind is wrong. */
const WELL =
  /(follows|toggles|there|lamps?|runs|(?<!b)locked|turns|display|threaded|right|home|pulses|fills|loud|ordered|tyre|clutch|dirt|stop\.part|winding\.turns|crystal\.part|reference\.part|tap\.ratio|step\.part|belt\.step|drum\.part|motor\.part|\.(wind|take-up)\.part|^air)$/;

describe.each(MACHINES)('%s', (_id, machine) => {
  const sound = ranges(machine, [[]], STANCES);
  const wrong = ranges(
    machine,
    machine.faults.map(({ id }) => [id]),
    STANCES,
  );
  const of = (name: string) => sound.get(name) as { least: number; most: number };

  it('sound ones of a kind are alike at one setting: nothing spreads over more than a factor of four', () => {
    for (const setting of machine.settings) {
      const only = { ...machine, settings: [setting] };
      for (const [name, { least, most }] of ranges(only, [[]], [{}])) {
        if (Math.max(Math.abs(least), Math.abs(most)) < 0.4 || least === most) continue;
        expect(most / least, `${setting} ${name}`).toBeLessThan(4);
        expect(most / least, `${setting} ${name}`).toBeGreaterThan(0);
      }
    }
  });

  it('what is or is not stands well on every sound one', () => {
    const flags = [...wrong].filter(([name]) => {
      const values = [of(name).least, of(name).most];
      return (
        values.every((value) => value === 0 || value === 1) &&
        !/ripple|wow|error|slack|volts|times|ohm|capacitor/.test(name)
      );
    });
    for (const [name] of flags) {
      const [right] = WELL.test(name) && !/pulley\.turns|winding\.turns/.test(name) ? [1] : [0];
      expect([of(name).least, of(name).most], name).toEqual([right, right]);
    }
  });

  it('no fault makes volts that were not there, nor less than none', () => {
    const highest = Math.max(...[...sound].flatMap(([name, { most }]) => (/\.Vac?$/.test(name) ? [most] : [])));
    for (const [name, { least, most }] of wrong) {
      if (!/\.(Vac?|Vpp|A)$/.test(name) || /bridge/.test(name)) continue;
      expect(least, name).toBeGreaterThanOrEqual(0);
      if (!name.endsWith('.A')) expect(most, name).toBeLessThanOrEqual(1.001 * highest);
    }
  });

  it('nothing is read that cannot be: ohms and sizes under nought, shares over one, less speed than full reverse', () => {
    for (const [name, { least, most }] of wrong) {
      expect(Number.isNaN(least) || Number.isNaN(most), name).toBe(false);
      if (/\.(M?ohm|mm|s|times|kg|gram)$|^wow|rough|rumble|knock|slack|stiff|unsteady|warble/.test(name))
        expect(least, name).toBeGreaterThanOrEqual(0);
      if (/\.percent$/.test(name)) expect(least, name).toBeGreaterThanOrEqual(-201);
      if (/rough|rumble|knock|rattle|sparks|hum$|hard|^lamp$|toggles|\.off$|dead$|stuck$/.test(name))
        expect(most, name).toBeLessThanOrEqual(1);
      if (/^wow|warble|unsteady/.test(name)) expect(most, name).toBeLessThan(20);
      if (/rpm$/.test(name)) expect(most, name).toBeLessThan(15 * Math.max(1, of(name).most));
    }
  });

  it('what stands still makes no noise of turning, wears no wow and moves no air', () => {
    for (const { id } of machine.faults)
      for (const seed of SEEDS.slice(0, 6)) {
        const now = machine.unit([id], seed).moment();
        const turning = Object.entries(now).filter(([name]) => /rpm$/.test(name));
        if (turning.length === 0 || turning.some(([, value]) => value !== 0) || now['motor.kicks'] === 1) continue;
        for (const [name, value] of Object.entries(now))
          if (
            /^(knock|rumble$|sparks|thump|wow|warble|suction|motor\.(roughness|click|knock)|gears\.grind|drum\.(rumbles|squeals))/.test(
              name,
            )
          )
            expect(value, `${id} ${name}`).toBe(0);
      }
  });

  it('a fault wears, dirties and weakens; none mends', () => {
    for (const [name, { least, most }] of wrong) {
      if (GROWS.test(name)) expect(least, name).toBeGreaterThanOrEqual(0.999 * of(name).least);
      if (SHRINKS.test(name)) expect(most, name).toBeLessThanOrEqual(1.03 * of(name).most + 1e-9);
    }
  });

  it('how it is stood matters only where it says so', () => {
    for (const stance of ['warm', 'loaded', 'tapped', 'damp'] as const) {
      if (machine.answersTo.includes(stance)) continue;
      for (const { id } of machine.faults) {
        const unit = machine.unit([id], 5);
        const stood = { [stance]: stance === 'warm' ? 1 : true };
        const [plain, ...others] = [unit.moment(), unit.moment(), unit.moment(), unit.moment()];
        for (const [name, value] of Object.entries(plain ?? {}))
          // What wanders from moment to moment does so however it is stood.
          if (others.every((one) => one[name] === value))
            expect(unit.moment(stood)[name], `${id} ${stance} ${name}`).toBe(value);
      }
    }
  });
});
