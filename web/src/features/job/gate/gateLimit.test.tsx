/** What limits the current before power: told only when it is a limit, its sum by hand. */
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/scene.js';
import { GateLimit } from './GateLimit.js';

const open = (pack = false, volts = 230) => {
  const told = vi.fn();
  function Held() {
    const [limit, setLimit] = useState<Parameters<typeof told>[0]>(null);
    return (
      <GateLimit
        limit={limit}
        volts={volts}
        usualWatts={46}
        pack={pack}
        onLimit={(next) => {
          told(next);
          setLimit(next);
        }}
      />
    );
  }
  show(<Held />);
  return told;
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const type = (name: string, value: string) => fireEvent.change(screen.getByLabelText(name), { target: { value } });
const sum = () => screen.queryByText(/^At \d+ V the unit takes/)?.textContent.replaceAll('\u202f', ' ') ?? null;

describe('the limit before power', () => {
  it('is proposed for the plate: 46 W of 230 V are 0.2 A', () => {
    const told = open();
    expect(sum()).toBeNull();
    press('Fuse');
    const proposed = Number((screen.getByLabelText('Amperes') as HTMLInputElement).value);
    expect(proposed).toBeGreaterThan(0.2);
    expect(told).toHaveBeenLastCalledWith({ kind: 'fuse', value: proposed, unitWatts: 46 });
    expect(sum()).toMatch(/^At 230 V the unit takes about (0\.20? A|200 mA); this lets /);
  });

  it.each([
    ['Amperes', '0'],
    ['Amperes', '-1'],
    ['Amperes', ''],
    ['Amperes', 'thick wire'],
    ['Unit’s plate, W', '0'],
    ['Unit’s plate, W', ''],
    ['Unit’s plate, W', '-5'],
  ])('%s of “%s” is no limit', (field, value) => {
    const told = open();
    press('Fuse');
    type(field, value);
    expect(told).toHaveBeenLastCalledWith(null);
    expect(sum()).toBeNull();
  });

  it('another plate makes another sum; one that would not let it start is marked', () => {
    const told = open();
    press('Current limit');
    type('Amperes', '0,5');
    type('Unit’s plate, W', '460');
    expect(told).toHaveBeenLastCalledWith({ kind: 'current', value: 0.5, unitWatts: 460 });
    // 460 W are 2 A.
    expect(sum()).toMatch(/^At 230 V the unit takes about 2(\.0+)? A; this lets (0\.50? A|500 mA)\s+through: /);
    expect(screen.getByText(/^At 230 V/).className).toBe('danger');
    type('Unit’s plate, W', '23');
    expect(screen.getByText(/^At 230 V/).className).toBe('quiet');
  });

  it('a lamp limits and does not isolate; a pack has no lamp, and minds the arc of a fuse', () => {
    open();
    press('Lamp in series');
    expect(screen.getByLabelText('Lamp, W')).toBeTruthy();
    expect(screen.getByText(/A lamp limits, it does not isolate\.$/)).toBeTruthy();
    cleanup();
    open(true, 18);
    expect(screen.queryByRole('button', { name: 'Lamp in series' })).toBeNull();
    press('Fuse');
    expect(screen.getByText(/a 32 V blade fuse arcs on at 56 V/)).toBeTruthy();
    // 46 W of 18 V are 2.56 A.
    expect(sum()).toMatch(/^At 18 V the unit takes about 2\.[56]/);
  });
});
