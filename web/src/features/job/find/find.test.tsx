import type { EventBody } from '@amber-gauge/core/bench';
import { EMPTY_SHEET, pathOrder, PATHS } from '@amber-gauge/core/families';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { SuspicionShape } from '../../../shared/shapes/SuspicionShape.js';
import { JOB, show } from '../../../test/scene.js';
import { answered, bodies, findOf, path, stage } from './find.test-data.js';
import { endText, readEnd } from '@amber-gauge/core/bench';
import { FitModel, SheetDialog } from './FitModel.js';
import { FunctionGrid, gridOf } from './FunctionGrid.js';
import { PathFind } from './PathFind.js';
import { PathList } from './PathList.js';
import { RAIL_X, railsOf } from './rails.js';
import { foundBlocks, suspicionOf } from '@amber-gauge/core/bench';
import { changeWords, percent } from './useFind.js';

stage();

describe('the path as one list', () => {
  const showPath = (...given: EventBody[]) => {
    const { view, find } = findOf(...given);
    show(<PathFind view={view} stage="find" speedId="33" find={find} onStage={() => {}} />);
    return within(screen.getByLabelText('Drive path'));
  };
  const rowOf = (name: RegExp) => screen.getByRole('button', { name });

  it('reads from plug to turning part, lane after lane, every block once', () => {
    const list = showPath();
    const names = list.getAllByRole('button').map((one) => one.textContent.replace(/\d+ %$|under.*$/, ''));
    expect(names).toEqual(pathOrder(path).map((one) => one.name));
    expect(names.indexOf('motor')).toBeLessThan(names.indexOf('belt'));
  });

  it('shows the chance on the row, and opens it in place to evidence, checks and mends, without bits', () => {
    showPath(answered('speed-33', 'slow'), answered('belt-look', 'slack-or-shiny'));
    const row = rowOf(/^belt, found/);
    expect(row.textContent).toMatch(/\d+ %$/);
    fireEvent.click(row);
    expect(screen.getByLabelText('Evidence on belt').textContent).toMatch(/for: /);
    expect(screen.getByLabelText('Mends of belt').textContent).toContain('Fit a new belt');
    expect(screen.getByLabelText('Mends of belt').textContent).toMatch(/12\u202fEUR/);
    expect(document.body.textContent).not.toMatch(/\bbits?\b/);
  });

  it('puts the last value where its signal passes, with its verdict, and a mark where the next test looks', () => {
    const volts: EventBody = {
      kind: 'answer',
      testId: 'supply-volts',
      name: 'Supply',
      outcome: null,
      words: '',
      value: 9.4,
      unit: 'V',
    };
    const list = showPath(answered('speed-33', 'slow'), volts);
    const value = list.getByText(/9\.4.V/).closest('li');
    expect(value?.textContent).toMatch(/low/);
    const items = list.getAllByRole('listitem');
    const regulator = items.findIndex((one) => one.id === 'block-regulator');
    expect(items[regulator + 1]?.textContent).toMatch(/9\.4.V/);
  });

  it('folds neighbours that are cleared into one with a count, and unfolds them on a tap', () => {
    const cleared = new Set(['plug', 'transformer', 'rectifier']);
    const blocks = new Map(
      path.blocks.map(({ id }) => [
        id,
        cleared.has(id)
          ? { share: 0.001, suspicion: 'cleared' as const }
          : { share: 0.2, suspicion: 'suspect-2' as const },
      ]),
    );
    show(
      <PathList
        path={path}
        blocks={blocks}
        between={new Map()}
        asked={new Set()}
        askedSignal={null}
        opened={null}
        onOpen={() => {}}
        inside={() => null}
      />,
    );
    const list = within(screen.getByLabelText('Drive path'));
    expect(list.getAllByRole('button')).toHaveLength(path.blocks.length - 2);
    fireEvent.click(list.getByRole('button', { name: /^3 cleared: / }));
    expect(list.getAllByRole('button')).toHaveLength(path.blocks.length);
  });

  it('are ruled out and pinned by hand, and the record says by hand', async () => {
    showPath(answered('speed-33', 'slow'));
    fireEvent.click(rowOf(/^belt,/));
    fireEvent.click(screen.getByRole('button', { name: 'I know it is not this' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'suspect', block: 'belt', name: 'belt', verdict: 'ruled-out' }]),
    );
  });

  it('asks any check of a row next, and any test of why not another', () => {
    showPath(answered('speed-33', 'slow'));
    fireEvent.click(rowOf(/^belt,/));
    fireEvent.click(within(screen.getByLabelText('Checks of belt')).getByRole('button', { name: 'Look at the belt' }));
    expect(screen.getByLabelText('Next test').textContent).toMatch(/^Look at the belt/);
    fireEvent.click(screen.getByRole('button', { name: 'Why not another test?' }));
    const others = within(screen.getByLabelText('Tests that would follow'));
    fireEvent.click(others.getByRole('button', { name: 'Rumble' }));
    expect(screen.getByLabelText('Next test').textContent).toMatch(/^Rumble/);
  });

  it('keeps a finding that no path knows, as by hand', async () => {
    showPath();
    const field = screen.getByLabelText('Found something else, not in this path');
    fireEvent.change(field, { target: { value: 'a mouse nest on the flywheel' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the finding' }));
    await waitFor(async () =>
      expect(await bodies()).toEqual([
        { kind: 'suspect', block: '', name: 'a mouse nest on the flywheel', verdict: 'outside' },
      ]),
    );
  });
});

describe('rails', () => {
  it('run straight in their lane, turn square to the next, and lead the feedback back up', () => {
    const rails = railsOf(['supply', 'supply', 'control', 'mechanical', 'feedback'], 2);
    expect(rails.map((one) => one.rails.map((rail) => `${rail.lane} ${rail.from}-${rail.to}`).join())).toEqual([
      'supply middle-bottom',
      'supply top-bottom',
      'control top-bottom',
      'mechanical top-middle',
      '',
    ]);
    expect(rails.map((one) => one.turn && [one.turn.fromX, one.turn.toX])).toEqual([
      null,
      [RAIL_X.supply, RAIL_X.control],
      [RAIL_X.control, RAIL_X.mechanical],
      null,
      null,
    ]);
    expect(rails.map((one) => one.feedback)).toEqual(['none', 'none', 'arrives', 'passes', 'leaves']);
  });
});

describe('suspicion', () => {
  const of = (block: string, ...given: EventBody[]) => {
    const { view, find } = findOf(...given);
    const suspect = find.answer.suspects.find((one) => one.block === block);
    if (!suspect) throw new Error('no such block');
    return suspicionOf(
      suspect,
      foundBlocks(
        path,
        view.lines.map((one) => one.event),
      ),
    );
  };

  it('is not judged before anything bears on it, found only after a direct look', () => {
    expect(of('belt')).toBe('not-judged');
    expect(of('belt', answered('speed-33', 'slow'))).toMatch(/^suspect/);
    expect(of('belt', answered('belt-look', 'slack-or-shiny'))).toBe('found');
    expect(of('plug', answered('lamp', 'lit'), answered('speed-33', 'slow'), answered('cord', 'through'))).toBe(
      'cleared',
    );
  });

  it('goes with work: what was found before a mend is not found after it', () => {
    const mended: EventBody = { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' };
    expect(of('belt', answered('belt-look', 'slack-or-shiny'), mended)).not.toBe('found');
  });

  it('each has a shape of its own', () => {
    const drawn = (['not-judged', 'suspect-1', 'suspect-2', 'suspect-4', 'found', 'cleared'] as const).map((one) => {
      const { container, unmount } = show(<SuspicionShape suspicion={one} />);
      const html = container.innerHTML;
      unmount();
      return html;
    });
    expect(new Set(drawn).size).toBe(drawn.length);
  });
});

describe('words', () => {
  it('say what moved most, and never nought or a hundred for what is only likely', () => {
    const before = findOf(answered('speed-33', 'slow')).find.answer;
    const after = findOf(answered('speed-33', 'slow'), answered('belt-look', 'slack-or-shiny')).find.answer;
    expect(changeWords(before, after)).toMatch(/^belt \d+ to (over )?\d+ %$/);
    expect(changeWords(after, after)).toBeNull();
    expect(changeWords(null, after)).toBeNull();
    expect(percent(0.999)).toBe('over 99');
    expect(percent(0.001)).toBe('under 1');
    expect(percent(0.314)).toBe('31');
  });
});

describe('what works, and when', () => {
  it('is filled from the log, function by condition, and is itself an input', async () => {
    const { view, find } = findOf(answered('speed-33', 'slow'));
    const row = gridOf(find).find((one) => one.name === 'platter speed');
    expect(row?.cells.map((cell) => cell.seen)).toEqual(['slow', null, null]);
    show(<FunctionGrid view={view} stage="find" find={find} />);
    fireEvent.click(screen.getByRole('button', { name: 'What works, and when' }));
    fireEvent.click(screen.getByRole('button', { name: 'Platter at 45: not looked at' }));
    fireEvent.click(screen.getByRole('menuitem', { name: 'right' }));
    await waitFor(async () =>
      expect((await bodies())[0]).toMatchObject({ kind: 'answer', testId: 'speed-45', outcome: 'right' }),
    );
  });
});

describe('the sheet of a model', () => {
  it('takes parts out and refuses what cannot be, nothing lost', () => {
    const kept = { model: 'Made Up', version: 1, sheet: EMPTY_SHEET };
    show(<SheetDialog familyId={JOB.familyId} model="Made Up" path={path} kept={kept} onDone={() => {}} />);
    fireEvent.click(screen.getByRole('button', { name: 'auto-return' }));
    const keep = () => screen.getByRole('button', { name: 'Keep the sheet' }) as HTMLButtonElement;
    expect(keep().disabled).toBe(false);
    const from = screen.getAllByLabelText('from, V')[1] as HTMLInputElement;
    fireEvent.change(from, { target: { value: '99' } });
    expect(screen.getByRole('alert').textContent).toContain('is not under');
    expect(keep().disabled).toBe(true);
    expect(from.value).toBe('99');
    fireEvent.click(screen.getByRole('button', { name: 'As the family has it' }));
    expect((screen.getAllByLabelText('from, V')[1] as HTMLInputElement).value).not.toBe('99');
    expect(keep().disabled).toBe(false);
  });

  it('a variant of the family takes out the parts that it has not, and another brings them back', () => {
    const mixer = PATHS.get('stand-mixer');
    if (!mixer) throw new Error('no path');
    const kept = { model: 'Made Up', version: 0, sheet: EMPTY_SHEET };
    show(<SheetDialog familyId="stand-mixer" model="Made Up" path={mixer} kept={kept} onDone={() => {}} />);
    const pressed = (name: string) => screen.getByRole('button', { name }).getAttribute('aria-pressed');
    fireEvent.click(screen.getByRole('button', { name: 'governor and control plate' }));
    expect([pressed('triac board'), pressed('pickup coil'), pressed('governor and plate')]).toEqual([
      'true',
      'true',
      'false',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'electronic control with a pickup' }));
    expect([pressed('triac board'), pressed('governor and plate')]).toEqual(['false', 'true']);
    expect(pressed('electronic control with a pickup')).toBe('true');
    expect(pressed('governor and control plate')).toBe('false');
  });

  it('reads ends as numbers, open, or so many times another reading', () => {
    expect(readEnd(path, '8,5')).toBe(8.5);
    expect(readEnd(path, ' ')).toBeNull();
    expect(readEnd(path, '0.85 x reservoir')).toEqual({ of: 'raw', times: 0.85 });
    expect(readEnd(path, '0.85 x moon')).toBeUndefined();
    expect(readEnd(path, 'much')).toBeUndefined();
    expect(endText(path, { of: 'raw', times: 0.85 })).toBe('0.85 x reservoir');
    expect(endText(path, null)).toBe('');
  });

  it('is asked for only where make or model is known', () => {
    const { view, find } = findOf();
    show(<FitModel view={{ ...view, job: { ...JOB, make: '', model: '' } }} find={find} />);
    expect(screen.getByText(/Name make and model/)).toBeTruthy();
  });
});

describe('the whole of it', () => {
  it('leads to the mend at any time, with what it costs to be wrong', () => {
    const { view, find } = findOf(answered('speed-33', 'slow'));
    const went: string[] = [];
    show(<PathFind view={view} stage="find" speedId="33" find={find} onStage={(to) => went.push(to)} />);
    expect(screen.getByText(/Wrong, \d+.%, costs about \d+ min/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Enough, go to mend' }));
    expect(went).toEqual(['mend']);
  });

  it('what was seen at the part itself is mended before anything else is asked', () => {
    const { view, find } = findOf(
      answered('lamp', 'lit'),
      answered('speed-33', 'slow'),
      answered('speed-45', 'slow'),
      answered('belt-look', 'slack-or-shiny'),
    );
    show(<PathFind view={view} stage="find" speedId="33" find={find} onStage={() => {}} />);
    const mend = screen.getByText(/It was seen at the part itself/);
    expect(mend.textContent).toMatch(/^Fit a new belt: cures it with 9\d/);
    expect(screen.queryByText('Nothing more to test')).toBeNull();
    expect(screen.getByRole('button', { name: 'Go to mend' })).toBeTruthy();
  });

  it('says why power stays off and what lifts it, above the test; without a ban it says nothing of it', () => {
    const jammed = findOf(answered('lamp', 'lit'), answered('spin-pulley', 'will-not-turn'));
    show(<PathFind view={jammed.view} stage="find" speedId="33" find={jammed.find} onStage={() => {}} />);
    const bans = screen.getByRole('region', { name: 'No power' });
    expect(bans.textContent).toContain('No power yet: A motor that cannot turn burns itself');
    expect(bans.textContent).toContain('first turn it by hand, dead: it must be free.');
    cleanup();
    const slow = findOf(answered('lamp', 'lit'), answered('speed-33', 'slow'));
    show(<PathFind view={slow.view} stage="find" speedId="33" find={slow.find} onStage={() => {}} />);
    expect(screen.queryByRole('region', { name: 'No power' })).toBeNull();
  });
});
