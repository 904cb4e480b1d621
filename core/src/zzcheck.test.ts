import { it } from 'vitest';
import { pathSchema } from './families/path/schema.js';
import { PATH_DATA } from './families/paths/index.js';
import { FAMILY_DATA } from './families/data.js';
import { CAUTION_DATA } from './families/shared/cautions.js';
import { checkPath } from './families/path/check.js';
it('c', () => {
  const out: string[] = [];
  for (const [id, d] of Object.entries(PATH_DATA)) {
    try {
      const p = pathSchema.parse(d);
      checkPath(FAMILY_DATA.find((f) => f.id === id) as never, p, CAUTION_DATA);
      for (const c of p.contexts)
        for (const v of c.values.slice(1)) {
          const used = p.blocks.some((b) =>
            [...b.healthy, ...b.modes.flatMap((m) => m.rows)].some((r) => [r.when['@' + c.id]].flat().includes(v)),
          );
          const asked = p.tests.some((t) => t.context[c.id] === v);
          if (used !== asked) out.push(`${id}: ${c.id}=${v} used ${used} asked ${asked}`);
        }
    } catch (e) {
      out.push(`${id}: ${(e as Error).message.slice(0, 400)}`);
    }
  }
  console.log(out.join('\n'));
});
