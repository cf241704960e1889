import { ppm } from '@tesseron/core/period';
import { absolute, toNumber } from '@tesseron/core/rational';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line, curveStepAfter } from 'd3-shape';
import type { Row } from './use-count-search';

/** A point of the chart, in pixels. */
interface ChartPoint {
  readonly row: Row;
  readonly x: number;
  readonly y: number;
}

export interface Chart {
  readonly points: readonly ChartPoint[];
  readonly front: string;
  readonly xTicks: readonly { readonly x: number; readonly text: string }[];
  readonly yTicks: readonly { readonly y: number; readonly text: string }[];
  readonly toleranceY: number | undefined;
}

/** Room round the plot, pixels. */
export const MARGIN = { left: 74, right: 20, top: 20, bottom: 40 };
/** Errors below this, in ppm, are drawn on the lowest line: no log scale has a nought. */
const LEAST_PPM = 1e-3;

const errorPpm = (row: Row): number => Math.abs(toNumber(ppm(absolute(row.error))));

/** Errors above this, in ppm, are left to the table as long as there are others: they would press the chart flat. */
const MOST_PPM = 1e5;

/** The rows that the chart shows. */
export function chartRows(rows: readonly Row[]): readonly Row[] {
  const near = rows.filter(r => errorPpm(r) <= MOST_PPM);
  return near.length > 1 ? near : rows;
}

/** Lays out error (log, downwards is better) against all teeth (linear). `tolerance` in ppm. */
export function layoutChart(
  rows: readonly Row[],
  width: number,
  height: number,
  tolerance: number | undefined,
): Chart {
  const totals = rows.map(r => r.candidate.total);
  const errors = rows.map(r => Math.max(LEAST_PPM, errorPpm(r)));
  const x = scaleLinear([Math.min(...totals), Math.max(...totals)], [MARGIN.left, width - MARGIN.right]).nice(
    6,
  );
  const low = Math.min(...errors, tolerance ?? Infinity);
  const high = Math.max(...errors, tolerance ?? 0);
  const y = scaleLog([low / 1.5, high * 1.5], [height - MARGIN.bottom, MARGIN.top]);
  const points = rows.map((row, i) => ({ row, x: x(totals[i] ?? 0), y: y(errors[i] ?? LEAST_PPM) }));
  const front = points.filter(p => p.row.compromise).sort((a, b) => a.x - b.x);
  const powers = Math.max(1, Math.ceil((Math.log10(high) - Math.log10(low)) / 7));
  return {
    points,
    front:
      line<ChartPoint>(
        p => p.x,
        p => p.y,
      ).curve(curveStepAfter)(front) ?? '',
    xTicks: x.ticks(6).map(t => ({ x: x(t), text: String(t) })),
    yTicks: powersBetween(low / 1.5, high * 1.5, powers).map(p => ({ y: y(10 ** p), text: sayPpm(p) })),
    toleranceY: tolerance === undefined ? undefined : y(Math.max(LEAST_PPM, tolerance)),
  };
}

function powersBetween(low: number, high: number, every: number): number[] {
  const found: number[] = [];
  for (let p = Math.ceil(Math.log10(low)); p <= Math.log10(high); p++) if (p % every === 0) found.push(p);
  return found;
}

const sayPpm = (power: number): string =>
  power >= 4
    ? `${10 ** (power - 4)} %`
    : power >= 0
      ? `${10 ** power} ppm`
      : `${(10 ** power).toFixed(-power)} ppm`;
