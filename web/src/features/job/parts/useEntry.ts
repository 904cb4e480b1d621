/** What the entry line does with a typed line: understand it, keep it, or leave it standing with the reason. */
import {
  eventFromEntry,
  jobSpeeds,
  parseEntry,
  type Entry,
  type EntryContext,
  type StageId,
} from '@amber-gauge/core/bench';
import { useMemo } from 'react';
import { useSettings, useSources } from '../../../shared/api/queries.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import { useJobSource } from './useJobSource.js';

export interface EntryUse {
  readonly entry: Entry;
  /** Keeps the line; false when it cannot be kept as it stands. */
  keep(entry?: Entry): boolean;
  readonly places: readonly string[];
}

export function useEntry(
  view: JobView,
  stage: StageId,
  speedId: string,
  promptPlace: string | null,
  text: string,
): EntryUse {
  const mainsHz = useSettings().data?.mainsHz ?? 50;
  const sources = useSources().data ?? [];
  const { source } = useJobSource(view.job, sources);
  const speeds = jobSpeeds(view.job);
  const entry = useMemo(() => parseEntry(text, view.job.speedIds), [text, view.job.speedIds]);
  const context: EntryContext = {
    speeds,
    presentSpeedId: speedId,
    source,
    mainsHz,
    promptPlace,
    holdKey: view.state.holds[0]?.key ?? null,
  };
  const keep = (chosen: Entry = entry) => {
    const body = eventFromEntry(chosen, text.trim(), context);
    if (!body) return false;
    void submitLines(view.job.id, makeLine(stage, body));
    return true;
  };
  return { entry, keep, places: placesFor(view, text) };
}

/** Known places that fit what stands after @. */
function placesFor(view: JobView, text: string): string[] {
  const at = text.indexOf('@');
  if (at < 0) return [];
  const typed = text
    .slice(at + 1)
    .trim()
    .toLowerCase();
  const known = [...new Set(view.state.readings.flatMap((reading) => (reading.place ? [reading.place] : [])))];
  return known.filter((place) => place.toLowerCase().startsWith(typed) && place.toLowerCase() !== typed).slice(0, 6);
}
