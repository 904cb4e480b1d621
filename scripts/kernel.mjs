/**
 * Compiles core/kernel to WebAssembly and writes it as core/src/numeric/kernel/bytes.ts, so
 * that page, server and command line carry it without a file of their own. `npm run kernel`.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import asc from 'assemblyscript/asc';
import { ROOT } from './lib/run.mjs';

const SOURCES = join(ROOT, 'core', 'kernel');
const BYTES = join(ROOT, 'core', 'src', 'numeric', 'kernel', 'bytes.ts');

/** The text of bytes.ts for the source as it stands. */
export async function compiledBytes() {
  let binary = new Uint8Array(0);
  const { error, stderr } = await asc.main(
    ['kernel.ts', '-O3', '--enable', 'simd', '--runtime', 'stub', '--noAssert', '--outFile', 'kernel.wasm'],
    {
      readFile: (name) => (existsSync(join(SOURCES, name)) ? readFileSync(join(SOURCES, name), 'utf8') : null),
      writeFile: (name, contents) => {
        if (name === 'kernel.wasm') binary = contents;
      },
      listFiles: () => [],
    },
  );
  if (error) throw new Error(`${error.message}\n${stderr.toString()}`);
  return `/** The inner loops of core/kernel/kernel.ts, compiled: made by \`npm run kernel\`, not by hand. */\nexport const KERNEL_BYTES = [${[...binary].join(',')}];\n`;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const text = await compiledBytes();
  if (process.argv.includes('--check')) {
    if (readFileSync(BYTES, 'utf8') !== text) {
      console.error(
        'core/src/numeric/kernel/bytes.ts is not what core/kernel/kernel.ts compiles to: run npm run kernel',
      );
      process.exit(1);
    }
  } else writeFileSync(BYTES, text);
}
