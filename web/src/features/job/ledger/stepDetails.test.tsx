/** A step's details: what must be renewed or measured when it goes back, and its wires from either side. */
import { parseStep, type StepBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '../../../test/scene.js';
import { StepDetails } from './StepDetails.js';

const PLAIN = parseStep('cover') as StepBody;
const notes = (more: Partial<StepBody>) => {
  cleanup();
  const { container } = show(<StepDetails step={{ ...PLAIN, ...more }} />);
  return container.querySelector('p')?.textContent ?? null;
};

describe('details of a step', () => {
  it('a plain one has none', () => {
    expect(notes({})).toBeNull();
  });

  it('each stands in words', () => {
    expect(notes({ distances: [{ what: 'gap', value: 0.3, tolerance: 0.05, unit: 'mm' }] as never })).toBe(
      'gap 0.3 ± 0.05 mm',
    );
    expect(notes({ owes: ['grease', 'gasket'] as never })).toBe('to renew: grease, gasket');
    expect(notes({ orientation: 'dot up', marks: 'two lines' })).toBe('way round: dot up · marks: two lines');
    expect(notes({ earth: true, traces: 'solder' })).toBe('earth point · earlier visit: solder');
    expect(
      notes({
        fasteners: [
          { what: 'long one', odd: true },
          { what: 'usual', odd: false },
        ] as never,
      }),
    ).toBe('odd: long one');
  });

  it('wires stand by their pins, from the side they were written down, and mirrored from the other', () => {
    const wires = [
      { pin: 1, colour: 'red' },
      { pin: 2, colour: 'black' },
      { pin: 3, colour: 'blue' },
    ] as never;
    show(<StepDetails step={{ ...PLAIN, wires, wiresSide: 'wire-side' }} />);
    const seen = () =>
      within(screen.getByRole('list'))
        .getAllByRole('listitem')
        .map((one) => one.textContent);
    expect(seen()).toEqual(['1 red', '2 black', '3 blue']);
    fireEvent.click(screen.getByRole('button', { name: 'wire side shown: look at the mating face' }));
    expect(seen()).toEqual(['3 blue', '2 black', '1 red']);
    expect(screen.getByRole('list').getAttribute('aria-label')).toBe('Pins left to right, mating face');
  });
});
