import { describe, expect, it } from 'vitest';
import { FAMILIES, PATHS } from '../../families/index.js';

describe('moves of a family', () => {
  it('that a mend of the path stands for name it, so that nothing is listed twice', () => {
    const own = FAMILIES.flatMap((family) => {
      const path = PATHS.get(family.id);
      const known = [...(path?.repairs ?? []), ...(path?.ways ?? [])].map((one) => one.id);
      return family.moves
        .filter((move) => move.kind === 'mend' && ![move.id, ...move.mends].some((id) => known.includes(id)))
        .map((move) => move.id);
    });
    // Care that no fault asks for is listed beside the mends.
    expect([...new Set(own)]).toEqual(['oil-bearings']);
  });
});

describe('where practice differs', () => {
  it('both ways stand among the mends of their family with the case for each', () => {
    const cases = (familyId: string, id: string) =>
      [...(PATHS.get(familyId)?.repairs ?? []), ...(PATHS.get(familyId)?.ways ?? [])].flatMap(({ school, cures }) =>
        school?.id === id ? [{ school, cures }] : [],
      );
    for (const [family, id] of [
      ['direct-drive-quartz', 'zener'],
      ['belt-turntable-dc', 'pot'],
      ['washer-front', 'board'],
      ['belt-turntable-dc', 'oil'],
      ['belt-turntable-ac', 'oil'],
      ['open-reel', 'oil'],
      ['cassette-belt', 'glue'],
      ['cassette-direct', 'set'],
    ] as const) {
      const both = cases(family, id);
      expect(both.length, family).toBe(2);
      expect(new Set(both.map(({ school }) => school.case)).size).toBe(2);
    }
  });
});
