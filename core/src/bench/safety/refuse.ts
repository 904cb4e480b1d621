/** What the app does not plan: the defeat of a safety device, by named rule. */
import { DEFEAT_WORDS, FINDING_WORDS, REFUSALS, type Refusal } from '../../families/index.js';

const escape = (words: readonly string[]): string =>
  words.map((word) => word.replace(/[-\s]/g, '[-\\s]?').replace(/\./g, '\\.')).join('|');
const HARMLESS = /bridge\s+rectifiers?|rectifier\s+bridges?|short(?:[-\s]circuit)?\s+tests?|tested?\s+for\s+shorts?/gi;
const DEFEAT = escape(DEFEAT_WORDS);
const FINDING = new RegExp(`\\b(?:${escape(FINDING_WORDS)})\\b`, 'i');

const rules = REFUSALS.map((rule) => {
  const device = `(?:${escape(rule.device)})(?:es|s)?`;
  const doing = `(?:${DEFEAT})(?:s|es|ing)?`;
  return {
    rule,
    pattern: new RegExp(
      `\\b${doing}\\b(?:\\W+\\w+){0,4}?\\W+${device}\\b|\\b${device}\\b(?:\\W+\\w+){0,2}?\\W+${doing}\\b`,
      'i',
    ),
  };
});

/**
 * The rule that forbids what a line plans, or null. "Bridge the door lock" is refused; "found the door
 * lock bridged" is a finding about an earlier visit and is kept.
 */
export function refusalOf(text: string): Refusal | null {
  const plain = text.replace(HARMLESS, ' ');
  if (FINDING.test(plain)) return null;
  return rules.find(({ pattern }) => pattern.test(plain))?.rule ?? null;
}
