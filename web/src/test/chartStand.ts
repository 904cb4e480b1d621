/** Stands in a chart's place: what would be drawn is kept for a look, nothing is drawn. */
import { vi } from 'vitest';
import * as chart from '../shared/chart/chart.js';

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

/** Stands there until mocks are restored: colours by their names, axes as they are asked for. */
export function standForCharts(): void {
  drawn.length = 0;
  vi.spyOn(chart, 'inks').mockImplementation(
    () => ({ ink: 'ink', ink2: 'ink2', hair: 'hair', amber: 'amber' }) as ReturnType<typeof chart.inks>,
  );
  vi.spyOn(chart, 'baseOption').mockImplementation(() => ({}));
  vi.spyOn(chart, 'axis').mockImplementation((more) => more as ReturnType<typeof chart.axis>);
  vi.spyOn(chart, 'useChart').mockImplementation((make) => {
    drawn.push(make() as unknown as Drawn);
    return { current: null };
  });
}
