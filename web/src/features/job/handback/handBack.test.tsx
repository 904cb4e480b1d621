/** What leaves with the unit: its safety or the reason why not, what is on the owner's sheet, when it comes again. */
import type { EventBody } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { JOB, line, show, speedRead, viewOf } from '../../../test/scene.js';
import { bodies, stage } from '../find/find.test-data.js';
import { BeforeAfter } from '../parts/BeforeAfter.js';
import { HandBackStage } from '../stages/HandBackStage.js';
import { FollowUps } from './FollowUps.js';
import { OnSheet } from './OnSheet.js';

stage();

const BELT: EventBody = { kind: 'work', action: 'replace', what: 'the belt', blocks: ['belt'], reach: 'mechanics' };
const PLUGGED_OUT: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
const protection: EventBody = { kind: 'protection-class', protection: 'II', cordM: 2 };
const insulation = (value: number): EventBody => ({
  kind: 'safety-reading',
  reading: 'insulation',
  value,
  above: false,
  limit: 1,
  instrument: 'tester',
});
const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const kept = async (count: number) => {
  await waitFor(async () => expect(await bodies()).toHaveLength(count));
  return bodies();
};
const view = (...given: EventBody[]) => viewOf(given.map((body) => line(body)));
const handBack = (...given: EventBody[]) => {
  const went = vi.fn();
  const shown = view(...given);
  show(
    <HandBackStage
      view={shown}
      stage="hand-back"
      prompt={{ text: 'Hand it back', reading: null } as never}
      speedId="33"
      onSpeed={() => undefined}
      onStage={went}
    />,
  );
  return { shown, went };
};

describe('a mains unit that was worked on', () => {
  it('does not go back without its safety read, or a reason, which stands for every reading that is missing', async () => {
    const { shown } = handBack(BELT, PLUGGED_OUT, protection);
    expect(screen.getByText(/^Electrical safety is not shown: looked at, insulation/)).toBeTruthy();
    const key = button(/^Hand back with \d+ owed$/);
    expect(key.disabled).toBe(true);
    type(/write why it goes back without/, '   ');
    expect(key.disabled).toBe(true);
    type(/write why it goes back without/, ' tester is away ');
    type(/^Left undone/, ' one foot ');
    expect(key.disabled).toBe(false);
    fireEvent.click(key);
    // It was worked in: first what is usually unplugged on the way is said to be back in its place.
    expect(await bodies()).toEqual([]);
    for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
    fireEvent.click(button('Nothing left over'));
    await waitFor(async () => expect((await bodies()).at(-1)?.kind).toBe('hand-back'));
    const all = (await bodies()).filter(({ kind }) => kind !== 'gate');
    expect(all.slice(0, -1).map((one) => 'checkId' in one && one.checkId)).toEqual(
      shown.state.proving.checks.filter(({ group }) => group === 'safety').map(({ id }) => id),
    );
    expect(all[0]).toEqual({ kind: 'unproved', checkId: 'safety.look', name: 'Looked at', why: 'tester is away' });
    expect(all[1]).toMatchObject({ checkId: 'safety.insulation', why: 'tester is away' });
    expect(all.at(-1)).toEqual({ kind: 'hand-back', leftUndone: 'one foot' });
  });

  it('says what failed before what was not read', () => {
    handBack(BELT, PLUGGED_OUT, protection, insulation(0.2));
    expect(screen.getByText(/not shown/).textContent).toMatch(
      /^Failed: insulation[^.]*\. It must not be plugged in like this\. Electrical safety is not shown: looked at/,
    );
  });

  it('says how many things are owed, each with the way there', () => {
    const { shown, went } = handBack(BELT, PLUGGED_OUT);
    const others = shown.owed.filter((one) => one.stage !== 'hand-back');
    expect(others.length).toBeGreaterThan(0);
    expect(button(`Hand back with ${others.length} owed`)).toBeTruthy();
    const rows = screen.getAllByText('owed').filter((one) => one.closest('li'));
    expect(rows).toHaveLength(others.length);
    fireEvent.click(screen.getAllByRole('button', { name: 'Go there' }).at(-1) as HTMLElement);
    expect(went).toHaveBeenCalledWith(others.at(-1)?.stage);
  });

  it('handed back it says when, and asks for nothing more', () => {
    handBack(BELT, PLUGGED_OUT, { kind: 'hand-back', leftUndone: '' });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^Handed back \S/);
    expect(screen.queryByRole('button', { name: /^Hand/ })).toBeNull();
    expect(screen.queryByLabelText(/^Left undone/)).toBeNull();
    expect(screen.queryByText(/Electrical safety/)).toBeNull();
  });

  it('its papers are those of this job', () => {
    handBack();
    const papers = screen.getAllByRole('link').map((one) => [one.textContent, one.getAttribute('href')]);
    expect(papers).toEqual([
      ['Look at the sheet', `/job/${JOB.id}/sheet`],
      ['Download PDF', `/api/v1/jobs/${JOB.id}/sheet.pdf`],
      ['Bench sheet', `/job/${JOB.id}/sheet/bench`],
      ['Sticker', `/api/v1/jobs/${JOB.id}/sticker.pdf`],
      ['Whole job as a file', `/api/v1/jobs/${JOB.id}/bundle.json`],
    ]);
  });
});

