import type { EventBody } from '@amber-gauge/core/bench';
import { PATHS } from '@amber-gauge/core/families';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { show } from '../../../test/scene.js';
import { useAsked } from '../asked.js';
import { useGoLive } from '../parts/goLive.js';
import { answered, bodies, findOf, path, stage } from './find.test-data.js';
import { NextTest } from './NextTest.js';
import { RowReadings } from './RowReadings.js';

stage();

describe('the next test', () => {
  const adviceFor = (id: string, ...given: EventBody[]) => {
    const { view, find } = findOf(...given);
    const advice = find.answer.advice.tests.find((one) => one.test.id === id);
    if (!advice) throw new Error(`${id} is not advised`);
    show(
      <NextTest
        view={view}
        stage="find"
        path={path}
        speedId="33"
        advice={advice}
        onOther={() => {}}
        onStage={() => {}}
      />,
    );
  };

  it('is answered by a tap', async () => {
    adviceFor('steady');
    fireEvent.click(screen.getByRole('button', { name: 'surges' }));
    await waitFor(async () =>
      expect((await bodies())[0]).toMatchObject({ kind: 'answer', testId: 'steady', outcome: 'surges' }),
    );
  });

  it('live, a test that probes warns; switched off it leads through the gate', () => {
    const open = (state: 'live-isolated' | 'unplugged-discharged', id: string) => {
      cleanup();
      const { view, find } = findOf(answered('speed-33', 'slow'));
      const advice = find.answer.advice.tests.find((one) => one.test.id === id) as never;
      const shown = { ...view, state: { ...view.state, power: state } };
      const props = { stage: 'find', path, speedId: '33', advice, onOther: () => {}, onStage: () => {} } as const;
      show(<NextTest view={shown} {...props} />);
    };
    open('live-isolated', 'supply-volts');
    const warned = screen.getByText('Live: clip dead, step back, power, read, unplug.');
    expect(warned.className).toMatch(/caution/);
    expect(screen.queryByRole('button', { name: 'To the gate' })).toBeNull();
    open('unplugged-discharged', 'supply-volts');
    expect(screen.getByRole('button', { name: 'To the gate' }).parentElement?.className).toMatch(/caution/);
  });

  it('is answered by a value in its unit, comma or point', async () => {
    adviceFor('supply-volts', answered('speed-33', 'slow'));
    expect(screen.getByText(/Live: clip dead.*F8, through the gate/)).toBeTruthy();
    fireEvent.change(screen.getByRole('textbox', { name: 'supply at the board, V' }), { target: { value: '9,4' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep reading' }));
    await waitFor(async () =>
      expect((await bodies())[0]).toMatchObject({ kind: 'answer', outcome: null, value: 9.4, unit: 'V' }),
    );
  });

  it('says what a healthy unit shows and from where, and names itself for the capture key', () => {
    adviceFor('supply-volts', answered('speed-33', 'slow'));
    expect(screen.getByText(/^Healthy: 10.8 to 13.2 V \(common practice/)).toBeTruthy();
    expect(useAsked.getState().asked).toEqual({
      testId: 'supply-volts',
      name: 'Supply at the board',
      place: 'supply at the board',
      unit: 'V',
    });
    cleanup();
    expect(useAsked.getState().asked).toBeNull();
  });

  it('takes a row of readings as one answer', async () => {
    const answers: string[] = [];
    const test = PATHS.get('video-recorder')?.tests.find((one) => one.id === 'fg-joints');
    if (!test?.row) throw new Error('no row');
    const { labels, unit } = test.row;
    show(<RowReadings test={test} labels={labels} unit={unit} onAnswer={(id, words) => answers.push(id, words)} />);
    const type = (label: string, value: string) =>
      fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } });
    labels.forEach((label) => type(label, '0,2'));
    type('across the board edge', 'far');
    expect(screen.getByText('across the board edge: type a number, or open.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep the row' }).disabled).toBe(true);
    type('across the board edge', 'open');
    fireEvent.click(screen.getByRole('button', { name: 'Keep the row' }));
    expect(answers[0]).toBe('open-between');
    expect(answers[1]).toContain('open between at across the board edge (');
  });

  it('opens what it needs open, once, so that the gate knows of it', async () => {
    adviceFor('spin-pulley', answered('speed-33', 'slow'));
    expect(screen.getByText(/must be closed again: belt/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'stiff' }));
    await waitFor(async () => expect((await bodies()).map((body) => body.kind)).toEqual(['answer', 'open-end']));
    cleanup();
    for (const entry of await allEntries()) await removeEntry(entry.event.key);
    const open: EventBody = {
      kind: 'open-end',
      what: 'belt',
      how: 'removed',
      usualId: 'belt',
      stepKey: null,
      moveKey: null,
    };
    adviceFor('spin-pulley', answered('speed-33', 'slow'), open);
    fireEvent.click(screen.getByRole('button', { name: 'stiff' }));
    await waitFor(async () => expect((await bodies()).map((body) => body.kind)).toEqual(['answer']));
  });

  it('can be out of reach', async () => {
    adviceFor('steady');
    fireEvent.click(screen.getByRole('button', { name: 'Cannot reach it' }));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'unreachable', testId: 'steady' }));
  });

  it('says put back first where a part is off, and takes no answer as if it were on', () => {
    const off: EventBody = {
      kind: 'open-end',
      what: 'belt',
      how: 'removed',
      usualId: 'belt',
      stepKey: null,
      moveKey: null,
    };
    adviceFor('speed-45', answered('speed-33', 'slow'), off);
    expect(screen.getByText(/Put back first: belt/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'slow' }).disabled).toBe(true);
  });

  it('carries the gate for a test that is merely switched on, as for one that is probed', () => {
    adviceFor('steady');
    expect(screen.getByText(/Running, hands clear.*F8, through the gate/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'To the gate' }));
    expect(useGoLive.getState().wanted).toBe('last');
    useGoLive.setState({ wanted: null });
  });

  it('takes a note with the answer, and what its words open is open', async () => {
    adviceFor('steady');
    fireEvent.change(screen.getByLabelText('A note with the answer'), {
      target: { value: 'unplugged the tacho lead' },
    });
    expect(screen.getByText(/Opens, until it is closed: tacho lead, unplugged/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'surges' }));
    await waitFor(async () =>
      expect(await bodies()).toMatchObject([
        { kind: 'answer' },
        { kind: 'note' },
        { kind: 'open-end', what: 'tacho lead' },
      ]),
    );
  });
});
