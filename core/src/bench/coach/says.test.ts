/** What the coach says for each advice, word for word, as one would want to hear it at the screw. */
import { describe, expect, it } from 'vitest';
import { coach, type CoachAdvice, type CoachLine, type CoachState, type CoachTask } from '../../drive/index.js';
import { clockOf, coachSays, speedStands, trimDoes, turnsOfClock, turnWords, wantsHand } from './index.js';
import told from './turnWords.json' with { type: 'json' };

const plain = (text: string) => text.replaceAll('\u202f', ' ');

const task = (more: Partial<CoachTask> = {}, trim: Partial<CoachTask['trims'][number]> = {}): CoachTask => ({
  watched: 'typed',
  speeds: ['33', '45'].map((id) => ({ id, label: `${id} rpm`, lowerPercent: -0.3, upperPercent: 0.3 })),
  trims: ['33', '45'].map((id) => ({
    id: `t${id}`,
    name: `${id} trim`,
    serves: [id],
    faster: null,
    travelTurns: null,
    stoodTurns: null,
    ...trim,
  })),
  ...more,
});
const says = (advice: CoachAdvice, own = task(), course: readonly CoachLine[] = []) => {
  const state: CoachState = { ...coach(own, course), advice };
  const { prompt, why } = coachSays(own, state);
  return { prompt: plain(prompt), why: plain(why) };
};
const turn = (more: Partial<Extract<CoachAdvice, { kind: 'turn' }>> = {}): CoachAdvice => ({
  kind: 'turn',
  trimId: 't33',
  turns: 0.25,
  watchSpeedId: '33',
  untilPercent: 0,
  turnsBack: false,
  ...more,
});

describe('the coach says', () => {
  it('measure: the selector where it is heard, a measurement where it is typed; first once each, then after the move', () => {
    const first: CoachAdvice = { kind: 'measure', speedId: '45', why: 'first' };
    expect(says(first)).toEqual({
      prompt: 'Measure 45 rpm',
      why: 'Every speed is read once before a screw is touched.',
    });
    expect(says(first, task({ watched: 'live' })).prompt).toBe('Selector to 45 rpm, and wait');
    expect(says({ ...first, why: 'after the move' }).why).toContain('Trims act on each other');
  });

  it('nudge: how far and which way, and to which clock position where a single turn is known', () => {
    const nudge: CoachAdvice = { kind: 'nudge', trimId: 't45', turns: -0.125, watchSpeedId: '45' };
    expect(says(nudge).prompt).toBe('Turn the 45 trim an eighth of a turn counter-clockwise');
    // From 12 o'clock (0.375 turns of its stop) an eighth back is half past ten.
    const single = { travelTurns: 0.75, stoodTurns: 0.375 };
    expect(says(nudge, task({}, single)).prompt).toBe(
      'Turn the 45 trim an eighth of a turn counter-clockwise, to 10:30',
    );
    // Turned a quarter on from there it stands at three; an eighth back is half past one. One whole turn is a single one too.
    const turned: CoachLine[] = [{ kind: 'turned', trimId: 't45', turns: 0.25 }];
    for (const travelTurns of [0.75, 1])
      expect(says(nudge, task({}, { ...single, travelTurns }), turned).prompt).toMatch(/, to 1:30$/);
    // Of a trim of many turns, or of nobody knows how many, no clock tells anything, nor of one that nobody looked at.
    for (const none of [
      { travelTurns: 15, stoodTurns: 3 },
      { travelTurns: null, stoodTurns: 0.375 },
      { travelTurns: 0.75 },
    ])
      expect(says(nudge, task({}, none)).prompt).not.toContain(', to ');
  });

  it('turn: so far, what it should then read, and that play is counted in on the way back', () => {
    expect(says(turn({ untilPercent: 0.12 }))).toEqual({
      prompt: 'Turn the 33 trim a quarter turn clockwise',
      why: '33 rpm should then stand at +0.12 %.',
    });
    expect(says(turn({ turnsBack: true })).why).toBe(
      '33 rpm should then stand at 0.00 %. Turning back, its play is counted in.',
    );
  });

  it('turn by ear: to nought by the drone, elsewhere by the figure alone', () => {
    const live = task({ watched: 'live' });
    expect(says(turn({ turns: null }), live).prompt).toBe('Selector to 33 rpm. Turn the 33 trim until it reads 0.00 %');
    expect(says(turn({ turns: null }), live).why).toContain('Follow the sound');
    expect(says(turn({ turns: null, untilPercent: 0.019 }), live).why).toContain('Follow the sound');
    expect(says(turn({ turns: null, untilPercent: -0.4 }), live)).toEqual({
      prompt: 'Selector to 33 rpm. Turn the 33 trim until it reads −0.40 %',
      why: 'Not to nought: the other trims bring the rest.',
    });
  });

  it('stop: after how many moves; prove and undecidable: which reading is not enough, and why', () => {
    const moved: CoachLine[] = [
      { kind: 'read', speedId: '33', errorPercent: -1, expandedPercent: 0.05 },
      { kind: 'turned', trimId: 't33', turns: 0.25 },
    ];
    expect(says({ kind: 'stop' }, task(), moved).why).toContain('after the last of one move,');
    expect(says({ kind: 'stop' }, task(), [...moved, { kind: 'turned', trimId: 't33', turns: 0.1 }]).why).toContain(
      'of 2 moves,',
    );
    expect(says({ kind: 'stop' }).prompt).toBe('Stop: every speed is right');
    expect(says({ kind: 'prove', speedId: '45' })).toEqual({
      prompt: 'Inside by what was typed: now prove it',
      why: '45 rpm was read without its uncertainty. A recording, the live tone or a counted stretch at every speed makes it sure.',
    });
    expect(says({ kind: 'undecidable', speedId: '33' }).prompt).toBe('33 rpm cannot be proved with this reading');
    expect(says({ kind: 'undecidable', speedId: '33' }).why).toContain('before any screw');
  });

  it('where turning leads no further: it does nothing, it is at its stop, it ran away', () => {
    expect(says({ kind: 'useless', trimId: 't33' }).prompt).toBe('The 33 trim does nothing');
    expect(says({ kind: 'useless', trimId: 't33' }).why).toContain('Put it back to where it stood');
    expect(says({ kind: 'end-stop', trimId: 't45' }).prompt).toBe('The 45 trim is at its stop');
    expect(says({ kind: 'end-stop', trimId: 't45' }).why).toContain('back to Find');
    expect(says({ kind: 'runaway', trimId: 't45' }).prompt).toBe('It ran away: take the blade off');
    expect(says({ kind: 'runaway', trimId: 'gone' }).why).toContain('at the gone');
  });

  it('a hand is wanted for a nudge and a turn, for nothing else', () => {
    const all: CoachAdvice[] = [
      turn(),
      { kind: 'nudge', trimId: 't33', turns: 0.1, watchSpeedId: '33' },
      { kind: 'stop' },
      { kind: 'measure', speedId: '33', why: 'first' },
      { kind: 'runaway', trimId: 't33' },
    ];
    expect(all.map(wantsHand)).toEqual([true, true, false, false, false]);
  });
});