describe('before and after', () => {
  const cells = (...given: EventBody[]) => {
    show(<BeforeAfter view={view(...given)} />);
    return document.body.textContent.replaceAll('\u202f', ' ');
  };

  it('without work nothing is owed as left; after it what was not read again is', () => {
    expect(cells(speedRead('33', -2.4))).toMatch(/33.*−2\.40.*no work yet.*45.*not measured.*no work yet/);
    expect(document.body.textContent).not.toContain('owed');
  });

  it('the verdict is of what was read after the work', () => {
    // Three tenths of a percent either way: 0.1 is in, 0.9 is not.
    const text = cells(speedRead('33', -2.4), BELT, speedRead('33', 0.1), speedRead('45', 0.9));
    expect(text).toMatch(/33.*−2\.40.*\+0\.10.*right45.*not measured.*\+0\.90.*fast, not right yet$/);
  });
});

describe('on the owner’s sheet', () => {
  const note = (text: string): EventBody => ({ kind: 'note', text });

  it('nothing strays there: a note is chosen, and taken off again', async () => {
    show(<OnSheet view={view(note('feet are hard'), note('smelt warm'))} stage="hand-back" />);
    const [first, second] = screen.getAllByRole('checkbox') as HTMLInputElement[];
    expect([first?.checked, second?.checked]).toEqual([false, false]);
    fireEvent.click(second as HTMLElement);
    const [body] = await kept(1);
    expect(body).toMatchObject({ kind: 'sheet', photos: [], watch: '' });
    expect(body?.kind === 'sheet' ? body.notes : []).toHaveLength(1);
  });

  it('one that was chosen leaves by a second tap, and what the owner should watch stays', async () => {
    const chosen = line(note('feet are hard'));
    const other = line(note('smelt warm'));
    const sheet = line({ kind: 'sheet', photos: [], notes: [chosen.key, other.key], watch: 'the belt' });
    show(<OnSheet view={viewOf([chosen, other, sheet])} stage="hand-back" />);
    fireEvent.click(screen.getAllByRole('checkbox')[0] as HTMLElement);
    expect(await kept(1)).toEqual([{ kind: 'sheet', photos: [], notes: [other.key], watch: 'the belt' }]);
  });

  it('what to watch is kept once it was changed', async () => {
    show(<OnSheet view={view({ kind: 'sheet', photos: [], notes: [], watch: 'the belt' })} stage="hand-back" />);
    expect((screen.getByLabelText('What the owner should watch') as HTMLInputElement).value).toBe('the belt');
    expect(button('On the sheet').disabled).toBe(true);
    type('What the owner should watch', 'the belt ');
    expect(button('On the sheet').disabled).toBe(true);
    type('What the owner should watch', 'the belt in summer');
    fireEvent.click(button('On the sheet'));
    expect(await kept(1)).toMatchObject([{ watch: 'the belt in summer' }]);
    expect(screen.getByText(/^No photos and no notes/)).toBeTruthy();
  });
});

describe('come again', () => {
  const OIL: EventBody = { kind: 'work', action: 'oil', what: 'the bearing', blocks: ['bearing'], reach: 'mechanics' };
  const day = (from: string, days: number) => new Date(Date.parse(from) + days * 86_400_000).toISOString().slice(0, 10);

  it('three weeks on trial and oil in a year are offered, from the day it went back', async () => {
    const back = line({ kind: 'hand-back', leftUndone: '' });
    show(<FollowUps view={viewOf([line(OIL), back])} stage="hand-back" />);
    const rows = within(screen.getByLabelText('Come again')).getAllByRole('listitem');
    expect(rows.map((one) => one.textContent)).toEqual([
      `${day(back.enteredAt, 21)}Ask how it runs: the trial endsPut it down`,
      `${day(back.enteredAt, 365)}Oil again: the bearingPut it down`,
    ]);
    fireEvent.click(within(rows[1] as HTMLElement).getByRole('button'));
    expect(await kept(1)).toEqual([
      { kind: 'follow-up', why: 'oil', what: 'Oil again: the bearing', on: day(back.enteredAt, 365) },
    ]);
  });

  it('one that is down is not offered again; it is seen to or dropped', async () => {
    const down = line({ kind: 'follow-up', why: 'oil', what: 'Oil again: the bearing', on: '2027-01-01' });
    const other = line({ kind: 'follow-up', why: 'look', what: 'hum', on: '2026-06-01' });
    show(<FollowUps view={viewOf([line(OIL), down, other])} stage="hand-back" />);
    expect(screen.getAllByText(/^Oil again: the bearing/)).toHaveLength(1);
    const rowOf = (words: RegExp) => within(screen.getByText(words, { selector: 'span' }).closest('li') as HTMLElement);
    fireEvent.click(rowOf(/^Oil again: /).getByRole('button', { name: 'Drop it' }));
    await kept(1);
    fireEvent.click(rowOf(/^hum/).getByRole('button', { name: 'Seen to' }));
    expect(await kept(2)).toEqual([
      { kind: 'follow-up-done', target: down.key, how: 'dropped', words: '' },
      { kind: 'follow-up-done', target: other.key, how: 'done', words: '' },
    ]);
  });

  it('any other takes a day and words', async () => {
    show(<FollowUps view={viewOf([])} stage="hand-back" />);
    expect(screen.queryAllByRole('listitem')).toEqual([]);
    type('What', ' listen to it ');
    expect(button('Put it down').disabled).toBe(true);
    type('On', '2026-05-04');
    fireEvent.click(button('Put it down'));
    expect(await kept(1)).toEqual([{ kind: 'follow-up', why: 'look', what: 'listen to it', on: '2026-05-04' }]);
    expect((screen.getByLabelText('What') as HTMLInputElement).value).toBe('');
  });
});
