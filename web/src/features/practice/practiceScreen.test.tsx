/** The practice screen: what is sent when one begins, what of the lessons is done, and files that are none. */
import { familyOf } from '@amber-gauge/core/families';
import { LESSONS, lessonUnit, PRACTICE_FAMILIES, PRACTICE_FILE_LIMIT } from '@amber-gauge/core/training';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { answering, JOB, show } from '../../test/scene.js';
import { PracticeScreen } from './PracticeScreen.js';

const [first, second] = LESSONS as unknown as [(typeof LESSONS)[0], (typeof LESSONS)[0]];
const list = { units: [], lessons: [{ lesson: first.id, times: 2, bestMinutes: 17.4 }] };
/** What was sent to take a unit in. */
function open() {
  const sent = answering({ '/practice': list, '/jobs': () => Response.json(JOB) });
  show(<PracticeScreen />);
  return () => sent.filter(({ method }) => method === 'POST').map(({ body }) => body as Record<string, unknown>);
}
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const file = (text: string) =>
  fireEvent.change(document.querySelector('input[type=file]') as HTMLInputElement, {
    target: { files: [new File([text], 'unit.json', { type: 'application/json' })] },
  });

describe('practice', () => {
  it('says how many lessons are done, and the best minutes of each', async () => {
    open();
    expect(await screen.findByText(`1 of ${LESSONS.length} done`)).toBeTruthy();
    const row = (title: string) => screen.getByText(title).closest('li') as HTMLElement;
    expect(within(row(first.title)).getByText('done, 17 min at best')).toBeTruthy();
    expect(within(row(second.title)).getByText('not yet')).toBeTruthy();
  });

  it('a lesson begins with its own unit: the family, what its owner says, and what is hidden', async () => {
    const sent = open();
    press(`Begin: ${second.title}`);
    await waitFor(() => expect(sent()).toHaveLength(1));
    const { familyId, spec, complaint } = lessonUnit(second);
    expect(sent()[0]).toMatchObject({ familyId, complaint, practice: spec, ratedVolts: expect.anything() as unknown });
    const speeds = sent()[0]?.speedIds as string[];
    expect(speeds.length).toBeGreaterThan(0);
    const known = familyOf(familyId).speeds.map(({ id }) => id);
    expect(speeds.filter((id) => !known.includes(id))).toEqual([]);
  });

  it('a family is drawn from by its key, a surprise from any of them, another each time', async () => {
    const sent = open();
    const [family = ''] = PRACTICE_FAMILIES;
    press(familyOf(family).name);
    await waitFor(() => expect(sent()).toHaveLength(1));
    expect(sent()[0]?.familyId).toBe(family);
    const seed = () => (sent().at(-1)?.practice as { seed: number }).seed;
    const seeds = [seed()];
    for (let i = 2; i <= 4; i++) {
      await waitFor(() =>
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Surprise me' }).disabled).toBe(false),
      );
      press('Surprise me');
      await waitFor(() => expect(sent()).toHaveLength(i));
      expect(PRACTICE_FAMILIES).toContain(sent().at(-1)?.familyId);
      seeds.push(seed());
    }
    expect(new Set(seeds).size).toBe(4);
  });

  it('a file that is none is refused in words, one far too long without reading it', async () => {
    const sent = open();
    file('no unit');
    expect((await screen.findByRole('alert')).textContent).not.toContain('far too long');
    const long = new File(['x'.repeat(4 * PRACTICE_FILE_LIMIT + 1)], 'unit.json');
    const read = vi.spyOn(long, 'text');
    fireEvent.change(document.querySelector('input[type=file]') as HTMLInputElement, { target: { files: [long] } });
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('far too long'));
    expect(read).not.toHaveBeenCalled();
    const edge = new File(['x'.repeat(4 * PRACTICE_FILE_LIMIT)], 'unit.json');
    const looked = vi.spyOn(edge, 'text');
    fireEvent.change(document.querySelector('input[type=file]') as HTMLInputElement, { target: { files: [edge] } });
    await waitFor(() => expect(looked).toHaveBeenCalled());
    expect(sent()).toEqual([]);
  });
});
