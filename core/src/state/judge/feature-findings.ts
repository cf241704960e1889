import { flatten } from '../../ground/geometry/index.ts';
import { processOf, type Machine, type Process, type Wheel } from '../../document/machine/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import type { HalfTooth, ToothFigure } from '../../teeth/tooth/index.ts';
import type { WheelState } from '../state/index.ts';

/**
 * The least feature of a process when it is not said: two lines of a nozzle, the cutter's width in a gap, twice the
 * kerf (common practice, no source).
 */
export function leastFeature(process: Process): number | undefined {
  if (process.leastFeature !== undefined) return process.leastFeature;
  switch (process.kind) {
    case 'printer':
      return process.nozzle === undefined ? undefined : 2 * process.nozzle;
    case 'router':
      return process.cutter;
    case 'laser':
    case 'saw':
      return process.kerf === undefined ? undefined : 2 * process.kerf;
  }
}

/** The least widths of a tooth: of its material near the tip, and of its gap near the root; mm. */
function toothWidths(half: HalfTooth, count: number, chordError: number): { tooth: number; gap: number } {
  const points = flatten({ ...half, closed: false }, chordError);
  const end = points.at(-1);
  const step = Math.PI / count;
  const depth = end ? Math.hypot(end.x, end.y) - Math.hypot(half.start.x, half.start.y) : 0;
  let [tooth, gap] = [Infinity, Infinity];
  for (const p of points) {
    const radius = Math.hypot(p.x, p.y);
    const part = (radius - Math.hypot(half.start.x, half.start.y)) / depth;
    const angle = Math.atan2(-p.y, p.x);
    if (part > 0.05 && part < 0.9) tooth = Math.min(tooth, 2 * radius * angle);
    if (part > 0.25 && part < 0.95) gap = Math.min(gap, 2 * radius * (step - angle));
  }
  return { tooth, gap };
}

/** Teeth or gaps smaller than the machine's process can make. */
export function featureFindings(
  machine: Pick<Machine, 'processes' | 'process' | 'making'>,
  wheel: Wheel,
  state: WheelState,
): Finding[] {
  const process = processOf(machine, wheel.id);
  const least = process && leastFeature(process);
  const figure = state.figure.ok ? state.figure.value : undefined;
  if (!process || least === undefined || !figure?.half || !figure.closes || isPins(state)) return [];
  const { tooth, gap } = widths(figure);
  const { kind } = process;
  const found: Finding[] = [];
  if (kind !== 'router' && tooth < least)
    found.push(finding('tooth-too-fine', 'warn', 'teeth', [wheel.id], { is: tooth, least, process: kind }));
  const between = kind === 'router' ? least : kind === 'printer' ? 0 : (process.kerf ?? 0);
  if (gap < between)
    found.push(
      finding('gap-too-fine', 'warn', 'teeth', [wheel.id], { is: gap, least: between, process: kind }),
    );
  return found;
}

const widths = (figure: ToothFigure): { tooth: number; gap: number } =>
  figure.half ? toothWidths(figure.half, figure.count, 0.05) : { tooth: Infinity, gap: Infinity };

/** Pegs, pins and magnets: round things that no cutter shapes. */
export const isPins = ({ teeth }: WheelState): boolean =>
  teeth.family === 'pins' ||
  teeth.family === 'pegs' ||
  teeth.family === 'reducer pins' ||
  teeth.family === 'magnets';
