/** What must be on the machine: npm packages by the lock file, Debian packages by name. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { quietly, ROOT } from './run.mjs';
import { Plain, step } from './say.mjs';

const STAMP = join(ROOT, 'node_modules', '.amber-gauge-installed');

function lockHash() {
  const hash = createHash('sha256').update(process.version);
  return hash.update(readFileSync(join(ROOT, 'package-lock.json'))).digest('hex');
}

/** npm packages exactly as locked; skipped when the stamp of the last install still fits. */
export async function ensureNpm() {
  const major = Number(process.versions.node.split('.')[0]);
  if (major < 20) throw new Plain(`Node 20 or newer is needed; this is ${process.version}.`);
  const wanted = lockHash();
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return;
  await step('npm packages (about a minute, 660 MB, once)', () =>
    quietly('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'], { log: 'npm' }),
  );
  writeFileSync(STAMP, wanted);
}

const isRoot = () => process.getuid?.() === 0;

async function canSudo() {
  return quietly('sudo', ['-n', 'true'], { log: 'sudo' }).then(
    () => true,
    () => false,
  );
}

/**
 * Debian packages, installed when `there()` is false: as root or by sudo without a password,
 * otherwise one message that names them.
 */
async function ensureDebian(packages, there) {
  if (there()) return;
  const names = packages.join(' ');
  const asRoot = isRoot();
  if (!asRoot && !(await canSudo())) {
    throw new Plain(
      `Missing on this machine: ${names}\nInstall once with: sudo apt-get install ${names}\nThen start again.`,
    );
  }
  const apt = (args) => {
    const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const full = ['env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args];
    return asRoot
      ? quietly('apt-get', args, { log: 'apt', env: environment })
      : quietly('sudo', ['-n', ...full], { log: 'apt' });
  };
  await step(`Debian packages: ${names}`, async () => {
    if (packages.includes('postgresql')) await noMainCluster(asRoot);
    await apt(['update', '-qq']);
    await apt(['install', '-y', '-qq', '--no-install-recommends', ...packages]);
  });
  if (!there()) throw new Plain(`${names} was installed but is still not found.`);
}

/** Keeps Debian from making a cluster of its own; ours is in the project. */
async function noMainCluster(asRoot) {
  const dir = '/etc/postgresql-common';
  const file = join(dir, 'createcluster.conf');
  if (existsSync(file)) return;
  if (asRoot) {
    mkdirSync(dir, { recursive: true });
    writeFileSync(file, 'create_main_cluster = false\n');
  } else {
    await quietly('sudo', ['-n', 'sh', '-c', `mkdir -p ${dir} && echo 'create_main_cluster = false' > ${file}`], {
      log: 'sudo',
    });
  }
}

/** Folder of the newest PostgreSQL programs, or null. */
export function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base)
    .filter((name) => existsSync(join(base, name, 'bin', 'postgres')))
    .sort((a, b) => Number(b) - Number(a));
  return versions[0] ? join(base, versions[0], 'bin') : null;
}

export const ensurePostgres = () => ensureDebian(['postgresql'], () => postgresBin() !== null);
/** Without a face where there is one: it is the same Chromium and starts faster. */
const CHROMIUMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
export const chromiumPath = () => CHROMIUMS.find((path) => existsSync(path)) ?? null;

/** Whichever is there will do; else the one without a face, or the whole one where Debian has no other. */
export async function ensureChromium() {
  const there = () => chromiumPath() !== null;
  await ensureDebian(['chromium-headless-shell'], there).catch(() => ensureDebian(['chromium'], there));
}
