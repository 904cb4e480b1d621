/**
 * Open ends, ends closed again and distances in a line as it is spoken: "unsoldered motor red and black",
 * "3 pin plug off the board", "hall gap 17 mm". One line may make several.
 */
import { decimal } from '../../quantity/index.js';
import type { Distance, EndHow } from './body.js';
import { BACK_LEAST_MM, BACK_PART } from '../defaults.js';

/** An end that the line opens. */
export interface SaidEnd {
  readonly what: string;
  readonly how: EndHow;
}

/** Words that open an end; the first that fits counts. `gone` is cut out of the clause. */
const OPENS: readonly (readonly [pattern: RegExp, how: EndHow])[] = [
  [/\b(?:un|de)-?soldered\b|\bsoldered off\b/i, 'unsoldered'],
  [/\bshort(?:ed)?(?:\s+(?:out|across))?\s+for\s+(?:a|the)\s+test\b|\bshorted(?:\s+(?:out|across))?\b/i, 'shorted'],
  [/\b(?:bridged|jumpered|jumped|linked(?:\s+across)?)(?:\s+for\s+(?:a|the)\s+test)?\b/i, 'bridged'],
  [/\b(?:swapped(?:\s+over)?|crossed(?:\s+over)?)\b/i, 'swapped'],
  [/\btaped(?:\s+(?:up|over|down|back|off))?\b/i, 'taped'],
  [/\blifted\b/i, 'lifted'],
  [/\b(?:cut|snipped)(?:\s+(?:through|off))?\b/i, 'cut'],
  [/\b(?:unplugged|disconnected|pulled\s+off|off\s+its\s+(?:tab|tabs|pin|pins))\b/i, 'unplugged'],
  [/(?<=\b(?:spades?|wires?|leads?|plugs?|connectors?|tabs?|harness))\s+(?:is\s+|are\s+)?off\b/i, 'unplugged'],
];

/** Words that close one again. */
const CLOSES =
  /\b(?:re-?soldered|soldered\s+back(?:\s+on)?|re-?connected|plugged\s+(?:back(?:\s+in)?|in\s+again)|unbridged|tape\s+off|put\s+back|refitted|back\s+on\s+its\s+(?:tab|screw|pins?))\b|\b(?:bridge|jumper|short|link)\b(?=.*\b(?:removed|taken\s+out|out)\b)/i;

/** What a swap that replaces a part is not: "swapped the belt for a new one". */
const REPLACED =
  /\bfor\s+(?:a|the|another|its)?\s*(?:new|good|known|other|spare)|\bwith\s+(?:a|the)\s+(?:new|known|good|spare)/i;
/** "found bridged by somebody": what an earlier visit left is a trace, not an end of ours. */
const FOUND = /\bfound\b|\balready\b|\bby\s+(?:somebody|someone|an earlier)\b|\bnot\s+(?:un|de|dis)?\w+(?:ed|ut)\b/i;
const FASTENERS = /\b\d{1,3}\s*[x×*]\s*\d|\btray\b|\bscrews?\b|\bbolts?\b/i;

/** Every end the line opens, in its order. Pure and total. */
export function saidEnds(line: string): SaidEnd[] {
  return line.split(/[;\n]|\.\s/).flatMap(endsOfSentence);
}

function endsOfSentence(sentence: string): SaidEnd[] {
  if (FOUND.test(sentence) || CLOSES.test(sentence)) return [];
  const clauses = sentence.split(/,|\s+and\s+|\s+then\s+|\s*\+\s*/i).map((one) => one.trim());
  const read = clauses.map((clause) => readClause(clause));
  return read.flatMap((one, i) => {
    if (one.kind === 'end')
      return one.what === '' ? beforeIt(clauses[i - 1], one.how) : [{ what: one.what, how: one.how }];
    if (one.kind !== 'object') return [];
    const how = inherited(read, i);
    return how === null ? [] : [{ what: one.what, how }];
  });
}

