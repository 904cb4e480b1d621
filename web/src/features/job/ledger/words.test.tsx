import 'fake-indexeddb/auto';
import type { EventBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { useJobKeys } from '../parts/useJobKeys.js';
import { ChargePanel } from '../safe/ChargePanel.js';
import { PowerQuestion } from '../safe/PowerQuestion.js';
import { StepEntry } from './StepEntry.js';
import { bodies, stage } from '../find/find.test-data.js';

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
const WASHER = { ...JOB, familyId: 'washer-front', speedIds: ['wash'] };

stage();

describe('ledger words', () => {
  it('make open ends, shown before they are kept; one key takes one back', async () => {
    show(<StepEntry view={viewOf([])} stage="open-up" />);
    type('What comes off', 'unsoldered motor red and black');
    expect(screen.getByLabelText('Ends this opens').textContent).toContain('motor red, unsoldered');
    fireEvent.click(button('Not an open end: black, unsoldered'));
    fireEvent.click(button('Keep step'));
    await waitFor(async () =>
      expect(await bodies()).toMatchObject([
        { kind: 'step' },
        { kind: 'open-end', what: 'motor red', how: 'unsoldered' },
      ]),
    );
  });

  it('a line that is nothing but an end takes nothing off; a distance is set back', async () => {
    show(<StepEntry view={viewOf([])} stage="open-up" />);
    type('What comes off', 'unplugged 3 pin plug');
    fireEvent.click(button('Keep step'));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ kind: 'open-end', what: '3 pin plug' }]));
    type('What comes off', 'hall board, hall gap 17 mm');
    expect(screen.getByText(/set back: hall gap 17 ± 0.85 mm/)).toBeTruthy();
  });
});

const volts = (value: number): EventBody => ({
  kind: 'reading',
  text: '',
  values: [value],
  unit: 'V',
  qualifier: 'dc',
  bound: 'exact',
  place: 'bus',
  speedId: null,
  condition: null,
  holdKey: null,
});

describe('a charge over the limit', () => {
  it('stands with its value and the way to bleed it; the wait starts a timer that nothing ticks', async () => {
    show(<ChargePanel view={viewOf([line(volts(311))], WASHER)} stage="open-up" onMeasure={() => {}} />);
    const panel = screen.getByRole('alert', { name: 'Charge left' });
    expect(panel.textContent).toContain('311 V left on the inverter bus');
    expect(panel.textContent).toContain('10\u202fkΩ, insulated, 10 W (9.7 W at first): 26 s to 35 V');
    fireEvent.click(button('Resistor is on: count down'));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ kind: 'timer', timer: 'discharge' }]));
    expect(Number(((await bodies())[0] as { minutes: number }).minutes * 60)).toBeCloseTo(26.2, 1);
    expect(screen.getByRole('button', { name: 'Measure what is left' })).toBeTruthy();
  });

  it('is not shown once a reading is under the limit', () => {
    const { container } = show(
      <ChargePanel view={viewOf([line(volts(311)), line(volts(12))], WASHER)} stage="open-up" onMeasure={null} />,
    );
    expect(container.textContent).toBe('');
  });
});

describe('is it on?', () => {
  const turned: EventBody = {
    kind: 'speed',
    text: '',
    speedId: '33',
    method: 'typed',
    turned: true,
    errorPercent: -1,
    expandedPercent: null,
    referenceIncluded: true,
    wowPeakPercent: null,
    rpm: 33,
    sourceName: null,
    runId: null,
    condition: null,
  };
  it.each([
    ['F6', { state: 'live-direct', wasOn: true }],
    ['F7', { state: 'unplugged-unknown', wasOn: true }],
  ])('%s answers, and the answer is a line', async (key, expected) => {
    show(<PowerQuestion view={viewOf([line(turned)])} stage="take-in" />);
    expect(screen.getByRole('alert').textContent).toContain('33 was measured turning, and the log says unplugged');
    fireEvent.keyDown(window, { key });
    await waitFor(async () => expect(await bodies()).toMatchObject([{ kind: 'power', ...expected }]));
  });

  it('can be answered with no; nothing is asked where nothing contradicts', async () => {
    show(<PowerQuestion view={viewOf([line(turned)])} stage="take-in" />);
    fireEvent.click(button('It was not on'));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ state: 'unplugged-unknown', wasOn: false }]));
    cleanup();
    expect(show(<PowerQuestion view={viewOf([])} stage="take-in" />).container.textContent).toBe('');
  });
});

describe('keys on a job', () => {
  const did: string[] = [];
  function Keys() {
    const armed = useJobKeys({
      onStage: (stage) => did.push(stage),
      onPower: () => did.push('power'),
      onBench: () => did.push('bench'),
      onHold: () => did.push('hold'),
      onEntry: () => did.push('entry'),
    });
    return <p>{armed ? 'armed' : 'quiet'}</p>;
  }
  const press = (key: string, more: object = {}) => fireEvent.keyDown(window, { key, ...more });

  it('a letter or figure opens the line; Esc makes the next key a command, once; function keys always work', () => {
    did.length = 0;
    show(<Keys />);
    for (const key of ['p', '4', 'b', 'h', 'ü', '-', '/']) press(key);
    expect(did).toEqual(Array(7).fill('entry'));
    did.length = 0;
    for (const key of [' ', '?', 'Shift', 'F5']) press(key);
    press('p', { ctrlKey: true });
    expect(did).toEqual([]);
    press('Escape');
    expect(screen.getByText('armed')).toBeTruthy();
    press('4');
    press('4');
    press('Escape');
    press('p');
    press('Escape');
    press('x');
    press('F8');
    press('2', { altKey: true, code: 'Digit2' });
    expect(did).toEqual(['find', 'entry', 'power', 'power', 'make-safe']);
  });
});
