/** Who runs the database, and where its data lies. */
import { chmodSync, chownSync, existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { userInfo } from 'node:os';
import { dirname, join } from 'node:path';
import { quietly } from './run.mjs';
import { Plain } from './say.mjs';

const asRoot = process.getuid?.() === 0;
/** Where a bench lies whose checkout the database's user cannot reach. */
const ELSEWHERE = '/var/lib/amber-gauge';

const users = () =>
  readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .map((line) => line.split(':'))
    .map(([name, , uid, gid]) => ({ name, uid: Number(uid), gid: Number(gid) }));

/** The nearest folder that exists. */
const nearest = (path) => (existsSync(path) ? path : nearest(dirname(path)));

/**
 * Who runs the server of the cluster in `dir`. PostgreSQL does not run as root: a bench that somebody
 * owns, or that is to be made in somebody's folder, is run as that user and stays theirs.
 * @returns {{ uid: number, gid: number } | null} null: as whoever we are
 */
export function runner(dir) {
  const { uid, gid } = statSync(nearest(dir));
  if (!asRoot) {
    const me = userInfo();
    if (existsSync(dir) && uid !== me.uid) {
      const name = users().find((user) => user.uid === uid)?.name ?? uid;
      throw new Plain(
        `The bench of this checkout lies in ${dir} and belongs to the user ${name}. Start it as ${name}, or make it yours: sudo chown -R ${me.username} ${dirname(dir)}`,
      );
    }
    return null;
  }
  if (uid !== 0) return { uid, gid };
  const postgres = users().find((user) => user.name === 'postgres');
  if (!postgres) throw new Plain('The user postgres is missing. Reinstall Debian’s package postgresql.');
  return postgres;
}

/** Prefix that lets a program run as the runner and die with us. */
export const dropped = (who, args) => [
  ...(who ? [`--reuid=${who.uid}`, `--regid=${who.gid}`, '--clear-groups'] : []),
  '--pdeathsig=INT',
  '--',
  ...args,
];

/** Makes a folder, and those above it, that belong to whom the folder around them belongs. */
export function makeLike(dir) {
  if (existsSync(dir)) return;
  makeLike(dirname(dir));
  mkdirSync(dir);
  if (!asRoot) return;
  const { uid, gid } = statSync(dirname(dir));
  chownSync(dir, uid, gid);
}

/** Makes a folder that the runner alone can read. */
function makeOwned(dir, who) {
  const existed = existsSync(dir);
  mkdirSync(dir, { recursive: true });
  if (who && (!existed || statSync(dir).uid === 0)) chownSync(dir, who.uid, who.gid);
  chmodSync(dir, 0o700);
}

/** Hands a file that we wrote to the runner. */
export const give = (file, who) => {
  if (who) chownSync(file, who.uid, who.gid);
};

/**
 * `wanted`, or a folder that the runner can reach when the checkout's parents are closed to it. Which one
 * is written down beside, so that a checkout that is moved finds its bench again.
 */
export async function home(wanted, who) {
  makeOwned(wanted, who);
  const note = join(wanted, 'kept-in');
  if (existsSync(note)) {
    const kept = readFileSync(note, 'utf8').trim();
    if (!existsSync(kept))
      throw new Plain(
        `The bench of this checkout lay in ${kept}, which is gone. Put it back, or delete ${note} for an empty bench.`,
      );
    return kept;
  }
  if (!who || existsSync(join(wanted, 'cluster')) || (await reaches(who, wanted))) return wanted;
  const other = join(ELSEWHERE, createHash('sha256').update(wanted).digest('hex').slice(0, 12));
  makeOwned(other, who);
  writeFileSync(note, `${other}\n`);
  console.log(`  (the database's user cannot reach ${wanted}; the bench is kept in ${other})`);
  return other;
}

const reaches = (who, dir) =>
  quietly('setpriv', dropped(who, ['test', '-x', dir, '-a', '-w', dir]), { log: 'reach', cwd: '/' }).then(
    () => true,
    () => false,
  );
