/** SQL of the shop's settings: one row. */
import type { SettingFields, Settings } from '@amber-gauge/contract';
import type { Db } from '../../db/connect.js';

interface SettingRow {
  shop_name: string;
  shop_address: string;
  currency: string;
  mains_volts: number;
  mains_hz: 50 | 60;
  capture_key: string;
  clock_limit_ppm: number;
  flutter_standard: Settings['flutterStandard'];
  clock_correction_ppm: number;
  hour_money: number;
  day_money: number;
  parts_days: number;
  safety: Settings['safety'];
  hours: Settings['hours'];
  instruments: Settings['instruments'];
  remote_instruments: boolean;
  demo_shown: boolean;
  demo_seeded: boolean;
  version: number;
}

export async function presentSettings(db: Db): Promise<Settings> {
  const row = (await db<SettingRow>('setting').first()) as SettingRow;
  const demo = await db('job').where({ demo: true }).first('id');
  return {
    shopName: row.shop_name,
    shopAddress: row.shop_address,
    currency: row.currency,
    mainsVolts: row.mains_volts,
    mainsHz: row.mains_hz,
    captureKey: row.capture_key,
    clockLimitPpm: row.clock_limit_ppm,
    flutterStandard: row.flutter_standard,
    clockCorrectionPpm: row.clock_correction_ppm,
    hourMoney: row.hour_money,
    dayMoney: row.day_money,
    partsDays: row.parts_days,
    safety: row.safety,
    hours: row.hours,
    // Kept before there was anything but meters.
    instruments: row.instruments.map((one) => ({ ...one, kind: one.kind ?? 'meter' })),
    remoteInstruments: row.remote_instruments,
    version: row.version,
    demoShown: row.demo_shown,
    hasDemo: demo !== undefined,
  };
}

/** Writes when `version` is still the present one; false when it is not. */
export async function writeSettings(db: Db, version: number, fields: Partial<SettingFields>): Promise<boolean> {
  const all: Record<string, unknown> = {
    shop_name: fields.shopName,
    shop_address: fields.shopAddress,
    currency: fields.currency,
    mains_volts: fields.mainsVolts,
    mains_hz: fields.mainsHz,
    capture_key: fields.captureKey,
    clock_limit_ppm: fields.clockLimitPpm,
    flutter_standard: fields.flutterStandard,
    clock_correction_ppm: fields.clockCorrectionPpm,
    hour_money: fields.hourMoney,
    day_money: fields.dayMoney,
    parts_days: fields.partsDays,
    safety: fields.safety && JSON.stringify(fields.safety),
    hours: fields.hours && JSON.stringify(fields.hours),
    instruments: fields.instruments && JSON.stringify(fields.instruments),
    remote_instruments: fields.remoteInstruments,
  };
  const given = Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
  const changed = await db('setting')
    .where({ version })
    .update({ ...given, version: db.raw('version + 1') });
  return changed === 1;
}

export async function showDemo(db: Db, shown: boolean): Promise<void> {
  await db('setting').update({ demo_shown: shown, version: db.raw('version + 1') });
}

export const wasSeeded = async (db: Db): Promise<boolean> =>
  ((await db<SettingRow>('setting').first('demo_seeded')) as SettingRow).demo_seeded;

export async function markSeeded(db: Db, seeded: boolean): Promise<void> {
  await db('setting').update({ demo_seeded: seeded });
}
