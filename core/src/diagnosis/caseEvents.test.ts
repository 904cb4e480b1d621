/** Trials, mends, variants and sizes in a case, by what a careful person concludes from them. */
import { describe, expect, it } from 'vitest';
import { share, solved, type Entry } from './everyFamily.test-data.js';
import type { CaseAnswer } from './index.js';

const mode = (answer: CaseAnswer, ref: string): number =>
  answer.suspects.flatMap((one) => one.modes).find((one) => one.mode === ref)?.share ?? 0;

describe('a trial', () => {
  const dead = [
    { test: 'lamp', outcome: 'lit' },
    { test: 'pitch-high', outcome: 'none' },
  ];

  it('bridged for a minute and cured accuses the part, no change clears it', () => {
    const before = share(solved('vacuum-cleaner', dead), 'board');
    const cured = solved('vacuum-cleaner', [...dead, { trial: 'bridged', part: 'board', result: 'cured' }]);
    const same = solved('vacuum-cleaner', [...dead, { trial: 'bridged', part: 'board', result: 'no-change' }]);
    expect(share(cured, 'board')).toBeGreaterThan(0.75);
    expect(share(same, 'board')).toBeLessThan(before / 2);
    expect(share(same, 'switch')).toBeGreaterThan(share(solved('vacuum-cleaner', dead), 'switch'));
  });

  it('swapped with a known good one says the same', () => {
    const kicks = [
      { test: 'full', outcome: 'still' },
      { test: 'lamp', outcome: 'dark' },
    ];
    const cured = solved('cordless-brushless', [...kicks, { trial: 'swapped', part: 'pack', result: 'cured' }]);
    expect(cured.suspects[0]?.block).toBe('pack');
    const same = solved('cordless-brushless', [...kicks, { trial: 'swapped', part: 'pack', result: 'no-change' }]);
    // Another fault beside it is not excluded; that the pack alone is at fault is.
    expect(mode(same, 'pack.flat')).toBeLessThan(mode(solved('cordless-brushless', kicks), 'pack.flat') / 2);
    expect(same.suspects[0]?.block).not.toBe('pack');
  });

  it('fed direct and turning clears the motor and accuses what feeds it', () => {
    const still = [
      { test: 'lamps', outcome: 'lit' },
      { test: 'play', outcome: 'still' },
      { test: 'motor-heard', outcome: 'silent' },
    ];
    const turns = solved('cassette-belt', [
      ...still,
      { trial: 'fed-direct', part: 'motor', result: 'turns', volts: 12, amps: 0.1 },
    ]);
    for (const still of ['open', 'jammed', 'brushes-dead'])
      expect(mode(turns, `motor.${still}`), still).toBeLessThan(0.02);
    expect(share(turns, 'feeder') + share(turns, 'control')).toBeGreaterThan(0.5);
    const open = solved('cassette-belt', [
      ...still,
      { trial: 'fed-direct', part: 'motor', result: 'nothing', volts: 12, amps: 0.01 },
    ]);
    expect(open.suspects[0]?.block).toBe('motor');
    expect(mode(open, 'motor.open') + mode(open, 'motor.brushes-dead')).toBeGreaterThan(mode(open, 'motor.jammed'));
    // Standing with all the current the supply has: jammed, and no power until it turns by hand.
    const jammed = solved('cassette-belt', [
      ...still,
      { trial: 'fed-direct', part: 'motor', result: 'nothing', volts: 3, at_limit: true },
    ]);
    expect(mode(jammed, 'motor.jammed')).toBeGreaterThan(mode(jammed, 'motor.open'));
    expect(jammed.banned.join()).toMatch(/turn it by hand/);
  });

  it('a provocation that changes the fault locates it', () => {
    const warm = [
      { test: 'speed-33', outcome: 'right' },
      { test: 'speed-warm', outcome: 'slow' },
    ];
    const cooled = solved('direct-drive-servo', [...warm, { trial: 'cooled', part: 'driver', result: 'changed' }]);
    expect(cooled.suspects[0]?.block).toBe('driver');
    const nothing = solved('direct-drive-servo', [...warm, { trial: 'cooled', part: 'driver', result: 'no-change' }]);
    expect(share(nothing, 'driver')).toBeLessThan(share(solved('direct-drive-servo', warm), 'driver') / 2);
    const breath = solved('cassette-direct', [
      { test: 'play', outcome: 'wanders' },
      { trial: 'breathed-on', part: 'capacitors', result: 'changed' },
    ]);
    expect(breath.suspects[0]?.block).toBe('capacitors');
  });
});

