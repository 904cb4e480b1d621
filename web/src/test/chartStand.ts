/** Stands in a chart's place: what would be drawn is kept for a look, nothing is drawn. */

/** A chart as it was asked for: axes, series and their points. */
export interface Drawn {
  readonly xAxis: Axis;
  readonly yAxis: Axis;
  readonly series: readonly Series[];
}
interface Axis {
  readonly min?: number;
  readonly max?: number;
  readonly interval?: number;
  readonly data: readonly string[];
  readonly axisLabel: { readonly formatter: (value: number) => string };
}
interface Series {
  readonly name?: string;
  readonly data: readonly (readonly number[])[];
  readonly lineStyle: Readonly<Record<string, unknown>>;
  readonly tooltip: { readonly valueFormatter: (value: number) => string };
  readonly markLine: { readonly data: readonly unknown[] };
  readonly markPoint: { readonly data: readonly { readonly coord: readonly number[]; readonly value: string }[] };
  readonly markArea: { readonly data: readonly unknown[] };
  readonly renderItem: (params: unknown, api: object) => { shape: Record<string, number>; style: object };
}

/** All that was asked for, in order. */
export const drawn: Drawn[] = [];
/** The last one. */
export const lastDrawn = (): Drawn => drawn.at(-1) as Drawn;

/** Colours by their names. */
export const inks = () => ({ ink: 'ink', ink2: 'ink2', hair: 'hair', amber: 'amber' });
/** Nothing stands in every chart. */
export const baseOption = () => ({});
/** An axis as it is asked for. */
export const axis = (more: object) => more;
/** Keeps what would be drawn. */
export const useChart = (make: () => Drawn) => {
  drawn.push(make());
  return { current: null };
};
