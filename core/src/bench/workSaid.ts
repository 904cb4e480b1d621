/** Work as somebody said it: which parts it touched and whether it reached the circuit, as far as the words tell. */
import { PATHS } from '../families/index.js';
import type { WorkAction, WorkBody } from './event.js';
import { touchedBy } from './find/named.js';

/** What changes nothing in a circuit, whatever it is done to. */
const LEAVES_CIRCUIT: ReadonlySet<WorkAction> = new Set(['clean', 'oil', 'adjust']);

/** Parts of a circuit, and their numbers on a board: Q3, IC2, R117. */
const CIRCUIT =
  /\b(?:bridges?|(?:super|elec)?caps?|capacitors?|electrolytics?|rectifiers?|diodes?|zeners?|regulators?|triacs?|transistors?|mosfets?|igbts?|thyristors?|optocouplers?|resistors?|potentiometers?|pots?|trimmers?|trimpots?|chips?|ics?|boards?|pcbs?|tracks?|joints?|solder\w*|wires?|wiring|harness|leads?|cords?|cables?|plugs?|sockets?|terminals?|connectors?|fuses?|switch(?:es)?|relays?|triggers?|modules?|coils?|windings?|motors?|solenoids?|transformers?|supply|lamps?|bulbs?|leds?|displays?|sensors?|halls?|heads?|crystals?|timers?|pumps?|valves?|packs?|cells?|elements?|heaters?|(?:q|t|d|c|r|l|u|ic|zd|vr|rv|tr|bd|br|sw|f)\d{1,4})\b/i;

/** Parts that turn, hold or rub, and stand in no circuit. */
const MECHANICS =
  /\b(?:belts?|idlers?|tyres?|rollers?|pinch|bearings?|bush(?:es|ings?)?|pulleys?|flywheels?|springs?|screws?|bolts?|nuts?|washers?|circlips?|grease|gears?|gearbox|clutch(?:es)?|pads?|felts?|mounts?|feet|foot|wheels?|platters?|mats?|styl(?:us|i)|covers?|lids?|knobs?|fans?|seals?|hoses?|drums?|spindles?|shafts?|levers?|linkages?|brakes?|reels?|capstans?|brush(?:es)?)\b/i;

/** A line of work from its words; where they tell neither part nor circuit, that is left open. */
export function workSaid(familyId: string, { action, what }: { action: WorkAction; what: string }): WorkBody {
  const path = PATHS.get(familyId);
  const blocks = path ? touchedBy(path, what) : [];
  const reach =
    LEAVES_CIRCUIT.has(action) || (MECHANICS.test(what) && !CIRCUIT.test(what))
      ? 'mechanics'
      : CIRCUIT.test(what)
        ? 'circuit'
        : undefined;
  return { kind: 'work', action, what, ...(blocks.length > 0 ? { blocks } : {}), ...(reach ? { reach } : {}) };
}
