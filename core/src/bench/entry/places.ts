/** Places by name, alias and near name: never a silent new one. */
import { ownEntry } from '../../quantity/index.js';
import { PLACE_ALIASES, type DrivePath } from '../../families/index.js';
import { CHARGE_PLACE, chargePlaces } from '../charge.js';
import type { JobFacts } from '../job.js';
import type { KnownPlace } from './types.js';

const RIPPLE = /,\s*peak to peak$/i;
const KIND_OF_METER = /,\s*[^,]*$/;

/**
 * Every place this unit is known to have: those its path measures (as the model's sheet calls them, the
 * family's own name as an alias), where its charge is measured, and those used in its log before.
 */
export function knownPlaces(
  job: Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>,
  fitted: DrivePath | null,
  family: DrivePath | null,
  used: readonly string[],
): KnownPlace[] {
  const out: KnownPlace[] = [];
  for (const signal of fitted?.signals ?? []) {
    if (!signal.measure) continue;
    const own = family?.signals.find((one) => one.id === signal.id)?.measure?.place ?? signal.measure.place;
    const ripple = RIPPLE.test(own);
    const name = signal.measure.place.replace(RIPPLE, '');
    const aliases = [
      own,
      own.replace(RIPPLE, ''),
      own.replace(KIND_OF_METER, ''),
      signal.name,
      ...(ownEntry(PLACE_ALIASES, own) ?? []),
    ];
    out.push({ name, aliases, unit: signal.measure.unit, ripple });
  }
  const charge = [...chargePlaces(job)];
  if (charge.length > 0)
    out.push({ name: CHARGE_PLACE, aliases: charge.filter((one) => !taken(out, one)), unit: 'V', ripple: false });
  for (const name of used) if (!taken(out, name)) out.push({ name, aliases: [], unit: null, ripple: false });
  return out;
}

const called = (wanted: string, places: readonly KnownPlace[]): KnownPlace[] =>
  wanted === '' ? [] : places.filter((place) => [place.name, ...place.aliases].some((name) => key(name) === wanted));

const taken = (list: readonly KnownPlace[], name: string): boolean => called(key(name), list).length > 0;

/** What a typed place stands for: known, nearly known, or new. */
export type Resolved =
  { readonly kind: 'known'; readonly place: KnownPlace } | { readonly kind: 'near'; readonly names: readonly string[] };

/** The place meant by `typed`; null when it is near to none. A ripple reads at the place of its own. */
export function resolve(typed: string, places: readonly KnownPlace[], qualifier: string | null): Resolved | null {
  const wanted = key(typed);
  if (wanted === '') return null;
  const exact = called(wanted, places);
  const place = exact.find((one) => one.ripple === (qualifier === 'pp')) ?? exact[0];
  if (place) return { kind: 'known', place };
  const near = places.filter((one) => [one.name, ...one.aliases].some((name) => isNear(wanted, key(name))));
  const names = [...new Set(near.map((one) => one.name))].slice(0, 3);
  return names.length > 0 ? { kind: 'near', names } : null;
}

/** Lower case, single spaces, no articles, plurals or stray signs. */
const key = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\d+]+/gu, ' ')
    .replace(/\b(?:the|a|an|at|on)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** A slip or two of the keys, the beginning of the name, or one of its words. */
function isNear(typed: string, name: string): boolean {
  if (typed.length >= 3 && name.startsWith(typed)) return true;
  if (typed.length >= 4 && name.split(' ').includes(typed)) return true;
  if (typed.length < 5) return false;
  const slipOf = (word: string) => {
    const most = word.length > 6 ? 2 : 1;
    return Math.abs(word.length - typed.length) <= most && distance(word, typed) <= most;
  };
  return name.split(' ').some((word) => word.length > 4 && slipOf(word)) || slipOf(name);
}

/** Edits from one word to the other, neighbours exchanged counting once (optimal string alignment). */
function distance(a: string, b: string): number {
  const rows: number[][] = [Array.from({ length: b.length + 1 }, (_one, j) => j)];
  for (let i = 1; i <= a.length; i++) {
    const [last, before] = [rows[i - 1] as number[], rows[i - 2]];
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((last[j] as number) + 1, (row[j - 1] as number) + 1, (last[j - 1] as number) + same);
      if (before && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, (before[j - 2] as number) + 1);
      row.push(best);
    }
    rows.push(row);
  }
  return rows[a.length]?.[b.length] ?? 0;
}
