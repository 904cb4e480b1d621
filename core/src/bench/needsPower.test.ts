/** Which lines can only come from a unit that was on; where they disagree with what was said, the dangerous one is taken (common practice). */
import { describe, expect, it } from 'vitest';
import type { ReadingBody } from './event.js';
import { voltsAt } from './job.test-data.js';
import { poweredBy } from './needsPower.js';

const DECK = { familyId: 'belt-turntable-dc' };
const read = (values: readonly number[], unit: string, place: string | null) =>
  poweredBy(DECK, { ...(voltsAt(0, place) as ReadingBody), values, unit }, place);

describe('a reading that can only be of a unit that is on', () => {
  it('is five volts or more at a place that nobody knows, a volt at one that is only measured live', () => {
    expect(read([4.9], 'V', 'somewhere')).toBeNull();
    expect(read([5], 'V', 'somewhere')).toContain('5 V was read at somewhere');
    expect(read([-12], 'V', null)).toContain('12 V was read');
    expect(read([0.2, 7], 'V', null)).toContain('7 V was read');
    expect(read([], 'V', null)).toBeNull();
  });

  it('is none of a pack, a battery or the bench supply, which have volts of their own; of a place like them it is', () => {
    for (const place of ['pack', 'battery', 'cells', 'bench supply', 'the adapter'])
      expect(read([18], 'V', place)).toBeNull();
    for (const place of ['packing', 'cellar', 'board', null]) expect(read([18], 'V', place)).not.toBeNull();
  });

  it('is any frequency, and no ohms, amperes or percent', () => {
    expect(read([3150], 'Hz', 'head')).toContain('3150 Hz was read at head');
    expect(read([0], 'Hz', 'head')).toBeNull();
    for (const unit of ['Ω', 'A', '%', 'F', 'mm']) expect(read([50], unit, 'board')).toBeNull();
  });
});
