/** `line 'TEXT' --family ID [--prompt TEST]`: what the entry line understands. */
import { ownEntry } from '@amber-gauge/core/quantity';
import {
  entryPreview,
  knownPlaces,
  linesFromEntry,
  parseEntry,
  type Entry,
  type EntryContext,
  type EntryReading,
} from '@amber-gauge/core/bench';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import type { CommandAnswer } from './answer.js';
import { CliRefusal } from './refusal.js';

/** Mains counted with for a strobe ring; the shop's own is set in the application. */
const MAINS_HZ = 50;

const QUANTITIES: Readonly<Record<string, string>> = {
  V: 'voltage',
  A: 'current',
  Ω: 'resistance',
  F: 'capacitance',
  H: 'inductance',
  W: 'power',
  Hz: 'frequency',
  rpm: 'speed',
  'cm/s': 'speed',
  '%': 'speed_error',
  s: 'time',
  mm: 'length',
  '°C': 'temperature',
  dB: 'level',
  g: 'force',
};

export async function lineCommand(args: readonly string[]): Promise<CommandAnswer> {
  const [text, ...rest] = args;
  if (text === undefined || text.startsWith('--'))
    throw new CliRefusal('USAGE', "Type the line first: line '27.5 V at reservoir' --family belt-turntable-dc");
  const family = FAMILIES.find((one) => one.id === option(rest, 'family'));
  if (!family) throw new CliRefusal('UNKNOWN_FAMILY', 'Name a family with --family; the command families lists them.');
  const path = PATHS.get(family.id) ?? null;
  const testId = option(rest, 'prompt');
  const test = path?.tests.find((one) => one.id === testId);
  if (testId !== null && !test)
    throw new CliRefusal('UNKNOWN_TEST', `${family.id} has no test “${testId}”; families ${family.id} lists them.`);
  const measure = path?.signals.find((one) => one.id === test?.signal)?.measure ?? null;
  const prompt = test
    ? { testId: test.id, name: test.name, place: measure?.place ?? null, unit: measure?.unit ?? null }
    : null;
  const powerKind = family.supply === 'pack' ? 'pack' : 'mains';
  const places = knownPlaces({ familyId: family.id, powerKind, ratedVolts: null }, path, path, []);
  const speedIds = family.speeds.map((speed) => speed.id);
  const entry = parseEntry(text, { speedIds, places, path, prompt });
  const context: EntryContext = {
    familyId: family.id,
    speeds: family.speeds,
    presentSpeedId: null,
    source: null,
    mainsHz: MAINS_HZ,
    prompt,
    holdKey: null,
    open: [],
  };
  const will = entryPreview(entry, text, context).replaceAll('\u202f', ' ');
  const keeps = linesFromEntry(entry, text, context).map((body) => body.kind);
  return { json: { ...entryJson(entry), will, keeps }, words: will === '' ? 'nothing' : will };
}

function option(args: readonly string[], name: string): string | null {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? null : (args[at + 1] ?? null);
}

const readingJson = (one: EntryReading) => ({
  quantity: one.unit === null ? null : (ownEntry(QUANTITIES, one.unit) ?? one.unit),
  ...(one.bound === 'between'
    ? { low: one.values[0] ?? null, high: one.values[1] ?? null }
    : one.values.length > 1
      ? { values: one.values }
      : { value: one.values[0] ?? null }),
  bound: one.bound,
  unit: one.unit,
  current: one.qualifier,
  place: one.place,
  new_place: one.newPlace,
  speed: one.speedId,
  condition: one.condition,
  nominal_hz: one.nominalHz,
});

function entryJson(entry: Entry): Record<string, unknown> {
  switch (entry.kind) {
    case 'reading':
      return { kind: 'reading', ...readingJson(entry) };
    case 'readings':
      return { kind: 'readings', readings: entry.readings.map(readingJson) };
    case 'ask':
      return { kind: 'ask', readings: entry.readings.map(readingJson) };
    case 'ask-place':
      return { kind: 'ask-place', typed: entry.typed, near: entry.near, ...readingJson(entry.reading) };
    case 'start-volts':
      return { kind: 'start-volts', quantity: 'voltage', value: entry.volts, unit: 'V' };
    case 'timer':
      return { kind: 'timer', timer: entry.timer, quantity: 'time', value: 60 * entry.minutes, unit: 's' };
    default:
      return { ...entry };
  }
}
