/** Speeds and tolerances that families share. Nominal speeds: IEC 60098 and IEC 60094 (from memory). */
import type { FamilySpeed, ToleranceUse } from '../schema.js';

const rpm = (id: string, label: string, nominalRpm: number): FamilySpeed => ({
  id,
  label,
  nominalRpm,
  nominalCmPerS: null,
});
export const tape = (id: string, label: string, nominalCmPerS: number): FamilySpeed => ({
  id,
  label,
  nominalRpm: null,
  nominalCmPerS,
});
export const free = (id: string, label: string): FamilySpeed => ({ id, label, nominalRpm: null, nominalCmPerS: null });

export const RECORD_SPEEDS = [
  rpm('16', '16⅔ rpm', 50 / 3),
  rpm('33', '33⅓ rpm', 100 / 3),
  rpm('45', '45 rpm', 45),
  rpm('78', '78 rpm', 78.26),
];
export const CASSETTE_SPEEDS = [tape('4.76', '4.76 cm/s', 4.7625), tape('9.5', '9.5 cm/s', 9.525)];
export const REEL_SPEEDS = [
  tape('4.76', '4.76 cm/s', 4.7625),
  tape('9.5', '9.5 cm/s', 9.525),
  tape('19', '19 cm/s', 19.05),
  tape('38', '38 cm/s', 38.1),
];

export const limits = (
  use: string,
  lowerPercent: number,
  upperPercent: number,
  kind: 'standard' | 'practice',
  text: string,
): ToleranceUse => ({ use, lowerPercent, upperPercent, origin: { kind, text } });

export const DISC_HOME = limits('home listening', -1, 1.5, 'standard', 'DIN 45500 disc, from memory');
export const DISC_STRICT = limits(
  'broadcast, dancing to pitch',
  -0.3,
  0.3,
  'standard',
  'broadcast disc, NAB, from memory',
);
export const TAPE_HOME = limits('home listening', -1.5, 1.5, 'standard', 'DIN 45500 tape, from memory');
export const TAPE_CLOSE = limits('music work, exchange of tapes', -0.5, 0.5, 'practice', 'common practice');
export const PORTABLE = limits('portable', -3, 3, 'practice', 'portable 3 %, common practice');
export const AS_FOUND = limits(
  'against as found',
  -5,
  5,
  'practice',
  'common practice: no nominal, compared with as found',
);
