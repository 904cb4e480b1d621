/** What the entry line does with a typed line: understand it, keep it, or leave it standing with the reason. */
import {
  entryPreview,
  jobSpeeds,
  knownPlaces,
  linesFromEntry,
  modelOf,
  openEnds,
  parseEntry,
  pathOf,
  refusalOf,
  type Entry,
  type EntryContext,
  type EventBody,
  type PromptAsked,
  type StageId,
} from '@amber-gauge/core/bench';
import { EMPTY_SHEET, fitPath } from '@amber-gauge/core/families';
import { useMemo } from 'react';
import { useSettings, useSheet, useSources } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { useGoLive } from './goLive.js';
import { useJobSource } from '../../../shared/api/useJobSource.js';

/** What a typed line is, and the ways to keep it. */
export interface EntryUse {
  readonly entry: Entry;
  /** How it is understood and what Enter will file, in words. */
  readonly preview: string;
  /** Keeps the line; null when it cannot be kept as it stands. */
  keep(entry?: Entry): readonly EventBody[] | null;
  /** Keeps a reading that was not typed; null when it says more or less than one. */
  keepText(reading: string, instrument: string): readonly EventBody[] | null;
  /** Keeps the line as a note, whatever it may mean. */
  keepAsNote(): readonly EventBody[] | null;
  readonly places: readonly string[];
}

/** Understands the line as it is typed. */
export function useEntry(
  view: JobView,
  stage: StageId,
  speedId: string,
  prompt: PromptAsked | null,
  text: string,
): EntryUse {
  const { job, state } = view;
  const mainsHz = useSettings().data?.mainsHz ?? 50;
  const sources = useSources().data ?? [];
  const { source } = useJobSource(job, sources);
  const goLive = useGoLive((one) => one.ask);
  const open = useMemo(() => openEnds(state.ledger), [state.ledger]);
  const known = useKnown(view, prompt, open);
  const entry = useMemo(() => parseEntry(text, known), [text, known]);
  const context: EntryContext = {
    familyId: job.familyId,
    speeds: jobSpeeds(job),
    presentSpeedId: speedId,
    source,
    mainsHz,
    prompt,
    holdKey: state.holds[0]?.key ?? null,
    open,
  };
  const refusal = entry.kind === 'ends' || entry.kind === 'work' ? refusalOf(text) : null;
  const submit = (bodies: readonly EventBody[]) => {
    void submitLines(job.id, ...bodies.map((body) => makeLine(stage, body)));
    return bodies;
  };
  const keep = (chosen: Entry = entry) => {
    if (refusal) return null;
    if (chosen.kind === 'power' && chosen.on) {
      goLive(chosen.pack ? 'pack-in' : 'live-direct');
      return [];
    }
    const bodies = linesFromEntry(chosen, text.trim(), context);
    return bodies.length === 0 ? null : submit(bodies);
  };
  const keepText = (reading: string, instrument: string) => {
    const read = parseEntry(reading, known);
    const bodies = read.kind === 'reading' ? linesFromEntry(read, reading, context) : [];
    const told = bodies.map(givenBy(instrument));
    return told.length === 0 ? null : submit(told);
  };
  const preview = refusal ? `${refusal.reason} ${refusal.instead}` : entryPreview(entry, text.trim(), context);
  const keepAsNote = () => (text.trim() === '' ? null : submit([{ kind: 'note', text: text.trim() }]));
  return {
    entry,
    preview,
    keep,
    keepText,
    keepAsNote,
    places: placesFor(
      known.places.map((place) => place.name),
      text,
    ),
  };
}

/** With the instrument that gave it. */
const givenBy =
  (instrument: string) =>
  (body: EventBody): EventBody =>
    body.kind === 'reading' || body.kind === 'answer' ? { ...body, instrument } : body;

/** What a line may name: speeds, places of the path as this model has it, what is open, and the prompt. */
function useKnown({ job, state }: JobView, prompt: PromptAsked | null, open: ReturnType<typeof openEnds>) {
  const family = pathOf(job);
  const model = modelOf(job);
  const sheet = useSheet(job.familyId, model, family !== null && model !== '')?.sheet ?? EMPTY_SHEET;
  const path = useMemo(() => family && fitPath(family, { ...sheet, bands: {} }, new Map()), [family, sheet]);
  return useMemo(() => {
    const used = [...new Set(state.readings.flatMap((one) => (one.place ? [one.place] : [])))];
    return {
      speedIds: job.speedIds,
      places: knownPlaces(job, path, family, used),
      path,
      prompt,
      open: open.map(({ end }) => end.what),
    };
  }, [job, path, family, state.readings, prompt, open]);
}

/** Known places that fit what stands after @, or after "at". */
function placesFor(known: readonly string[], text: string): string[] {
  const match = /(?:@|\bat\s)\s*([^@]*)$/i.exec(text);
  if (!match) return [];
  const typed = (match[1] as string).trim().toLowerCase();
  return [...new Set(known)]
    .filter((place) => place.toLowerCase().startsWith(typed) && place.toLowerCase() !== typed)
    .slice(0, 6);
}

/** The line with the place that was begun written out. */
export const withPlace = (text: string, place: string): string =>
  text.replace(/(@|\bat\s)\s*[^@]*$/i, (_all, word: string) => (word === '@' ? `@${place} ` : `${word}${place} `));
