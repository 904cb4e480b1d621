/** Pins as they stand when one looks at the other side of a connector. */
import type { StepBody, Wire } from './body.js';

/** The side of a connector that was looked at: pins run the other way on the other. */
export type ConnectorSide = 'wire-side' | 'mating-face';

/** The wires left to right as seen from `side`; the other side than the one they were read from is mirrored. */
export function wiresFrom(step: Pick<StepBody, 'wires' | 'wiresSide'>, side: ConnectorSide): readonly Wire[] {
  return step.wiresSide === null || step.wiresSide === side ? step.wires : [...step.wires].reverse();
}

/** "1 red, 2 black, 3 blue" or "red, black, blue": pins count from 1 where none is named. */
export function parseWires(text: string): Wire[] {
  return text
    .split(/[,;\n]+/)
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part, i) => {
      const match = /^([\p{L}]{0,2}\d{1,2}|[A-Z])\s*[:=]?\s+(.+)$/u.exec(part);
      return match ? { pin: match[1] as string, colour: match[2] as string } : { pin: String(i + 1), colour: part };
    });
}
