/** Says at the end, on the error channel, how much memory the process held and how long it ran: `node --import`. */
import { readFileSync } from 'node:fs';

process.on('exit', () => {
  const held = Number(/VmHWM:\s+(\d+)/.exec(readFileSync('/proc/self/status', 'utf8'))?.[1] ?? 0) / 1024;
  console.error(JSON.stringify({ megabytes: held }));
});
