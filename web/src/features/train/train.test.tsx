/** A train while it is typed, and the figures beside it: turns and slip worked out by hand from diameters. */
import { USUAL_TRAINS } from '@amber-gauge/core/drive';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { cleanup } from '@testing-library/react';
import { draftOf, trainOf, type TrainDraft } from './draft.js';
import { Motor } from './Motor.js';
import { Rates } from './Rates.js';
import { RIM } from './train.test-data.js';

describe('a train while it is typed', () => {
  it.each(USUAL_TRAINS.map(({ id, train }) => [id, train] as const))('%s goes to fields and back', (_id, train) => {
    const back = trainOf(draftOf(train));
    expect(back.parts.map(({ id, by, contact }) => [id, by, contact])).toEqual(
      train.parts.map(({ id, by, contact }) => [id, by, contact]),
    );
    back.parts.forEach((one, i) =>
      one.sizes.forEach((size, k) => expect(size / (train.parts[i]?.sizes[k] ?? NaN)).toBeCloseTo(1, 5)),
    );
    expect(back.speeds.map(({ label }) => label)).toEqual(train.speeds.map(({ label }) => label));
  });

  const typed = (more: Partial<TrainDraft['parts'][number]>, of = 'idler') => {
    const draft = draftOf(RIM);
    return trainOf({
      ...draft,
      parts: draft.parts.map((one) => (one.id === of ? { ...one, ...more } : one)),
    }).parts.find(({ id }) => id === of);
  };

  it('numbers come with a comma or a point, several apart by spaces, half a number is no number', () => {
    expect(typed({ sizes: ' 12,5  17.25 ' })?.sizes).toEqual([12.5, 17.25]);
    expect(typed({ sizes: '12,5 x' })?.sizes[1]).toBeNaN();
    expect(typed({ tolerance: '' })?.toleranceMm).toBeNull();
    expect(typed({ slip: '' })?.slipPercent).toBe(0);
    expect(typed({ slip: '1,2' })?.slipPercent).toBe(1.2);
  });

  it('a belt is one only where a belt turns it and its thickness is typed', () => {
    const belt = { thickness: '0,6', length: '620', shape: 'square' } as const;
    expect(typed(belt)?.belt).toBeNull();
    expect(typed({ ...belt, contact: 'belt' })?.belt).toEqual({ thicknessMm: 0.6, lengthMm: 620, shape: 'square' });
    expect(typed({ ...belt, contact: 'back of a belt', length: '' })?.belt).toEqual({
      thicknessMm: 0.6,
      lengthMm: null,
      shape: 'square',
    });
    expect(typed({ ...belt, contact: 'belt', thickness: ' ' })?.belt).toBeNull();
  });

  it('what its kind of motor does not use cannot keep it from being kept', () => {
    const draft = draftOf(RIM);
    const motor = (more: Partial<TrainDraft['motor']>) =>
      trainOf({ ...draft, motor: { ...draft.motor, ...more } }).motor;
    expect(motor({ rpm: 'nonsense' }).rpm).toEqual([1]);
    expect(motor({ kind: 'servo', poles: 'nonsense', rpm: '33,3 45' })).toMatchObject({ poles: [2], rpm: [33.3, 45] });
    expect(motor({ kind: 'brushless', poles: '8', rpm: '1500' })).toMatchObject({ poles: [8], rpm: [1500] });
    expect(motor({ segments: '3', generator: '' })).toMatchObject({ segments: 3, generator: null });
  });
});

