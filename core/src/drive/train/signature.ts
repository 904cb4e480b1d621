/** How often each part of a train comes round: the lines that wow, flutter and noise of it show. */
import { TURNING_KINDS, type TurningKind } from '../../speed/index.js';
import { forSpeed, isBelt, isGear, MOTOR_ID, type PartKind, type Train } from './schema.js';
import { beltLength } from './belts.js';
import { trainTurns } from './turns.js';
import { say } from '../../words/index.js';

/** What repeats. */
type SignatureKind = 'turn' | 'belt' | 'poles' | 'commutator' | 'generator' | 'teeth';

/** Something that repeats `hz` times a second. */
export interface SignatureLine {
  readonly name: string;
  readonly kind: SignatureKind;
  /** What comes round, for what usually makes its wow. */
  readonly turning: TurningKind;
  readonly hz: number;
}

const turningOf = (kind: PartKind): TurningKind => (kind === 'fan' || kind === 'load' ? 'other' : kind);

/**
 * Lines of a train at one speed, slowest first: one for each shaft with all that sits on it, belts by their length
 * (known, or round their wheels), poles, commutator (twice the bars when they are odd), generator and teeth.
 */
export function signatureOf(train: Train, speed: number, mainsHz: number): SignatureLine[] {
  const { turning } = trainTurns(train, speed, mainsHz);
  const turnsOf = (id: string) => turning.find((one) => one.id === id)?.revPerS ?? 0;
  const shafts = new Map<string, string[]>();
  const shaftOf = (id: string): string => {
    const part = train.parts.find((one) => one.id === id);
    return part && part.contact === 'shaft' ? shaftOf(part.by) : id;
  };
  for (const { id, name } of turning) shafts.set(shaftOf(id), [...(shafts.get(shaftOf(id)) ?? []), name]);
  const kindOf = (id: string): TurningKind => {
    const part = train.parts.find((one) => one.id === id);
    return part ? turningOf(part.kind) : 'motor';
  };
  // Of all that sits on one shaft the first of the list is looked at first (common practice).
  const onShaft = (id: string): TurningKind => {
    const kinds = turning.filter((one) => shaftOf(one.id) === id).map((one) => kindOf(one.id));
    return TURNING_KINDS.find((kind) => kinds.includes(kind)) ?? 'other';
  };
  const lines: SignatureLine[] = [...shafts].map(([id, names]) => ({
    name: names.join(', '),
    kind: 'turn',
    turning: onShaft(id),
    hz: turnsOf(id),
  }));
  for (const part of train.parts) {
    const driver = train.parts.find((one) => one.id === part.by);
    if (isBelt(part.contact) && part.belt && driver) {
      const thickness = part.belt.thicknessMm;
      const [first, second] = [forSpeed(driver.sizes, speed) + thickness, forSpeed(part.sizes, speed) + thickness];
      const run =
        part.centreMm === null
          ? null
          : beltLength({ first, second, centre: part.centreMm, crossed: part.contact === 'crossed belt' });
      const length = part.belt.lengthMm ?? run;
      if (length)
        lines.push({
          name: say`belt to ${part.name}`,
          kind: 'belt',
          turning: 'belt',
          hz: (Math.PI * second * turnsOf(part.id)) / length,
        });
    }
    if (isGear(part.contact) && part.contact !== 'planetary' && driver)
      lines.push({
        name: say`teeth of ${part.name}`,
        kind: 'teeth',
        turning: 'teeth',
        hz: forSpeed(part.sizes, speed) * turnsOf(part.id),
      });
  }
  lines.push(...motorLines(train, speed, turnsOf(MOTOR_ID)));
  return lines.filter((line) => line.hz > 0).sort((a, b) => a.hz - b.hz);
}

function motorLines({ motor }: Train, speed: number, revPerS: number): SignatureLine[] {
  const lines: SignatureLine[] = [];
  const poles = forSpeed(motor.poles, speed);
  if (motor.kind === 'synchronous' || motor.kind === 'induction')
    lines.push({ name: say`poles of ${motor.name}`, kind: 'poles', turning: 'poles', hz: poles * revPerS });
  // The electrical frequency: pole pairs a turn.
  if (motor.kind === 'brushless')
    lines.push({ name: say`pole pairs of ${motor.name}`, kind: 'poles', turning: 'poles', hz: (poles / 2) * revPerS });
  if (motor.segments !== null)
    lines.push({
      name: say`commutator of ${motor.name}`,
      kind: 'commutator',
      turning: 'poles',
      hz: motor.segments * (motor.segments % 2 === 1 ? 2 : 1) * revPerS,
    });
  if (motor.generator !== null)
    lines.push({
      name: say`generator of ${motor.name}`,
      kind: 'generator',
      turning: 'poles',
      hz: motor.generator * revPerS,
    });
  return lines;
}
