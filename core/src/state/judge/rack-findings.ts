import { byId, meshes } from '../../document/machine/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';
import { jointCourse, type MovingSlide, standsAt } from '../../place/motion/index.ts';
import type { LinkageParts } from './linkage-parts.ts';

const STEPS = 180;

/** Racks that run off their pinions: those that go on without end, and those whose pinion swings too far. */
export function rackFindings(parts: LinkageParts): Finding[] {
  return meshes(parts).flatMap((mesh): Finding[] => {
    if (mesh.type !== 'rack') return [];
    const [a, b] = [byId(parts.wheels, mesh.a), byId(parts.wheels, mesh.b)];
    const [rack, pinion] = a?.role === 'rack' ? [a, b] : [b, a];
    const slide = parts.moving.slides.find(s => s.id === rack?.member);
    const teeth = pinion?.teeth.kind === 'count' ? pinion.teeth.count : undefined;
    if (!slide?.rack || !pinion || teeth === undefined) return [];
    const turn = teeth * slide.pitch;
    const [back, on] = [-slide.rack.runs[0] / turn, slide.rack.runs[1] / turn];
    const [forwards, backwards] = mesh.opposite ? [back, on] : [on, back];
    if (!leaves(parts, slide)) return [];
    const data = { whole: forwards + backwards, forwards, backwards, turn };
    return [finding('rack-runs-off', 'warn', 'train', [slide.id, mesh.id], data)];
  });
}

/** Whether a rack goes on without end, or its pinion swings further than it has teeth. */
function leaves({ moving }: LinkageParts, { id, pitch, rack }: MovingSlide): boolean {
  const rate = moving.train.rates[id];
  if (rate && rate.num !== 0n) return true;
  const [from, to] = (rack?.runs ?? [0, 0]).map(way => (way / pitch) * 2 * Math.PI);
  for (const [source] of moving.train.responses[id] ?? []) {
    const joint = byId(moving.machine.joints, source);
    const course = joint && jointCourse(moving, joint, STEPS);
    for (let i = 0; course && i < STEPS; i++) {
      const at = (course.turns * i) / STEPS;
      const whole = Math.floor(at);
      const stands = standsAt(moving, { whole: BigInt(whole), part: at - whole });
      const way = stands.coordinate(id);
      // A rack that has run off is kept at its end.
      if (way <= (from ?? 0) + 1e-9 || way >= (to ?? 0) - 1e-9) return true;
    }
  }
  return false;
}
