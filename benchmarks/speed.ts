/**
 * How long the tone meter takes, from bytes in memory to the result, beside a straightforward script
 * of the same method in a general-purpose numeric library where that is installed.
 * `npm run benchmark`.
 */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { join } from 'node:path';
import { memorySource, writeWav } from '../core/src/formats/index.js';
import { liveMeter, listenWav, measureWav, synthMotor, synthTone } from '../core/src/speed/index.js';

const RATE = 48000;
const LINES = [
  { hz: 0.5556, peakPercent: 0.1 },
  { hz: 6.3, peakPercent: 0.05 },
  { hz: 27, peakPercent: 0.03 },
];

/** Tone of `seconds` as 16-bit WAV bytes, made in blocks so that the making leaves little memory behind. */
function toneWav(seconds: number): Uint8Array {
  const samples = synthTone({ sampleRate: RATE, durationS: seconds, nominalHz: 3150, errorPercent: 0.3, lines: LINES });
  return writeWav([samples], RATE);
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] as number;

async function timed(times: number, work: () => Promise<unknown>): Promise<number> {
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const from = performance.now();
    await work();
    took.push(performance.now() - from);
  }
  return median(took);
}

/** This machine's own measure: 10^8 additions that wait for each other, milliseconds. */
function dependentAdditions(): number {
  const from = performance.now();
  let sum = 0;
  for (let i = 0; i < 1e8; i++) sum += i * 1e-9;
  return sum > 0 ? performance.now() - from : 0;
}

console.log(`${cpus()[0]?.model ?? 'processor'}, ${cpus().length} cores, Node ${process.version}`);
console.log(`10^8 additions that wait for each other: ${dependentAdditions().toFixed(0)} ms\n`);

const minute = toneWav(60);
const cold = await timed(1, () => measureWav(memorySource(minute), { nominalHz: 3150 }));
const warm = await timed(5, () => measureWav(memorySource(minute), { nominalHz: 3150 }));
const after = await timed(5, () => measureWav(memorySource(minute), { nominalHz: 3150 }));
console.log(
  `60 s at 48 kHz: first ${cold.toFixed(0)} ms, median of five ${warm.toFixed(0)} ms, of the next five ${after.toFixed(0)} ms`,
);

const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-bench-'));
const path = join(dir, 'minute.wav');
writeFileSync(path, minute);
const reference = spawnSync('python3', [join(import.meta.dirname, 'reference.py'), path], { encoding: 'utf8' });
if (reference.status === 0) {
  const { ms, hz } = JSON.parse(reference.stdout) as { ms: number; hz: number };
  console.log(
    `the same with numpy and scipy: median of five ${ms.toFixed(0)} ms, ${hz.toFixed(4)} Hz; ratio ${(after / ms).toFixed(2)}`,
  );
} else {
  console.log('numpy and scipy are not installed (python3-numpy, python3-scipy): no comparison');
}

/** `gauge` on a file, as a process of its own: seconds from its start to its end and the memory it held. */
function asProcess(command: string, file: string, ...options: readonly string[]) {
  const from = performance.now();
  const child = spawnSync(
    process.execPath,
    ['--import', join(import.meta.dirname, 'held.mjs'), 'cli/bin/gauge.mjs', command, file, ...options, '--json'],
    { cwd: join(import.meta.dirname, '..'), encoding: 'utf8' },
  );
  if (child.status !== 0) throw new Error(child.stderr);
  const { megabytes } = JSON.parse(child.stderr.trim().split('\n').at(-1) as string) as { megabytes: number };
  return { seconds: (performance.now() - from) / 1000, megabytes };
}

const times = (count: number, run: () => { seconds: number; megabytes: number }) => {
  const all = Array.from({ length: count }, run);
  const seconds = median(all.map((one) => one.seconds)).toFixed(2);
  return `median of ${count} ${seconds} s, ${median(all.map((one) => one.megabytes)).toFixed(0)} MB`;
};

asProcess('tone', path, '--nominal', '3150');
console.log(`60 s as a whole process: ${times(5, () => asProcess('tone', path, '--nominal', '3150'))}`);
const long = join(dir, 'half-hour.wav');
writeFileSync(long, toneWav(1800));
console.log(`30 min as a whole process: ${times(3, () => asProcess('tone', long, '--nominal', '3150'))}`);
rmSync(long);

const motor = writeWav(
  [
    synthMotor({
      sampleRate: 44100,
      durationS: 30,
      rpmAt: () => 28000,
      linesPerTurn: 7,
      harmonics: [0.2, 0.1],
      noise: 0.03,
    }),
  ],
  44100,
);
const sound = { lines: 'blades', count: 7, minRpm: 100, maxRpm: 40000, nominalRpm: null, reversing: false } as const;
const whirr = join(dir, 'motor.wav');
writeFileSync(whirr, motor);
const heardAs = ['--lines-per-turn', '7', '--nominal-rpm', '28000'];
console.log(`sound of 30 s as a whole process: ${times(3, () => asProcess('sound', whirr, ...heardAs))}`);
rmSync(dir, { recursive: true });
console.log(
  `sound of 30 s: median of three ${(await timed(3, () => listenWav(memorySource(motor), sound))).toFixed(0)} ms`,
);

const heard = synthTone({ sampleRate: RATE, durationS: 20, nominalHz: 3150, lines: LINES });
const meter = liveMeter({
  sampleRate: RATE,
  nominalHz: 3150,
  turnS: 1.8,
  referenceUncertaintyPercent: null,
  clockLimitPercent: 0.01,
  clockCorrectionPpm: 0,
});
let worst = 0;
const from = performance.now();
for (let at = 0; at + 1024 <= heard.length; at += 1024) {
  const start = performance.now();
  meter.push(heard.subarray(at, at + 1024));
  worst = Math.max(worst, performance.now() - start);
}
const share = (performance.now() - from) / 20000;
console.log(
  `live: ${(100 * share).toFixed(1)} % of one core, longest block ${worst.toFixed(1)} ms of the 21 ms it may take`,
);