describe('what comes round', () => {
  const rates = () => render(<Rates train={RIM} speed={0} hz={50} />);
  const words = () => (document.body.textContent ?? '').replaceAll('\u202f', ' ');
  const measure = (name: string, rpm: string) =>
    fireEvent.change(screen.getByRole('textbox', { name: `${name}, measured` }), { target: { value: rpm } });

  it('a second, and twice that: platter 0.556, idler 5.56, motor 25 Hz', () => {
    rates();
    const row = (name: RegExp) =>
      screen
        .getAllByRole('row')
        .filter((one) => name.test(one.textContent ?? ''))
        .map((one) => (one.textContent ?? '').replaceAll('\u202f', ' '));
    expect(row(/^platter/)[0]).toMatch(/^platter.*0\.556 Hz1\.111 Hz$/);
    expect(row(/^idler/)[0]).toMatch(/^idler.*5\.556 Hz11\.1 Hz$/);
    expect(row(/^motor/)[0]).toMatch(/25\.0 Hz50\.0 Hz$/);
  });

  it('a motor that runs 2 % low says so, and points at what is before any pulley', () => {
    rates();
    measure('motor', '1470');
    expect(words()).toContain('The motor itself runs −2.00 % from what is set for it: capacitor, winding');
    measure('motor', '1495');
    expect(words()).toContain('The motor itself runs −0.33 % from what is set for it.');
  });

  it('what is lost between two parts is told with where, and whether it is usual', () => {
    rates();
    measure('motor', '1500');
    measure('platter', '33');
    // 33 of 33⅓: one percent lost, at rim or inside.
    expect(words()).toMatch(/Between motor and platter: \+1\.00 % lost, at idler or platter: usual\./);
    measure('platter', '32');
    expect(words()).toMatch(/\+4\.00 % lost.*more than the usual 2 % of slip/);
    measure('platter', '34');
    expect(words()).toMatch(/−2\.00 % lost.*it gains, a diameter/);
    measure('platter', '');
    measure('stepped shaft', '1480');
    expect(words()).toMatch(/Between motor and stepped shaft: \+1\.33 % lost, on one shaft: it slips on its shaft/);
  });

  it('nonsense and nought are no measurement', () => {
    rates();
    measure('motor', 'fast');
    measure('platter', '0');
    expect(words()).not.toContain('The motor itself');
    expect(words()).not.toContain('Between');
  });
});

describe('the motor’s fields', () => {
  const show = (draft: TrainDraft, problems: Parameters<typeof Motor>[0]['problems'] = []) => {
    const set = vi.fn<(next: TrainDraft) => void>();
    render(<Motor draft={draft} problems={problems} onDraft={set} />);
    return set;
  };
  const draft = draftOf(RIM);

  it('ask for poles of what runs on them and for turns of what does not; what is wrong stands at its field', () => {
    show(draft, [{ part: 'motor', field: 'poles', message: 'An even number.' }] as never);
    expect(screen.getByRole('textbox', { name: /^Poles \(one a speed/ })).toBeTruthy();
    expect(screen.queryByRole('textbox', { name: /^Turns a minute/ })).toBeNull();
    expect(screen.getByText('An even number.')).toBeTruthy();
    cleanup();
    show({ ...draft, motor: { ...draft.motor, kind: 'governed' } });
    expect(screen.getByRole('textbox', { name: /^Turns a minute/ })).toBeTruthy();
    expect(screen.queryByRole('textbox', { name: /^Poles/ })).toBeNull();
    expect(screen.getByRole('textbox', { name: /^Commutator bars/ })).toBeTruthy();
  });

  it('take another speed up to six, and the last one out', () => {
    const set = show(draft);
    fireEvent.click(screen.getByRole('button', { name: 'Another speed' }));
    expect(set.mock.calls[0]?.[0].speeds.map(({ label }) => label)).toEqual(['33', 'speed 2']);
    cleanup();
    const six = {
      ...draft,
      speeds: Array.from({ length: 6 }, (_none, i) => ({ id: `${i}`, label: `${i}`, nominal: '' })),
    };
    const fewer = show(six);
    expect((screen.getByRole('button', { name: 'Another speed' }) as HTMLButtonElement).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Take the last speed out' }));
    expect(fewer.mock.calls[0]?.[0].speeds.map(({ label }) => label)).toEqual(['0', '1', '2', '3', '4']);
  });
});
