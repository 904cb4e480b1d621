/** Log lines and typed lines in words: how the product says what it understood. */
import { errorDecimals, fixed, signed, withUnit, THIN, type Bound, type Qualifier } from '../quantity/index.js';
import { ledgerWords, ledgerWordsAbout } from './describeLedger.js';
import { PITCH_WORDS } from './pitch.js';
import { POWER_WORDS, WORK_WORDS, type EventBody } from './event.js';
import { said, say } from '../words/index.js';

interface ValueLike {
  readonly values: readonly number[];
  readonly unit: string | null;
  readonly qualifier: Qualifier | null;
  readonly bound: Bound;
}

const QUALIFIER_WORDS: Readonly<Record<Qualifier, string>> = {
  dc: 'd.c.',
  ac: 'a.c.',
  pp: say`peak to peak`,
  rms: say`rms`,
};

/** "27.5 V d.c.", "2.3, 2.3, 2 Ω", "above 20 MΩ", "open". Volts without a word count as d.c. */
export function valueWords(reading: ValueLike): string {
  if (reading.bound === 'open') return say`open`;
  if (reading.bound === 'short') return say`short`;
  if (reading.bound === 'overload') return say`over range (OL)`;
  if (reading.bound === 'between' && reading.values.length === 2) {
    const [low, high] = reading.values as readonly [number, number];
    const plain = (value: number): ValueLike => ({
      ...reading,
      values: [value],
      bound: 'exact',
      qualifier: reading.qualifier,
    });
    return say`${withUnit(low, reading.unit ?? '').trim()} to ${valueWords(plain(high))}`;
  }
  const unit = reading.unit ?? '';
  const list =
    reading.values.length > 1
      ? `${reading.values.map((value) => String(Number(value.toPrecision(6)))).join(', ')}${unit ? THIN + unit : ''}`
      : withUnit(reading.values[0] ?? 0, unit).trim();
  const qualifier = reading.qualifier ?? (reading.unit === 'V' ? 'dc' : null);
  const words = qualifier ? `${list} ${QUALIFIER_WORDS[qualifier]}` : list;
  return reading.bound === 'above' ? say`above ${words}` : reading.bound === 'below' ? say`below ${words}` : words;
}

/** "at motor, 45, warm" or "no place". */
export function whereWords(where: {
  readonly place: string | null;
  readonly speedId: string | null;
  readonly condition: string | null;
}): string {
  return [where.place ? say`at ${where.place}` : say`no place`, where.speedId, where.condition && said(where.condition)]
    .filter(Boolean)
    .join(', ');
}

/** "−1.80 ± 0.12 %" or "did not turn". */
export function speedWords(speed: {
  readonly turned: boolean;
  readonly errorPercent: number | null;
  readonly expandedPercent: number | null;
  readonly rpm: number | null;
}): string {
  if (!speed.turned) return say`did not turn`;
  if (speed.errorPercent === null) return speed.rpm === null ? say`turns` : say`${fixed(speed.rpm, 0)}${THIN}rpm`;
  const decimals = errorDecimals(speed.expandedPercent);
  const spread = speed.expandedPercent === null ? '' : ` ± ${fixed(speed.expandedPercent, decimals)}`;
  return `${signed(speed.errorPercent, decimals)}${spread}${THIN}%`;
}

/** One log line in words, told with the line it speaks of. */
export const lineWords = (body: EventBody, find: (key: string) => EventBody | undefined): string =>
  ledgerWordsAbout(body, find) ?? eventWords(body);

/** ", by Bench meter"; nothing for what was typed. */
const byWords = ({ instrument }: { readonly instrument?: string | undefined }): string =>
  instrument === undefined ? '' : say`, by ${instrument}`;

/** One log line in words, without its time. */
export function eventWords(body: EventBody): string {
  switch (body.kind) {
    case 'reading':
      return `${valueWords(body)}, ${whereWords(body)}${byWords(body)}`;
    case 'note':
      return body.text;
    case 'speed':
      return `${speedWords(body)}, ${body.speedId}${body.condition ? `, ${said(body.condition)}` : ''}${body.pitch ? `, ${PITCH_WORDS[body.pitch]}` : ''}${body.conditions ? `, ${body.conditions}` : ''}`;
    case 'work':
      return `${WORK_WORDS[body.action]} ${body.what}`;
    case 'power':
      return POWER_WORDS[body.state];
    case 'hold':
      return say`held: ${body.prompt}`;
    case 'place':
      return say`placed at ${body.place}`;
    case 'strike':
      return say`struck out: ${body.reason}`;
    case 'field':
      return `${body.field}: ${body.from || 'nothing'} → ${body.to || 'nothing'}`;
    case 'hand-back':
      return body.leftUndone ? say`handed back; left undone: ${body.leftUndone}` : say`handed back`;
    default:
      return ledgerWords(body);
  }
}

/** First letter large. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
