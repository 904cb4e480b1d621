import { type MendOption, type Offer } from '@amber-gauge/core/bench';
import { mendOf } from '@amber-gauge/core/families';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { JOB, line, show, viewOf } from '../../../test/scene.js';
import { answered, bodies, findOf, path, stage } from '../find/find.test-data.js';
import { FindContext } from '../find/findContext.js';
import { Chosen } from './Chosen.js';
import { Decision } from './Decision.js';
import { OptionRow } from './OptionRow.js';
import type { MendParts } from './useMendParts.js';

stage();

const none: Offer = { money: 0, days: 0, from: 'none', priced: true, lot: null };
/** Parts as they are offered; what is set aside and given back is kept by name. */
function partsOf(offer: MendParts['offer'] = () => none) {
  const moved: string[] = [];
  const moves = (what: string) => (repairs: readonly { readonly id: string }[]) => {
    if (repairs.length > 0) moved.push(`${what} ${repairs.map(({ id }) => id).join(' ')}`);
  };
  const parts: MendParts = {
    offer,
    aside: () => [],
    setAside: moves('aside'),
    giveBack: moves('back'),
    buildIn: moves('in'),
    problem: null,
  };
  return { parts, moved };
}
const cells = (row: Element) => [...row.querySelectorAll('td')].map((cell) => cell.textContent?.replace(/\s/gu, ' '));

describe('a mend in its row', () => {
  const option: MendOption = {
    id: 'belt',
    also: [],
    name: 'Renew the belt',
    members: ['Renew the belt'],
    way: 'mend' as MendOption['way'],
    guessed: false,
    chance: 0.834,
    minutes: 12.4,
    waitMin: 90,
    partsDays: 3,
    partsFrom: 'ordered',
    partsMoney: 14,
    priced: false,
    money: 26.4,
    expectedCost: 31.6,
    leaves: null,
    loses: null,
    risks: null,
    school: null,
    forbidden: null,
    overCeiling: false,
    late: false,
  };
  const rowOf = (more: Partial<MendOption>, best = true, chosen = false) => {
    const money = (amount: number) => `€ ${amount.toFixed(0)}`;
    const { container } = show(
      <table>
        <tbody>
          <OptionRow
            view={viewOf([])}
            stage="mend"
            one={{ ...option, ...more }}
            best={best}
            chosen={chosen}
            money={money}
            onChoose={() => undefined}
          />
        </tbody>
      </table>,
    );
    const row = container.querySelector('tr') as Element;
    const told = { cells: cells(row), head: row.querySelector('th')?.textContent ?? '', best: row.className !== '' };
    const key = row.querySelector('td:last-child button') as HTMLButtonElement;
    return { ...told, key: key.disabled };
  };

  it('says its chance, hands, parts and what it costs until the unit works', () => {
    expect(rowOf({}).cells).toEqual([
      '83 %',
      '12 min+ 90 min of waiting',
      '€ 14about, 3 days on the way',
      '€ 32',
      'Choose',
    ]);
    expect(rowOf({ waitMin: 0, priced: true, partsDays: 1, partsFrom: 'usual' }).cells.slice(1, 3)).toEqual([
      '12 min',
      '€ 141 day usually',
    ]);
    expect(rowOf({ priced: true, partsFrom: 'shelf', partsDays: 0 }).cells[2]).toBe('€ 14on the shelf');
    expect(rowOf({ partsMoney: 0, partsFrom: 'none', partsDays: 0 }).cells[2]).toBe('none');
    expect(rowOf({ partsMoney: 0, partsFrom: 'usual' }).cells[2]).toBe('none');
    expect(rowOf({ partsMoney: 0, partsFrom: 'asked', partsDays: 2 }).cells[2]).toBe('none2 days asked');
  });

  it('says what goes with it and why not yet; what is forbidden or chosen cannot be chosen', () => {
    const { head, key } = rowOf({
      loses: 'the original motor',
      leaves: 'set the trims',
      risks: 'brittle plastic',
      overCeiling: true,
      late: true,
    });
    for (const words of [
      'Gone with it: the original motor. Ask the owner.',
      'then: set the trims',
      'mind: brittle plastic',
      'over the ceiling',
      'not ready by the day it is wanted',
    ])
      expect(head).toContain(words);
    expect(key).toBe(false);
    expect(rowOf({ forbidden: 'The short is still there.' })).toMatchObject({
      key: true,
      head: expect.stringContaining('Not yet. The short is still there.') as string,
    });
    expect(rowOf({}, false, true)).toMatchObject({ key: true, best: false });
    expect(rowOf({}).best).toBe(true);
  });
});

