/** What words of work reach, as a careful repairer would take them (common practice, no source). */
import { describe, expect, it } from 'vitest';
import { PATHS, recipeOf } from '../families/index.js';
import { workOfRepair } from './find/workOf.js';
import { workSaid } from './workSaid.js';
import told from './workSaid.json' with { type: 'json' };

const reach = (action: 'clean' | 'oil' | 'adjust' | 'replace' | 'repair', what: string, family = 'belt-turntable-dc') =>
  workSaid(family, { action, what }).reach ?? 'unsaid';

describe('work as it is said', () => {
  it.each(told.lines as [Parameters<typeof reach>[0], string, string][])('%s %s: %s', (action, what, part) =>
    expect(reach(action, what)).toBe(part),
  );

  it('touches the parts it names, by whole words: the recorder has no cord in it', () => {
    const touched = (what: string) => workSaid('video-recorder', { action: 'clean', what }).blocks ?? [];
    expect(touched('the recorder heads')).not.toContain('plug');
    expect(touched('the recorder heads')).toContain('heads');
    expect(touched('the cord')).toContain('plug');
    expect(touched('something')).toEqual([]);
  });

  it('a mend from the list says what it is: what needs an iron or a part in the circuit is the circuit, in every family', () => {
    // Renewed or repaired, these hold no current: belts, wheels, bearings, gears, feet, and the carbon of brushes.
    const turns =
      /belt|idler|wheel|bearing|roller|pulley|gear|clutch|brake|mount|feet|ball|rod|fan|seal|drum|knob|lever|linkage|pinch|capstan|mechanism|brushes|magnet|retainer|load|blocked|object|auto-return|end cap|air/i;
    const others: string[] = [];
    for (const [family, path] of PATHS)
      for (const repair of [...path.repairs, ...path.ways]) {
        const { action, reach: reached, blocks } = workOfRepair(repair);
        expect(blocks?.length, `${family} ${repair.id}`).toBeGreaterThan(0);
        if (reached === 'circuit' || action === 'clean' || action === 'oil' || action === 'adjust') continue;
        const parts = [repair.name, ...path.blocks.filter(({ id }) => blocks?.includes(id)).map(({ name }) => name)];
        if (!turns.test(parts.join(', '))) others.push(`${family} ${repair.id}: ${repair.name}`);
      }
    expect(others).toEqual([]);
    for (const id of ['fuse', 'rectifier', 'bridge', 'board', 'motor', 'switches', 'run-capacitor', 'joints', 'cord'])
      expect(recipeOf(id)?.reach ?? 'circuit', id).toBe('circuit');
  });
});
