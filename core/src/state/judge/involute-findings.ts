import type { Machine, Wheel } from '../../document/machine/index.ts';
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
        : [fix('set-addendum', wheel.toothing, stub)];
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

/** A fillet larger than the gap between the rack's teeth has room for. */
export function filletFindings(
  machine: Pick<Machine, 'wheels'>,
  toothing: string,
  wheels: Readonly<Record<string, WheelState>>,
): Finding[] {
  const own = machine.wheels.filter(w => w.toothing === toothing).flatMap(w => wheels[w.id]?.spec ?? []);
  const first = own[0];
  if (!first) return [];
  const largest = Math.min(...own.map(s => fullRound(s)));
  const fillet = first.form.fillet;
  if (largest < 0 || fillet <= largest + 1e-9) return [];
  const fixes = [fix('set-fillet', toothing, Math.floor(largest * 1000) / 1000)];
  return [finding('fillet-too-large', 'warn', 'teeth', [toothing], { fillet, largest }, fixes)];
}
