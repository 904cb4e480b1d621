/** The speed at a stage: which reading is shown as found and as left, which speed is still owed, a motor that stood. */
import type { EventBody, StageId } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { line, show, speedRead, viewOf } from '../../../test/scene.js';
import * as ways from '../../measuring/ways/Ways.js';
import { bodies, stage } from '../find/find.test-data.js';
import { SpeedMeasure } from './SpeedMeasure.js';

const used = { limits: null as unknown, way: '' };

stage();
beforeEach(() => {
  vi.spyOn(ways, 'Ways').mockImplementation(({ limits, way }) => {
    used.limits = limits;
    used.way = way;
    return null as never;
  });
});

const read = speedRead;
const WORK: EventBody = { kind: 'work', action: 'replace', what: 'the belt' };
const at = (where: StageId, speedId: string, ...given: EventBody[]) => {
  const chosen = vi.fn<(id: string) => void>();
  const view = viewOf(given.map((body) => line(body)));
  show(
    <SpeedMeasure
      view={view}
      stage={where}
      prompt={{ text: 'Measure it', reading: null } as never}
      speedId={speedId}
      onSpeed={chosen}
      onStage={() => undefined}
    />,
  );
  return chosen;
};
const next = () => screen.queryByRole('button', { name: /^Next:/ });
const number = () => screen.queryByTestId('speed-number')?.textContent?.replaceAll('\u202f', ' ') ?? null;

describe('the speed at a stage', () => {
  it('as found one speed after the other is asked for, until both are read', () => {
    const chosen = at('take-in', '33', read('33', -2.4));
    expect(number()).toBe('−2.40 %');
    fireEvent.click(next() as HTMLElement);
    expect(chosen).toHaveBeenCalledWith('45');
  });

  it('nothing is owed once both are read, or before this one is', () => {
    at('take-in', '33', read('33', -2.4), read('45', 0.1));
    expect(next()).toBeNull();
  });

  it('unread it has no number and no next', () => {
    at('take-in', '33', read('45', 0.1));
    expect(number()).toBeNull();
    expect(next()).toBeNull();
  });

  it('when proved only what was read after the work counts', () => {
    at('prove', '33', read('33', -2.4), read('45', 0.1), WORK);
    expect(number()).toBeNull();
  });

  it('read as left it is shown so, and the other speed is owed', () => {
    const chosen = at('prove', '33', read('33', -2.4), read('45', 0.1), WORK, read('33', 0.02));
    expect(number()).toBe('+0.02 %');
    fireEvent.click(next() as HTMLElement);
    expect(chosen).toHaveBeenCalledWith('45');
  });

  it('both as left: nothing more is owed', () => {
    at('prove', '33', read('33', -2.4), WORK, read('33', 0.02), read('45', 0.03));
    expect(next()).toBeNull();
  });

  it('between, the latest reading is shown, from before the work or after', () => {
    at('set-speed', '33', read('33', -2.4), read('33', -1.1));
    expect(number()).toBe('−1.10 %');
    // Without work nothing is owed as left.
    expect(next()).toBeNull();
  });

  it('what did not turn is kept as such, of the speed that stands', async () => {
    at('take-in', '45');
    fireEvent.click(screen.getByRole('button', { name: 'Did not turn' }));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'speed', speedId: '45', turned: false, errorPercent: null });
  });

  it('another speed is chosen by its key; the limits are those of the job', () => {
    const chosen = at('take-in', '33');
    fireEvent.click(screen.getByRole('button', { name: '45 rpm' }));
    expect(chosen).toHaveBeenCalledWith('45');
    // Dancing to pitch: three tenths of a percent either way.
    expect(used.limits).toMatchObject({ lowerPercent: -0.3, upperPercent: 0.3 });
    expect(used.way).toBe('recording');
  });
});
