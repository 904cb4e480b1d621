/** The trim coach: typed between moves, and by the tone that a microphone hears. */
import { writeWav } from '@amber-gauge/core/formats';
import type { Page } from '@playwright/test';
import { expect, test } from '../support/app.js';
import { microphone } from '../support/microphone.js';
import { asFile } from '../support/recordings.js';

const RATE = 44100;
/** What the microphone hears: percent at a nominal by time, with half a per mille of wow once in 1.8 s. */
const COURSE: readonly { readonly lastS: number; readonly hz: number; readonly from: number; readonly to: number }[] = [
  { lastS: 9, hz: 3150, from: -2.4, to: -2.4 },
  { lastS: 6, hz: (3150 * 45) / (100 / 3), from: 0, to: 0 },
  { lastS: 4, hz: 3150, from: -2.4, to: -2.4 },
  { lastS: 4, hz: 3150, from: -2.4, to: 0 },
  { lastS: 8, hz: 3150, from: 0, to: 0 },
  { lastS: 8, hz: (3150 * 45) / (100 / 3), from: 0, to: 0 },
];

function heard(): Float64Array {
  const samples = new Float64Array(RATE * COURSE.reduce((sum, one) => sum + one.lastS, 0));
  let [phase, at] = [0, 0];
  for (const { lastS, hz, from, to } of COURSE)
    for (let i = 0; i < lastS * RATE; i++) {
      const wow = 0.05 * Math.sin((2 * Math.PI * at) / RATE / 1.8);
      phase += (2 * Math.PI * hz * (1 + (from + ((to - from) * i) / (lastS * RATE) + wow) / 100)) / RATE;
      samples[at++] = 0.4 * Math.sin(phase);
    }
  return samples;
}

test.use(microphone(asFile('coach.wav', writeWav([heard()], RATE))));

async function begin(page: Page, url: string, how: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('link', { name: /0147/ }).first().click();
  await page
    .getByLabel('Stages')
    .getByRole('button', { name: /^Set speed/ })
    .click();
  await page.getByRole('button', { name: 'Set the trims' }).click();
  await expect(page.getByRole('button', { name: '7 left before the first turn' })).toBeDisabled();
  for (const check of await page.getByLabel('What comes first').getByRole('button').all()) await check.click();
  await page.getByRole('button', { name: how }).click();
  await page.getByRole('button', { name: 'Begin', exact: true }).click();
}

test('typed: one thing at a time, what a nudge did decides the next turn, and typed alone proves nothing', async ({
  page,
  demo,
}) => {
  await begin(page, demo.url, 'Read and typed between moves');
  const todo = page.getByLabel('What to do');
  const say = async (text: string) => {
    await page.getByRole('textbox', { name: 'Speed for the coach' }).fill(text);
    await page.keyboard.press('Enter');
  };
  await expect(todo).toHaveText('Measure 33⅓ rpm');
  await say('-2.4 %');
  await expect(todo).toHaveText('Measure 45 rpm');
  await say('0 %');
  await expect(todo).toHaveText('Turn the 33 trim half a turn clockwise');
  await page.getByRole('button', { name: 'Turned', exact: true }).click();
  await expect(todo).toHaveText('Measure 33⅓ rpm');
  // Half a turn made it 1 % slower: 2.1 % a turn the other way, with what the play may have eaten.
  await say('-3.4 %');
  await expect(todo).toHaveText('Measure 45 rpm');
  await say('0 %');
  await expect(page.getByLabel('What the trims do')).toContainText(
    /33 trim: faster counter-clockwise, 2\.[0-3]\s% a turn/,
  );
  await expect(todo).toHaveText(/Turn the 33 trim 1\.[5-8]\d turns counter-clockwise/);
  await page.getByRole('textbox', { name: /^Turned otherwise/ }).fill('-1.6');
  await page.getByLabel('Trim coach').getByRole('button', { name: 'Keep it' }).click();
  await say('0.1 %');
  await expect(todo).toHaveText('Measure 45 rpm');
  await say('0 %');
  await expect(todo).toHaveText('Inside by what was typed: now prove it');
  await expect(page.getByRole('log').or(page.getByLabel('Bench log'))).toContainText(
    'turned 33 trim 1.60 turns counter-clockwise',
  );
});

test('heard: moved, settled and another speed are told from the tone; the sound leads; each move stands in the log', async ({
  page,
  demo,
}) => {
  test.setTimeout(120_000);
  await begin(page, demo.url, 'Heard live, turned by ear');
  const state = page.getByLabel('What is heard');
  await page.getByLabel('Trim coach').getByRole('button', { name: 'Listen' }).click();
  await expect(state).toBeVisible();
  const seen = page.evaluate(async () => {
    const [sounds, todo]: [string[], string[]] = [[], []];
    const push = (list: string[], text: string) => list.at(-1) !== text && list.push(text);
    for (const until = performance.now() + 75_000; performance.now() < until;) {
      const heardNow = document.querySelector('[aria-label="What is heard"]');
      const words = document.querySelector('[aria-label="What to do"]')?.textContent ?? '';
      if (heardNow) push(sounds, heardNow.getAttribute('data-sound') ?? '');
      push(todo, words);
      if (words.startsWith('Stop')) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    return { sounds, todo };
  });
  const { sounds, todo } = await seen;
  // The known course: 33 at -2.4 %, 45 right, 33 brought to nought, 45 once more.
  expect(todo[0]).toMatch(/^Selector to 33⅓ rpm, and wait/);
  const turn = todo.findIndex((one) => one.startsWith('Selector to 33⅓ rpm. Turn the 33 trim until it reads'));
  expect(turn).toBeGreaterThan(0);
  expect(todo.at(-1)).toBe('Stop: every speed is right');
  const words = sounds.join(' ');
  expect(words).toMatch(/slow.*inside/);
  expect(words).not.toContain('fast');
  const log = page.getByRole('log').or(page.getByLabel('Bench log'));
  await expect(log).toContainText('turned 33 trim, by the speed');
  await expect(page.getByLabel('How the speeds stand')).toContainText(/33⅓ rpm: [−+]?0\.0\d/);
});

test('heard by pulses of a shaft: the same course, read at the mean of two turns, without an uncertainty of its own', async ({
  page,
  demo,
}) => {
  await begin(page, demo.url, 'Heard live, turned by ear');
  const coach = page.getByLabel('Trim coach');
  await coach.getByRole('button', { name: 'By the tone' }).click();
  await expect(coach.getByRole('button', { name: 'Listen' })).toBeEnabled();
  await coach.getByRole('textbox', { name: 'Pulses a turn' }).fill('0');
  await expect(coach.getByRole('button', { name: 'Listen' })).toBeDisabled();
  // 3150 a second at 33 1/3 turns a minute are 5670 a turn.
  await coach.getByRole('textbox', { name: 'Pulses a turn' }).fill('5670');
  await coach.getByRole('button', { name: 'Listen' }).click();
  await expect(page.getByTestId('coach-number')).toHaveText(/−2\.[34]\d.%/, { timeout: 20_000 });
  await expect(page.getByLabel('How the speeds stand')).toContainText(/33⅓ rpm: −2\.[34]\d.%/, { timeout: 20_000 });
  await expect(page.getByLabel('How the speeds stand')).not.toContainText('±');
});
