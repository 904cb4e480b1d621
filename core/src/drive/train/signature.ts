/** How often each part of a train comes round: the lines that wow, flutter and noise of it show. */
import { forSpeed, isBelt, isGear, MOTOR_ID, type Train } from './schema.js';
import { beltLength } from './belts.js';
import { trainTurns } from './turns.js';
import { say } from '../../words/index.js';

/** What repeats. */
type SignatureKind = 'turn' | 'belt' | 'poles' | 'commutator' | 'generator' | 'teeth';

/** Something that repeats `hz` times a second. */
export interface SignatureLine {
  readonly name: string;
  readonly kind: SignatureKind;
  readonly hz: number;
}

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
  const lines: SignatureLine[] = [...shafts].map(([id, names]) => ({
    name: names.join(', '),
    kind: 'turn',
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
          hz: (Math.PI * second * turnsOf(part.id)) / length,
        });
    }
    if (isGear(part.contact) && part.contact !== 'planetary' && driver)
      lines.push({
        name: say`teeth of ${part.name}`,
        kind: 'teeth',
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
    lines.push({ name: say`poles of ${motor.name}`, kind: 'poles', hz: poles * revPerS });
  // The electrical frequency: pole pairs a turn.
  if (motor.kind === 'brushless')
    lines.push({ name: say`pole pairs of ${motor.name}`, kind: 'poles', hz: (poles / 2) * revPerS });
  if (motor.segments !== null)
    lines.push({
      name: say`commutator of ${motor.name}`,
      kind: 'commutator',
      hz: motor.segments * (motor.segments % 2 === 1 ? 2 : 1) * revPerS,
    });
  if (motor.generator !== null)
    lines.push({ name: say`generator of ${motor.name}`, kind: 'generator', hz: motor.generator * revPerS });
  return lines;
}