type Clause =
  | { readonly kind: 'end'; readonly what: string; readonly how: EndHow; readonly verb: 'first' | 'last' }
  | { readonly kind: 'object'; readonly what: string }
  | { readonly kind: 'other' };

function readClause(clause: string): Clause {
  for (const [pattern, how] of OPENS) {
    const match = pattern.exec(clause);
    if (!match) continue;
    if (how === 'swapped' && REPLACED.test(clause)) return { kind: 'other' };
    const before = clause.slice(0, match.index);
    const after = clause.slice(match.index + match[0].length);
    const verb = bare(before) === '' ? 'first' : 'last';
    const what = bare(
      (verb === 'first' ? after : `${before} ${after}`).replace(/\bfor\s+(?:a|the)\s+(?:test|minute|moment)\b/i, ' '),
    );
    return { kind: 'end', what, how, verb };
  }
  const what = bare(clause);
  const few =
    what !== '' && what.split(/\s+/).length <= 3 && !FASTENERS.test(clause) && !/\d+\s*(?:mm|cm|V|R|k)\b/.test(clause);
  return few ? { kind: 'object', what } : { kind: 'other' };
}

/** "spades, off": the object stands in the clause before. */
const beforeIt = (clause: string | undefined, how: EndHow): SaidEnd[] => {
  const what = bare(clause ?? '');
  return what === '' || FASTENERS.test(clause ?? '') ? [] : [{ what, how }];
};

/** "unsoldered red and black": black too. "red and black unsoldered": red too. */
function inherited(read: readonly Clause[], at: number): EndHow | null {
  for (let i = at - 1; i >= 0; i--) {
    const one = read[i];
    if (one?.kind === 'end') return one.verb === 'first' ? one.how : null;
    if (one?.kind !== 'object') break;
  }
  for (let i = at + 1; i < read.length; i++) {
    const one = read[i];
    if (one?.kind === 'end') return one.verb === 'last' && one.what !== '' ? one.how : null;
    if (one?.kind !== 'object') break;
  }
  return null;
}

/** Without articles, helpers and stray signs at the ends. */
function bare(text: string): string {
  let plain = text.trim();
  for (;;) {
    const next = plain
      .replace(/^(?:the|a|an|i|we|have|has|is|are|was|were|been|now|also|its|of|on|out|off)\s+/i, '')
      .replace(/\s+(?:is|are|was|were|been|now|has|have|got|and|the)$/i, '')
      .replace(/^[\s:,.\-–]+|[\s:,.\-–]+$/g, '');
    if (next === plain) return /^(?:the|a|an|is|are|was|were|now|i|we|it|off|on)$/i.test(plain) ? '' : plain;
    plain = next;
  }
}

/** What the line says is closed again, in words to be matched with what is open; null when it says none. */
export function saidClosed(line: string): string | null {
  const match = CLOSES.exec(line);
  if (!match) return null;
  const rest = bare(
    `${line.slice(0, match.index)} ${line.slice(match.index + match[0].length)}`.replace(
      /\b(?:removed|taken out)\b/gi,
      ' ',
    ),
  );
  return rest === '' ? match[0].toLowerCase() : rest;
}

const DISTANCE =
  /((?:[\p{L}][\p{L}-]*\s+){0,3}(?:gap|distance|height|depth|clearance|spacing|position|projection|overlap|air gap))\s*(?:is|was|=|:|of|about)?\s*(\d+(?:[.,]\d+)?)\s*(mm|cm)\b/giu;

/** Distances measured before they are disturbed: "hall gap 17 mm". Each is set back within 5 %, at least 0.1 mm. */
export function saidDistances(line: string): Distance[] {
  return [...line.matchAll(DISTANCE)].map(([, what, number, unit]) => {
    const value = decimal(number as string);
    const least = unit === 'cm' ? BACK_LEAST_MM / 10 : BACK_LEAST_MM;
    return {
      what: bare(what as string),
      value,
      unit: unit as string,
      tolerance: Number(Math.max(BACK_PART * value, least).toPrecision(2)),
    };
  });
}
