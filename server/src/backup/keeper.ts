/** Keeps backups while the server runs: one a day, one before an upgrade, one when asked; one at a time. */
import type { BackupState } from '@amber-gauge/contract';
import { basename, join } from 'node:path';
import type { Logger } from 'pino';
import { backUpDaily, backupsIn, dailyName, makeBackup } from './make.js';
import { drill } from './restore.js';
import { BackupRefusal, type Place } from './tools.js';

const LOOK_EVERY_MS = 3600 * 1000;

export interface BackupKeeper {
  state(): Promise<BackupState>;
  /** Makes one now; resolves when it is whole. */
  now(): Promise<void>;
  /** Restores the newest into a database that is thrown away again. */
  tryNewest(): Promise<void>;
  stop(): void;
}

/** Looks every hour whether the newest backup in `dir` is a day old. */
export function backupKeeper(place: Place, dir: string, now: () => Date, logger: Logger): BackupKeeper {
  let tried: BackupState['drill'] = null;
  let trouble: string | null = null;
  let work: Promise<void> | null = null;
  const alone = async (what: () => Promise<void>): Promise<void> => {
    if (work) return work;
    work = what().finally(() => (work = null));
    return work;
  };
  const make = (how: () => Promise<void>) =>
    alone(async () => {
      try {
        await how();
        trouble = null;
      } catch (error) {
        trouble = `The backup could not be made: ${error instanceof Error ? error.message : 'unknown'}`;
        logger.error({ err: trouble }, 'no backup');
      }
    });
  const daily = () => void make(() => backUpDaily(place, dir, now()));
  const first = setTimeout(daily, 30_000);
  const timer = setInterval(daily, LOOK_EVERY_MS);
  return {
    async state() {
      const all = await backupsIn(dir);
      const newest = all[0] && {
        name: basename(all[0].file),
        madeAt: all[0].manifest.madeAt,
        bytes: all[0].manifest.bytes,
        jobs: all[0].manifest.counts.job ?? 0,
        lines: all[0].manifest.counts.job_event ?? 0,
      };
      return { newest: newest ?? null, kept: all.length, drill: tried, trouble, busy: work !== null };
    },
    now: () =>
      make(async () => void (await makeBackup(place, join(dir, dailyName(now()).replace('daily', 'by-hand')), now()))),
    tryNewest: () =>
      alone(async () => {
        const [newest] = await backupsIn(dir);
        if (!newest) return;
        const said = (what: string | null) =>
          (tried = { name: basename(newest.file), at: now().toISOString(), trouble: what });
        await drill(place, newest.file).then(
          () => said(null),
          (error: unknown) => {
            logger.error({ err: String(error) }, 'the newest backup does not come back');
            said(error instanceof BackupRefusal ? error.message : 'It could not be restored. See the server’s log.');
          },
        );
      }),
    stop: () => {
      clearTimeout(first);
      clearInterval(timer);
    },
  };
}
