/** Set-up: the shop, its mains, the capture key, the sound card; and the test tapes and records. */
import type { SafetyLimits } from '@amber-gauge/core/bench';
import { INSTRUMENT_KINDS, instrumentAddress, type InstrumentKind } from '@amber-gauge/core/instruments';
import { FLUTTER_STANDARDS } from '@amber-gauge/core/speed';
import { z } from 'zod';
import { keySchema, wholeSchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

const ohm = z
  .number()
  .positive(say`Above 0 Ω`)
  .max(100, say`At most 100 Ω`);
const megohm = z
  .number()
  .positive(say`Above 0 MΩ`)
  .max(10000, say`At most 10 000 MΩ`);
const milliampere = z
  .number()
  .positive('Above 0 mA')
  .max(100, say`At most 100 mA`);

/** Limits of electrical safety that this shop goes by: ohm, megohm, mA. */
const safetySchema = z.object({
  earthOhm: ohm,
  earthOhmPer: ohm,
  earthOhmMost: ohm,
  insulationMohm: z.object({ I: megohm, 'I-heating': megohm, II: megohm, III: megohm }),
  earthCurrentMa: milliampere,
  touchCurrentMa: milliampere,
}) satisfies z.ZodType<SafetyLimits>;

const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, say`A time, as in 09:00`);
const few = z
  .number()
  .int(say`A whole number`)
  .min(1, say`At least one`)
  .max(20, say`At most 20`);

/** When the bench is open, by its own clock, and what it has of what jobs share. */
export const hoursSchema = z
  .object({
    from: clock,
    to: clock,
    /** Monday 1 to Sunday 7. */
    days: z
      .array(z.number().int().min(1).max(7))
      .min(1, say`At least one day`)
      .max(7),
    places: few,
    isolators: few,
    variacs: few,
    tapes: few,
  })
  .refine(({ from, to }) => from < to, say`It opens before it closes`);

const KINDS = Object.keys(INSTRUMENT_KINDS) as [InstrumentKind, ...InstrumentKind[]];
/** A meter on a serial line of the device that reads it: "serial:9600", its rate in baud. */
const SERIAL = /^serial:(300|600|1200|2400|4800|9600|19200|38400|57600|115200)$/;

/** The rate of an instrument on a serial line, baud; null for one on the network. */
export const serialBaud = (address: string): number | null => {
  const found = SERIAL.exec(address)?.[1];
  return found === undefined ? null : Number(found);
};

/** An instrument by its address: on the network, or on a serial line of the device that reads it. */
export const instrumentSchema = z.object({
  id: keySchema,
  kind: z.enum(KINDS),
  name: z
    .string()
    .trim()
    .min(1, say`Give the instrument a name`)
    .max(60),
  address: z
    .string()
    .trim()
    .max(120)
    .refine(isAddress, say`Name it as HOST:PORT, as in 127.0.0.1:5025 (ports begin at 1024), or serial:9600`),
});
/** See {@link instrumentSchema}. */
export type Instrument = z.infer<typeof instrumentSchema>;

function isAddress(text: string): boolean {
  if (/^serial:/i.test(text)) return serialBaud(text) !== null;
  try {
    instrumentAddress(text, true);
    return true;
  } catch {
    return false;
  }
}

/** What may be changed in Set-up. */
export const settingFieldsSchema = z.object({
  shopName: z
    .string()
    .trim()
    .min(1, say`The shop needs a name`)
    .max(120),
  shopAddress: z.string().trim().max(400),
  currency: z
    .string()
    .trim()
    .regex(/^[A-Z]{3}$/, say`Three capital letters, as in EUR`),
  mainsVolts: z
    .number()
    .min(90, say`Mains volts lie between 90 and 260`)
    .max(260, say`Mains volts lie between 90 and 260`),
  mainsHz: z.union([z.literal(50), z.literal(60)]),
  captureKey: z.string().min(1).max(32),
  /** What a calibration found: frequencies read by the sound card are multiplied with 1 + this / 10^6. */
  clockCorrectionPpm: z.number().min(-1000, 'Between −1000 and 1000 ppm').max(1000, 'Between −1000 and 1000 ppm'),
  /** Which standard's figure of wow and flutter stands with the number. */
  flutterStandard: z.enum(FLUTTER_STANDARDS),
  /** What an hour of hands costs; mends are weighed by it. */
  hourMoney: z
    .number()
    .positive(say`An hour costs more than nothing`)
    .max(1e6, say`At most a million an hour`),
  /** What a day costs on which a unit lies here and waits; mends that wait for parts are weighed by it. */
  dayMoney: z
    .number()
    .min(0, say`A day costs nothing or more`)
    .max(1e6, say`At most a million a day`),
  /** Days that parts usually take to come. */
  partsDays: z
    .number()
    .int(say`Whole days`)
    .min(0, say`No fewer than none`)
    .max(365, say`At most a year`),
  safety: safetySchema,
  hours: hoursSchema,
  instruments: z.array(instrumentSchema).max(12, say`At most twelve instruments`),
  /** Instruments may stand at other addresses than this machine's own. */
  remoteInstruments: z.boolean(),
  clockLimitPpm: z
    .number()
    .positive('Above 0 ppm')
    .max(10000, say`At most 10000 ppm`),
});
/** See {@link settingFieldsSchema}. */
export type SettingFields = z.infer<typeof settingFieldsSchema>;

/** Set-up as the server keeps it. */
export const settingsSchema = settingFieldsSchema.extend({
  version: z.number().int().positive(),
  demoShown: z.boolean(),
  hasDemo: z.boolean(),
});
/** See {@link settingsSchema}. */
export type Settings = z.infer<typeof settingsSchema>;

/** A change to Set-up, made to the version that was seen. */
export const changeSettingsSchema = z.object({
  version: wholeSchema.min(1),
  fields: settingFieldsSchema.partial(),
});

/** A test tape or record: nominal in hertz, tolerance in percent, null when it is not known. */
export const sourceFieldsSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, say`Give the tape or record a name`)
    .max(120),
  nominalHz: z
    .number()
    .min(20, say`Between 20 Hz and 20 kHz`)
    .max(20000, say`Between 20 Hz and 20 kHz`),
  tolerancePercent: z
    .number()
    .positive('Above 0 %')
    .max(10, say`At most 10 %`)
    .nullable(),
});
/** A test tape or record as it is kept. */
export const sourceSchema = sourceFieldsSchema.extend({
  id: z.uuid(),
  demo: z.boolean(),
  version: z.number().int().positive(),
});
/** See {@link sourceSchema}. */
export type Source = z.infer<typeof sourceSchema>;
/** One to be added; its id is made by the page, so that sending twice keeps it once. */
export const newSourceSchema = sourceFieldsSchema.extend({ id: keySchema });
/** A change, made to the version that was seen. */
export const changeSourceSchema = z.object({
  version: wholeSchema.min(1),
  fields: sourceFieldsSchema.partial(),
});
/** All of them. */
export const sourceListSchema = z.object({ sources: z.array(sourceSchema) });

/** The server's clock. */
export const timeSchema = z.object({ now: z.iso.datetime() });
