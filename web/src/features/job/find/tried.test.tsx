/** Trials at a part: kept as a line, and counted like a reading. */
import { trialsAt, type EventBody } from '@amber-gauge/core/bench';
import { PATHS, type DrivePath } from '@amber-gauge/core/families';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '../../../test/scene.js';
import { answered, bodies, findOf, path, stage } from './find.test-data.js';
import { PathFind } from './PathFind.js';

stage();

describe('what is tried at a part', () => {
  it('is kept as a line and moves the suspects like a reading', async () => {
    const complaint = [answered('lamp', 'lit'), answered('speed-33', 'still'), answered('speed-45', 'still')] as const;
    const { view, find } = findOf(...complaint);
    show(<PathFind view={view} stage="find" speedId="33" find={find} onStage={() => {}} />);
    fireEvent.click(screen.getByRole('button', { name: /^governor/ }));
    fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Tried here' }));
    fireEvent.click(screen.getByRole('option', { name: 'swapped with a known good one' }));
    fireEvent.click(screen.getByRole('button', { name: 'cured it' }));
    await waitFor(async () =>
      expect((await bodies())[0]).toEqual({
        kind: 'tried',
        block: 'governor',
        name: 'governor',
        trial: 'swapped',
        result: 'cured',
        amps: null,
      }),
    );
    const body = (await bodies())[0] as EventBody;
    const share = (of: typeof find) => of.answer.suspects.find((one) => one.block === 'governor')?.share ?? 0;
    const after = findOf(...complaint, body).find;
    expect(share(find)).toBeLessThan(0.4);
    expect(share(after)).toBeGreaterThan(0.7);
    expect([...after.evidence.words.values()]).toContain('tried: governor swapped with a known good one: cured it');
  });

  it('what turns by itself is fed direct; a lock, a fuse and an interlock are never bridged', () => {
    expect(trialsAt('belt-turntable-dc', path, 'motor')).toContain('fed-direct');
    expect(trialsAt('belt-turntable-dc', path, 'trims')).not.toContain('fed-direct');
    const never = {
      'washer-front': ['plug', 'door', 'pressure', 'bus'],
      'cordless-brushless': ['interlock', 'contact'],
      'vacuum-cleaner': ['switch'],
    };
    for (const [family, blocks] of Object.entries(never))
      for (const block of blocks) {
        const trials = trialsAt(family, PATHS.get(family) as DrivePath, block);
        expect(trials, block).not.toContain('bridged');
        expect(trials, block).toContain('swapped');
      }
    expect(trialsAt('vacuum-cleaner', PATHS.get('vacuum-cleaner') as DrivePath, 'board')).toContain('bridged');
    // A contact is bridged; a bridge of switches, a belt and a regulator that would then feed raw volts are not.
    expect(trialsAt('belt-turntable-dc', path, 'return')).toContain('bridged');
    expect(trialsAt('belt-turntable-dc', path, 'belt')).not.toContain('bridged');
    expect(trialsAt('washer-front', PATHS.get('washer-front') as DrivePath, 'inverter')).not.toContain('bridged');
    for (const block of ['transformer', 'rectifier', 'regulator'])
      expect(trialsAt('belt-turntable-dc', path, block), block).not.toContain('bridged');
  });
});
