import { describe, expect, it } from 'vitest';
import { PATHS } from '../index.js';
import { LANE_ORDER, pathOrder } from './order.js';

describe('the path as one list', () => {
  it.each([...PATHS.keys()])('%s: every block once, lane after lane, none before what feeds it in its lane', (id) => {
    const path = PATHS.get(id);
    if (!path) throw new Error('no path');
    const order = pathOrder(path);
    expect([...order].map((one) => one.id).sort()).toEqual(path.blocks.map((one) => one.id).sort());
    const lanes = order.map((one) => LANE_ORDER.indexOf(one.lane));
    expect(lanes).toEqual([...lanes].sort((a, b) => a - b));
  });

  it('reads from the plug to the turning part as a repairer would', () => {
    const names = (familyId: string) => pathOrder(PATHS.get(familyId) as never).map((one) => one.id);
    const supply = ['plug', 'transformer', 'rectifier', 'regulator'];
    expect(names('belt-turntable-dc').filter((id) => supply.includes(id))).toEqual(supply);
    const belt = names('belt-turntable-dc');
    expect(belt.indexOf('motor')).toBeLessThan(belt.indexOf('pulley'));
    expect(belt.indexOf('pulley')).toBeLessThan(belt.indexOf('belt'));
    expect(belt.indexOf('belt')).toBeLessThan(belt.indexOf('bearing'));
    const vacuum = names('vacuum-cleaner');
    expect(vacuum[0]).toBe('plug');
    expect(vacuum.indexOf('switch')).toBeLessThan(vacuum.indexOf('brushes'));
  });
});
