/** A look at a strobe ring for tests: 33⅓ under 50 Hz, 18 bars a minute with the rotation. */
import { readStrobe, type StrobeLook, type StrobeReading } from './reading.js';

/** 33⅓ rpm under 50 Hz, the near edge, clockwise, 18 bars to the left in a minute. */
export const LOOK: StrobeLook = {
  nominalRpm: 100 / 3,
  mainsHz: 50,
  measuredMainsHz: null,
  lamp: 'mains',
  ringBars: 180,
  direction: 'left',
  edge: 'near',
  bars: 18,
  overS: 60,
  clockwise: true,
  camera: 'none',
};
/** Its reading, with what is looked at otherwise. */
export const read = (more: Partial<StrobeLook>): StrobeReading => {
  const reading = readStrobe({ ...LOOK, ...more });
  if (reading.kind !== 'measured') throw new Error(reading.reason);
  return reading;
};
