import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import { familyPage } from './familyPages.js';

const DOCS = join(import.meta.dirname, '..', '..', 'docs', 'families');

describe('a page a family', () => {
  it('there is a path for every family', () => {
    expect(FAMILIES.map((family) => family.id).filter((id) => !PATHS.has(id))).toEqual([]);
  });

  it.each(FAMILIES.map((family) => [family.id, family] as const))(
    '%s stands in the docs as its data are',
    (id, family) => {
      const path = PATHS.get(id);
      if (!path) throw new Error('no path');
      expect(readFileSync(join(DOCS, `${id}.md`), 'utf8')).toBe(familyPage(family, path));
    },
  );
});
