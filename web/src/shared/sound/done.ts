/** Timer done: 390, 520, 780 Hz, 200 ms each. */
const NOTES_HZ = [390, 520, 780] as const;
const NOTE_S = 0.2;
/** Peak of each note, 18 dB under full scale. */
const LEVEL = 10 ** (-18 / 20);

let context: AudioContext | null = null;

/** Plays it once; silent where the browser does not allow sound before a first touch. */
export async function playDone(): Promise<void> {
  try {
    context ??= new AudioContext();
    if (context.state === 'suspended') await context.resume();
    const start = context.currentTime + 0.02;
    for (const [i, hz] of NOTES_HZ.entries()) note(context, hz, start + i * NOTE_S);
  } catch {
    // No sound device: the words on the screen remain.
  }
}

function note(audio: AudioContext, hz: number, at: number): void {
  const tone = audio.createOscillator();
  const gain = audio.createGain();
  tone.frequency.value = hz;
  gain.gain.setValueAtTime(0, at);
  gain.gain.linearRampToValueAtTime(LEVEL, at + 0.02);
  gain.gain.setValueAtTime(LEVEL, at + NOTE_S - 0.03);
  gain.gain.linearRampToValueAtTime(0, at + NOTE_S);
  tone.connect(gain).connect(audio.destination);
  tone.start(at);
  tone.stop(at + NOTE_S);
}
