/** For the next repairer: what this unit reads when it is healthy, where its trims stand, what to know when opening it. */
import { familyOf, PATHS } from '../../families/index.js';
import { fixed, THIN } from '../../quantity/index.js';
import { stepWords } from '../describeLedger.js';
import { speedWords, valueWords } from '../describe.js';
import { linesOf, standing, type BenchEvent } from '../event.js';
import { signalAt } from '../find/places.js';
import { jobLabel, unitName, type JobFacts } from '../job.js';
import { jobState } from '../state.js';
import type { SheetShop } from '../sheet.js';
import { workDone } from './workDone.js';
import { say } from '../../words/index.js';

/** A line of label and value. */
export interface BenchSheetRow {
  readonly label: string;
  readonly value: string;
  readonly at: string;
}

/** The sheet as page and PDF draw it. */
export interface BenchSheet {
  readonly shop: SheetShop;
  readonly number: string;
  readonly unit: string;
  readonly kind: string;
  readonly serial: string;
  /** Readings at test points since the last work, on the healthy unit. */
  readonly points: readonly BenchSheetRow[];
  readonly speeds: readonly BenchSheetRow[];
  readonly trims: readonly BenchSheetRow[];
  /** How it comes apart, in the order it came off, with marks, distances and wires. */
  readonly opening: readonly BenchSheetRow[];
  /** What an earlier visit left and this one found. */
  readonly traces: readonly BenchSheetRow[];
  readonly done: readonly { readonly at: string; readonly text: string }[];
  readonly cautions: readonly string[];
}

/** Made from the log alone. */
export function benchSheet(shop: SheetShop, job: JobFacts, events: readonly BenchEvent[]): BenchSheet {
  const lines = standing(events);
  const state = jobState(job, events);
  const family = familyOf(job.familyId);
  const path = PATHS.get(job.familyId);
  const worked = state.work.at(-1)?.at ?? '';
  const points = new Map<string, BenchSheetRow>();
  for (const { at, place, reading } of state.readings) {
    if (place === null || at < worked) continue;
    // Charge that was left is a working reading, no test point.
    if (path && !signalAt(path, reading, place)) continue;
    const label = [place, reading.speedId, reading.condition].filter(Boolean).join(', ');
    points.set(label, { label, value: valueWords(reading), at });
  }
  return {
    shop,
    number: jobLabel(job),
    unit: unitName(job),
    kind: family.name,
    serial: job.serial,
    points: [...points.values()],
    speeds: state.speeds.flatMap(({ label, asLeft }) =>
      asLeft ? [{ label, value: speedWords(asLeft.speed), at: asLeft.at }] : [],
    ),
    trims: trimsOf(lines),
    opening: state.ledger.steps.map(({ number, at, step }) => ({
      label: `${number}`,
      value: [
        stepWords(step),
        step.marks,
        step.orientation,
        ...step.distances.map((one) => `${one.what} ${one.value}${THIN}${one.unit}`),
      ]
        .filter(Boolean)
        .join('; '),
      at,
    })),
    traces: state.ledger.steps.flatMap(({ number, at, step }) =>
      step.traces ? [{ label: say`step ${number}`, value: step.traces, at }] : [],
    ),
    done: workDone(lines),
    cautions: [family.keepClear, ...(family.licensed ? [family.licensed] : [])],
  };
}

/** Where each trim was last said to stand. */
function trimsOf(lines: readonly BenchEvent[]): BenchSheetRow[] {
  const rows = new Map<string, BenchSheetRow>();
  for (const { enteredAt: at, body } of linesOf(lines, 'coach-stands'))
    rows.set(body.trimId, {
      label: body.name,
      value: `${fixed(body.turns, 2)} turns from its counter-clockwise stop`,
      at,
    });
  return [...rows.values()];
}
