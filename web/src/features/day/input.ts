/** From what the server knows to the plan's own axis: minutes from the midnight before now, by this place's clock. */
import type { DayPlanInput } from '@amber-gauge/contract';
import type { Bench, ChainJob } from '@amber-gauge/core/bench';
import { say } from '@amber-gauge/core/words';

const MINUTE_MS = 60_000;
/** The boat with the parts is in at noon (a guess until somebody says otherwise). */
const BOAT_MIN = 720;

/** The midnight the axis begins at. */
export const axisStart = (now: Date): Date => new Date(now.getFullYear(), now.getMonth(), now.getDate());

const onAxis = (start: Date, at: Date): number => (at.getTime() - start.getTime()) / MINUTE_MS;
const midnightOf = (day: string): Date => {
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  return new Date(year, month - 1, date);
};

/** The bench and the jobs that still need hands. */
export function planInput({ jobs, hours }: DayPlanInput, now: Date): { jobs: ChainJob[]; bench: Bench } {
  const start = axisStart(now);
  const weekday = start.getDay() === 0 ? 7 : start.getDay();
  const { places, isolators, variacs, tapes } = hours;
  return {
    bench: {
      open: { first: weekday, hours },
      nowMin: onAxis(start, now),
      count: { place: places, isolator: isolators, variac: variacs, tape: tapes },
    },
    jobs: jobs
      .filter(({ chain }) => chain.blocks.length > 0)
      .map(({ job, chain, partOn, part }) => {
        const timer = chain.busyUntil === null ? 0 : onAxis(start, new Date(chain.busyUntil));
        const boat = partOn === null ? 0 : onAxis(start, midnightOf(partOn)) + BOAT_MIN;
        return {
          id: job.id,
          blocks: chain.blocks,
          readyMin: Math.max(0, timer, boat),
          readyWhy:
            boat > timer && boat > 0
              ? say`${part ?? say`its part`} comes ${partOn ?? ''}`
              : timer > 0
                ? say`${chain.busyWhy ?? say`a timer`} runs`
                : null,
          dueMin: chain.dueOn === null ? null : onAxis(start, midnightOf(chain.dueOn)) + 1440,
          takenMin: onAxis(start, new Date(job.createdAt)),
        };
      }),
  };
}
