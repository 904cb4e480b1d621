/** Where a train loses speed: measured turns of parts against what their diameters say. */
import { MOTOR_ID, type Train } from './schema.js';
import { trainTurns } from './turns.js';

/** Turns a minute of a part as measured, with its expanded uncertainty in percent (k = 2), null when not known. */
export interface MeasuredTurns {
  readonly part: string;
  readonly rpm: number;
  readonly expandedPercent: number | null;
}

/** Between two measured parts: speed lost beyond the diameters, percent (below zero: gained), its U, and what lies between. */
interface SlipBetween {
  readonly from: string;
  readonly to: string;
  readonly slipPercent: number;
  readonly expandedPercent: number | null;
  /** Contacts between the two, from the driving side: part names. */
  readonly contacts: readonly string[];
}

/** The motor's own speed against what its poles or its sheet say, percent; null when it was not measured. */
export interface SlipFound {
  readonly motorPercent: number | null;
  readonly between: readonly SlipBetween[];
}

/** 1 - measured/computed for each pair of neighbours on the way from motor to output; slip typed into the train is left out. */
export function slipOf(train: Train, measured: readonly MeasuredTurns[], speed: number, mainsHz: number): SlipFound {
  const rigid: Train = { ...train, parts: train.parts.map((part) => ({ ...part, slipPercent: 0 })) };
  const { turning } = trainTurns(rigid, speed, mainsHz);
  const computed = (id: string) => 60 * (turning.find((one) => one.id === id)?.revPerS ?? Number.NaN);
  const way = wayTo(train, train.output.part);
  const seen = way.flatMap((id) => measured.find((one) => one.part === id) ?? []);
  const motor = measured.find((one) => one.part === MOTOR_ID);
  const between = seen.slice(1).map((to, i): SlipBetween => {
    const from = seen[i] as MeasuredTurns;
    const ratio = computed(to.part) / computed(from.part);
    const inside = way.slice(way.indexOf(from.part) + 1, way.indexOf(to.part) + 1);
    return {
      from: from.part,
      to: to.part,
      slipPercent: 100 * (1 - to.rpm / from.rpm / ratio),
      expandedPercent:
        from.expandedPercent === null || to.expandedPercent === null
          ? null
          : Math.hypot(from.expandedPercent, to.expandedPercent),
      contacts: inside.flatMap((id) => {
        const part = train.parts.find((one) => one.id === id);
        return part && part.contact !== 'shaft' ? [part.name] : [];
      }),
    };
  });
  return { motorPercent: motor ? 100 * (motor.rpm / computed(MOTOR_ID) - 1) : null, between };
}

/** Ids from the motor to a part, both included. */
function wayTo(train: Train, id: string): string[] {
  const part = train.parts.find((one) => one.id === id);
  return part ? [...wayTo(train, part.by), id] : [MOTOR_ID];
}
