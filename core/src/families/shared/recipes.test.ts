import { describe, expect, it } from 'vitest';
import { PATHS, recipeOf } from '../index.js';

const repairs = [...PATHS].flatMap(([family, path]) =>
  [...path.repairs, ...path.ways].map((repair) => ({ family, repair })),
);

describe('how mends are done', () => {
  it('every repair of every family has its steps, each with words, and steps that open name what', () => {
    expect(repairs.length).toBeGreaterThan(250);
    const without = repairs
      .filter(({ repair }) => recipeOf(repair.id) === null)
      .map(({ family, repair }) => `${family} ${repair.id}`);
    expect(without).toEqual([]);
    for (const { repair } of repairs) {
      const recipe = recipeOf(repair.id);
      expect(recipe?.steps.length, repair.id).toBeGreaterThan(0);
      expect(new Set(recipe?.steps.map((step) => step.id)).size).toBe(recipe?.steps.length);
      for (const step of recipe?.steps ?? []) expect(step.what.length).toBeGreaterThan(3);
    }
    expect(recipeOf('constructor')).toBeNull();
    expect(recipeOf('nothing')).toBeNull();
  });

  // Written from the names as a repairer reads them, not from the list of recipes.
  it('the kind of work is what the name says first: cleaned is not replaced, replaced is not set', () => {
    const fits = {
      Clean: ['clean', 'oil', 'adjust', 'replace'],
      Oil: ['oil'],
      Set: ['adjust', 'replace'],
      Renew: ['replace', 'clean'],
      Replace: ['replace'],
      Fit: ['replace'],
      Glue: ['repair'],
      Free: ['repair'],
      Put: ['repair', 'clean'],
      Reheat: ['repair'],
    } as Readonly<Record<string, readonly string[]>>;
    const wrong = repairs.flatMap(({ family, repair }) => {
      const allowed = fits[repair.name.split(' ')[0] ?? ''];
      const action = recipeOf(repair.id)?.action ?? '';
      return allowed && !allowed.includes(action) ? [`${family} ${repair.name}: ${action}`] : [];
    });
    expect(wrong).toEqual([]);
  });

  it('what is soldered, belted or fused asks for what one would forget', () => {
    const all = (id: string) => JSON.stringify(recipeOf(id)?.steps);
    expect(all('zener')).toContain('Polarity');
    expect(all('fuse')).toContain('Find what blew it');
    expect(all('cord')).toContain('Earth longest');
    expect(all('motor')).toContain('Mark plus, minus');
    expect(all('glue-magnet')).toContain('No power before it has cured');
    expect(recipeOf('belt')?.steps[0]?.opens?.what).toBe('belt');
  });
});
