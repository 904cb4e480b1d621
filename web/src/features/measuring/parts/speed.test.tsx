import { didNotTurn, type SpeedBody } from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { tolerance } from '@amber-gauge/core/quantity';
import { judge } from '@amber-gauge/core/speed';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '../../../test/scene.js';
import type { RunFigures } from '@amber-gauge/contract';
import { Change } from './Change.js';
import { Lines, namedLines } from './Lines.js';
import { PartsForm } from './PartsForm.js';
import { Warnings } from './Warnings.js';
import type { Measured } from '../ways/way.js';
import { FigureTable } from './FigureTable.js';
import { SpeedReadout } from './SpeedReadout.js';
import { StopwatchWay } from '../ways/StopwatchWay.js';
import { StrobeWay } from '../ways/StrobeWay.js';

const speed33 = familyOf('belt-turntable-dc').speeds[1] as ReturnType<typeof familyOf>['speeds'][number];
const limits = tolerance(-0.3, 0.3, { kind: 'practice', text: 'test' });
const reading: SpeedBody = {
  ...didNotTurn(speed33),
  method: 'tone-recording',
  turned: true,
  errorPercent: -0.42,
  expandedPercent: 0.1,
  rpm: 33.19,
  wowPeakPercent: 0.08,
  sourceName: 'Record',
};

const readout = (body: SpeedBody) =>
  show(
    <SpeedReadout
      reading={body}
      verdict={judge(body.errorPercent ?? 0, body.expandedPercent, limits)}
      limits={limits}
      nominalRpm={100 / 3}
      centre={null}
      origin="±0.3 %"
      trail={null}
    />,
  );

describe('the readout', () => {
  it('puts number, spread, verdict, way and tolerance on the page', () => {
    readout(reading);
    expect(screen.getByTestId('speed-number').textContent).toBe('−0.42\u202f%');
    expect(screen.getByText('± 0.10 %')).toBeTruthy();
    expect(screen.getByText('slow, not right yet')).toBeTruthy();
    expect(screen.getByText(/33\.19 rpm/)).toBeTruthy();
    expect(screen.getByText(/tolerance ±0\.3 %/)).toBeTruthy();
  });

  it('says plainly that it did not turn, with no number', () => {
    readout({ ...reading, turned: false, errorPercent: null, expandedPercent: null, rpm: null, wowPeakPercent: null });
    expect(screen.getByText('Did not turn')).toBeTruthy();
    expect(screen.queryByTestId('speed-number')).toBeNull();
  });

  it('shows turns a minute where there is no nominal', () => {
    readout({ ...reading, errorPercent: null, expandedPercent: null, rpm: 268 });
    expect(screen.getByTestId('speed-number').textContent).toBe('268\u202frpm');
  });

  it('claims a mean over a stretch only for a recording', () => {
    readout({ ...reading, method: 'strobe' });
    expect(screen.queryByText(/mean of the whole stretch/)).toBeNull();
    cleanup();
    readout(reading);
    expect(screen.getByText(/mean of the whole stretch/)).toBeTruthy();
  });

  it('owns up to an unknown uncertainty', () => {
    readout({ ...reading, expandedPercent: null });
    expect(screen.getByText('uncertainty not known')).toBeTruthy();
  });
});

describe('the strobe disc', () => {
  const strobe = (kept: Measured[] = []) =>
    show(
      <StrobeWay
        speed={speed33}
        onMeasured={(measured) => {
          kept.push(measured);
          return Promise.resolve();
        }}
      />,
    );
  const keep = () => screen.getByRole('button', { name: /^Keep/ }) as HTMLButtonElement;
  const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

  it('signs the count by direction and edge, before it is kept', () => {
    const kept: Measured[] = [];
    strobe(kept);
    expect(keep().disabled).toBe(true);
    type('Bars past a mark', '9,0');
    expect(keep().textContent).toBe('Keep +0.30 %');
    fireEvent.click(screen.getByRole('button', { name: 'go right' }));
    expect(keep().textContent).toBe('Keep −0.30 %');
    fireEvent.click(screen.getByRole('button', { name: 'far edge' }));
    fireEvent.click(keep());
    expect(kept[0]?.run).toMatchObject({
      unit: 'rpm',
      errorPercent: expect.closeTo(0.3, 6) as number,
      detail: { way: 'strobe', ringBars: 180 },
    });
    expect(kept[0]?.run.expandedPercent).toBeGreaterThan(1);
  });

  it('with the mains measured is a close reading', () => {
    const kept: Measured[] = [];
    strobe(kept);
    type('Bars past a mark', '9');
    type('Mains measured, Hz', '50,02');
    fireEvent.click(keep());
    expect(kept[0]?.run.errorPercent).toBeCloseTo(0.34, 3);
    expect(kept[0]?.run.expandedPercent).toBeLessThan(0.05);
  });

  it('warns of the ring of another mains by what it stands still at', () => {
    strobe();
    fireEvent.click(screen.getByRole('button', { name: 'stand still' }));
    type('Bars of the ring', '216');
    expect(screen.getByText(/216 bars stand still at 27\.78 rpm .* printed for 33\.33 rpm under 60 Hz/)).toBeTruthy();
  });

  it('stands still without asking where one looks', () => {
    strobe();
    fireEvent.click(screen.getByRole('button', { name: 'stand still' }));
    expect(screen.queryByLabelText('Bars past a mark')).toBeNull();
    expect(screen.getByRole('button', { name: 'Keep 0.00 %' })).toBeTruthy();
  });

  it('is not offered where nothing turns at a rated number', () => {
    show(<StrobeWay speed={{ ...speed33, nominalRpm: null }} onMeasured={() => Promise.resolve()} />);
    expect(screen.getByText(/Choose a record speed/)).toBeTruthy();
  });
});

