import 'fake-indexeddb/auto';
import { parseStep, type EventBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { Moves } from '../mend/Moves.js';
import { DischargeSum } from '../safe/DischargeSum.js';
import { SafeLines } from '../safe/SafeLines.js';
import { StartVolts } from '../safe/StartVolts.js';
import { Welcome } from '../parts/Welcome.js';
import { TimerStart } from '../parts/TimerStart.js';
import { titleOf } from '../../timers/TimerWatch.js';
import { Findings } from './Findings.js';
import { OpenEnds } from './OpenEnds.js';
import { PutBack } from './PutBack.js';
import { StepEntry } from './StepEntry.js';
import { StepList } from './StepList.js';
import { bodies, stage } from '../find/find.test-data.js';

const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const field = (name: RegExp | string) => screen.getByRole('textbox', { name }) as HTMLInputElement;
const type = (name: RegExp | string, value: string) => fireEvent.change(field(name), { target: { value } });
const end = (what: string): EventBody => ({
  kind: 'open-end',
  what,
  how: 'unplugged',
  usualId: null,
  stepKey: null,
  moveKey: null,
});
const WASHER = { ...JOB, familyId: 'washer-front', speedIds: ['wash'] };

stage();

describe('taking apart', () => {
  it('understands a line before it is kept, and buttons write trays and counts', async () => {
    show(<StepEntry view={viewOf([])} stage="open-up" />);
    type('What comes off', 'bottom cover');
    fireEvent.click(button('4 ×'));
    fireEvent.click(button('Tray B'));
    expect(field('What comes off').value).toBe('bottom cover 4 x screws, tray B');
    expect(screen.getByRole('status').textContent).toContain('bottom cover, 4 × screws, tray B');
    fireEvent.click(button('Tray C'));
    expect(field('What comes off').value).toBe('bottom cover 4 x screws, tray C');
    fireEvent.click(button('Keep step'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'step', what: 'bottom cover', cover: true });
    expect(field('What comes off').value).toBe('');
  });

  it('keeps gaps, wires and what is owed with the step, and names a gap that is not whole', async () => {
    show(<StepEntry view={viewOf([])} stage="open-up" />);
    type('What comes off', 'motor');
    fireEvent.click(button('Gap, wires, marks'));
    fireEvent.click(button('Measure a distance before it is disturbed'));
    expect(button('Keep step').disabled).toBe(true);
    type('Distance of what', 'pulley height');
    type('Measured', '9,4');
    type('Wires, in pin order', 'red, black');
    fireEvent.click(button('cable tie'));
    fireEvent.click(button('Keep step'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({
      distances: [{ what: 'pulley height', value: 9.4, unit: 'mm', tolerance: 0.2 }],
      wires: [
        { pin: '1', colour: 'red' },
        { pin: '2', colour: 'black' },
      ],
      owes: ['cable tie'],
    });
  });

  it('refuses to plan the defeat of a lock, and keeps what was typed', () => {
    show(<StepEntry view={viewOf([])} stage="open-up" />);
    type('What comes off', 'bypass the lid lock');
    expect(screen.getByRole('alert').textContent).toContain('Door and lid locks stay');
    expect(button('Keep step').disabled).toBe(true);
    expect(field('What comes off').value).toBe('bypass the lid lock');
  });

  it('lists what came off newest first, and wires from either side', () => {
    const motor = { ...parseStep('motor 3 x 20 mm, tray B'), wiresSide: 'wire-side' as const };
    const wires = [
      { pin: '1', colour: 'red' },
      { pin: '2', colour: 'black' },
    ];
    show(<StepList view={viewOf([line(parseStep('cover')), line({ ...motor, wires })])} stage="open-up" />);
    expect(screen.getAllByRole('listitem')[0]?.textContent).toContain('motor');
    fireEvent.click(button(/look at the mating face/));
    expect(screen.getByLabelText('Pins left to right, mating face').textContent).toBe('2 black1 red');
  });

  it('open ends are added, refused when they bridge what protects, and closed by how they were opened', async () => {
    const open = line(end('motor plug'));
    show(<OpenEnds view={viewOf([open])} stage="open-up" />);
    fireEvent.click(button('Close: motor plug'));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'close', target: open.key, how: 'plugged in, latched' }]),
    );
    type('What is open now', 'thermal cut-out');
    fireEvent.click(button('bridged'));
    expect(screen.getByRole('alert').textContent).toContain('Thermal cut-outs and fuses stay');
    expect(button('Keep as open').disabled).toBe(true);
  });
});

describe('putting together', () => {
  const cover = line(parseStep('cover 4 x 8 mm, tray A'));
  const belt = line({ ...parseStep('belt'), after: [cover.key] });

  it('asks for the last first, warns of another order, and counts before it is back', async () => {
    show(<PutBack view={viewOf([cover, belt])} stage="open-up" />);
    expect(screen.getByRole('heading', { name: 'Put back 2: belt' })).toBeTruthy();
    fireEvent.click(button('Do step 1 now'));
    expect(screen.getByText(/shuts in: 2 belt/)).toBeTruthy();
    expect(button('Count what goes back').disabled).toBe(true);
    fireEvent.click(button(/^One fewer/));
    fireEvent.click(button('flush'));
    fireEvent.click(button('It is back'));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    expect((await bodies())[0]).toMatchObject({ kind: 'refit', target: cover.key, returned: [3], flush: true });
  });

  it('keeps a missing screw in sight until it is explained', async () => {
    const back = line({ kind: 'refit', target: cover.key, returned: [3], distances: [], flush: true, renewed: [] });
    show(<Findings view={viewOf([cover, back])} stage="open-up" />);
    expect(screen.getByText(/1 of 4 8 mm, tray A left over/)).toBeTruthy();
    type('Why it may stand', 'thread stripped');
    fireEvent.click(button('Explain'));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'explain', why: 'thread stripped' }));
  });
});

