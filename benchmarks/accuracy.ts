/** Monte-Carlo tables of the tone meter; see docs/accuracy.md. */
import { gaussian, seeded } from '../core/src/numeric/index.js';
import { measureTone, synthTone, weight, type MeasuredTone } from '../core/src/speed/index.js';
import type { SampleSource } from '../core/src/formats/index.js';
import { strictRun } from './made.js';
import { shortStretches } from './short.js';

const RATE = 16000;
const only = process.argv[2] ?? '';
const trials = Number(process.argv[2] ?? 400);

function source(samples: Float64Array): SampleSource {
  return {
    sampleRate: RATE,
    channels: 1,
    frames: samples.length,
    read: (start, count) => Promise.resolve([samples.subarray(start, start + count)]),
  };
}

async function measured(samples: Float64Array): Promise<MeasuredTone> {
  const tone = await measureTone(source(samples), { nominalHz: 3150 });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return tone;
}

/** Standard deviation of the best unbiased frequency, Hz (Rife & Boorstyn 1974; real tone). */
function bound(samples: number, snrDb: number): number {
  return Math.sqrt((12 * RATE ** 2) / (4 * Math.PI ** 2 * 10 ** (snrDb / 10) * samples * (samples ** 2 - 1)));
}

async function cell(seconds: number, snrDb: number): Promise<number> {
  let square = 0;
  for (let trial = 1; trial <= trials; trial++) {
    const random = seeded(trial * 7919 + seconds * 31 + snrDb);
    const hz = 3150 * (1 + (random() - 0.5) / 50);
    const samples = synthTone({
      sampleRate: RATE,
      durationS: seconds,
      nominalHz: hz,
      snrDb,
      seed: trial + 1,
      phaseRad: 6.28 * random(),
    });
    square += ((await measured(samples)).meanHz - hz) ** 2;
  }
  return Math.sqrt(square / trials) / bound(seconds * RATE, snrDb);
}

if (only !== 'short') {
  console.log('Made sources of known truth, strict\n');
  await strictRun();
}
if (only !== 'made') await shortStretches(200);
if (only === 'made' || only === 'short') process.exit(0);

console.log(`\nMean frequency: RMS error over the Cramer-Rao bound, ${trials} trials a cell\n`);
console.log('| signal to noise | 10 s | 30 s | 60 s |\n| --- | --- | --- | --- |');
for (const snrDb of [20, 30, 40, 50, 60]) {
  const row: string[] = [];
  for (const seconds of [10, 30, 60]) row.push((await cell(seconds, snrDb)).toFixed(3));
  console.log(`| ${snrDb} dB | ${row.join(' | ')} |`);
}

console.log('\nSinusoidal wow and flutter: reading over truth (unweighted rms, weighted 2-sigma), 30 s, 60 dB\n');
console.log('| frequency | 0.02 % | 0.1 % | 1 % |\n| --- | --- | --- | --- |');
for (const hz of [0.5, 0.5556, 1, 4, 10, 33, 100]) {
  const row: string[] = [];
  for (const peakPercent of [0.02, 0.1, 1]) {
    const tone = await measured(
      synthTone({ sampleRate: RATE, durationS: 30, nominalHz: 3150, snrDb: 60, lines: [{ hz, peakPercent }] }),
    );
    const plain = tone.unweightedRmsPercent / (peakPercent * Math.SQRT1_2);
    const heavy = tone.weighted2SigmaPercent / (0.9969 * peakPercent * weight(hz));
    row.push(`${plain.toFixed(3)}, ${heavy.toFixed(3)}`);
  }
  console.log(`| ${hz} Hz | ${row.join(' | ')} |`);
}

console.log('\nBias of the mean from disturbances, parts in a million (a steady tone, 20 s, 50 dB)\n');
console.log('| disturbance | bias |\n| --- | --- |');
const base = () => synthTone({ sampleRate: RATE, durationS: 20, nominalHz: 3150, snrDb: 50, seed: 5 });
const disturbed: Readonly<Record<string, (samples: Float64Array) => Float64Array>> = {
  'hum, 50 Hz and harmonics at −20 dB': (s) =>
    s.map(
      (v, n) => v + 0.05 * [1, 2, 3, 4, 5].reduce((sum, k) => sum + Math.sin((2 * Math.PI * 50 * k * n) / RATE), 0),
    ),
  'clipped at half of its peak': (s) => s.map((v) => Math.max(-0.25, Math.min(0.25, v))),
  'amplitude modulated 50 % at 3 Hz': (s) => s.map((v, n) => v * (1 + 0.5 * Math.sin((2 * Math.PI * 3 * n) / RATE))),
  'five dropouts of 30 ms': (s) =>
    s.map((v, n) => ([2, 5, 9, 13, 17].some((at) => n >= at * RATE && n < (at + 0.03) * RATE) ? 0 : v)),
  'clicks, twenty of full scale': (s) => s.map((v, n) => (n % RATE === 777 ? 1 : v)),
  'hiss at 20 dB': (s) => {
    const normal = gaussian(seeded(8));
    return s.map((v) => v + 0.035 * normal());
  },
};
for (const [name, disturb] of Object.entries(disturbed)) {
  const tone = await measured(disturb(base()));
  console.log(`| ${name} | ${(1e6 * (tone.meanHz / 3150 - 1)).toFixed(3)} |`);
}
