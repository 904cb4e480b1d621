/** What is asked about, for the command line: code, message, and each choice with the options that give it. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { Answer, AskedSpeed } from '@amber-gauge/core/speed';
import { CliRefusal } from './refusal.js';

const UNIT_NAMES: Readonly<Record<string, string>> = { '1': 's', '0.001': 'ms', '0.000001': 'us', '1e-9': 'ns' };

/** The options that answer the question as this choice does. */
function optionsOf({ timeUnitS, axisUnit, channel, perTurn, fromS, toS, bothEdges, asIs }: Answer): string[] {
  const out: string[] = [];
  if (timeUnitS !== undefined) out.push('--time-unit', ownEntry(UNIT_NAMES, String(timeUnitS)) ?? String(timeUnitS));
  if (axisUnit !== undefined) out.push('--axis-unit', axisUnit);
  if (channel !== undefined) out.push('--channel', channel);
  if (perTurn !== undefined) out.push('--per-turn', String(perTurn));
  if (fromS !== undefined) out.push('--from', fromS.toFixed(3));
  if (toS !== undefined) out.push('--to', toS.toFixed(3));
  if (bothEdges) out.push('--both-edges');
  if (asIs) out.push('--as-is');
  return out;
}

/** The refusal that a question becomes where nobody can be asked. */
export function unanswered(asked: AskedSpeed): CliRefusal {
  const choices = asked.choices.map(({ words, answer, meanRpm }) => ({
    words,
    mean_rpm: meanRpm,
    options: optionsOf(answer),
  }));
  const lines = choices.map(({ words, options }) => `  ${words}${options.length > 0 ? `: ${options.join(' ')}` : ''}`);
  return new CliRefusal(asked.code, [asked.message, ...lines].join('\n'), {
    guess: choices[0] ?? null,
    choices,
    stretches: asked.stretches.map(({ startS, endS, meanRpm }) => ({
      start_s: startS,
      end_s: endS,
      mean_rpm: meanRpm,
    })),
  });
}
