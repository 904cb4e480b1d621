/** Every running timer of the bench in the tab's title; a sound when one is done, until it is answered. */
import type { JobListItem } from '@amber-gauge/contract';
import { countdown, isDue, jobNumber } from '@amber-gauge/core/bench';
import { useEffect } from 'react';
import { useJobs } from '../../shared/api/queries.js';
import { playDone } from '../../shared/sound/done.js';
import { useNow } from '../../shared/ui/useNow.js';
import { say } from '@amber-gauge/core/words';

/** The sound is repeated at this interval until the timer is answered. */
const REPEAT_MS = 30_000;
const NAME = say`Amber Gauge`;

/** Timers that run, told when they are due, wherever one is. */
export function TimerWatch() {
  const jobs = useJobs().data ?? [];
  const now = useNow(1000);
  const title = titleOf(jobs, now);
  const due = dueTimers(jobs, now).length > 0;
  useEffect(() => {
    document.title = title;
  }, [title]);
  useEffect(() => {
    if (!due) return;
    void playDone();
    const timer = setInterval(() => void playDone(), REPEAT_MS);
    return () => clearInterval(timer);
  }, [due]);
  return null;
}

const dueTimers = (jobs: readonly JobListItem[], now: Date) =>
  jobs.flatMap((item) =>
    item.timers.filter((timer) => isDue({ ...timer, end: null }, now)).map((timer) => ({ item, timer })),
  );

/** "● Soak done, 0147", "3:12:40 Soak, 0147", or the product's name. */
export function titleOf(jobs: readonly JobListItem[], now: Date): string {
  const due = dueTimers(jobs, now)[0];
  if (due) {
    const over = due.timer.timer === 'look-in' ? '' : due.timer.timer === 'parts' ? say`: due now` : say` done`;
    return `● ${due.timer.label}${over}, ${jobNumber(due.item.job.number)} · ${NAME}`;
  }
  const running = jobs
    .flatMap((item) => item.timers.map((timer) => ({ item, timer })))
    .sort((a, b) => Date.parse(a.timer.dueAt) - Date.parse(b.timer.dueAt))[0];
  if (!running) return NAME;
  return `${countdown(running.timer.dueAt, now)} ${running.timer.label}, ${jobNumber(running.item.job.number)} · ${NAME}`;
}
