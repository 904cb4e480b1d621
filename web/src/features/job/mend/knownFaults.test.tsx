/** What this bench knows of a model, as it is read when the next one comes in. */
import { modelOf, pathOf, type BenchKnowledge } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { cleanup, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { keys } from '../../../shared/api/queries.js';
import { JOB, show, viewOf } from '../../../test/scene.js';
import { stage } from '../find/find.test-data.js';
import { KnownFaults } from './KnownFaults.js';

stage();

const path = pathOf(JOB) as DrivePath;
const NONE: BenchKnowledge = {
  family: { units: 0, modes: {} },
  model: { units: 0, modes: {} },
  healthy: {},
  cured: {},
  opening: [],
};
const known = (more: Partial<BenchKnowledge>) => {
  cleanup();
  show(<KnownFaults view={viewOf([])} />, [[keys.known(JOB.familyId, modelOf(JOB)), { ...NONE, ...more }]]);
  const list = screen.queryByLabelText('Known of this model');
  return list
    ? within(list)
        .getAllByRole('listitem')
        .map((one) => one.textContent)
    : null;
};
const belt = path.blocks.find(({ id }) => id === 'belt') as DrivePath['blocks'][number];
const motor = path.blocks.find(({ id }) => id === 'motor') as DrivePath['blocks'][number];

describe('known of this model', () => {
  it('nothing known is no list at all', () => {
    expect(known({})).toBeNull();
    // Of other models of the family, and less than half a unit, is nothing of this one.
    expect(known({ family: { units: 9, modes: { [`belt.${belt.modes[0]?.id}`]: 9 } } })).toBeNull();
    expect(known({ model: { units: 1, modes: { [`belt.${belt.modes[0]?.id}`]: 0.4 } } })).toBeNull();
  });

  it('what was found comes the most frequent first, each of all that were here', () => {
    const modes = { [`motor.${motor.modes[0]?.id}`]: 1, [`belt.${belt.modes[0]?.id}`]: 2.6 };
    expect(known({ model: { units: 5, modes } })).toEqual([
      `${belt.name}: ${belt.modes[0]?.name} 3 of 5`,
      `${motor.name}: ${motor.modes[0]?.name} 1 of 5`,
    ]);
  });

  it('a part that the path has no more is told by its id', () => {
    expect(known({ model: { units: 2, modes: { 'gone.worn': 1 } } })).toEqual(['gone: worn 1 of 2']);
  });

  it('what was done comes in words, more than once with its number; then how it opens and where it was read', () => {
    const lines = known({
      cured: { 'new-belt': 1, 'no-such-mend': 3 },
      opening: ['two screws are under the mat'],
      healthy: { 'supply-volts': [12] },
    });
    expect(lines?.[0]).toMatch(/^What was done to those that went back: no-such-mend \(3\); Fit a new belt$/);
    expect(lines?.slice(1)).toEqual([
      'When it is opened: two screws are under the mat',
      'healthy readings at one place',
    ]);
    expect(known({ healthy: { a: [1], b: [2] } })?.at(-1)).toBe('healthy readings at 2 places');
  });
});
