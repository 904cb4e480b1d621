/** What the coach learnt of the trims, kept on the model's sheet: nothing that stood there is lost. */
import { coachOf, modelOf, type EventBody, type JobCoach } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { keys } from '../../../shared/api/queries.js';
import { answering, JOB, line, show, viewOf } from '../../../test/scene.js';
import { KeepTrims } from './KeepTrims.js';

const BEGIN = {
  kind: 'coach-begin',
  task: {
    watched: 'reading',
    speeds: [{ id: '33', label: '33⅓ rpm', windowPercent: 0.3, expandedPercent: 0.05, sumOf: null }],
    trims: [
      { id: 't33', name: 'trim of 33', serves: ['33'], faster: 'clockwise', travelTurns: 0.75, stoodTurns: null },
    ],
  },
  checks: [],
} as unknown as EventBody;
const begun = line(BEGIN, 'set-speed');
const course = coachOf([begun]) as JobCoach;
const TRIM = { id: 't33', name: 'trim of 33', serves: ['33'], where: '', faster: 'clockwise', travelTurns: 0.75 };
const open = (sheet: object, routes: Record<string, unknown> = {}, job = JOB) => {
  const sent = answering(routes);
  const kept = { model: modelOf(job), version: 2, sheet: { absent: ['strobe'], places: {}, bands: {}, ...sheet } };
  show(<KeepTrims view={viewOf([begun], job)} course={course} />, [[keys.sheet(job.familyId, modelOf(job)), kept]]);
  return sent;
};

describe('trims on the model’s sheet', () => {
  it('are kept with their turns and which way is faster, beside what stands there', async () => {
    const sent = open({}, { '/families': (_url: string, body: unknown) => body });
    fireEvent.click(screen.getByRole('button', { name: 'Keep these trims on the model’s sheet' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      url: `/families/${JOB.familyId}/sheet`,
      method: 'PUT',
      body: { version: 2, sheet: { absent: ['strobe'], trims: [TRIM] } },
    });
  });

  it('a name and a place that somebody gave them stay', async () => {
    const sent = open(
      { trims: [{ ...TRIM, name: 'RV1', where: 'beside the motor', travelTurns: 10 }] },
      { '/families': (_url: string, body: unknown) => body },
    );
    fireEvent.click(screen.getByRole('button', { name: /^Keep these trims/ }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]?.body as { sheet: { trims: object[] } }).sheet.trims).toEqual([
      { ...TRIM, name: 'RV1', where: 'beside the motor' },
    ]);
  });

  it('the same again is not kept again; away it says so', async () => {
    open({ trims: [TRIM] });
    const key = screen.getByRole('button', { name: 'These trims stand on the model’s sheet' }) as HTMLButtonElement;
    expect(key.disabled).toBe(true);
    cleanup();
    open({});
    fireEvent.click(screen.getByRole('button', { name: /^Keep these trims/ }));
    expect((await screen.findByRole('alert')).textContent).toBe('The server does not answer. It may be restarting.');
  });

  it('a unit without a model has no sheet', () => {
    open({}, {}, { ...JOB, make: '', model: '' });
    expect(screen.queryByRole('button')).toBeNull();
  });
});
