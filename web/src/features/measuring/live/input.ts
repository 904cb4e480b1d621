/** The microphone or line input, raw: no echo cancelling, no noise suppression, no automatic gain. */
import { ownEntry } from '@amber-gauge/core/quantity';
import { openPracticeNoise, openPracticeTone, usePracticeTone } from './practiceTone.js';
import type { OpenInput } from './openInput.js';
import tapUrl from '../../../workers/tap.worklet.ts?worker&url';
import { say } from '@amber-gauge/core/words';

/** A way in for sound. */
export interface InputDevice {
  readonly id: string;
  readonly name: string;
}

/** Inputs by name; names are known only after permission was given once. */
export async function inputDevices(): Promise<InputDevice[]> {
  const devices = (await navigator.mediaDevices?.enumerateDevices()) ?? [];
  return devices
    .filter((device) => device.kind === 'audioinput' && device.deviceId !== '')
    .map((device, i) => ({ id: device.deviceId, name: device.label || say`Input ${i + 1}` }));
}

/** Opens an input. @throws an Error in plain words when there is none or it is not allowed. */
export async function openInput(deviceId: string | null): Promise<OpenInput> {
  return usePracticeTone.getState().on ? openPracticeTone() : openDevice(deviceId);
}

/** Opens an input for the noise of the unit. @throws as {@link openInput} does. */
export async function openNoise(): Promise<OpenInput> {
  const { on, noise } = usePracticeTone.getState();
  return on && noise ? openPracticeNoise(noise) : openInput(null);
}

async function openDevice(deviceId: string | null): Promise<OpenInput> {
  if (!navigator.mediaDevices) throw new Error(say`Inputs can be used only on this machine itself or over https.`);
  const stream = await permitted(deviceId);
  const context = new AudioContext({ latencyHint: 'interactive' });
  await context.audioWorklet.addModule(tapUrl);
  await context.resume();
  const node = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
  const channel = new MessageChannel();
  node.port.postMessage(channel.port1, [channel.port1]);
  context.createMediaStreamSource(stream).connect(node);
  return {
    sampleRate: context.sampleRate,
    deviceId: stream.getAudioTracks()[0]?.getSettings().deviceId ?? null,
    samples: channel.port2,
    close() {
      for (const track of stream.getTracks()) track.stop();
      void context.close();
    },
  };
}

const OPENING: Readonly<Record<string, string>> = {
  NotAllowedError: say`The browser was not allowed to listen. Allow the microphone for this page.`,
  NotFoundError: say`No input was found. Plug in the microphone or line cable.`,
  OverconstrainedError: say`That input is gone. Choose another.`,
};

async function permitted(deviceId: string | null): Promise<MediaStream> {
  const audio = {
    echoCancellation: false,
    noiseSuppression: false,
    autoGainControl: false,
    ...(deviceId === null ? {} : { deviceId: { exact: deviceId } }),
  };
  try {
    return await navigator.mediaDevices.getUserMedia({ audio });
  } catch (error) {
    const name = error instanceof DOMException ? error.name : '';
    throw new Error(ownEntry(OPENING, name) ?? say`The input could not be opened. Another program may hold it.`, {
      cause: error,
    });
  }
}
