/** The shelf on the wire: its lines, and as a table of comma-separated values. */
import type { Lot, ShelfBody } from '@amber-gauge/core/bench';
import { numberIn } from '@amber-gauge/core/quantity';
import { CANDIDATE_FIELDS } from '@amber-gauge/core/workings';
import Papa from 'papaparse';
import { z } from 'zod';
import { keySchema, momentSchema } from './stored.js';
import { say } from '@amber-gauge/core/words';

const word = z.string().trim().min(1).max(200);
const count = z.number().int().min(1).max(1_000_000);
const day = z.iso.date().refine((text) => text >= '2000-01-01' && text < '2100-01-01', say`lies outside 2000 to 2100`);

/** A motor's plate, by the candidate's fields of the motor match. */
const motorSchema = z
  .record(z.string(), z.string().trim().min(1).max(40))
  .refine(
    (motor) => Object.keys(motor).every((id) => CANDIDATE_FIELDS.some((field) => field.id === id)),
    say`holds a field that no motor has`,
  );

/** What a part serves: a mend as "family/mend", or "use/what". */
const serves = z
  .string()
  .regex(/^[a-z0-9-]+\/[a-z0-9-]+$/, say`Name it as family/mend or use/what`)
  .max(130);

const shelfBodySchema = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('lot'),
    part: word,
    supplier: word,
    quantity: count,
    price: z.number().min(0).max(1e9).nullable(),
    orderedOn: day,
    expectedOn: day.nullable(),
    claimDays: z.number().int().min(0).max(3650),
    place: z.string().trim().max(200),
    motor: motorSchema.optional(),
    serves: z.array(serves).max(40).optional(),
  }),
  z.object({ kind: z.literal('arrived'), lot: keySchema, on: day }),
  z.object({
    kind: z.literal('tested'),
    lot: keySchema,
    good: z.number().int().min(0).max(1_000_000),
    bad: z.number().int().min(0).max(1_000_000),
  }),
  z.object({
    kind: z.enum(['reserved', 'released', 'used', 'failed']),
    lot: keySchema,
    quantity: count,
    job: z.number().int().min(1).max(2147483647).nullable(),
    serves: serves.optional(),
  }),
  z.object({ kind: z.literal('strike'), target: keySchema, reason: word }),
]) satisfies z.ZodType<ShelfBody>;

/** A line of the shelf as it is sent. */
export const shelfLineSchema = z.object({ key: keySchema, at: momentSchema, body: shelfBodySchema });

/** Lines that one request may bring. */
export const MOST_SHELF_LINES = 500;
/** Lines that the shelf gives out; older ones stay in the database. */
export const SHELF_SHOWN = 20_000;

/** Lines to be added; what is there already is left as it is. */
export const addShelfSchema = z.object({ lines: z.array(shelfLineSchema).min(1).max(MOST_SHELF_LINES) });
/** The shelf's lines, in the order they came. */
export const shelfSchema = z.object({ lines: z.array(shelfLineSchema) });

const HEADS = [
  'part',
  'supplier',
  'quantity',
  'price',
  'ordered',
  'expected',
  'claim days',
  'place',
  'serves',
] as const;

/** Lots as a table: the columns that {@link lotsFromCsv} reads, and behind them what is here. */
export const lotsToCsv = (lots: readonly Lot[]): string =>
  Papa.unparse(
    {
      fields: [...HEADS, 'arrived', say`on hand`, 'free', 'bad', 'used', say`failed early`],
      data: lots.map(({ lot, arrivedOn, onHand, free, bad, used, failed }) => [
        lot.part,
        lot.supplier,
        lot.quantity,
        lot.price ?? '',
        lot.orderedOn,
        lot.expectedOn ?? '',
        lot.claimDays,
        lot.place,
        (lot.serves ?? []).join(' '),
        arrivedOn ?? '',
        onHand,
        free,
        bad,
        used,
        failed,
      ]),
    },
    { escapeFormulae: true },
  );

/** What a table held: the lots that can be, and for each row that cannot be why. */
export interface ReadLots {
  readonly lots: readonly Extract<ShelfBody, { kind: 'lot' }>[];
  readonly problems: readonly { readonly row: number; readonly message: string }[];
}

/** Reads a table with the heads part, supplier, quantity and, if there, the others; one bad row stops no other. */
export function lotsFromCsv(text: string, today: string): ReadLots {
  const { data, meta } = Papa.parse<Record<string, string>>(text.trim(), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (head) => head.trim().toLowerCase(),
  });
  const missing = ['part', 'supplier', 'quantity'].filter((head) => !(meta.fields ?? []).includes(head));
  if (missing.length > 0)
    return { lots: [], problems: [{ row: 1, message: say`The first row names no column “${missing.join('”, “')}”.` }] };
  const lots: Extract<ShelfBody, { kind: 'lot' }>[] = [];
  const problems: { row: number; message: string }[] = [];
  data.slice(0, MOST_SHELF_LINES).forEach((cells, i) => {
    const cell = (head: (typeof HEADS)[number]) => (cells[head] ?? '').trim();
    const read = shelfBodySchema.safeParse({
      kind: 'lot',
      part: cell('part'),
      supplier: cell('supplier'),
      quantity: numberIn(cell('quantity')),
      price: cell('price') === '' ? null : numberIn(cell('price')),
      orderedOn: cell('ordered') || today,
      expectedOn: cell('expected') || null,
      claimDays: cell('claim days') === '' ? 30 : numberIn(cell('claim days')),
      place: cell('place'),
      ...(cell('serves') === '' ? {} : { serves: cell('serves').split(/\s+/) }),
    });
    if (read.success && read.data.kind === 'lot') lots.push(read.data);
    else
      problems.push({
        row: i + 2,
        message: read.error?.issues.map((one) => `${one.path.join('.')}: ${one.message}`).join('; ') ?? '',
      });
  });
  if (data.length > MOST_SHELF_LINES)
    problems.push({
      row: MOST_SHELF_LINES + 2,
      message: say`Only ${MOST_SHELF_LINES} rows at a time: import the rest after.`,
    });
  return { lots, problems };
}
