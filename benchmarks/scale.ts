/**
 * How the server answers with many jobs: lists, searches, opening and appending, on a database made for it.
 * `npm run benchmark-scale [-- JOBS]`. It needs TEST_DATABASE_URL, which the script sets.
 */
import { randomUUID } from 'node:crypto';
import { createServer, request } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import { chromiumPath } from '../scripts/lib/install.mjs';
import { pino } from 'pino';
import { createApp } from '../server/src/app.js';
import { fillBench } from '../server/test/many.js';
import { harness, line, newJob, note, ohms } from '../server/test/harness.js';

const JOBS = Number(process.argv[2] ?? 50000);
const LINES = 20;

const h = await harness();
const from = performance.now();
await fillBench(h.db, JOBS, LINES);
console.log(`${JOBS} jobs, ${JOBS * LINES} lines made in ${((performance.now() - from) / 1000).toFixed(0)} s\n`);

const app = createApp({
  db: h.db,
  now: () => new Date('2026-03-01T10:00:00Z'),
  logger: pino({ level: 'silent' }),
  pageDir: new URL('../web/dist', import.meta.url).pathname,
  requestsPerMinute: 1e9,
});
const server = createServer(app).listen(0, '127.0.0.1');
await once(server, 'listening');
const { port } = server.address() as AddressInfo;

/** Milliseconds until an answer is read whole, and its bytes. */
function ask(path: string, body?: unknown): Promise<{ ms: number; bytes: number; status: number }> {
  const start = performance.now();
  return new Promise((resolve, reject) => {
    const sent = request(
      {
        port,
        path: `/api/v1${path}`,
        method: body ? 'POST' : 'GET',
        headers: body ? { 'content-type': 'application/json' } : {},
      },
      (answer) => {
        let bytes = 0;
        answer.on('data', (chunk: Buffer) => (bytes += chunk.length));
        answer.on('end', () => resolve({ ms: performance.now() - start, bytes, status: answer.statusCode ?? 0 }));
      },
    );
    sent.on('error', reject);
    sent.end(body ? JSON.stringify(body) : undefined);
  });
}

const at = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] as number;

async function measured(
  name: string,
  count: number,
  work: (i: number) => Promise<{ ms: number; bytes: number; status: number }>,
) {
  await work(0);
  const took: number[] = [];
  let bytes = 0;
  for (let i = 1; i <= count; i++) {
    const { ms, bytes: size, status } = await work(i);
    if (status >= 400) throw new Error(`${name}: ${status}`);
    took.push(ms);
    bytes = Math.max(bytes, size);
  }
  console.log(
    `${name.padEnd(44)} p50 ${at(took, 0.5).toFixed(1).padStart(7)} ms, p95 ${at(took, 0.95).toFixed(1).padStart(7)} ms, at most ${(bytes / 1000).toFixed(0)} kB`,
  );
}

/** Milliseconds from the address to the first row that is seen, each time in a browser that knows nothing. */
async function visible(name: string, path: (i: number) => string, count: number, row = 'main li'): Promise<void> {
  const browser = await chromium.launch({ executablePath: chromiumPath() ?? '', args: ['--no-sandbox'] });
  const took: number[] = [];
  for (let i = 0; i < count; i++) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    const page = await context.newPage();
    const start = performance.now();
    await page.goto(`http://127.0.0.1:${port}${path(i)}`, { waitUntil: 'commit' });
    await page.locator(row).first().waitFor();
    took.push(performance.now() - start);
    await context.close();
  }
  await browser.close();
  console.log(
    `${name.padEnd(44)} p50 ${at(took, 0.5).toFixed(0).padStart(7)} ms, worst ${Math.max(...took).toFixed(0)} ms`,
  );
}

const ids = (await h.db('job').orderBy('number').limit(2000).pluck('id')) as string[];
await measured('the bench at a glance', 40, () => ask('/jobs'));
await measured('a page of those handed back', 40, () =>
  ask('/jobs?kind=done&beforeAt=2025-06-01T00:00:00.000Z&beforeId=ffffffff-ffff-4fff-8fff-ffffffffffff'),
);
await measured('search: one word that many hold', 40, () => ask('/jobs?search=school'));
await measured('search: a name and a word', 40, (i) => ask(`/jobs?search=customer%20${1000 + i}`));
await measured('search: nothing holds it', 40, (i) => ask(`/jobs?search=zebra${i}q`));
await measured('search: a number', 40, (i) => ask(`/jobs?search=${100 + i}`));
await measured('the Book: a page', 40, () => ask('/book'));
await measured('the Book: a word that all hold', 40, () => ask('/book?words=belt'));
await measured('the Book: two words', 40, (i) => ask(`/book?words=customer%20${1000 + i}`));
await measured('the Book: a beginning and a kind', 40, () => ask('/book?words=hum&family=washer-front'));
await measured('the Book: nothing holds it', 40, (i) => ask(`/book?words=zebra${i}q`));
await measured('the figures of the shop', 5, () => ask('/book/figures'));
await measured('what the day plan is made from', 20, () => ask('/day-plan'));
await measured('a job opened', 40, (i) => ask(`/jobs/${ids[i]}`));
await measured('a line kept', 100, (i) => ask(`/jobs/${ids[i]}/events`, { events: [line(note(`note ${i}`))] }));
await measured('what this bench knows of a family', 5, () => ask('/families/belt-turntable-dc/known?model=made%20up'));

await visible('the bench, a new browser', () => '/', 8);
await visible('a job, a new browser', (i) => `/job/${ids[i]}/find`, 8, '[aria-label="Bench log"] li');

const long = newJob({ id: randomUUID() });
await ask('/jobs', long);
const many = Array.from({ length: 10000 }, (_, i) => line(i % 3 === 0 ? ohms(i) : note(`line ${i}`)));
for (let i = 0; i < many.length; i += 200) await ask(`/jobs/${long.id}/events`, { events: many.slice(i, i + 200) });
await measured('a line kept in a log of 10,000', 10, (i) =>
  ask(`/jobs/${long.id}/events`, { events: [line(note(`more ${i}`))] }),
);

const took: number[] = [];
await Promise.all(
  Array.from({ length: 10 }, async (_, page) => {
    for (let i = 0; i < 30; i++)
      took.push((await ask(`/jobs/${ids[100 + page]}/events`, { events: [line(note('busy'))] })).ms);
  }),
);
console.log(`ten busy pages: acknowledged p50 ${at(took, 0.5).toFixed(0)} ms, p99 ${at(took, 0.99).toFixed(0)} ms`);
console.log(`memory of this process, driver and server: ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
server.close();
await h.close();
