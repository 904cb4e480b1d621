/**
 * Geometry of the ribbon gauge, shared by page, PDF and print. Places run from -1 (left, slow) to 1
 * (right, fast); the tolerance window always takes the same part of the width, so ribbons compare at
 * a glance whatever their tolerance.
 */
import { speedName, signed, type Tolerance } from '../quantity/index.js';

/** Multiples of the tolerance that carry a tick, and those that carry a figure. */
export const RIBBON_TICKS = [1, 2, 5, 10, 20, 40] as const;
/** Ticks that carry a figure, multiples of the tolerance. */
export const RIBBON_FIGURES: readonly number[] = [1, 5, 20];

const FULL_SCALE = Math.asinh(80);

/**
 * Place of an error, u in multiples of the tolerance: asinh(2 u) / asinh(80), clamped to -1..1.
 * u = 1 gives 0.284, u = 10 gives 0.727, u = 40 gives 1.
 */
export function ribbonPlace(u: number): number {
  return Math.max(-1, Math.min(1, Math.asinh(2 * u) / FULL_SCALE));
}

/** Place of an error in percent: each side is measured in its own limit. */
export function placeOf(errorPercent: number, limits: Tolerance): number {
  return ribbonPlace(errorPercent < 0 ? errorPercent / -limits.lowerPercent : errorPercent / limits.upperPercent);
}

/** A tick of the scale; `label` is null where no figure stands. */
export interface RibbonTick {
  readonly place: number;
  readonly label: string | null;
}

/** What a ribbon shows, every place in -1..1. */
export interface RibbonGeometry {
  readonly window: readonly [number, number];
  readonly ticks: readonly RibbonTick[];
  readonly mean: number | null;
  /** Edge pinned at an end: an arrowhead and the figure say how far beyond. */
  readonly beyond: 'slow' | 'fast' | null;
  readonly wow: readonly [number, number] | null;
  readonly bracket: readonly [number, number] | null;
  readonly centreLabel: string;
}

/** What is to be drawn. */
export interface RibbonReading {
  readonly errorPercent: number | null;
  readonly expandedPercent: number | null;
  readonly wowPeakPercent: number | null;
}

/** Lays a reading out on its ribbon. */
export function ribbonGeometry(reading: RibbonReading, limits: Tolerance, centreLabel: string): RibbonGeometry {
  const { errorPercent: error, expandedPercent: spread, wowPeakPercent: wow } = reading;
  const span = (half: number | null): readonly [number, number] | null =>
    error === null || half === null ? null : [placeOf(error - half, limits), placeOf(error + half, limits)];
  const mean = error === null ? null : placeOf(error, limits);
  return {
    window: [-ribbonPlace(1), ribbonPlace(1)],
    ticks: ticksFor(limits),
    mean,
    beyond: mean === 1 ? 'fast' : mean === -1 ? 'slow' : null,
    wow: span(wow),
    bracket: span(spread),
    centreLabel,
  };
}

function ticksFor(limits: Tolerance): RibbonTick[] {
  const side = (sign: 1 | -1) =>
    RIBBON_TICKS.map((multiple) => {
      const value = sign * multiple * (sign < 0 ? -limits.lowerPercent : limits.upperPercent);
      return {
        place: sign * ribbonPlace(multiple),
        label: RIBBON_FIGURES.includes(multiple) ? signed(value, decimalsOf(value)) : null,
      };
    });
  return [...side(-1).reverse(), ...side(1)];
}

const decimalsOf = (value: number): number =>
  Number.isInteger(Number(value.toFixed(6)))
    ? 0
    : Math.abs(value) >= 10
      ? 1
      : 2 - (Number.isInteger(Number((value * 10).toFixed(6))) ? 1 : 0);

/**
 * Labels of a ribbon `widthPx` wide: the centre's first, then from left to right. Of two closer than `gapPx` the one
 * nearer to the centre stays, on both sides alike.
 */
export function visibleLabels(
  geometry: RibbonGeometry,
  widthPx: number,
  gapPx: number,
): readonly { readonly place: number; readonly label: string }[] {
  const kept: { place: number; label: string }[] = [{ place: 0, label: geometry.centreLabel }];
  const far = (place: number, from: number) => (Math.abs(place - from) * widthPx) / 2 >= gapPx;
  const bracketMeets = (place: number) =>
    geometry.bracket !== null &&
    place * widthPx > geometry.bracket[0] * widthPx - gapPx &&
    place * widthPx < geometry.bracket[1] * widthPx + gapPx;
  for (const tick of [...geometry.ticks].sort((a, b) => Math.abs(a.place) - Math.abs(b.place))) {
    if (tick.label === null || !far(tick.place, 0)) continue;
    const isLimit = Math.abs(Math.abs(tick.place) - ribbonPlace(1)) < 1e-9;
    if (isLimit && bracketMeets(tick.place)) continue;
    if (kept.every((other) => far(tick.place, other.place))) kept.push({ place: tick.place, label: tick.label });
  }
  const [centre, ...others] = kept;
  return [centre as (typeof kept)[number], ...others.sort((a, b) => a.place - b.place)];
}

/** The nominal as it stands under the centre of a ribbon. */
export function centreLabel(nominalRpm: number | null, otherwise: string): string {
  return nominalRpm === null ? otherwise : speedName(nominalRpm);
}
