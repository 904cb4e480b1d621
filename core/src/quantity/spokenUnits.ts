/** Spellings of units as they are spoken and typed: "kohm", "mfd", "volts d.c.", "revs/min". */
import { ownEntry } from './own.js';
import type { Qualifier } from './notation.js';
import { say } from '../words/index.js';

/** One way to write a unit, anchored at the end of a number. */
export interface Spelling {
  readonly pattern: RegExp;
  readonly unit: string;
  readonly scale: number;
  readonly qualifier?: Qualifier;
}

/** Spoken prefixes as factors. */
export const PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  m: 1e-3,
  k: 1e3,
  M: 1e6,
  G: 1e9,
};
const PREFIX_WORDS: Readonly<Record<string, string>> = {
  pico: 'p',
  nano: 'n',
  micro: 'u',
  milli: 'm',
  kilo: 'k',
  mega: 'M',
};

/** Spellings of a unit with the prefixes it takes; each is anchored at the end of a number. */
const spelled = (names: string, unit: string, prefixes: string): Spelling[] => [
  { pattern: new RegExp(`^\\s*(?:${names})(?![\\p{L}\\d])`, 'u'), unit, scale: 1 },
  ...[...prefixes].map((prefix) => ({
    pattern: new RegExp(
      `^\\s*${prefix === 'k' ? '[kK]' : prefix === 'u' ? '[uµ]' : prefix}\\s?(?:${names})(?![\\p{L}\\d])`,
      'u',
    ),
    unit,
    scale: ownEntry(PREFIX, prefix) as number,
  })),
  ...Object.entries(PREFIX_WORDS)
    .filter(([, letter]) => prefixes.includes(letter))
    .map(([word, letter]) => ({
      pattern: new RegExp(`^\\s*${word}[ -]?(?:${names})(?![\\p{L}\\d])`, 'iu'),
      unit,
      scale: ownEntry(PREFIX, letter) as number,
    })),
];

const whole = (names: string, unit: string, scale = 1): Spelling => ({
  pattern: new RegExp(`^\\s*(?:${names})(?![\\p{L}\\d])`, 'iu'),
  unit,
  scale,
});

/** Longer and narrower spellings first. */
export const SPELLINGS: readonly Spelling[] = [
  ...(
    [
      ['V\\s?d\\.?\\s?c\\.?|V\\s?DC|[Vv]olts?\\s+d\\.?\\s?c\\.?|[Vv]olts?\\s+DC|vdc|v\\s?d\\.?c\\.?|VDC', 'dc'],
      ['V\\s?a\\.?\\s?c\\.?|V\\s?AC|[Vv]olts?\\s+a\\.?\\s?c\\.?|[Vv]olts?\\s+AC|vac|v\\s?a\\.?c\\.?|VAC|V~', 'ac'],
      [
        'V\\s?p-?p|V\\s?pk-?pk|[Vv](?:olts?)?\\s+peak[ -]to[ -]peak|vpp|V\\s?ripple|[Vv]olts?\\s+(?:of\\s+)?ripple|V\\s+of\\s+ripple|v\\s+ripple',
        'pp',
      ],
      ['V\\s?rms|V\\s?RMS|[Vv]olts?\\s+rms|vrms|V\\s+true\\s?rms', 'rms'],
    ] as const
  ).flatMap(([names, qualifier]) => spelled(names, 'V', 'mku').map((one) => ({ ...one, qualifier }))),
  ...spelled('V|v|[Vv]olts?|VOLTS?', 'V', 'mku'),
  whole('r\\.?p\\.?m\\.?|r/min|revs?/min|u/min|turns?\\s+(?:a|per)\\s+minute', 'rpm'),
  whole('%|percent|per\\s?cent|pct', '%'),
  ...spelled('Ω|ohms?|Ohms?|OHMS?|R', 'Ω', 'mkMG'),
  whole(say`kilohms?`, 'Ω', 1e3),
  whole('megohms?|megs?', 'Ω', 1e6),
  { pattern: /^\s*(?:k|K|kilos?)(?![\p{L}\d])/u, unit: 'Ω', scale: 1e3 },
  { pattern: /^\s*M(?![\p{L}\d])/u, unit: 'Ω', scale: 1e6 },
  whole('m\\.?f\\.?d\\.?', 'F', 1e-6),
  ...spelled('F|farads?|f', 'F', 'pnum'),
  { pattern: /^[nN](?![\p{L}\d])/u, unit: 'F', scale: 1e-9 },
  { pattern: /^[uµ](?![\p{L}\d])/u, unit: 'F', scale: 1e-6 },
  { pattern: /^p(?![\p{L}\d])/u, unit: 'F', scale: 1e-12 },
  ...spelled('Hz|hz|HZ|[Hh]ertz|c/s', 'Hz', 'kM'),
  ...spelled('A|[Aa]mps?|[Aa]mperes?|a', 'A', 'mu'),
  whole('mins?|minutes?', 's', 60),
  whole('h|hrs?|hours?', 's', 3600),
  whole('ms|milliseconds?', 's', 1e-3),
  whole('s|secs?|seconds?', 's'),
  whole('mm|millimet(?:er|re)s?', 'mm'),
  whole('cm/s', 'cm/s'),
  whole('cm', 'mm', 10),
  whole('[uµ]m|microns?', 'mm', 1e-3),
  whole('in/s|ips', 'cm/s', 2.54),
  whole('in|inch|inches', 'mm', 25.4),
  { pattern: /^"(?!\w)/u, unit: 'mm', scale: 25.4 },
  whole('°\\s?c|deg\\.?\\s?c|degrees?(?:\\s+c(?:elsius)?)?', '°C'),
  { pattern: /^\s?C(?![\p{L}\d])/u, unit: '°C', scale: 1 },
  whole('dB', 'dB'),
  whole('g', 'g'),
  ...spelled('W|[Ww]atts?', 'W', 'mk'),
  ...spelled('H|[Hh]enr(?:y|ies)', 'H', 'mu'),
];