describe('a mend', () => {
  const slow = [
    { test: 'speed-33', outcome: 'slow' },
    { test: 'speed-45', outcome: 'slow' },
  ];

  it('with no change hardly leaves its fault, and the complaint stands', () => {
    const before = solved('belt-turntable-dc', slow);
    const after = solved('belt-turntable-dc', [...slow, { mend: 'new-belt', result: 'no-change' }]);
    expect(before.suspects[0]?.block).toBe('belt');
    expect(share(after, 'belt')).toBeLessThan(0.1);
    expect(after.suspects[0]?.share).toBeGreaterThan(0.2);
  });

  it('that cured leaves nothing to look for', () => {
    const after = solved('belt-turntable-dc', [...slow, { mend: 'new-belt', result: 'cured' }]);
    expect(after.suspects[0]?.share ?? 0).toBeLessThan(0.2);
  });

  it('that helped for half an hour accuses the part and mends nothing', () => {
    const capacitors = solved('cassette-direct', [
      { test: 'play', outcome: 'slow' },
      { mend: 'recap', result: 'helped' },
    ]);
    expect(capacitors.suspects[0]?.block).toBe('capacitors');
  });

  it('of a fuse is never advised before its cause was sought, nor a second time', () => {
    const fuse = [
      { test: 'full', outcome: 'still' },
      { test: 'contact-ohms', outcome: 'fuse-open' },
    ];
    const mend = (answer: CaseAnswer) => answer.mends.find((one) => one.repair === 'fuse');
    const first = solved('cordless-brushless', fuse);
    expect(first.next).toBe('test');
    expect(first.next_step?.id).toBe('bridge-diode');
    expect(mend(first)?.forbidden).toMatch(/may have done the damage/);
    expect(share(first, 'inverter')).toBeGreaterThan(0.5);
    const known = solved('cordless-brushless', [...fuse, { test: 'bridge-diode', outcome: 'near-nought-both-ways' }]);
    expect(mend(known)?.forbidden).toMatch(/First (mend|look at)/);
    expect(known.banned.join()).toMatch(/next board/);
    // Bridge, windings, load and gate parts looked at and sound: the fuse may be renewed, once.
    const sound = [
      { test: 'bridge-diode', outcome: 'alike' },
      { test: 'winding-ohms', outcome: 'alike' },
    ];
    const sought = solved('cordless-brushless', [...fuse, ...sound]);
    expect(mend(sought)?.forbidden).toBeNull();
    const again = solved('cordless-brushless', [
      ...fuse,
      ...sound,
      { mend: 'fuse', result: 'no-change' },
      { test: 'contact-ohms', outcome: 'fuse-open' },
    ]);
    expect(mend(again)?.forbidden).toMatch(/renewed once already/);
  });

  it('after the work a new symptom points at the work', () => {
    const fast = [
      { test: 'speed-33', outcome: 'fast' },
      { test: 'speed-45', outcome: 'fast' },
    ];
    const after = solved('belt-turntable-dc', [{ work: 'tacho' }, ...fast]);
    expect(mode(after, 'tacho.unplugged')).toBeGreaterThan(
      5 * mode(solved('belt-turntable-dc', fast), 'tacho.unplugged'),
    );
    expect(mode(after, 'tacho.unplugged')).toBeGreaterThan(0.15);
  });
});

describe('what was seen at the part itself', () => {
  it('is mended next, before anything else is asked', () => {
    const worn = solved('stand-mixer', [
      { test: 'runs-high', outcome: 'fast' },
      { test: 'brush-look', outcome: 'under-the-limit' },
    ]);
    expect(worn.next).toBe('mend');
    expect(worn.next_step).toMatchObject({
      kind: 'mend',
      id: 'brushes',
      why: expect.stringContaining('seen at the part') as string,
    });
    expect(worn.next_step?.must_not.join()).toMatch(/run them in/);
  });

  it('stands beside what it does not explain: a second fault is sought, not another', () => {
    const both = solved('belt-turntable-dc', [
      { test: 'belt-look', outcome: 'slack-or-shiny' },
      { test: 'speed-33', outcome: 'still' },
      { test: 'lamp', outcome: 'dark' },
    ]);
    expect(share(both, 'belt')).toBeGreaterThan(0.9);
    expect(both.suspects[1]?.share).toBeGreaterThan(0.2);
  });

  it('when two looks contradict each other one of them is repeated, and the second answer counts', () => {
    const looks = [
      { test: 'belt-look', outcome: 'slack-or-shiny' },
      { test: 'belt-look', outcome: 'sound' },
    ];
    const split = solved('belt-turntable-dc', [{ test: 'speed-33', outcome: 'slow' }, ...looks]);
    expect(split.next).toBe('repeat');
    expect(split.next_step).toMatchObject({ id: 'belt-look', why: expect.stringContaining('contradict') as string });
    const sound = solved('belt-turntable-dc', [
      { test: 'speed-33', outcome: 'slow' },
      ...looks,
      { test: 'belt-look', outcome: 'sound' },
    ]);
    expect(sound.next).not.toBe('repeat');
    expect(share(sound, 'belt')).toBeLessThan(0.1);
  });

  it('three faults seen are three faults', () => {
    const three = solved('belt-turntable-dc', [
      { test: 'belt-look', outcome: 'slack-or-shiny' },
      { test: 'spin-pulley', outcome: 'stiff' },
      { test: 'spin-platter', outcome: 'drags' },
      { test: 'trim-ohms', outcome: 'jumps' },
    ]);
    for (const block of ['belt', 'motor', 'bearing', 'trims']) expect(share(three, block), block).toBeGreaterThan(0.5);
  });
});