describe('a strobe count under other light and other eyes', () => {
  const open = () => {
    const kept: Measured[] = [];
    show(<StrobeWay speed={speed33} onMeasured={async (measured) => void kept.push(measured)} />);
    return kept;
  };
  const type = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });
  const choose = (name: string, option: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name }));
    fireEvent.click(screen.getByRole('option', { name: option }));
  };
  const figure = () => screen.getByRole('button', { name: /^Keep/ }).textContent;
  const page = () => document.body.textContent ?? '';

  it('nine of a hundred bars a second in thirty seconds are 0.3 %; the other way round it is slow', () => {
    open();
    type('Bars past a mark', '9');
    expect(figure()).toBe('Keep +0.30 %');
    choose('The platter turns', 'counter-clockwise');
    expect(figure()).toBe('Keep −0.30 %');
    choose('Seen', 'mirrored (selfie) camera');
    expect(figure()).toBe('Keep +0.30 %');
    choose('Seen', 'through a camera');
    expect(figure()).toBe('Keep −0.30 %');
    type('in seconds', '15');
    expect(figure()).toBe('Keep −0.60 %');
  });

  it('says where else it seems to stand: at twice the speed, and with twice the bars at half of it', () => {
    open();
    expect(page()).toContain('Look at the ring of 180 bars. It also seems to stand still at 66.7 rpm');
    expect(page()).toContain('with twice the bars, at 16.7 rpm');
  });

  it('behind one diode half as many flashes want half the ring, and a bar counts twice', async () => {
    const kept = open();
    choose('Light', 'lamp behind one diode');
    expect(page()).toContain('Look at the ring of 90 bars');
    type('Bars past a mark', '9');
    // 9 of 50 · 30 bars.
    expect(figure()).toBe('Keep +0.60 %');
    fireEvent.click(screen.getByRole('button', { name: /^Keep/ }));
    await waitFor(() => expect(kept).toHaveLength(1));
    expect(kept[0]?.fileName).toBe('90 bars, 50 Hz mains light');
  });

  it('mains measured at 50.1 Hz make what stands still 0.2 % fast', async () => {
    const kept = open();
    type('Mains measured, Hz', '50.1');
    fireEvent.click(screen.getByRole('button', { name: 'stand still' }));
    expect(figure()).toBe('Keep +0.20 %');
    fireEvent.click(screen.getByRole('button', { name: /^Keep/ }));
    await waitFor(() => expect(kept).toHaveLength(1));
    expect(kept[0]?.fileName).toBe('180 bars, 50.1 Hz mains light');
  });

  it('a crystal lamp is named as such; steady light shows no bars at all', async () => {
    const kept = open();
    choose('Light', 'crystal strobe lamp');
    fireEvent.click(screen.getByRole('button', { name: 'stand still' }));
    fireEvent.click(screen.getByRole('button', { name: /^Keep/ }));
    await waitFor(() => expect(kept).toHaveLength(1));
    expect(kept[0]?.fileName).toMatch(/^\d+ bars, crystal strobe lamp$/);
    cleanup();
    open();
    choose('Light', 'LED on direct current, or no idea');
    fireEvent.click(screen.getByRole('button', { name: 'stand still' }));
    expect((screen.getByRole('button', { name: 'Keep' }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getAllByRole('alert').length).toBeGreaterThan(0);
  });
});

