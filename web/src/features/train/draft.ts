/** A train while it is typed: numbers as texts, so that half a number is not lost. */
import { decimal } from '@amber-gauge/core/quantity';
import type { Train, TrainMotor, TrainPart } from '@amber-gauge/core/drive';

type Belt = NonNullable<TrainPart['belt']>;

/** A part as it is typed. */
export interface PartDraft extends Omit<TrainPart, 'sizes' | 'toleranceMm' | 'belt' | 'centreMm' | 'slipPercent'> {
  readonly sizes: string;
  readonly tolerance: string;
  readonly slip: string;
  readonly centre: string;
  readonly thickness: string;
  readonly length: string;
  readonly shape: Belt['shape'];
}

/** A drive train as it is typed. */
export interface TrainDraft {
  readonly motor: Omit<TrainMotor, 'poles' | 'rpm' | 'slipPercent' | 'segments' | 'generator'> & {
    readonly poles: string;
    readonly rpm: string;
    readonly slip: string;
    readonly segments: string;
    readonly generator: string;
  };
  readonly parts: readonly PartDraft[];
  readonly output: { readonly part: string; readonly kind: Train['output']['kind']; readonly tape: string };
  readonly speeds: readonly { readonly id: string; readonly label: string; readonly nominal: string }[];
}

const text = (value: number | null): string => (value === null ? '' : String(Number(value.toPrecision(6))));
const row = (values: readonly number[]): string => values.map(text).join(' ');
/** Several numbers apart by spaces; what is no number becomes one that the core refuses at its field. */
const numbers = (typed: string): number[] => {
  const read = typed.trim().split(/\s+/).map(decimal);
  return read.slice(0, 6);
};
const orNull = (typed: string): number | null => (typed.trim() === '' ? null : decimal(typed));
const orZero = (typed: string): number => orNull(typed) ?? 0;

/** A train as one would type it. */
export const draftOf = (train: Train): TrainDraft => ({
  motor: {
    ...train.motor,
    poles: row(train.motor.poles),
    rpm: row(train.motor.rpm),
    slip: text(train.motor.slipPercent),
    segments: text(train.motor.segments),
    generator: text(train.motor.generator),
  },
  parts: train.parts.map(({ sizes, toleranceMm, belt, centreMm, slipPercent, ...part }) => ({
    ...part,
    sizes: row(sizes),
    tolerance: text(toleranceMm),
    slip: text(slipPercent),
    centre: text(centreMm),
    thickness: text(belt?.thicknessMm ?? null),
    length: text(belt?.lengthMm ?? null),
    shape: belt?.shape ?? 'flat',
  })),
  output: { part: train.output.part, kind: train.output.kind, tape: text(train.output.tapeThicknessMm) },
  speeds: train.speeds.map((speed) => ({ ...speed, nominal: text(speed.nominal) })),
});

const onPoles = ({ kind }: Pick<TrainMotor, 'kind'>): boolean => kind === 'synchronous' || kind === 'induction';

/** The train that was typed. */
export function trainOf({ motor, parts, output, speeds }: TrainDraft): Train {
  const { poles, rpm, slip, segments, generator, ...rest } = motor;
  return {
    motor: {
      ...rest,
      // What this kind of motor does not use must not keep it from being kept.
      poles: onPoles(motor) || motor.kind === 'brushless' ? numbers(poles) : [2],
      rpm: onPoles(motor) ? [1] : numbers(rpm),
      slipPercent: orZero(slip),
      segments: orNull(segments),
      generator: orNull(generator),
    },
    parts: parts.map((part): TrainPart => {
      const { sizes, tolerance, slip: slips, centre, thickness, length, shape, ...own } = part;
      const belted = own.contact.includes('belt');
      return {
        ...own,
        sizes: numbers(sizes),
        toleranceMm: orNull(tolerance),
        slipPercent: orZero(slips),
        centreMm: orNull(centre),
        belt:
          belted && thickness.trim() !== ''
            ? { thicknessMm: decimal(thickness), lengthMm: orNull(length), shape }
            : null,
      };
    }),
    output: { part: output.part, kind: output.kind, tapeThicknessMm: orZero(output.tape) },
    speeds: speeds.map((speed) => ({ ...speed, nominal: orNull(speed.nominal) })),
  };
}
