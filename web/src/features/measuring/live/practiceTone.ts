/** A practice unit stands where the cable would, or the microphone: what is heard live is made from its physics. */
import type { PracticeSound, PracticeTone } from '@amber-gauge/core/training';
import { create } from 'zustand';
import tapUrl from '../../../workers/tap.worklet.ts?worker&url';
import type { OpenInput } from './openInput.js';

interface Standing {
  /** A practice unit is on the bench: nothing else is listened to. */
  readonly on: boolean;
  /** What its tone shows; null while it is off or stands still. */
  readonly tone: PracticeTone | null;
  readonly nominalHz: number;
  /** Its own noise from close by, made when it is asked for; null for a machine that hardly sounds. */
  readonly noise: (() => PracticeSound | null) | null;
}

/** The test tone of a practice unit, made as it stands now. */
export const usePracticeTone = create<Standing & { set: (to: Standing) => void }>((set) => ({
  on: false,
  tone: null,
  nominalHz: 3150,
  noise: null,
  set,
}));

/** The follower settles on a new speed within this, seconds: a heavy platter takes its time. */
const SETTLE_S = 0.4;
/** Between moves of what wanders, ms. */
const WANDER_MS = 250;
const LEVEL = 0.3;

/** A node whose samples come out of a port. */
async function openTap() {
  const context = new AudioContext({ latencyHint: 'interactive' });
  await context.audioWorklet.addModule(tapUrl);
  await context.resume();
  const tap = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
  const channel = new MessageChannel();
  tap.port.postMessage(channel.port1, [channel.port1]);
  return { context, tap, samples: channel.port2 };
}

/** Opens the practice unit's own noise as an input, over and over; what stands still is silent. */
export async function openPracticeNoise(noise: () => PracticeSound | null): Promise<OpenInput> {
  const { context, tap, samples } = await openTap();
  const made = noise();
  const { sampleRate } = made ?? context;
  const buffer = new AudioBuffer({ length: made?.samples.length ?? sampleRate, sampleRate });
  if (made) buffer.copyToChannel(Float32Array.from(made.samples), 0);
  const player = new AudioBufferSourceNode(context, { buffer, loop: true });
  player.connect(tap);
  player.start();
  return { sampleRate: context.sampleRate, deviceId: null, samples, close: () => void context.close() };
}

/** Opens the practice unit's tone as an input. */
export async function openPracticeTone(): Promise<OpenInput> {
  const { context, tap, samples } = await openTap();
  const level = new GainNode(context, { gain: 0 });
  const tone = new OscillatorNode(context, { type: 'sine' });
  tone.connect(level).connect(tap);
  tone.start();
  let wow: { readonly node: OscillatorNode; readonly depth: GainNode }[] = [];
  const set = ({ tone: shown, nominalHz }: Standing) => {
    for (const { node } of wow) node.stop();
    wow = [];
    level.gain.setTargetAtTime(shown ? LEVEL : 0, context.currentTime, 0.02);
    if (!shown) return;
    tone.frequency.setTargetAtTime(nominalHz * (1 + shown.errorPercent / 100), context.currentTime, SETTLE_S);
    wow = shown.lines.map(({ percent, hz }) => {
      const node = new OscillatorNode(context, { frequency: hz });
      const depth = new GainNode(context, { gain: (nominalHz * percent) / 100 });
      node.connect(depth).connect(tone.frequency);
      node.start();
      return { node, depth };
    });
  };
  const first = usePracticeTone.getState();
  if (first.tone) tone.frequency.value = first.nominalHz * (1 + first.tone.errorPercent / 100);
  set(first);
  const unsubscribe = usePracticeTone.subscribe(set);
  const wander = setInterval(() => {
    const { tone: shown, nominalHz } = usePracticeTone.getState();
    if (!shown || shown.wanderPercent < 0.02) return;
    const off = shown.errorPercent + shown.wanderPercent * 1.7 * (2 * Math.random() - 1);
    tone.frequency.setTargetAtTime(nominalHz * (1 + off / 100), context.currentTime, 0.1);
  }, WANDER_MS);
  return {
    sampleRate: context.sampleRate,
    deviceId: null,
    samples,
    close() {
      unsubscribe();
      clearInterval(wander);
      void context.close();
    },
  };
}
