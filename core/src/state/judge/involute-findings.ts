import { groupsOf, type Machine, type Wheel } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import {
  fullRound,
  type InvoluteDimensions,
  involuteDimensions,
  isUndercut,
  shiftWithoutUndercut,
  straightDepth,
  type ToothSpec,
  undercutLimit,
} from '../../teeth/tooth/index.ts';
import type { WheelState } from '../state/index.ts';

/** Judgements about the teeth of one external involute wheel. */
export const involuteFindings = (
  wheel: Wheel,
  spec: ToothSpec,
  dimensions: InvoluteDimensions,
): Finding[] => [...undercutFinding(wheel, spec), ...pointedFinding(wheel, spec, dimensions)];

function undercutFinding(wheel: Wheel, spec: ToothSpec): Finding[] {
  if (!isUndercut(spec)) return [];
  const limit = undercutLimit(spec.form.pressureAngleDeg, spec.shift, straightDepth(spec));
  const slight = spec.count >= Math.floor(limit);
  const shift = Math.ceil(shiftWithoutUndercut(spec) * 100) / 100;
  const fixes = shift <= 1 ? [fix('set-shift', wheel.id, shift)] : [];
  return [
    finding('undercut', slight ? 'note' : 'warn', 'teeth', [wheel.id], { count: spec.count, limit }, fixes),
  ];
}

function pointedFinding(wheel: Wheel, spec: ToothSpec, dimensions: InvoluteDimensions): Finding[] {
  const least = 0.2 * spec.module;
  if (dimensions.tipThickness >= least) return [];
  const pointed = dimensions.tipThickness === 0;
  const stub = stubAddendum(spec, least);
  const fixes =
    spec.shift > 0
      ? [fix('set-shift', wheel.id, Math.round(spec.shift * 50) / 100)]
      : stub === undefined
        ? []
        : [fix('set-addendum', wheel.id, stub)];
  const data = { tip: dimensions.tipThickness, least };
  return [
    finding(
      pointed ? 'pointed-tip' : 'thin-tip',
      pointed ? 'stop' : 'warn',
      'teeth',
      [wheel.id],
      data,
      fixes,
    ),
  ];
}

/** The largest addendum, in steps of 0.05 down to a half, at which the tips are thick enough. */
function stubAddendum(spec: ToothSpec, least: number): number | undefined {
  for (let steps = Math.floor(spec.form.addendum * 20) - 1; steps >= 10; steps--) {
    const form = { ...spec.form, addendum: steps / 20 };
    if (involuteDimensions({ ...spec, form }).tipThickness >= least) return steps / 20;
  }
  return undefined;
}

/**
 * A fillet larger than the gap between the rack's teeth has room for: told once of a toothing where all its wheels are
 * so, else of every group of wheels in mesh by itself.
 */
export function filletFindings(
  machine: Pick<Machine, 'wheels' | 'joints'>,
  toothing: string,
  wheels: Readonly<Record<string, WheelState>>,
): Finding[] {
  const groups = groupsOf(machine, toothing).map(group => group.flatMap(w => wheels[w]?.spec ?? []));
  const drawn = groups.filter(g => g.length > 0);
  const bad = groupsOf(machine, toothing).filter((_, i) => tooRound(groups[i] ?? []));
  if (bad.length === drawn.length && bad.length > 0) return [filletFinding(toothing, drawn.flat())];
  return bad.map(g =>
    filletFinding(
      g[0] ?? toothing,
      g.flatMap(w => wheels[w]?.spec ?? []),
    ),
  );
}

const largestFillet = (specs: readonly ToothSpec[]): number => Math.min(...specs.map(s => fullRound(s)));

function tooRound(specs: readonly ToothSpec[]): boolean {
  const [first] = specs;
  if (!first) return false;
  const largest = largestFillet(specs);
  return largest >= 0 && first.form.fillet > largest + 1e-9;
}

function filletFinding(subject: string, specs: readonly ToothSpec[]): Finding {
  const largest = largestFillet(specs);
  const fillet = Math.max(...specs.map(s => s.form.fillet));
  const fixes = [fix('set-fillet', subject, Math.floor(largest * 1000) / 1000)];
  return finding('fillet-too-large', 'warn', 'teeth', [subject], { fillet, largest }, fixes);
}
