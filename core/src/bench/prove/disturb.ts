/** What was disturbed, and when: a proof made before it does not count after it where they meet. */
import { curedBy } from '../../diagnosis/index.js';
import { familyOf, restsOn, type DrivePath } from '../../families/index.js';
import { lineWords } from '../describe.js';
import type { BenchEvent, EventBody } from '../event.js';
import { blocksNamed, isCover } from '../find/named.js';
import type { JobFacts } from '../job.js';

/** What a line disturbs: blocks of the path, `all` of it, or nothing but what is checked when the unit is closed. */
export type Reach = ReadonlySet<string> | 'all' | 'closing';

/** A line that disturbs. */
export interface Disturbance {
  /** Its place among the standing lines. */
  readonly index: number;
  readonly line: BenchEvent;
  readonly reach: Reach;
  /** Work on a part, not only a way to it. */
  readonly work: boolean;
}

/** Every line that disturbs something, in order. Where a part cannot be told all of it counts as disturbed. */
export function disturbances(job: JobFacts, path: DrivePath | null, lines: readonly BenchEvent[]): Disturbance[] {
  const reader = new Reader(job, path);
  const out: Disturbance[] = [];
  lines.forEach((line, index) => {
    const reach = reader.reach(line);
    if (reach === null) return;
    const { kind } = line.body;
    out.push({ index, line, reach, work: kind === 'work' || kind === 'mended' || kind === 'coach-turned' });
  });
  return out;
}

/** Does `reach` meet a check that rests on `blocks`; `closing` for one made with the unit closed? */
export function meets(reach: Reach, blocks: ReadonlySet<string> | 'all', closing: boolean): boolean {
  if (closing) return true;
  if (reach === 'closing') return false;
  if (reach === 'all' || blocks === 'all') return true;
  for (const block of reach) if (blocks.has(block)) return true;
  return false;
}

class Reader {
  private readonly reaches = new Map<string, Reach>();
  private readonly usual;

  constructor(
    job: JobFacts,
    private readonly path: DrivePath | null,
  ) {
    this.usual = new Map(familyOf(job.familyId).openEnds.map((end) => [end.id, end]));
  }

  reach({ key, body }: BenchEvent): Reach | null {
    const reach = this.own(body);
    if (reach !== null) this.reaches.set(key, reach);
    return reach;
  }

  private own(body: EventBody): Reach | null {
    switch (body.kind) {
      case 'work':
        return this.known(body.blocks ?? []);
      case 'mended':
        return this.known(this.path ? this.mended(this.path, body) : []);
      case 'coach-turned':
        return this.trims();
      case 'step':
        return body.cover || isCover(body.what) ? 'closing' : this.named(body.what);
      case 'open-end':
        return this.end(body);
      case 'refit':
      case 'close':
        return this.reaches.get(body.target) ?? 'all';
      case 'tried':
        return body.trial === 'bridged' || body.trial === 'swapped' || body.trial === 'lifted'
          ? new Set([body.block])
          : null;
      default:
        return null;
    }
  }

  private mended(path: DrivePath, body: Extract<EventBody, { kind: 'mended' }>): string[] {
    return curedBy(path, body.repairId).map(({ mode }) => mode.split('.')[0] ?? '');
  }

  /** A usual end with no block of its own (hoses, a seal) disturbs what is checked closed; a test bridge may be anywhere. */
  private end(body: Extract<EventBody, { kind: 'open-end' }>): Reach {
    const usual = body.usualId === null ? undefined : this.usual.get(body.usualId);
    if (!usual) return this.named(body.what);
    if (usual.blocks.includes('*')) return 'all';
    const known = usual.blocks.filter((id) => this.path?.blocks.some((block) => block.id === id));
    if (known.length > 0) return new Set(known);
    return usual.how === 'bridged' || usual.how === 'lifted' || usual.how === 'unsoldered' ? 'all' : 'closing';
  }

  private named(words: string): Reach {
    return this.known(this.path ? blocksNamed(this.path, words) : []);
  }

  private trims(): Reach {
    return this.known(this.path?.trims ?? []);
  }

  private readonly known = (blocks: readonly string[]): Reach => (blocks.length > 0 ? new Set(blocks) : 'all');
}

const behind = new WeakMap<DrivePath, Map<string, ReadonlySet<string>>>();

/** Blocks that a signal rests on, near and far; all of them where nothing writes it. */
export function blocksBehind(path: DrivePath, signalId: string): ReadonlySet<string> | 'all' {
  const known = behind.get(path) ?? new Map<string, ReadonlySet<string>>();
  behind.set(path, known);
  let found = known.get(signalId);
  if (!found) known.set(signalId, (found = gather(path, signalId)));
  return found.size > 0 ? found : 'all';
}

function gather(path: DrivePath, signalId: string): ReadonlySet<string> {
  const found = new Set<string>();
  const asked = [signalId];
  const seen = new Set(asked);
  for (let signal = asked.pop(); signal !== undefined; signal = asked.pop()) {
    for (const block of path.blocks) {
      if (!block.outputs.includes(signal)) continue;
      found.add(block.id);
      for (const input of restsOn(path, block)) {
        if (seen.has(input)) continue;
        seen.add(input);
        asked.push(input);
      }
    }
  }
  return found;
}

/** What a disturbing line did, in the words of the log. */
export const disturbanceWords = ({ line }: Disturbance, lines: readonly BenchEvent[]): string =>
  lineWords(line.body, (key) => lines.find((one) => one.key === key)?.body);
