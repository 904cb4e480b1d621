/** Marks the practice unit in a worker, and ends it with a line of its figures. */
import { struckKeys, type StageId } from '@amber-gauge/core/bench';
import { endBody, type Debrief } from '@amber-gauge/core/training';
import { useEffect, useMemo, useState } from 'react';
import { marker } from '../../../workers/client.js';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { notice } from '../../../shared/ui/Notice.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

const counted = ({ lines }: JobView) => lines.filter(({ status }) => status !== 'refused').map(({ event }) => event);

/** The machine behind a practice unit; null until it was fetched. */
export function useMarking(view: JobView, stage: StageId) {
  const [busy, setBusy] = useState(false);
  const mark = () => {
    setBusy(true);
    void marker()
      .debrief(view.job, counted(view))
      .then((debrief) => debrief && submitLines(view.job.id, makeLine(stage, endBody(debrief))))
      .catch(() => notice(say`It could not be marked. Nothing is lost: try again.`))
      .finally(() => setBusy(false));
  };
  return { mark, busy };
}

/** The marked unit once it has ended; null before, and while it is being marked. */
export function useDebrief(view: JobView): { readonly ended: boolean; readonly debrief: Debrief | null } {
  const lines = useMemo(() => counted(view), [view]);
  const struck = struckKeys(lines);
  const at = lines.findIndex(({ key, body }) => body.kind === 'practice-end' && !struck.has(key));
  const key = at < 0 ? null : (lines[at]?.key ?? null);
  const [marked, setMarked] = useState<{ readonly key: string; readonly debrief: Debrief | null } | null>(null);
  useEffect(() => {
    if (key === null || marked?.key === key) return;
    let stale = false;
    void marker()
      .debrief(view.job, lines.slice(0, at))
      .then((debrief) => !stale && setMarked({ key, debrief }))
      .catch(() => undefined);
    return () => {
      stale = true;
    };
  }, [key, at, lines, marked?.key, view.job]);
  return { ended: key !== null, debrief: marked?.key === key ? (marked?.debrief ?? null) : null };
}
