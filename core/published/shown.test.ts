/** The practice machines show what their wiring and mechanics ask for (shown.json says how it is written down and where it is from). */
import { describe, expect, it } from 'vitest';
import * as practice from '../src/practice/index.js';
import shown from './shown.json' with { type: 'json' };

const SEEDS = [3, 17, 58];

/** "at 33, mode off, warm, no belt". */
function conditionOf(words: string): Partial<practice.Condition> {
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

describe.each(Object.entries(shown.machines))('%s', (id, lines) => {
  it.each(lines)('%s', (line) => {
    const [, faults = '', stance = '', relations = ''] = /^([^;:]*)(?:; ([^:]*))?: (.*)$/.exec(line) ?? [];
    for (const seed of SEEDS) {
      const unit = machineOf(id).unit(faults === 'sound' ? [] : faults.split(' '), seed);
      const condition = conditionOf(stance);
      for (const one of relations.split(' ')) {
        const [, of = '', quantity = '', relation = '', wanted = ''] = /^([±~]?)(.+?)([=<>])(.+)$/.exec(one) ?? [];
        const { mean, spread } = unit.see(quantity, condition);
        const value = of === '~' ? spread : of === '±' ? Math.abs(mean) : mean;
        expect(meets(value, relation, wanted), `${one}: ${value}`).toBe(true);
      }
    }
  });

  it('has a line for every fault', () => {
    const named = new Set(lines.flatMap((line) => (line.split(/[;:]/)[0] ?? '').split(' ')));
    const ids = machineOf(id).faults.map((fault) => fault.id);
    const elsewhere = ['turntable-dc', 'vacuum', 'servo-deck', 'washer-front', 'brushless-tool'];
    const shared = elsewhere
      .filter((other) => other !== id)
      .flatMap((other) => machineOf(other).faults.map((fault) => fault.id));
    expect(ids.filter((fault) => !named.has(fault) && !shared.includes(fault))).toEqual([]);
  });
});
