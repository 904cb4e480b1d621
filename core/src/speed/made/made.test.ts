/** Every made source leads to what a careful person would want of it: a figure that is right, a question, or a refusal. */
import { describe, expect, it } from 'vitest';
import { MADE_LOGS } from './cases.js';
import { play } from './play.js';
import { playSound, SOUND_CASES } from './soundCases.js';
import { playTone, TONE_CASES } from './toneCases.js';

const count = MADE_LOGS.length + TONE_CASES.length + SOUND_CASES.length;

describe(`made sources (${count})`, () => {
  it('are at least eighty, each by its own name', () => {
    const ids = [...MADE_LOGS, ...TONE_CASES, ...SOUND_CASES].map((made) => made.id);
    expect(count).toBeGreaterThanOrEqual(80);
    expect(MADE_LOGS.every((made) => made.expected.kind !== 'mean' || made.expected.rpm > 0)).toBe(true);
    expect(new Set(ids).size).toBeGreaterThan(count - 4);
  });
  it.each(MADE_LOGS.map((made) => [made.id, made] as const))('log: %s', async (_id, made) => {
    const played = await play(made);
    expect(played.holds, played.outcome).toBe(true);
  });
  it.each(TONE_CASES.map((made) => [made.id, made] as const))('tone: %s', async (_id, made) => {
    const played = await playTone(made);
    expect(played.holds, played.outcome).toBe(true);
  });
  it.each(SOUND_CASES.map((made) => [made.id, made] as const))('sound: %s', async (_id, made) => {
    const played = await playSound(made);
    expect(played.holds, played.outcome).toBe(true);
  });
});
