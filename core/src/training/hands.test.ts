import { describe, expect, it } from 'vitest';
import type { BenchEvent } from '../bench/index.js';
import { debriefOf, type Visit } from './index.js';
import { deck, jobWith, line, OFF, ON, visit } from './training.test-data.js';

describe('a clip lead and a hand at a plug', () => {
  const hand = (id: string, on: boolean) => line({ kind: 'practice-hand', hand: id, name: id, on });
  const rpm = (at: Visit, setting: string) => at.unit.see('shaft.rpm', { setting }).mean;

  it('past a dead boost switch the cleaner runs on low; taken off again it does not', () => {
    const job = jobWith('vacuum-cleaner', 'vacuum', ['boost-low']);
    expect(rpm(visit(job, ON()), 'low')).toBe(0);
    const bridged = visit(job, hand('boost', true), ON());
    expect(rpm(bridged, 'low')).toBeGreaterThan(5000);
    expect(bridged.held.map(({ name }) => name)).toEqual(['boost switch bridged']);
    expect(bridged.clockMin).toBe(1);
    expect(rpm(visit(job, hand('boost', true), hand('boost', false), ON()), 'low')).toBe(0);
    // What it hides is still there.
    expect([...bridged.unit.faults]).toEqual(['boost-low']);
  });

  it('a governed motor without its Hall runs away; with its leads crossed power kills the governor for good', () => {
    const platter = (at: Visit) => at.unit.see('platter.rpm', { setting: '33' }).mean;
    const sound = platter(visit(deck(), ON()));
    expect(platter(visit(deck(), hand('hall', true), ON()))).toBeGreaterThan(1.3 * sound);
    expect(platter(visit(deck(), hand('hall', true), hand('hall', false), ON()))).toBeCloseTo(sound, 0);
    const crossed = visit(deck(), hand('leads', true), ON(), OFF(), hand('leads', false), ON());
    expect(crossed.harm.map(({ words }) => words)).toContain('the governor dies');
    expect(platter(crossed)).toBe(0);
    expect(crossed.spoiled).toEqual(['governor-dead']);
    // Crossed live it dies at once.
    expect(visit(deck(), ON(), hand('leads', true)).spoiled).toEqual(['governor-dead']);
    // Crossed and never switched on it is only crossed.
    expect(visit(deck(), hand('leads', true), hand('leads', false), ON()).harm).toEqual([]);
  });

  const off = (at: Visit) => at.unit.see('platter.error.percent', { setting: '33' }).mean;

  it.each([
    ['direct-drive-servo', 'servo-deck'],
    ['direct-drive-quartz', 'quartz-deck'],
  ] as const)('%s: without its FG head the platter runs away, without its coils it stands', (family, machine) => {
    const job = jobWith(family, machine, []);
    const platter = (...lines: BenchEvent[]) => off(visit(job, ...lines, ON()));
    expect(Math.abs(platter())).toBeLessThan(1);
    expect(platter(hand('fg', true))).toBeGreaterThan(30);
    expect(platter(hand('coils', true))).toBe(-100);
    expect(Math.abs(platter(hand('coils', true), hand('coils', false)))).toBeLessThan(1);
  });

  it('past an open speed contact the servo deck runs at 33 again, and the contact is still open', () => {
    const job = jobWith('direct-drive-servo', 'servo-deck', ['contact-33']);
    expect(off(visit(job, ON()))).toBe(-100);
    const bridged = visit(job, hand('selector', true), ON());
    expect(Math.abs(off(bridged))).toBeLessThan(1);
    expect([...bridged.unit.faults]).toEqual(['contact-33']);
  });

  it.each([
    ['washer-top', 'washer-top', 'motor.part'],
    ['washer-front', 'washer-front', 'drum.part'],
    ['video-recorder', 'video-recorder', 'capstan.error.percent'],
  ] as const)('%s: without the plug of its sensor it does not turn as it should', (family, machine, at) => {
    const job = jobWith(family, machine, []);
    const shown = (...lines: BenchEvent[]) => visit(job, ...lines, ON()).unit.see(at, {}).mean;
    const plug = family === 'video-recorder' ? 'fg' : 'sensor';
    const [sound, pulled] = [shown(), shown(hand(plug, true))];
    // A tape deck runs away, by percent; a washer's drive gives up or races.
    if (family === 'video-recorder') expect(pulled).toBeGreaterThan(sound + 20);
    else expect(Math.abs(pulled / sound - 1)).toBeGreaterThan(0.4);
  });

  it('what is left bridged at the end is told as harm, and an unknown hand does nothing', () => {
    const job = jobWith('stand-mixer', 'mixer', ['switch-open']);
    const lines = [hand('switch', true), ON(), OFF()];
    expect(debriefOf(job, lines)?.own.harm).toEqual(['left so: lever switch bridged']);
    expect(debriefOf(job, lines)?.left).toEqual(['lever switch worn']);
    expect(debriefOf(job, [...lines, hand('switch', false)])?.own.harm).toEqual([]);
    expect(visit(job, hand('nothing', true), ON()).held).toEqual([]);
  });
});
