/**
 * The meter's inner loops for the WebAssembly compiler (AssemblyScript: `npm run kernel` makes
 * core/src/numeric/kernel/bytes.ts of it). Each has a twin in plain TypeScript which is the
 * reference; the tests hold one against the other.
 *
 * All pointers are bytes, arrays are f64 without a gap unless named otherwise. Nothing here allocates:
 * the caller lays out the memory from `base` on. Filters take taps in natural order, padded with zeros
 * to an even count, and read that many samples from each output's first.
 */
export { base } from './memory';
export { mixSums, filterSums } from './filters';
export { addWave, countSizes, quasiPeak, decodeWords, turn, polar } from './waves';
export { normalSums, takeOff } from './columns';
export { transform, unpack, pack, unpair, windowPairs, power } from './transform';
export { shiftSums, addTooth, slideBest, joinSides } from './comb';
export { frameLevels, unwrap, blockSums, countOdd, hann, differences } from './levels';
