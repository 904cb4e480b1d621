import 'fake-indexeddb/auto';
import { didNotTurn, jobSpeeds, type SpeedBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { createRef } from 'react';
import { describe, expect, it } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { BeforeAfter } from './BeforeAfter.js';
import { EntryLine } from './EntryLine.js';
import { Log } from './Log.js';
import { PlaceReading } from './PlaceReading.js';
import { ReadingField } from './ReadingField.js';
import { Spine } from './Spine.js';
import { isCapture } from '../../../shared/ui/isCapture.js';
import { bodies, stage } from '../find/find.test-data.js';

const speed33 = jobSpeeds(JOB)[0] as ReturnType<typeof jobSpeeds>[number];
const speed = (errorPercent: number): SpeedBody => ({
  ...didNotTurn(speed33),
  method: 'tone-recording',
  turned: true,
  errorPercent,
  expandedPercent: 0.1,
  rpm: 33,
});
const reading = (place: string | null) =>
  ({
    kind: 'reading',
    text: '5V',
    values: [5],
    unit: 'V',
    qualifier: 'dc',
    bound: 'exact',
    place,
    speedId: null,
    condition: null,
    holdKey: null,
  }) as const;

stage();

describe('the entry line', () => {
  const open = (events = [line(reading('reservoir'))]) => {
    show(
      <EntryLine
        view={viewOf(events)}
        stage="find"
        speedId="33"
        prompt={null}
        field={createRef<HTMLInputElement>()}
        commands={false}
      />,
    );
    return screen.getByLabelText('Entry line') as HTMLInputElement;
  };

  it('says how it understood before Enter, and keeps on Enter', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: '5.02V @motor 45' } });
    expect(screen.getByText(/5\.02.V d\.c\., at motor terminals, 45/)).toBeTruthy();
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(async () =>
      expect(await bodies()).toMatchObject([{ kind: 'reading', place: 'motor terminals', values: [5.02] }]),
    );
    expect(field.value).toBe('');
  });

  it('leaves a line that cannot be read, with the part marked', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: '27.5Q @res' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(field.value).toBe('27.5Q @res');
    expect(document.querySelector('mark')?.textContent).toBe('Q');
    expect(await bodies()).toEqual([]);
  });

  it('asks which is meant, and keeps the one chosen', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: '1,500V @tap' } });
    fireEvent.click(screen.getByRole('button', { name: /1\.5.kV/ }));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ values: [1500], place: 'tap' }]));
  });

  it('completes known places by Tab', () => {
    const field = open();
    fireEvent.change(field, { target: { value: '5V @res' } });
    expect(screen.getByRole('button', { name: 'reservoir' })).toBeTruthy();
    fireEvent.keyDown(field, { key: 'Tab' });
    expect(field.value).toBe('5V @reservoir ');
  });

  it('types the value onto the stamp of the capture key', async () => {
    const held = line({ kind: 'hold', prompt: 'volts at the motor' });
    const field = open([held]);
    expect(field.placeholder).toContain('volts at the motor');
    fireEvent.change(field, { target: { value: '5V @motor' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toMatchObject([{ holdKey: held.key }]));
  });

  it('keeps what was typed over a reload', () => {
    fireEvent.change(open(), { target: { value: 'half a though' } });
    cleanup();
    expect(open().value).toBe('half a though');
  });

  it('asks a near name with one key, and never makes a new place in silence', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: '27.5 V at resevoir' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(await bodies()).toEqual([]);
    fireEvent.click(screen.getByRole('button', { name: 'reservoir?' }));
    await waitFor(async () => expect(await bodies()).toMatchObject([{ place: 'reservoir', values: [27.5] }]));
    fireEvent.change(field, { target: { value: '40 V at the fan' } });
    expect(screen.getByText(/at fan, a new place/)).toBeTruthy();
  });

  it('makes a symptom an observation, offered as such, and open ends of ledger words', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: 'hunts at 33' } });
    expect(screen.getByText(/Does it surge: surges/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Only a note' })).toBeTruthy();
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toMatchObject([{ kind: 'answer', testId: 'steady' }]));
    fireEvent.change(field, { target: { value: 'unsoldered red and black' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toHaveLength(3));
    expect((await bodies()).slice(1)).toMatchObject([
      { kind: 'open-end', what: 'red', how: 'unsoldered' },
      { kind: 'open-end', what: 'black', how: 'unsoldered' },
    ]);
  });

  it('says why what was kept bears on nothing', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: '40 V @fan' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() => expect(screen.getByText(/measures no V at fan/)).toBeTruthy());
  });

  it('does not plan the defeat of a safety device', async () => {
    const field = open();
    fireEvent.change(field, { target: { value: 'bridged the door lock' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(field.value).toBe('bridged the door lock');
    expect(await bodies()).toEqual([]);
  });

  it('files a double Enter once', async () => {
    const field = open();
    const twice = { target: { value: 'mat is warped' } };
    fireEvent.change(field, twice);
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.change(field, twice);
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
  });
});

describe('the large field', () => {
  it('answers the prompt’s place and cannot keep what it cannot read', async () => {
    show(
      <ReadingField
        view={viewOf([])}
        stage="make-safe"
        speedId="33"
        prompt={{ testId: null, name: 'Measure what is left', place: 'charge left', unit: 'V' }}
        placeholder=""
        label="Volts left"
      />,
    );
    const keep = () => screen.getByRole('button', { name: 'Keep reading' }) as HTMLButtonElement;
    expect(keep().disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Volts left'), { target: { value: '2.1V' } });
    expect(screen.getByText(/at charge left/)).toBeTruthy();
    fireEvent.click(keep());
    await waitFor(async () => expect(await bodies()).toMatchObject([{ place: 'charge left', values: [2.1] }]));
  });
});

describe('the log', () => {
  it('shows newest first, struck lines with their reason, and no strokes of their own', () => {
    const wrong = line({ kind: 'note', text: 'wrong one' });
    const events = [
      line({ kind: 'note', text: 'older' }),
      wrong,
      line({ kind: 'strike', target: wrong.key, reason: 'mistyped' }),
      line({ kind: 'note', text: 'newer' }),
    ];
    show(<Log view={viewOf(events)} stage="find" open={false} onClose={() => {}} onStage={() => {}} />);
    const rows = within(screen.getByLabelText('Bench log'))
      .getAllByRole('listitem')
      .map((row) => row.textContent);
    expect(rows).toHaveLength(3);
    expect(rows[0]).toContain('newer');
    expect(rows[1]).toContain('(struck out: mistyped)');
  });

  it('strikes a line out for a reason', async () => {
    const wrong = line({ kind: 'note', text: 'wrong one' });
    show(<Log view={viewOf([wrong])} stage="find" open={false} onClose={() => {}} onStage={() => {}} />);
    fireEvent.click(screen.getByRole('button', { name: 'Strike out: wrong one' }));
    fireEvent.click(screen.getByRole('button', { name: 'wrong place' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'strike', target: wrong.key, reason: 'wrong place' }]),
    );
  });

  it('says what to do when it is empty', () => {
    show(<Log view={viewOf([])} stage="find" open={false} onClose={() => {}} onStage={() => {}} />);
    expect(screen.getByText(/Nothing yet\./)).toBeTruthy();
  });
});

describe('the spine', () => {
  it('says what each stage owes and marks the present one', () => {
    const chosen: string[] = [];
    show(<Spine view={viewOf([])} stage="find" onStage={(stage) => chosen.push(stage)} />);
    expect(screen.getByRole('button', { name: /Take in owes 2/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Find/ }).getAttribute('aria-current')).toBe('step');
    fireEvent.click(screen.getByRole('button', { name: /^Prove/ }));
    expect(chosen).toEqual(['prove']);
  });
});

describe('before and after', () => {
  it('puts as found beside as left with the verdict, and what is owed', () => {
    show(
      <BeforeAfter
        view={viewOf([line(speed(-1.8)), line({ kind: 'work', action: 'adjust', what: 'trim' }), line(speed(0.05))])}
      />,
    );
    expect(screen.getByText(/−1\.80 ± 0\.10/)).toBeTruthy();
    expect(screen.getByText('right')).toBeTruthy();
    expect(screen.getByText('owed')).toBeTruthy();
  });

  it('says what would decide an undecided one', () => {
    show(<BeforeAfter view={viewOf([line({ kind: 'work', action: 'clean', what: 'trims' }), line(speed(0.28))])} />);
    expect(screen.getByText(/undecided\. Bring the uncertainty under/)).toBeTruthy();
  });
});

describe('a reading without a place', () => {
  it('gets a known one by one tap', async () => {
    const homeless = line(reading(null));
    const view = viewOf([line(reading('motor')), homeless]);
    const placed = view.state.readings.find((one) => one.key === homeless.key);
    if (!placed) throw new Error('no reading');
    show(<PlaceReading view={view} stage="find" reading={placed} />);
    fireEvent.click(screen.getByRole('button', { name: 'motor' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'place', target: homeless.key, place: 'motor' }]),
    );
  });
});

describe('the capture key', () => {
  const press = (key: string, repeat = false) => ({ key, repeat });

  it('works inside fields, never repeats, and Space only when nothing has focus', () => {
    expect(isCapture(press('F9'), 'F9', true)).toBe(true);
    expect(isCapture(press('F9', true), 'F9', true)).toBe(false);
    expect(isCapture(press(' '), 'F9', false)).toBe(true);
    expect(isCapture(press(' '), 'F9', true)).toBe(false);
    expect(isCapture(press(' '), ' ', true)).toBe(false);
    expect(isCapture(press('x'), 'F9', false)).toBe(false);
  });
});
