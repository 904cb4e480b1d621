/** Fullwidth, typographic and look-alike signs as the plain ones they stand for. */
import { ownEntry } from './own.js';

/**
 * The line in plain signs, one for one, so that places in it stay: fullwidth to ASCII, every dash and
 * minus to "-", typographic quotes and spaces to plain ones, both micros and both ohms to one.
 */
export function plainSigns(text: string): string {
  return [...text]
    .map((sign) => {
      const known = ownEntry(SIGNS, sign);
      if (known !== undefined) return known;
      const folded = sign.normalize('NFKC');
      return folded.length === sign.length && /^[\x20-\x7e]$/.test(folded) ? folded : sign;
    })
    .join('');
}

const SIGNS: Readonly<Record<string, string>> = {
  '\u2212': '-',
  '\u2010': '-',
  '\u2011': '-',
  '\u2012': '-',
  '\u2013': '-',
  '\u2014': '-',
  '\u00a0': ' ',
  '\u202f': ' ',
  '\u2009': ' ',
  '\u2007': ' ',
  '\u3000': ' ',
  '\t': ' ',
  '\u2019': "'",
  '\u2018': "'",
  '\u201c': '"',
  '\u201d': '"',
  '\u2033': '"',
  '\u03bc': 'µ',
  '\u2126': 'Ω',
  '\u00d7': 'x',
  '\uff0e': '.',
  '\u066b': ',',
  '\uff0c': ',',
  '\u3001': ',',
  '\uff05': '%',
  '\uff1a': ':',
  '\uff20': '@',
  '\u2236': ':',
  '\u223c': '~',
};
