/** The practice machines show what their wiring and mechanics ask for (shown.json says how it is written down and where it is from). */
import { describe, expect, it } from 'vitest';
import * as practice from '../src/practice/index.js';
import shown from './shown.json' with { type: 'json' };

const SEEDS = [3, 17, 58];

/** "at 33, mode off, warm, no belt". */
function conditionOf(words: string): Partial<practice.Condition> {
  if (!/^((at|mode|no) [^,]+|warm|tapped|loaded|damp)?(, ((at|mode|no) [^,]+|warm|tapped|loaded|damp))*$/.test(words))
    throw new Error(`nothing stands so: ${words}`);
  const all = words.split(', ').map((one) => one.split(/ (.*)/s) as [string, string?]);
  const of = (what: string) => all.find(([word]) => word === what)?.[1];
  const is = (what: string) => all.some(([word]) => word === what);
  const off = all.flatMap(([word, part]) => (word === 'no' && part !== undefined ? [part] : []));
  const [setting, mode] = [of('at'), of('mode')];
  return {
    ...(setting === undefined ? {} : { setting }),
    ...(mode === undefined ? {} : { mode }),
    ...(is('warm') ? { warm: 1 } : {}),
    tapped: is('tapped'),
    loaded: is('loaded'),
    damp: is('damp'),
    off,
  };
}

const numberOf = (text: string): number => {
  const value = text === 'open' ? Infinity : Number(text);
  if (Number.isNaN(value)) throw new Error(`${text} is no number`);
  return value;
};

function meets(value: number, relation: string, wanted: string): boolean {
  if (relation === '<') return value < numberOf(wanted);
  if (relation === '>') return value > numberOf(wanted);
  const [least, most] = wanted.split('..').map(numberOf) as [number, number?];
  if (most !== undefined) return value >= least && value <= most;
  return value === least || Math.abs(value - least) <= 1e-9 + 0.03 * Math.abs(least);
}

const machineOf = (id: string) => practice.PRACTICE_MACHINES.find((one) => one.id === id) as practice.PracticeMachine;

/** A unit as the words before the colon leave it. */
function unitOf(id: string, words: string, seed: number): practice.PracticeUnit {
  const all = words.split(' ').map((one) => one.split(':') as [string, string?, string?]);
  const faults = all.flatMap(([word, more]) => (more === undefined && word !== 'sound' && word !== 'on' ? [word] : []));
  const machine = machineOf(id);
  const unit = machine.unit(faults, seed);
  for (const [word, which = '', turns] of all) {
    // What a machine has not does nothing: here it would be a slip of the pen.
    if (word === 'hand') expect(machine.hands.map((one) => one.id)).toContain(which);
    if (word === 'turn') expect(machine.trims).toContain(which);
    if (word === 'hand') unit.hold(which, true);
    else if (word === 'turn') unit.turn(which, Number(turns));
    else if (word === 'on') unit.switchOn();
  }
  return unit;
}

describe.each(Object.entries(shown.machines))('%s', (id, lines) => {
  it.each(lines)('%s', (line) => {
    const [, faults = '', stance = '', relations = ''] = /^([^;]*?)(?:; ([^:]*))?: (.*)$/.exec(line) ?? [];
    for (const seed of SEEDS) {
      const unit = unitOf(id, faults, seed);
      const condition = conditionOf(stance);
      if (condition.setting !== undefined) expect(machineOf(id).settings).toContain(condition.setting);
      for (const one of relations.split(' ')) {
        const [, of = '', quantity = '', relation = '', wanted = ''] = /^([±~]?)(.+?)([=<>])(.+)$/.exec(one) ?? [];
        const { mean, spread } = unit.see(quantity, condition);
        const value = of === '~' ? spread : of === '±' ? Math.abs(mean) : mean;
        expect(meets(value, relation, wanted), `${one}: ${value}`).toBe(true);
      }
    }
  });
});

describe.each(Object.entries(shown.harms))('power on %s', (id, harms) => {
  it.each(Object.entries(harms))('%s: %s', (faults, wanted) => {
    for (const seed of SEEDS) expect(unitOf(id, faults, seed).harm().join('; ')).toBe(wanted);
  });
});

describe.each(Object.entries(shown.says))('the owner of %s', (id, says) => {
  it.each(Object.entries(says))('%s: %s', (faults, wanted) => {
    const said = SEEDS.map((seed) => unitOf(id, faults, seed).complaint ?? '');
    expect(said.filter((one) => one === wanted).length, said.join(' ')).toBeGreaterThanOrEqual(2);
  });
});

/** Units that are asked for a fault of any size; one that hardly shows is not brought in. */
const BROUGHT = 5;

describe.each(Object.entries(shown.told))('the owner of %s, in some words', (id, facts) => {
  it.each(Object.entries(facts))('%s: %s', (fault, word) => {
    const all = Array.from({ length: 6 * BROUGHT }, (_, i) => machineOf(id).unit([fault], 7_919 * (i + 1)).complaint);
    const said = all.filter((one) => one !== null).slice(0, BROUGHT);
    const words = new RegExp(shown.words[word as keyof typeof shown.words]);
    expect(said.filter((one) => words.test(one)).length, said.join(' ')).toBeGreaterThan(said.length / 2);
  });
});

/** A setting, what a hand brings about, or a mode. */
const stood = (settings: readonly string[], how: string): Partial<practice.Condition> =>
  settings.includes(how)
    ? { setting: how }
    : conditionOf(/^(warm|loaded|tapped|damp|)$/.test(how) ? how : `mode ${how}`);

describe.each(Object.entries(shown.changed))('%s against a sound one of the same make', (id, facts) => {
  it.each(Object.entries(facts))('%s: %s', (fault, changes) => {
    const machine = machineOf(id);
    for (const one of changes.split(' ')) {
      const [, quantity = '', sign, how = ''] = /^([^<>]+)([<>])@?(.*)$/.exec(one) ?? [];
      const by = Array.from({ length: BROUGHT }, (_, i) => {
        const seen = (faults: readonly string[]) =>
          machine.unit(faults, 7_919 * (i + 1)).see(quantity, stood(machine.settings, how)).mean;
        return (sign === '>' ? 1 : -1) * (seen([fault]) - seen([]));
      });
      expect(by.filter((difference) => difference > 0).length, `${one}: ${by.join(' ')}`).toBeGreaterThan(BROUGHT - 2);
    }
  });
});