describe('sizes', () => {
  it('two percent slow and forty percent slow are different faults', () => {
    const little = solved('belt-turntable-dc', [{ test: 'speed-33', value: -2, unit: '%' }]);
    const much = solved('belt-turntable-dc', [{ test: 'speed-33', value: -40, unit: '%' }]);
    expect(mode(little, 'trims.low-33')).toBeGreaterThan(2 * mode(much, 'trims.low-33'));
    expect(little.suspects[0]?.block).toBe('belt');
    expect(much.suspects[0]?.block).not.toBe('belt');
    expect(mode(much, 'motor.stiff') + mode(much, 'motor.brushes') + mode(much, 'pulley.loose')).toBeGreaterThan(0.25);
  });

  it('a pulley for the other mains is 17 % off, and no belt slips as evenly', () => {
    // 50/60 - 1 = -16.7 %: the arithmetic of two mains frequencies.
    const answer = solved('belt-turntable-ac', [{ test: 'platter', value: 100 * (50 / 60 - 1), unit: '%' }]);
    expect(mode(answer, 'pulley.mains')).toBeGreaterThan(
      mode(solved('belt-turntable-ac', [{ test: 'platter', value: -3, unit: '%' }]), 'pulley.mains') * 5,
    );
  });

  it('a value outside every band is taken, by its distance; one in another multiple of the unit too', () => {
    const pack = (value: number, unit = 'V', more: Entry = {}) =>
      solved(
        'cordless-brushless',
        [
          { test: 'loaded', outcome: 'weak' },
          { test: 'input-volts', value, unit, context: { load: 'loaded' } },
        ],
        more,
      );
    // 57 V on a tool of ten cells: surely not none.
    expect(share(pack(57), 'contact') + share(pack(57), 'interlock')).toBeLessThan(0.1);
    // A pack of 54 V by its plate: 36 V is then a sagging one.
    expect(mode(pack(36, 'V', { rated_volts: 54 }), 'pack.weak')).toBeGreaterThan(2 * mode(pack(36), 'pack.weak'));
    expect(share(pack(38_000, 'mV'), 'contact')).toBeCloseTo(share(pack(38), 'contact'), 9);
    // A house of 120 V, its plate read: full volts at the motor are full.
    const feed = (more: Entry) =>
      solved(
        'stand-mixer',
        [
          { test: 'runs-high', outcome: 'still' },
          { test: 'feed-high', value: 118, unit: 'V' },
        ],
        more,
      );
    expect(share(feed({ rated_volts: 120 }), 'brushes')).toBeGreaterThan(share(feed({}), 'brushes'));
  });

  it('thirty volts at a motor of a vacuum cleaner are a control that does not pass', () => {
    const answer = solved('vacuum-cleaner', [
      { test: 'lamp', outcome: 'lit' },
      { test: 'feed-high', value: 30, unit: 'V' },
    ]);
    expect(share(answer, 'armature')).toBeLessThan(
      share(solved('vacuum-cleaner', [{ test: 'pitch-high', outcome: 'none' }]), 'armature'),
    );
    expect(
      share(answer, 'board') + share(answer, 'boost') + share(answer, 'switch') + share(answer, 'reel'),
    ).toBeGreaterThan(0.8);
  });

  it('the ohms of the leads come off a row', () => {
    const row = (lead: number) =>
      solved('direct-drive-servo', [{ test: 'coil-ohms', row: [0.45, 0.45, 0.45], lead_ohms: lead }]);
    expect(mode(row(0), 'coils.shorted')).toBeLessThan(0.05);
    expect(mode(row(0.3), 'coils.shorted')).toBeGreaterThan(0.9);
  });
});
