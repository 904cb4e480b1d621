/** Renews docs/screenshots from the demo data on a database of its own. */
import { chromium } from '@playwright/test';
import { fork } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { CHROMIUM, ensureChromium, ensurePostgres } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { ROOT } from './lib/run.mjs';
import { plainly, step } from './lib/say.mjs';

const OUT = join(ROOT, 'docs', 'screenshots');
const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** name, address (job numbers after #), and what differs from 1280 x 800 by day. */
const VIEWS = [
  ['bench', '/'],
  ['set-speed', '/job/#147/set-speed'],
  ['take-in-night', '/job/#145/take-in', { night: true }],
  ['find', '/job/#145/find', { act: askOutside, height: 900 }],
  ['make-safe', '/job/#144/make-safe'],
  ['is-it-on', '/job/#145/take-in', { act: turning }],
  ['open-up', '/job/#148/open-up', { act: takeApart }],
  ['gate', '/job/#148/open-up', { act: beforePower, height: 1000 }],
  ['mend', '/job/#147/mend', { act: decideBelt }],
  ['workings', '/workings/supply', { act: reckon }],
  ['shelf', '/shelf'],
  ['hand-back', '/job/#142/hand-back'],
  ['speed-desk', '/speed'],
  ['speed-sound', '/speed', { act: showSound, height: 900 }],
  ['speed-strobe', '/speed', { act: countBars }],
  ['test-tones', '/speed/tones'],
  ['sheet', '/job/#142/sheet'],
  ['set-up', '/set-up'],
  ['phone', '/job/#147/set-speed', { width: 390, height: 844 }],
];

function serve(url) {
  return new Promise((resolve, reject) => {
    const child = fork(SERVER_ENTRY, {
      env: { ...process.env, DATABASE_URL: url, PAGE_DIR, PORT: '0', LOG_LEVEL: 'warn' },
    });
    child.once('message', ({ port }) => resolve({ child, base: `http://127.0.0.1:${port}` }));
    child.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
  });
}

async function stayHere(page) {
  await page.keyboard.press('Shift');
  await page.waitForTimeout(300);
}

/** What this unit shows: right at the detent, wandering off it when warm and at the slow end. */
const SHOWS = [
  [/off the detent.*(?:20 minutes|warm)|Off the detent|slow end/, 'wanders'],
  [/detent|Platter at/, 'right'],
  [/Lock lamp/, 'locked'],
  [/lamp/, 'lit'],
  [/slider/, 'smooth'],
];

/** A few answers, so that the path has something to say. */
async function askOutside(page) {
  await stayHere(page);
  const next = page.getByLabel('Next test');
  for (let i = 0; i < 2; i++) {
    const name = (await next.getByRole('heading').first().textContent()) ?? '';
    const reply = SHOWS.find(([pattern]) => pattern.test(name))?.[1];
    const key = next.getByRole('button', { name: reply ?? 'none', exact: true });
    if (!reply || !(await key.count())) break;
    await key.first().click();
    await page.waitForTimeout(900);
    // It is on for this: the log asks once.
    if (i === 0) await page.keyboard.press('F6');
    await page.waitForTimeout(300);
  }
  await page.locator('main').evaluate((main) => (main.scrollTop = 0));
  await page.mouse.move(640, 20);
  await page.waitForTimeout(300);
}

/** Type a line blind: it lands in the entry line. */
async function typed(page, text) {
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
  await page.waitForTimeout(900);
}

function turning(page) {
  return typed(page, '33: -1.2 %');
}

async function takeApart(page) {
  await stayHere(page);
  await page.getByRole('button', { name: 'Take apart' }).click();
  await page.waitForTimeout(300);
}

async function beforePower(page) {
  await page.keyboard.press('F8');
  await page.getByRole('button', { name: 'Lamp in series' }).click();
  await page.waitForTimeout(400);
}

/** One mend chosen, with its reason. */
async function decideBelt(page) {
  await stayHere(page);
  await page.getByLabel('Why this one').fill('stretched, slips under the finger');
  await page.getByRole('button', { name: 'Choose: Fit a new belt' }).click();
  await page.waitForTimeout(800);
}

/** A small deck: 23 V into a bridge, 2200 µF, 132 mA. */
async function reckon(page) {
  const type = (name, text) => page.getByRole('textbox', { name, exact: true }).fill(text);
  await type('A.c. that feeds it (of a centre tap: one half)', '23');
  await type('Load', '0.132');
  await type('Reservoir', '2200');
  await type('Read: d.c., if known', '27.5');
  await page.waitForTimeout(300);
}

async function showSound(page) {
  await page.getByRole('button', { name: 'sound', exact: true }).click();
  await page.getByRole('button', { name: /vacuum/ }).click();
  await page.getByLabel('Blades', { exact: true }).fill('9');
  await page.waitForTimeout(800);
  await page.mouse.wheel(0, -5000);
  await page.waitForTimeout(200);
}

async function countBars(page) {
  await page.getByRole('button', { name: 'strobe disc', exact: true }).click();
  await page.getByLabel('Bars past a mark').fill('14');
  await page.waitForTimeout(400);
}

await plainly(async () => {
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  mkdirSync(OUT, { recursive: true });
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-shots-'));
  const database = await startPostgres(dir);
  const { child, base } = await serve(database.url);
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: FLAGS });
  try {
    const { jobs } = await (await fetch(`${base}/api/v1/jobs`)).json();
    const byNumber = Object.fromEntries(jobs.map(({ job }) => [job.number, job.id]));
    for (const [name, address, { width = 1280, height = 800, night = false, act = null } = {}] of VIEWS) {
      const context = await browser.newContext({
        viewport: { width, height },
        colorScheme: night ? 'dark' : 'light',
        serviceWorkers: 'block',
      });
      const page = await context.newPage();
      await page.goto(base + address.replace(/#(\d+)/, (_all, number) => byNumber[number]));
      await page.waitForTimeout(900);
      await page.waitForTimeout(400);
      if (act) await act(page);
      await step(name, () => page.screenshot({ path: join(OUT, `${name}.png`) }).then(() => 'taken'));
      await context.close();
    }
  } finally {
    await browser.close();
    child.kill('SIGTERM');
    await new Promise((resolve) => child.once('exit', resolve));
    await database.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});
