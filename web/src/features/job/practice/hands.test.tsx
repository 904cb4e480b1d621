/** The practice bench's clip lead: a line when it goes on, one when it comes off, none while it is live. */
import { practiceVisit, type Visit } from '@amber-gauge/core/training';
import type { EventBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { Hands } from './Hands.js';

stage();

const CLEANER = {
  ...JOB,
  familyId: 'vacuum-cleaner',
  practice: { machine: 'vacuum', faults: ['boost-low'], seed: 3, lesson: null },
};
const put = (...told: EventBody[]) => {
  const events = told.map((body) => line(body));
  const view = viewOf(events, CLEANER);
  show(<Hands view={view} stage="find" visit={practiceVisit(CLEANER, events) as Visit} />);
};
const key = (name: string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const hand = (on: boolean): EventBody => ({ kind: 'practice-hand', hand: 'boost', name: 'boost switch bridged', on });

describe('a clip lead on the practice bench', () => {
  it('goes on and comes off again', async () => {
    put();
    expect(key('boost switch bridged').getAttribute('aria-pressed')).toBe('false');
    fireEvent.click(key('boost switch bridged'));
    await waitFor(async () => expect(await bodies()).toEqual([hand(true)]));
    cleanup();
    put(hand(true));
    expect(key('boost switch bridged').getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(key('boost switch bridged'));
    await waitFor(async () => expect((await bodies()).at(-1)).toEqual(hand(false)));
  });

  it('is not put on or taken off while the unit is live', () => {
    put({ kind: 'power', state: 'live-direct', conditions: [] });
    expect(key('boost switch bridged').disabled).toBe(true);
    expect(key('pole of the switch bridged').title).toBe('Unplug first');
  });
});
