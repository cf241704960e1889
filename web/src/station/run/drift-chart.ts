import type { DriftCourse } from '@tesseron/core/ask';
import { toNumber } from '@tesseron/core/rational';
import { scaleLinear } from 'd3-scale';

/** Julian years in days, as the chart counts them. */
const YEAR = 365.25;

/** A line of the chart: an output's drift from nought on. */
interface DriftLine {
  readonly id: string;
  readonly d: string;
  /** Where it ends, for its name. */
  readonly end: { readonly x: number; readonly y: number };
  /** Where it crosses what is allowed, if it does within the years. */
  readonly leaves: { readonly x: number; readonly y: number } | undefined;
}

export interface DriftChart {
  readonly lines: readonly DriftLine[];
  readonly years: readonly { readonly x: number; readonly text: string }[];
  readonly degrees: readonly { readonly y: number; readonly text: string }[];
  readonly zero: number;
}

const LEFT = 56;
const RIGHT = 130;
const TOP = 16;
const FOOT = 34;

/** Drifts over so many years, each a straight line, within so many pixels. */
export function driftChart(
  courses: readonly { readonly id: string; readonly course: DriftCourse }[],
  years: number,
  room: { readonly width: number; readonly height: number },
): DriftChart {
  const at = (c: DriftCourse, y: number): number => toNumber(c.perDay) * YEAR * y;
  const ends = courses.map(c => at(c.course, years));
  const allowed = courses.map(c => toNumber(c.course.allowed));
  const most = Math.max(
    1e-9,
    ...ends.map(Math.abs),
    Math.min(...allowed, Infinity) === Infinity ? 0 : Math.min(...allowed),
  );
  const x = scaleLinear([0, years], [LEFT, Math.max(LEFT + 1, room.width - RIGHT)]);
  const y = scaleLinear([-most, most], [Math.max(TOP + 1, room.height - FOOT), TOP]).nice();
  const lines = courses.map(({ id, course }, i) => {
    const end = { x: x(years), y: y(ends[i] ?? 0) };
    const leaves = course.leavesAfter && toNumber(course.leavesAfter) / 86400 / YEAR;
    const cross =
      leaves !== undefined && leaves <= years ? { x: x(leaves), y: y(at(course, leaves)) } : undefined;
    return { id, end, leaves: cross, d: `M${x(0)} ${y(0)}L${end.x} ${end.y}` };
  });
  return {
    lines,
    years: x.ticks(6).map(v => ({ x: x(v), text: String(v) })),
    degrees: y.ticks(6).map(v => ({ y: y(v), text: `${v < 0 ? '−' : ''}${Math.abs(v)}°` })),
    zero: y(0),
  };
}
