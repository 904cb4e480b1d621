/** Was it here before: only what is surely the same unit is told to be, and how it came back is kept. */
import type { EventBody } from '@amber-gauge/core/bench';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, bookRow, JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { Earlier } from './Earlier.js';

stage();

const NOW = { ...JOB, createdAt: '2026-03-01T08:00:00.000Z' };
const before = (number: number, more: object = {}) =>
  bookRow({
    job: {
      ...JOB,
      id: `0000000${number}-0000-4000-8000-000000000000`,
      number,
      createdAt: '2026-01-01T08:00:00.000Z',
      complaint: 'It hums.',
      ...more,
    },
    handedAt: '2026-01-09T08:00:00.000Z',
  });
const ask = async (rows: object[], job = NOW, ...given: EventBody[]) => {
  cleanup();
  const sent = answering({ '/book?': { rows, more: false } });
  show(
    <Earlier
      view={viewOf(
        given.map((body) => line(body)),
        job,
      )}
      stage="take-in"
    />,
  );
  if (job.model !== '') await waitFor(() => expect(sent.length).toBeGreaterThan(0));
  // What was answered stands on the page after a few turns of the clock, or not at all.
  for (let turn = 0; turn < 5; turn++) await act(() => new Promise((resolve) => setTimeout(resolve)));
  return { text: screen.queryByLabelText('Here before')?.textContent ?? null, sent };
};

describe('here before', () => {
  it('by its serial number; the last one, when it went back and what was complained of', async () => {
    const { text, sent } = await ask([before(5), before(3)]);
    expect(sent[0]?.url).toBe('/book?model=Made+Up&state=handed');
    expect(text).toMatch(/^It was here before: 0005, handed back 2026-01-09: It hums\./);
    expect(screen.getByRole('link', { name: '0005' }).getAttribute('href')).toBe(`/job/${before(5).job.id}`);
  });

  it('not another of the same model, not itself, not one taken in later', async () => {
    expect((await ask([before(5, { serial: '2' })])).text).toBeNull();
    expect((await ask([before(5, { id: JOB.id })])).text).toBeNull();
    expect((await ask([before(5, { createdAt: '2026-04-01T08:00:00.000Z' })])).text).toBeNull();
  });

  it('without a serial number by its owner; without either nothing is claimed', async () => {
    const plain = { ...NOW, serial: '' };
    expect((await ask([before(5, { serial: '9' })], plain)).text).toMatch(/0005/);
    expect((await ask([before(5, { customer: 'Another' })], plain)).text).toBeNull();
    expect((await ask([before(5, { customer: '' })], { ...plain, customer: '' })).text).toBeNull();
    expect((await ask([before(5)], { ...NOW, make: '', model: '' })).text).toBeNull();
  });

  it('how it came back is a line of the log, and then stands there', async () => {
    await ask([before(5)]);
    fireEvent.click(screen.getByRole('button', { name: 'Back with the same' }));
    fireEvent.click(screen.getByRole('button', { name: 'Back with another' }));
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    const back = { kind: 'return', number: 5, jobId: before(5).job.id } as const;
    expect(await bodies()).toEqual([
      { ...back, same: true },
      { ...back, same: false },
    ]);
    await ask([before(5)], NOW, { ...back, same: true });
    expect(screen.getByText(/^Came back/).textContent).toBe('Came back: 0005, the same complaint again.');
    await ask([before(5)], NOW, { ...back, same: false });
    expect(screen.getByText(/^Came back/).textContent).toBe('Came back: 0005, with another complaint.');
    expect(screen.queryByLabelText('Here before')).toBeNull();
  });
});
