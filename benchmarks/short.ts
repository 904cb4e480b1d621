/** Short stretches with wow of few cycles: how often the truth lies within what is stated; see docs/accuracy.md. */
import { seeded } from '../core/src/numeric/index.js';
import { measurePulses, measureTone, synthTone } from '../core/src/speed/index.js';

const RATE = 16_000;
const TURN_S = 1.8;

/** The share of runs inside and the mean of the stated uncertainty. */
function told(runs: readonly { readonly off: number; readonly expanded: number }[]): string {
  const inside = runs.filter(({ off, expanded }) => Math.abs(off) <= expanded).length;
  const mean = runs.reduce((sum, { expanded }) => sum + expanded, 0) / runs.length;
  return `${inside} of ${runs.length} | ±${mean.toFixed(3)} % |`;
}

/** A tone 0.4 % fast with 0.1 % of wow a turn, and a slow wave of 0.08 to 0.8 Hz and 0.05 to 0.5 %. */
async function tones(seconds: number, count: number): Promise<string> {
  const random = seeded(seconds);
  const runs = [];
  for (let run = 0; run < count; run++) {
    const slow = { hz: 0.08 * 10 ** random(), peakPercent: 0.05 * 10 ** random(), phaseRad: 6.28 * random() };
    const lines = [slow, { hz: 1 / TURN_S, peakPercent: 0.1 }];
    const samples = synthTone({
      ...{ sampleRate: RATE, durationS: seconds, nominalHz: 3150, errorPercent: 0.4, snrDb: 50 },
      ...{ seed: run + 1, lines },
    });
    const read = (start: number, size: number) => Promise.resolve([samples.subarray(start, start + size)]);
    const tone = await measureTone(
      { sampleRate: RATE, channels: 1, frames: samples.length, read },
      { nominalHz: 3150 },
    );
    if (tone.kind !== 'measured') continue;
    runs.push({ off: tone.meanErrorPercent - 0.4, expanded: tone.meanErrorExpandedUncertaintyPercent });
  }
  return told(runs);
}

/** A shaft at its nominal with a wave of 0.15 to 1.35 cycles a turn and 0.2 to 2 %, its poles up to a hundredth of a pitch off. */
async function shafts(perTurn: number, turns: number, count: number): Promise<string> {
  const random = seeded(100 * perTurn + turns);
  const runs = [];
  for (let run = 0; run < count; run++) {
    const [w, depth, from] = [
      (2 * Math.PI * (0.15 + 1.2 * random())) / TURN_S,
      0.002 * 10 ** random(),
      6.28 * random(),
    ];
    const places = Array.from({ length: perTurn }, () => (perTurn > 1 ? 0.02 * (random() - 0.5) : 0));
    const at = (t: number) => (t + (depth / w) * (Math.cos(from) - Math.cos(w * t + from))) / TURN_S;
    const times = Array.from({ length: perTurn * turns + 1 }, (_, n) => {
      const wanted = (n + (places[n % perTurn] as number)) / perTurn;
      let t = wanted * TURN_S;
      for (let i = 0; i < 30; i++) t += (wanted - at(t)) * TURN_S;
      return (t + 1 + 2e-5 * (random() - 0.5)).toFixed(7);
    });
    const found = await measurePulses(`time (s)\n${times.join('\n')}`, { perTurn, nominalRpm: 60 / TURN_S });
    if (found.kind === 'measured')
      runs.push({ off: found.meanErrorPercent, expanded: found.meanErrorExpandedUncertaintyPercent });
  }
  return told(runs);
}

/** Prints the table, so many runs a row. */
export async function shortStretches(count: number): Promise<void> {
  console.log(`\nShort stretches with wow of few cycles: truth within what is stated\n`);
  console.log('| stretch | inside | stated, mean |\n| --- | --- | --- |');
  for (const seconds of [4, 6, 8, 12, 20, 30]) console.log(`| a tone of ${seconds} s | ${await tones(seconds, count)}`);
  for (const perTurn of [1, 4, 8])
    for (const turns of [4, 6, 8, 12, 20])
      console.log(
        `| ${turns} turns, ${perTurn} pulse${perTurn > 1 ? 's' : ''} each | ${await shafts(perTurn, turns, count)}`,
      );
}
