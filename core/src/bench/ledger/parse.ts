/** "Bottom cover 4 x 30 mm, tray B": a strip-down line typed with dirty hands, understood. */
import type { Fasteners, StepBody } from './body.js';
import { saidDistances } from './words.js';

const PART =
  /(?:(\d{1,3})\s*[x×*]\s*|(?<![\w.,-])(\d{1,3})\s+(?=(?:[\w.,-]+\s+){0,3}?(?:screws?|bolts?|nuts?|clips?|washers?|springs?|pins?(?!\s+(?:plug|connector|socket|header|din|jack|strip|row|i\.?c\b))|feet|standoffs?)\b))([^;+]*?)(?=\s*(?:[;+]|$|,\s*(?:tray\b|\d{1,3}\s*[x×*]\s)|\s+tray\b|\s+and\s+\d))/giu;
const TRAY = /^\s*,?\s*tray\s+([\p{L}\d]{1,12})/iu;
const ODD = /star|earth|ground|spring|longer|shorter|left[- ]hand|odd|nylon|insulat/i;
const COVER = /\b(?:cover|lid|bottom|base|top|back|panel|plate|hood|shell|case|housing)\b/i;
const EARTH = /\b(?:earth|ground|star washer)\b/i;

/** The parts of a step that a typed line gives; the rest is empty. Pure and total. */
export function parseStep(line: string, after: readonly string[] = []): StepBody {
  const text = line.trim();
  const fasteners: Fasteners[] = [];
  let first = text.length;
  for (const match of text.matchAll(PART)) {
    const at = match.index;
    const kind = (match[3] as string).replace(/,\s*$/, '').trim();
    const tray = TRAY.exec(text.slice(at + match[0].length));
    first = Math.min(first, at);
    fasteners.push({
      count: Number(match[1] ?? match[2]),
      what: kind === '' ? 'screws' : kind,
      tray: tray ? (tray[1] as string).toUpperCase() : null,
      odd: ODD.test(kind),
    });
  }
  const distances = saidDistances(text);
  const what = withoutDistances(text.slice(0, first)).replace(/[\s,:;-]+$/, '');
  return {
    ...EMPTY_STEP,
    text,
    what: what === '' ? 'fasteners' : what,
    fasteners: withLaterTray(fasteners),
    distances,
    earth: EARTH.test(text),
    cover: COVER.test(what),
    after,
  };
}

/** "Hall board, hall gap 17 mm" is the hall board; a line that is nothing but a distance keeps its words. */
function withoutDistances(text: string): string {
  const plain = text.replace(
    /[,;]\s*[^,;]*\b(?:gap|distance|height|depth|clearance|spacing)\b[^,;]*\d\s*(?:mm|cm)\b/gi,
    '',
  );
  return plain.trim() === '' ? text : plain;
}

/** A step about which nothing is said yet. */
export const EMPTY_STEP: StepBody = {
  kind: 'step',
  text: '',
  what: '',
  fasteners: [],
  marks: '',
  orientation: '',
  distances: [],
  wires: [],
  wiresSide: null,
  owes: [],
  traces: '',
  earth: false,
  cover: false,
  after: [],
};

/** "2 x 12 mm + 1 star washer, tray B": a tray named last holds for what came before it on the line. */
function withLaterTray(list: readonly Fasteners[]): Fasteners[] {
  const last = list[list.length - 1]?.tray ?? null;
  return list.map((one) => (one.tray === null ? { ...one, tray: last } : one));
}
