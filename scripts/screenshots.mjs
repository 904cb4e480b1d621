/** Renews docs/screenshots from the demo data on a database of its own. */
import { chromium } from '@playwright/test';
import { fork } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { chromiumPath, ensureChromium, ensurePostgres } from './lib/install.mjs';
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
  ['prove', '/job/#142/prove', { act: lookedAt }],
  ['day', '/day', { act: planned }],
  ['book', '/book'],
  ['practice', '/practice', { act: practised }],
  ['open-up', '/job/#148/open-up', { act: takeApart }],
  ['gate', '/job/#148/open-up', { act: beforePower, height: 1000 }],
  ['mend', '/job/#147/mend', { act: decideBelt }],
  ['shelf', '/shelf'],
  ['hand-back', '/job/#142/hand-back'],
  ['speed-desk', '/speed'],
  ['live', '/live', { act: followed }],
  ['coach', '/job/#147/set-speed', { act: coached }],
  ['sheet', '/job/#139/sheet', { height: 1100 }],
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
  [/^Insulation/, 'good'],
  [/^Transformer/, 'through and set right'],
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
  await page.getByRole('button', { name: 'Choose: Fit a new belt', exact: true }).click();
  await page.waitForTimeout(800);
}

/** A check that is read against the shop's limit. */
async function lookedAt(page) {
  await stayHere(page);
  const plan = page.getByLabel('Proving plan');
  await plan.getByRole('button', { name: /^Its class/ }).click();
  await page.getByRole('button', { name: 'II: two squares' }).click();
  await plan.getByRole('button', { name: /^Insulation/ }).click();
  await page.waitForTimeout(300);
}

/** The plan with its chart. */
async function planned(page) {
  await page.waitForTimeout(2500);
}

/** A lesson begun, the first look done: the practice bench at work. */
async function practised(page) {
  await page.getByRole('button', { name: 'Begin: The fuse is not the fault' }).click();
  await page.waitForURL(/take-in/);
  await page.goto(page.url().replace('take-in', 'find'));
  await page.getByRole('button', { name: 'Do what is asked' }).waitFor();
  await page.waitForTimeout(1500);
  await page.getByRole('button', { name: 'Do what is asked' }).click();
  await page.waitForTimeout(500);
  await page.getByRole('button', { name: 'Instruments' }).click();
  await page.waitForTimeout(500);
}

/** Two speeds read, the first nudge advised. */
async function coached(page) {
  await stayHere(page);
  await page.getByRole('button', { name: 'Set the trims' }).click();
  for (const check of await page.getByLabel('What comes first').getByRole('button').all()) await check.click();
  await page.getByRole('button', { name: 'Read and typed between moves' }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
  for (const text of ['-1.8 %', '+0.4 %']) {
    await page.waitForTimeout(900);
    await page.getByRole('textbox', { name: 'Speed for the coach' }).fill(text);
    await page.keyboard.press('Enter');
  }
  await page.waitForTimeout(900);
  await page.locator('main').evaluate((main) => (main.scrollTop = 0));
}

/** What another device would send: a platter 0.2 % slow with a little wow, kept when it was asked for. */
async function followed(page) {
  await page.evaluate(async () => {
    for (let i = 0; i < 60; i++) {
      const wow = 0.12 * Math.sin(i / 2.9);
      await fetch('/api/v1/live/frames', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          sender: '00000000-0000-4000-8000-000000000001',
          what: '0147 Brenning Dans 33',
          speedLabel: '33⅓ rpm',
          nominalRpm: 100 / 3,
          lowerPercent: -0.3,
          upperPercent: 0.3,
          edgePercent: -0.2 + wow,
          meanPercent: -0.2,
          expandedPercent: 0.11,
          wowPercent: 0.12,
          words: 'mean of the last two turns',
          todo: null,
          kept: i < 30 ? null : { count: 1, words: 'Kept: −0.20 ± 0.11 %' },
        }),
      });
      await new Promise((resolve) => setTimeout(resolve, 95));
    }
  });
}

await plainly(async () => {
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  mkdirSync(OUT, { recursive: true });
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-shots-'));
  const database = await startPostgres(dir);
  const { child, base } = await serve(database.url);
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: FLAGS });
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
