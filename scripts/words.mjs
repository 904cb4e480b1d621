/** Writes the list of everything that is said, for a second language: `npm run words`. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { ensureNpm } from './lib/install.mjs';
import { plainly } from './lib/say.mjs';

await plainly(async () => {
  await ensureNpm();
  const { register } = await import('tsx/esm/api');
  register();
  const { LIST, unsaid, wordList } = await import('./lib/wordList.mjs');
  const missing = await unsaid();
  if (missing.length > 0) console.log(`Shown and not said (say\`…\`):\n${missing.join('\n')}`);
  mkdirSync(dirname(LIST), { recursive: true });
  const list = await wordList();
  writeFileSync(LIST, list);
  console.log(`${list.match(/^msgid /gm).length - 1} sentences in words/amber-gauge.pot`);
});