describe('the decision', () => {
  const { view, find } = findOf(answered('belt-look', 'off'));
  const shown = (parts: MendParts, of = view) =>
    show(
      <FindContext.Provider value={find}>
        <Decision view={of} stage="mend" parts={parts} />
      </FindContext.Provider>,
    );

  it('a belt seen off leads; chosen, it is kept with its figures, its reason and what stood beside it', async () => {
    const { parts, moved } = partsOf();
    const { container } = shown(parts);
    const rows = [...container.querySelectorAll('tbody tr')];
    const [first] = rows as [Element];
    const name = find.answer.advice.mends[0]?.repair.name ?? '';
    expect(name).toMatch(/belt/i);
    expect(first.textContent).toContain(name);
    const told = cells(first);
    fireEvent.change(screen.getByRole('textbox', { name: /Why this one/ }), { target: { value: ' seen off ' } });
    fireEvent.click(first.querySelector('td:last-child button') as HTMLButtonElement);
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [body] = await bodies();
    expect(body).toMatchObject({
      kind: 'decision',
      optionId: find.answer.advice.mends[0]?.repair.id,
      reason: 'seen off',
    });
    const { chance, minutes, beside } = body as unknown as { chance: number; minutes: number; beside: string };
    expect(told[0]).toBe(`${Math.round(100 * chance)} %`);
    expect(told[1]?.startsWith(`${Math.round(minutes)} min`)).toBe(true);
    // The best that is no part of it.
    const members = [...first.querySelectorAll('th span')].map((one) => one.textContent ?? '');
    const other = rows.find((row) => !members.some((one) => row.querySelector('th')?.textContent?.includes(one)));
    expect(other?.textContent).toContain(beside);
    // All of what is done in one go is set aside.
    const { optionId, also = [] } = body as unknown as { optionId: string; also?: string[] };
    expect(moved).toEqual([`aside ${[optionId, ...also].join(' ')}`]);
  });

  it('six stand in sight, the rest behind one key; nothing is listed while it is reckoned', () => {
    const { container } = shown(partsOf().parts);
    // Those in sight and that it goes back as it is.
    expect(container.querySelectorAll('tbody tr')).toHaveLength(7);
    const all = screen.getByRole('button', { name: /^All \d+$/ });
    const count = Number(/\d+/.exec(all.textContent ?? '')?.[0]);
    fireEvent.click(all);
    expect(container.querySelectorAll('tbody tr')).toHaveLength(count + 1);
    fireEvent.click(screen.getByRole('button', { name: 'Fewer' }));
    expect(container.querySelectorAll('tbody tr')).toHaveLength(7);
  });

  it('waits for the answer', () => {
    const { container } = show(
      <FindContext.Provider value={{ ...find, answer: null as never }}>
        <Decision view={view} stage="mend" parts={partsOf().parts} />
      </FindContext.Provider>,
    );
    expect(container.textContent).toContain('Reckoning what may cure it.');
    expect(container.querySelector('table')).toBeNull();
  });
});

describe('the chosen mend', () => {
  const repair = mendOf(path, 'other-disc') ?? path.repairs[0];
  if (!repair) throw new Error('no repair');
  const chosen = line(
    {
      kind: 'decision',
      optionId: repair.id,
      name: repair.name,
      beside: 'Renew the motor',
      chance: 0.62,
      minutes: 11.7,
      money: 24,
      reason: 'the owner agrees',
    } as never,
    'mend',
  );
  const { find } = findOf();
  const shownWith = (parts: MendParts, ...more: ReturnType<typeof line>[]) =>
    show(
      <FindContext.Provider value={find}>
        <Chosen view={viewOf([chosen, ...more])} stage="mend" parts={parts} />
      </FindContext.Provider>,
    );

  it('says what it was chosen for, and done it is a work and a mend of the log', async () => {
    vi.stubGlobal('Worker', class {});
    const { parts, moved } = partsOf();
    const off = line({ kind: 'power', state: 'unplugged-discharged', conditions: [] });
    const { container } = shownWith(parts, off);
    const text = container.textContent?.replace(/\s+/gu, ' ') ?? '';
    expect(text).toContain('Chosen: cures it with 62 %, 12 min,');
    expect(text).toContain('24');
    expect(text).toContain('the owner agrees');
    expect(text).toContain('Beside it stood: Renew the motor');
    fireEvent.click(screen.getByRole('button', { name: `Done: ${repair.name}` }));
    await waitFor(async () => expect((await bodies()).map(({ kind }) => kind)).toEqual(['work', 'mended']));
    expect((await bodies())[1]).toMatchObject({ repairId: repair.id, name: repair.name });
    expect(moved).toEqual([`in ${repair.id}`]);
  });

  it('is nothing where nothing was chosen', () => {
    const { container } = show(<Chosen view={viewOf([], JOB)} stage="mend" parts={partsOf().parts} />);
    expect(container.textContent).toBe('');
  });
});
