/** One start of a checkout at a time: a file that names its owner by process number and start time. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { makeLike } from './owner.mjs';
import { Plain } from './say.mjs';

/** When a process began, in ticks since the machine started; null when there is none of that number. */
function startedAt(pid) {
  try {
    // The name may hold spaces and brackets: fields are counted behind its last bracket.
    return (
      readFileSync(`/proc/${pid}/stat`, 'utf8')
        .replace(/^.*\) /s, '')
        .split(' ')[19] ?? null
    );
  } catch {
    return null;
  }
}

/** The living owner of the lock in `file` with what it said of itself; null when nobody holds it. */
export function lockOwner(file) {
  try {
    const owner = JSON.parse(readFileSync(file, 'utf8'));
    return typeof owner.pid === 'number' && owner.startedAt === startedAt(owner.pid) ? owner : null;
  } catch {
    return null;
  }
}

const unwritable = (file, { code }) =>
  new Plain(
    `${dirname(file)} cannot be written (${code}). Start as the user this folder belongs to, or put it where you may write.`,
  );

/**
 * Takes the lock in `file`, over a dead owner's too.
 * @returns {{ owner: object } | { say: (more: object) => void, release: () => void }} the owner who holds it, or the lock
 */
export function takeLock(file) {
  const own = { pid: process.pid, startedAt: startedAt(process.pid) };
  const write = (more, flag) => writeFileSync(file, JSON.stringify({ ...own, ...more }), { flag, mode: 0o644 });
  try {
    makeLike(dirname(file));
  } catch (error) {
    throw unwritable(file, error);
  }
  for (let tries = 0; ; tries++) {
    try {
      write({}, 'wx');
      break;
    } catch (error) {
      if (error.code !== 'EEXIST' || tries > 2) throw unwritable(file, error);
      const owner = lockOwner(file);
      if (owner) return { owner };
      rmSync(file, { force: true });
    }
  }
  return {
    say: (more) => write(more, 'w'),
    release: () => {
      if (lockOwner(file)?.pid === process.pid) rmSync(file, { force: true });
    },
  };
}