describe('a turn in words', () => {
  it.each(told.turns as unknown as readonly [number, string][])('%f is %s', (turns, words) => {
    expect(turnWords(turns)).toBe(words);
  });

  it('a clock position is turns from half past seven, and back; past half past four there is none', () => {
    expect(turnsOfClock('7:30')).toBe(0);
    expect(turnsOfClock('10:30')).toBeCloseTo(0.25, 12);
    expect(turnsOfClock('12:00')).toBeCloseTo(0.375, 12);
    expect(turnsOfClock(' 1:30 ')).toBeCloseTo(0.5, 12);
    expect(turnsOfClock('4:30')).toBeCloseTo(0.75, 12);
    for (const none of ['4:40', '6:00', '13:00', '10:60', 'noon', '']) expect(turnsOfClock(none), none).toBeNull();
    for (const clock of ['7:30', '9:00', '12:00', '12:55', '4:30'])
      expect(clockOf(turnsOfClock(clock) ?? -1)).toBe(clock);
    expect(clockOf(0.26)).toBe('10:35');
  });
});

describe('where the speeds and trims stand', () => {
  const read = (speedId: string, errorPercent: number, expandedPercent: number | null): CoachLine => ({
    kind: 'read',
    speedId,
    errorPercent,
    expandedPercent,
  });
  const words = (course: readonly CoachLine[], own = task()) =>
    speedStands(own, coach(own, course)).map((one) => [one.label, plain(one.words), one.fresh]);

  it('says what was read, with its spread where it has one, and what a move made old', () => {
    expect(words([])).toEqual([
      ['33 rpm', 'not read yet', false],
      ['45 rpm', 'not read yet', false],
    ]);
    expect(words([read('33', -1.234, 0.05), read('45', 0.5, null)])).toEqual([
      ['33 rpm', '−1.23 ± 0.05 %', true],
      ['45 rpm', '+0.50 %', true],
    ]);
    const moved = words([read('33', -1.2, 0.05), read('45', 0.5, 0.05), { kind: 'turned', trimId: 't33', turns: 0.1 }]);
    expect(moved[0]?.[1]).toMatch(/^about .* %, to be read$/);
    expect(moved.map(([, , fresh]) => fresh)).toEqual([false, false]);
  });

  it('says what a trim does once it was seen to: two percent for a quarter turn are eight a turn, faster clockwise', () => {
    const course = [
      read('33', -2, 0.05),
      read('45', 0, 0.05),
      { kind: 'turned', trimId: 't33', turns: 0.25 } as const,
      read('33', 0, 0.05),
    ];
    const does = (own: CoachTask, id: string) => trimDoes(own, coach(own, course), id);
    expect(does(task(), 't33')?.faster).toBe('clockwise');
    expect(does(task(), 't33')?.words).toMatch(/^faster clockwise, [78]\.\d.% a turn$/u);
    expect(does(task(), 't45')).toBeNull();
    expect(does(task(), 'gone')).toBeNull();
    expect(does(task({ watched: 'live' }), 't33')).toBeNull();
    const back = [
      read('33', 2, 0.05),
      read('45', 0, 0.05),
      { kind: 'turned', trimId: 't33', turns: 0.25 } as const,
      read('33', 0, 0.05),
    ];
    expect(trimDoes(task(), coach(task(), back), 't33')?.faster).toBe('counter-clockwise');
    // Half a percent more, each reading good to one and a half: nobody knows yet; the second trim as well as the first.
    const turns = (id: string, by: number, spread: number) => {
      const rest = ['33', '45'].filter((one) => one !== id).map((one) => read(one, 0, 0.05));
      const moved = { kind: 'turned', trimId: `t${id}`, turns: 0.25 } as const;
      return trimDoes(
        task(),
        coach(task(), [read(id, -2, spread), ...rest, moved, read(id, by - 2, spread)]),
        `t${id}`,
      );
    };
    for (const id of ['33', '45']) {
      expect(turns(id, 0.5, 1.5)).toBeNull();
      expect(turns(id, 2, 0.05)?.faster).toBe('clockwise');
    }
  });
});