describe('the stopwatch', () => {
  it('counts from nought and starts again', () => {
    show(<StopwatchWay speed={speed33} limits={limits} onMeasured={() => Promise.resolve()} />);
    fireEvent.click(screen.getByRole('button', { name: /nought/ }));
    expect(screen.getByRole('button', { name: 'Tap: 1' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Start again' }));
    expect(screen.getByRole('button', { name: /nought/ })).toBeTruthy();
  });

  it('takes the capture key and nothing else', () => {
    show(<StopwatchWay speed={speed33} limits={limits} onMeasured={() => Promise.resolve()} />);
    fireEvent.keyDown(window, { key: 'F9' });
    fireEvent.keyDown(window, { key: 'F8' });
    fireEvent.keyDown(window, { key: 'F9', repeat: true });
    expect(screen.getByRole('button', { name: 'Tap: 1' })).toBeTruthy();
  });
});

describe('the figures', () => {
  const figures: RunFigures = {
    unit: 'Hz',
    nominal: 3150,
    mean: 3130.47,
    errorPercent: -0.62,
    expandedPercent: 0.0116,
    uncertainty: [{ name: 'clock', standardPercent: 0.0058, why: 'recorder clock within ±100 ppm' }],
    driftPercent: 0.045,
    flutter: {
      unweightedPeakPercent: 0.112,
      unweightedRmsPercent: 0.067,
      weighted2SigmaPercent: 0.05,
      weightedQuasiPeakPercent: 0.052,
      weightedRmsPercent: 0.03,
    },
    lines: [{ frequencyHz: 0.552, peakPercent: 0.08 }],
    detail: { way: 'tone', live: false, startS: 0, endS: 60, snrDb: 48, dropouts: 0, clipped: false, channel: 0 },
    series: { startS: 0, stepS: 30, errorPercent: [-0.6, -0.64], halfWidthPercent: [0, 0] },
    spectrum: { frequencyHz: [0.5, 1], peakPercent: [0.08, 0.01] },
    warnings: ['REFERENCE_NOT_INCLUDED'],
  };

  it('are each named and open to their working', () => {
    show(<FigureTable figures={figures} />);
    for (const name of ['Mean', 'Error', 'Uncertainty', 'Drift', 'Unweighted peak', 'Weighted 2-sigma', 'Weighted rms'])
      expect(screen.getByText(name)).toBeTruthy();
    expect(screen.getByText(/^3130\.470.Hz$/)).toBeTruthy();
    expect(screen.getByText(/clock: u = 0\.0058 %, recorder clock/)).toBeTruthy();
    expect(screen.getByText(/\(3130\.470 \/ 3150\.000 Hz − 1\) · 100 % = −0\.6200 %/)).toBeTruthy();
  });

  it('stand beside those of an earlier run, with what changed', () => {
    const before = { ...figures, errorPercent: -1.9, mean: 3090.15 };
    show(
      <>
        <FigureTable figures={figures} before={before} />
        <Change before={before} now={figures} sameSource />
      </>,
    );
    expect(screen.getByText(/^−1\.900.%$/)).toBeTruthy();
    expect(screen.getByText(/\+1\.28 ± less than 0\.001 % from before: a real change/)).toBeTruthy();
  });

  it('warn in words, and name the speed that was selected', () => {
    show(<Warnings figures={figures} />);
    expect(screen.getByText(/uncertainty of the test tape or record is not included/)).toBeTruthy();
    cleanup();
    show(<Warnings figures={{ ...figures, errorPercent: 35.1, warnings: ['OTHER_SPEED_SELECTED'] }} />);
    expect(screen.getByText(/a 33⅓ rpm band played at 45 rpm; of the speed selected it is \+0\.07 %/)).toBeTruthy();
  });

  it('put lines against turning parts, own ones included', () => {
    const named = namedLines(figures, [{ name: 'platter', kind: 'platter', hz: 100 / 3 / 60 }]);
    const added: unknown[] = [];
    show(
      <>
        <Lines lines={named} />
        <PartsForm own={[]} onOwn={(parts) => added.push(...parts)} />
      </>,
    );
    expect(screen.getByText('platter')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Part'), { target: { value: 'motor pulley' } });
    fireEvent.change(screen.getByLabelText('Turns a minute'), { target: { value: '300' } });
    fireEvent.click(screen.getByRole('button', { name: 'Add' }));
    expect(added).toEqual([{ name: 'motor pulley', hz: 5 }]);
  });
});
