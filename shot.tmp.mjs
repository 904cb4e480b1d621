import { chromium } from '@playwright/test';
const [out, route, w = 1280, h = 800, night] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const context = await browser.newContext({ viewport: { width: Number(w), height: Number(h) }, serviceWorkers: 'block', colorScheme: night ? 'dark' : 'light' });
const page = await context.newPage();
const base = 'http://127.0.0.1:4747';
let path = route;
const m = /#(\d+)/.exec(route);
if (m) { const r = await (await fetch(base + '/api/v1/jobs')).json(); const list = r.jobs ?? r.items ?? r; const job = list.map((j) => j.job).find((j) => String(j.number) === m[1]); path = route.replace(m[0], job.id); }
page.on('console', (msg) => msg.type() === 'error' && console.log('console', msg.text()));
await page.goto(base + path); await page.waitForTimeout(2500);
if (process.env.STEPS) await new Function('page', `return (async () => { ${process.env.STEPS} })()`)(page);
await page.screenshot({ path: out }); await browser.close();
