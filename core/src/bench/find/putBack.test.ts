/** What is off cannot be tested as if it were on. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath } from '../../families/index.js';
import type { EventBody } from '../event.js';
import { ledgerOf, parseStep } from '../ledger/index.js';
import { putBackFirst } from './putBack.js';
import { logOf } from '../job.test-data.js';

const log = logOf('open-up');

const first = (familyId: string, ...bodies: EventBody[]) =>
  putBackFirst({ familyId }, PATHS.get(familyId) as DrivePath, ledgerOf(log(...bodies)));
const end = (what: string, how: 'removed' | 'unplugged' | 'bridged', usualId: string | null): EventBody => ({
  kind: 'open-end',
  what,
  how,
  usualId,
  stepKey: null,
  moveKey: null,
});

describe('what must go back first', () => {
  it('a belt that is off keeps the platter from being measured, not the motor, not a look at the belt', () => {
    const off = first('belt-turntable-dc', end('belt', 'removed', 'belt'));
    expect(off.get('speed-33')).toEqual(['belt']);
    expect(off.get('wow-rate')).toEqual(['belt']);
    expect(off.has('drive-33')).toBe(false);
    expect(off.has('belt-look')).toBe(false);
    expect(off.has('spin-platter')).toBe(false);
    expect(first('belt-turntable-dc').size).toBe(0);
  });

  it('a board or an earth that is off keeps everything that needs power', () => {
    const path = PATHS.get('washer-front') as DrivePath;
    const off = first('washer-front', end('earth wire', 'unplugged', 'earth'));
    for (const test of path.tests)
      expect(off.has(test.id), test.id).toBe(
        (test.power === 'powered' || test.power === 'running') && !test.opens.includes('earth'),
      );
  });

  it('steps and own words count by the name of the part; covers and bridges take nothing out', () => {
    expect(first('belt-turntable-dc', parseStep('platter')).get('speed-33')).toEqual(['platter']);
    expect(first('belt-turntable-dc', end('the belt', 'removed', null)).get('speed-45')).toEqual(['the belt']);
    expect(first('belt-turntable-dc', parseStep('motor cover 2 x 8 mm')).size).toBe(0);
    expect(first('vacuum-cleaner', end('boost switch', 'bridged', null)).size).toBe(0);
  });
});
