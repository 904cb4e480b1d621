import 'fake-indexeddb/auto';
import {
  CHARGE_PLACE,
  didNotTurn,
  jobSpeeds,
  STAGES,
  type BenchEvent,
  type EventBody,
  type StageId,
} from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { promptOf } from './prompt.js';
import { Stage } from './Stage.js';

const STORED = { ...JOB, familyId: 'video-recorder', speedIds: ['sp'] };
const speeds = jobSpeeds(JOB);
const speed = (id: string, errorPercent: number): EventBody => ({
  ...didNotTurn(speeds.find((one) => one.id === id) as (typeof speeds)[number]),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.1,
  rpm: 33,
});
const power = (state: Extract<EventBody, { kind: 'power' }>['state']): EventBody => ({
  kind: 'power',
  state,
  conditions: [],
});
const bodies = async () => (await allEntries()).map((entry) => entry.event.body);

function stage(name: StageId, events: readonly BenchEvent[], job = JOB) {
  const view = viewOf(events, job);
  const went: StageId[] = [];
  show(
    <Stage
      view={view}
      stage={name}
      prompt={promptOf(view, name, '33')}
      speedId="33"
      onSpeed={() => {}}
      onStage={(to) => went.push(to)}
    />,
  );
  return went;
}

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
  vi.stubGlobal('Worker', class {});
  sessionStorage.clear();
});
afterEach(async () => {
  for (const entry of await allEntries()) await removeEntry(entry.event.key);
});

describe('prompts', () => {
  it('every stage asks for one thing, in words', () => {
    for (const name of STAGES) {
      const { text } = promptOf(viewOf([]), name, '33');
      expect(text.length).toBeGreaterThan(8);
      expect(text).not.toMatch(/undefined|null|NaN/);
    }
  });

  it('follow what was measured and done', () => {
    const ask = (name: StageId, ...events: EventBody[]) =>
      promptOf(viewOf(events.map((body) => line(body))), name, '33').text;
    expect(ask('take-in')).toBe('Measure as found, 33⅓ rpm');
    expect(ask('take-in', speed('33', -1))).toBe('As found, 33⅓ rpm');
    expect(ask('mend')).toBe('Choose what to mend');
    expect(ask('mend', { kind: 'work', action: 'clean', what: 'trims' })).toBe('Choose what to mend next');
    expect(ask('set-speed')).toContain('Clean first');
    expect(ask('find', { kind: 'hold', prompt: 'volts' })).toBe('Type the value held: volts');
    expect(ask('hand-back')).toContain('Still owed');
  });

  it('in Make safe follow the power state, and the reading belongs to the charge', () => {
    const ask = (...events: EventBody[]) =>
      promptOf(
        viewOf(
          events.map((body) => line(body)),
          STORED,
        ),
        'make-safe',
        'sp',
      );
    expect(ask()).toEqual({
      text: 'Unplug, then measure what is left on the primary reservoir',
      place: CHARGE_PLACE,
    });
    expect(ask(power('unplugged-unknown')).text).toBe('Measure what is left on the primary reservoir, d.c.');
    expect(ask(power('live-direct')).text).toContain('step back');
    expect(promptOf(viewOf([], { ...JOB, powerKind: 'pack' }), 'make-safe', '33').text).toBe('Take the pack out');
    expect(promptOf(viewOf([]), 'make-safe', '33').text).toBe('Unplug it');
    expect(promptOf(viewOf([line(power('unplugged-unknown'))]), 'make-safe', '33').text).toBe(
      'Unplugged, and nothing in it holds a charge',
    );
  });
});

describe('danger comes first', () => {
  it.each(['find', 'open-up', 'make-safe', 'set-speed', 'hand-back'] as const)(
    '%s says so while the unit is live',
    (name) => {
      stage(name, [line(power('live-isolated'))]);
      expect(document.body.textContent).toMatch(/live/i);
      expect(document.querySelector('[class*=caution]')).not.toBeNull();
    },
  );

  it('mains direct never sees a probe in the hand', () => {
    stage('find', [line(power('live-direct'))]);
    expect(screen.getByText(/Clip dead, step back, power, read, unplug/)).toBeTruthy();
  });

  it('opening up waits for the charge to be proved gone', () => {
    stage('open-up', [line(power('unplugged-unknown'))], STORED);
    expect(screen.getByText(/Charge unknown\. Prove it gone/)).toBeTruthy();
  });

  it('a live unit cannot be handed back', () => {
    stage('hand-back', [line(power('live-direct'))]);
    expect((screen.getByRole('button', { name: /Hand back with|Handed back/ }) as HTMLButtonElement).disabled).toBe(
      true,
    );
  });
});

describe('Mend', () => {
  it('warns that the as-found reading is about to be lost', () => {
    stage('mend', [line(speed('33', -1.8))]);
    expect(screen.getByText(/Not measured as found yet: 45 rpm/)).toBeTruthy();
  });

  it('keeps what was done as a line of its kind', async () => {
    stage('mend', []);
    fireEvent.click(screen.getByRole('button', { name: 'replaced' }));
    fireEvent.change(screen.getByLabelText('What'), { target: { value: ' the belt ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep it' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([
        { kind: 'work', action: 'replace', what: 'the belt', blocks: ['belt'], reach: 'mechanics' },
      ]),
    );
  });
});

describe('Find', () => {
  it('shows the newest reading of a place beside the one before', () => {
    const volts = (value: number): EventBody => ({
      kind: 'reading',
      text: '',
      values: [value],
      unit: 'V',
      qualifier: 'dc',
      bound: 'exact',
      place: 'motor',
      speedId: null,
      condition: null,
      holdKey: null,
    });
    stage('find', [line(volts(4.1)), line(volts(5.02))]);
    const table = screen.getByRole('table', { name: 'Readings by place' });
    expect(table.textContent).toMatch(/5\.02.V d\.c\./);
    expect(table.textContent).toMatch(/before: 4\.1.V d\.c\./);
  });
});

describe('Hand back', () => {
  it('lists what is owed and leads there', () => {
    const went = stage('hand-back', []);
    fireEvent.click(screen.getAllByRole('button', { name: 'Go there' })[0] as HTMLElement);
    expect(went).toEqual(['take-in']);
  });

  it('keeps what was left undone with the handing back', async () => {
    stage('hand-back', []);
    fireEvent.change(screen.getByLabelText(/Left undone/), { target: { value: 'feet are hard' } });
    fireEvent.click(screen.getByRole('button', { name: /Hand back with/ }));
    await waitFor(async () => expect(await bodies()).toEqual([{ kind: 'hand-back', leftUndone: 'feet are hard' }]));
  });
});

describe('a speed stage', () => {
  it('takes “did not turn” by one tap', async () => {
    stage('take-in', []);
    fireEvent.click(screen.getByRole('button', { name: 'Did not turn' }));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ kind: 'speed', speedId: '33', turned: false }]));
  });

  it('offers the next speed once this one is measured', () => {
    stage('take-in', [line(speed('33', -1.8))]);
    expect(screen.getByRole('button', { name: 'Next: 45 rpm' })).toBeTruthy();
  });
});
