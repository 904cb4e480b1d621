/** Starting volts: torque of an induction motor as the square of the volts, of a permanent-magnet one as the volts (standards). */
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { StartVolts } from './StartVolts.js';

stage();

const DECK = { ...JOB, familyId: 'belt-turntable-ac', ratedVolts: 230 };
const start = (volts: number, at: 'first' | 'later' = 'first') => line({ kind: 'start-volts', volts, start: at });
const button = (name: string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (value: string) => fireEvent.change(screen.getByRole('textbox', { name: 'Volts' }), { target: { value } });

describe('starting volts', () => {
  it('a first and a later start are kept apart; more than a fifth over the plate is no starting volts', async () => {
    show(<StartVolts view={viewOf([], DECK)} stage="make-safe" />);
    for (const wrong of ['0', '-5', '277', 'many']) {
      type(wrong);
      expect(button('First start').disabled, wrong).toBe(true);
      expect(screen.getByText('Between 0 and 276 V')).toBeTruthy();
    }
    type('115');
    fireEvent.click(button('First start'));
    type('92,5');
    fireEvent.click(button('Later start'));
    await waitFor(async () =>
      expect(await bodies()).toEqual([
        { kind: 'start-volts', volts: 115, start: 'first' },
        { kind: 'start-volts', volts: 92.5, start: 'later' },
      ]),
    );
  });

  it.each([
    ['rim-drive', /square of the volts/, '25 %', '4 %'],
    ['belt-turntable-ac', /Torque goes with the volts/, '50 %', '20 %'],
  ])('%s: half the volts before the oil, a fifth of them after it', (familyId, law, before, after) => {
    const events = [start(115), line({ kind: 'work', action: 'oil', what: 'the motor' }), start(46, 'later')];
    show(<StartVolts view={viewOf(events, { ...DECK, familyId })} stage="make-safe" />);
    expect(screen.getByText(law)).toBeTruthy();
    const cells = screen.getAllByRole('cell').map((cell) => cell.textContent);
    expect(cells.slice(0, 5)).toEqual(['before', 'first', '115 V', '50 %', before]);
    expect(cells.slice(6, 11)).toEqual(['after', 'later', '46 V', '20 %', after]);
  });

  it('without a plate the volts stand alone; what runs on a pack has none', () => {
    show(<StartVolts view={viewOf([start(100)], { ...DECK, ratedVolts: null })} stage="make-safe" />);
    expect(screen.getAllByRole('row')[1]?.textContent).toBe('beforefirst100 Vplate not read');
    const pack = show(<StartVolts view={viewOf([], { ...DECK, powerKind: 'pack' })} stage="make-safe" />);
    expect(pack.container.textContent).toBe('');
  });
});
