/** What may be mended next: by chance over cost, the cause before its victim, what was found before all. */
import { banWords, mendOf, type DrivePath, type PathRepair } from '../families/index.js';
import { clearedModes, type StandingBan } from './bans.js';
import type { Engine } from './engine.js';
import { reaching, type Situation } from './reaching.js';
import type { Posterior } from './belief.js';
import { say } from '../words/index.js';
import { BAN_SHARE, MINUTES_PER_MONEY, SURE_AGAIN, WAIT_PART } from './defaults.js';

/** A mend worth naming: chance a fraction, minutes with its parts and waits. */
export interface MendAdvice {
  readonly repair: PathRepair;
  /** Chance that it cures one of the faults present. */
  readonly chance: number;
  readonly minutes: number;
  /** Minutes of those to reach the part: opening what is closed, switching, proving it dead. */
  readonly reachMin: number;
  /** It cures what was seen at the part itself. */
  readonly found: boolean;
  /** Why it must not be done now; null when it may. */
  readonly forbidden: string | null;
  /** Blocks to be looked at first: what may have done the damage. */
  readonly seek: readonly string[];
}

/** Mends worth naming: those of what was found, then by falling chance over cost (for one fault, costs apart and the cure seen at once, the cheapest order). */
export function mendsOf(
  engine: Engine,
  posterior: Posterior,
  situation: Situation,
  bans: readonly StandingBan[],
  repairs: readonly PathRepair[] = engine.model.path.repairs,
): MendAdvice[] {
  const { model, space } = engine;
  const found = new Set(posterior.pins.pins.flatMap((pin) => pin.modes));
  const guard = new Guard(engine, posterior, situation, bans);
  return repairs
    .map((repair) => {
      const cures = new Set(curedModes(engine, repair));
      const cured = Uint8Array.from(model.modes, ({ ref }) => Number(cures.has(ref)));
      let chance = 0;
      space.hypotheses.forEach(({ modes }, h) => {
        for (const m of modes)
          if (cured[m]) {
            chance += posterior.hypotheses[h] as number;
            return;
          }
      });
      const mine = posterior.pins.pins.filter((pin) => pin.modes.every((mode) => cures.has(mode)));
      if (mine.some((pin) => pin.ids.some((id) => posterior.pins.aside.has(id))))
        chance = Math.max(chance, ...mine.map((pin) => pin.reliability));
      const reachMin = reaching(engine, situation, {
        level: repair.level,
        power: repair.power === 'running' ? 'running' : 'dead',
      });
      const minutes = repair.handsMin + WAIT_PART * repair.waitMin + MINUTES_PER_MONEY * repair.money + reachMin;
      return {
        repair,
        chance: chance * (1 - repair.residual),
        minutes,
        reachMin,
        found: mine.length > 0,
        ...guard.of(repair, cures, found, { mine: mine.length > 0, chance }),
      };
    })
    .filter((one) => one.chance >= 0.01)
    .sort(
      (a, b) =>
        Number(a.forbidden !== null) - Number(b.forbidden !== null) ||
        Number(b.found) - Number(a.found) ||
        b.chance / b.minutes - a.chance / a.minutes,
    );
}

/** What keeps a mend back: a cause not sought, a second part for the same victim, power under a ban. */
class Guard {
  private readonly shares: Float64Array;
  private readonly cleared: ReadonlySet<number>;

  constructor(
    private readonly engine: Engine,
    posterior: Posterior,
    private readonly situation: Situation,
    private readonly bans: readonly StandingBan[],
  ) {
    this.shares = new Float64Array(engine.model.modes.length);
    posterior.hypotheses.forEach((share, h) => {
      for (const m of engine.space.hypotheses[h]?.modes ?? []) this.shares[m] = (this.shares[m] as number) + share;
    });
    this.cleared = clearedModes(engine, posterior);
  }

  of(
    repair: PathRepair,
    cures: ReadonlySet<string>,
    found: ReadonlySet<string>,
    { mine, chance }: { readonly mine: boolean; readonly chance: number },
  ): Pick<MendAdvice, 'forbidden' | 'seek'> {
    const { model } = this.engine;
    const [ban] = this.bans;
    const times = this.situation.mended.get(repair.id) ?? 0;
    // Seen at the part and free, or with nothing else that explains what is read (the new part may be bad or badly
    // fitted): once more, and no oftener.
    const onceMore = times === 1 && (mine ? repair.money === 0 : chance >= SURE_AGAIN);
    if (times > 0 && !onceMore)
      return {
        forbidden: say`It was ${times > 1 ? say`done twice` : say`renewed once`} already: what is seen there comes
          from elsewhere.`,
        seek: [],
      };
    if (repair.power === 'running' && ban) return { forbidden: banWords(ban), seek: [] };
    const refOf = (m: number) => model.modes[m]?.ref ?? '';
    const victims = model.causes.filter(
      ({ victim, cause }) =>
        cures.has(refOf(victim)) &&
        !(cures.has(refOf(cause)) && found.has(refOf(cause))) &&
        (this.shares[victim] as number) > 0.01,
    );
    const open = victims.filter(({ cause }) => !this.cleared.has(cause) && (this.shares[cause] as number) > BAN_SHARE);
    if (open.length === 0) return { forbidden: null, seek: [] };
    const blocks = [...new Set(open.map(({ cause }) => model.path.blocks[model.modes[cause]?.block ?? -1]))];
    const names = blocks.map((block) => block?.name).join(', ');
    const known = open.some(({ cause }) => found.has(refOf(cause)));
    return {
      forbidden: known
        ? say`First mend what did the damage: ${names}.`
        : say`First look at what may have done the damage: ${names}.`,
      seek: known ? [] : blocks.flatMap((block) => (block ? [block.id] : [])),
    };
  }
}

/** Modes that a repair cures. */
export const curedModes = (engine: Engine, repair: PathRepair): string[] => modesCured(engine.model.path, repair.cures);

/** The modes a repair of the path cures, each with what it leaves; empty for an unknown repair. */
export function curedBy(path: DrivePath, repairId: string): { mode: string; residual: number }[] {
  const repair = mendOf(path, repairId);
  return repair ? modesCured(path, repair.cures).map((mode) => ({ mode, residual: repair.residual })) : [];
}

/** "block.*" stands for every mode of the block. */
export function modesCured(path: DrivePath, refs: readonly string[]): string[] {
  const all = path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
  return refs.flatMap((ref) => (ref.endsWith('.*') ? all.filter((mode) => mode.startsWith(ref.slice(0, -1))) : [ref]));
}
