/** Measures one file in a process of its own and says how long it took and how much memory the process held. */
import { open, readFile } from 'node:fs/promises';
import { measureWav } from '../core/src/speed/index.js';

const handle = await open(process.argv[2] ?? '');
const { size } = await handle.stat();
const source = {
  size,
  read: async (offset: number, length: number) => {
    const { buffer, bytesRead } = await handle.read(new Uint8Array(length), 0, length, offset);
    return buffer.subarray(0, bytesRead);
  },
};
const from = performance.now();
const result = await measureWav(source, { nominalHz: 3150 });
const seconds = (performance.now() - from) / 1000;
// Of this process alone: what resourceUsage gives may be the parent's, taken over at the start.
const status = await readFile('/proc/self/status', 'utf8');
const memory = Number(/VmHWM:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024;
console.log(
  `30 min read from disk: ${seconds.toFixed(1)} s, largest memory of the process ${memory.toFixed(0)} MB (${result.kind})`,
);
await handle.close();