describe('making safe', () => {
  it('lines are said by a tap, the plug and the charge are not', async () => {
    show(<SafeLines view={viewOf([], WASHER)} stage="make-safe" />);
    expect(screen.queryByRole('button', { name: /^Done: Pull the plug/ })).toBeNull();
    expect(screen.queryByRole('button', { name: /^Done: Measure what is left/ })).toBeNull();
    fireEvent.click(button(/^Done: Close the taps/));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'safe', lineId: 'water' }));
  });

  it('the discharge is computed as it is typed, warns of a small resistor, and starts a countdown', async () => {
    show(<DischargeSum view={viewOf([], WASHER)} stage="make-safe" />);
    expect(screen.getByText('22 s to 27 s to 35 V')).toBeTruthy();
    type('Resistor, W', '5');
    expect(screen.getByText(/too small for 10.6 W/)).toBeTruthy();
    expect(button('Resistor is on: count down').disabled).toBe(true);
    type('Resistor, W', '25');
    fireEvent.click(button('Resistor is on: count down'));
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    expect(await bodies()).toMatchObject([{ kind: 'charge' }, { kind: 'timer', timer: 'discharge' }]);
    type('Through, Ω', 'none');
    expect(screen.getByText('Type values above zero.')).toBeTruthy();
  });

  it('starting volts are kept for motors that are brought up slowly, and for no others', async () => {
    show(<StartVolts view={viewOf([], { ...JOB, familyId: 'rim-drive' })} stage="make-safe" />);
    type('Volts', '400');
    expect(button('First start').disabled).toBe(true);
    type('Volts', '150');
    fireEvent.click(button('First start'));
    await waitFor(async () => expect((await bodies())[0]).toMatchObject({ kind: 'start-volts', volts: 150 }));
    cleanup();
    show(<StartVolts view={viewOf([])} stage="make-safe" />);
    expect(screen.queryByText('Starting volts')).toBeNull();
  });
});

describe('usual mends', () => {
  it('open their ends with the first line and close them with the last', async () => {
    show(<Moves view={viewOf([])} stage="mend" kind="mend" />);
    fireEvent.click(button('Begin: Fit a new belt'));
    await waitFor(async () => expect(await bodies()).toHaveLength(2));
    const [move, opened] = await bodies();
    expect(opened).toMatchObject({ kind: 'open-end', usualId: 'belt' });
    cleanup();
    const begun = line(move as EventBody);
    const open = line({ ...(opened as Extract<EventBody, { kind: 'open-end' }>), moveKey: begun.key });
    for (const entry of await allEntries()) await removeEntry(entry.event.key);
    show(<Moves view={viewOf([begun, open])} stage="mend" kind="mend" />);
    fireEvent.click(button('Done, and closed: belt'));
    await waitFor(async () => expect((await bodies()).map((body) => body.kind)).toEqual(['work', 'close', 'move']));
  });

  it('wait for the charge to be gone', () => {
    show(<Moves view={viewOf([], WASHER)} stage="mend" kind="mend" />);
    expect(button('Begin: Replace the motor control board').disabled).toBe(true);
  });
});

describe('what runs by itself', () => {
  const item = (dueAt: string) => ({
    job: JOB,
    next: { stage: 'prove' as const, kind: 'waits' as const, text: 'Soak', until: dueAt },
    power: 'live-isolated' as const,
    speeds: [],
    timers: [{ key: JOB.id, timer: 'soak' as const, label: 'Soak', startedAt: dueAt, dueAt }],
    lineCount: 1,
    lastAt: null,
    movedAt: '2026-01-01T08:00:00.000Z',
  });
  const now = new Date('2026-01-01T00:00:00Z');

  it('stands in the title of the tab', () => {
    expect(titleOf([], now)).toBe('Amber Gauge');
    expect(titleOf([item('2026-01-01T03:12:40.000Z')], now)).toBe('3:12:40 Soak, 0007 · Amber Gauge');
    expect(titleOf([item('2025-12-31T00:00:00.000Z')], now)).toBe('● Soak done, 0007 · Amber Gauge');
  });

  it('is started with its hours, or minutes, or hours and minutes', async () => {
    show(<TimerStart view={viewOf([])} stage="prove" kinds={['soak']} />);
    fireEvent.click(button('Soak'));
    type('How long, as in 20 min or 1:30 h', '1:30 h');
    type('Of what', 'both speeds');
    fireEvent.click(button('Start 90 min'));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'timer', timer: 'soak', label: 'Soak, both speeds', minutes: 90 }]),
    );
  });
});

describe('coming back', () => {
  it('shows where the hands were in one glance and leads there', () => {
    const went: string[] = [];
    const were = {
      stage: 'mend' as const,
      at: '2026-01-01T08:00:00.000Z',
      last: [{ key: 'a', at: '2026-01-01T08:00:00.000Z', text: 'open end: belt, removed' }],
      open: ['belt, removed'],
      timers: [],
    };
    show(
      <Welcome
        view={viewOf([])}
        were={were}
        stage="find"
        onStage={(to) => went.push(to)}
        onSeen={() => went.push('seen')}
      />,
    );
    expect(screen.getByText(/The hands were at Mend/)).toBeTruthy();
    fireEvent.click(button('Go on there'));
    expect(went).toEqual(['seen', 'mend']);
    fireEvent.keyDown(window, { key: 'x' });
    expect(went).toEqual(['seen', 'mend', 'seen']);
  });
});
