import { byId, type Joint, type Pin, type Wheel } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { hubAcross, USUAL_TUBES } from '../../place/layout/index.ts';
import { AT_REST, standsAt } from '../../place/motion/index.ts';
import { lawOf } from '../../trains/train/index.ts';
import type { LinkageParts } from './linkage-parts.ts';

/** What must be left about a pin, of its own width. */
const WALL = 0.5;

/** Pins on faces of wheels that stand outside them or in their hubs, and slots that run into their arm's bore. */
export function pinFindings(parts: LinkageParts): Finding[] {
  return parts.joints.flatMap((joint): Finding[] => [
    ...(lawOf(joint).pins?.(joint) ?? []).flatMap(pin => onWheel(parts, joint, pin)),
    ...(joint.kind === 'slot' ? slotFinding(parts, joint) : []),
  ]);
}

const pinAcross = ({ layout }: LinkageParts): number => (layout.tubes ?? USUAL_TUBES).rod;

function onWheel(parts: LinkageParts, joint: Joint, pin: Pin): Finding[] {
  const wheel = byId(parts.wheels, pin.wheel);
  if (!wheel) return [];
  const subjects = [wheel.id, joint.id];
  if (wheel.member !== pin.member)
    return [finding('pin-on-other', 'stop', 'train', subjects, {}, [fix('pin-on-arm', joint.id)])];
  const room = (0.5 + WALL) * pinAcross(parts);
  const circles = parts.states[wheel.id]?.dimensions;
  if (!circles || circles.tipRadius <= circles.rootRadius) return [];
  const [least, most] = [middleOf(parts, wheel) + room, circles.rootRadius - room];
  const out = pin.radius;
  // Mends are of all pins of a joint that stand on wheels: with two of them neither is offered.
  const alone = (lawOf(joint).pins?.(joint) ?? []).filter(p => p.wheel !== undefined).length === 1;
  const to = (radius: number): Finding['fixes'] =>
    alone
      ? [...(least <= most ? [fix('set-pin-out', joint.id, radius)] : []), fix('pin-on-arm', joint.id)]
      : [];
  if (out > most + 1e-9)
    return [
      finding('pin-outside-wheel', 'stop', 'train', subjects, { out, most }, to(Math.floor(10 * most) / 10)),
    ];
  if (out < least - 1e-9)
    return [finding('pin-in-hub', 'stop', 'train', subjects, { out, least }, to(Math.ceil(10 * least) / 10))];
  return [];
}

/** How far bore and hub of a wheel reach, mm. */
function middleOf({ sizes }: LinkageParts, wheel: Wheel): number {
  const bore = wheel.bore?.kind === 'round' ? wheel.bore.diameter : (sizes.get(wheel.member)?.diameter ?? 0);
  return Math.max(bore, hubAcross(wheel) ?? 0) / 2;
}

function slotFinding(parts: LinkageParts, joint: Extract<Joint, { kind: 'slot' }>): Finding[] {
  const stands = standsAt(parts.moving, AT_REST);
  const [a, b] = [stands.axis(joint.pin.member), stands.axis(joint.driven)];
  if (!a || !b) return [];
  const near = Math.abs(Math.hypot(a.x - b.x, a.y - b.y) - joint.pin.radius);
  const own = parts.sizes.get(joint.driven)?.diameter ?? 0;
  const least = own / 2 + (0.5 + WALL) * pinAcross(parts);
  return near < least ? [finding('slot-reaches-arbor', 'stop', 'train', [joint.id], { near, least })] : [];
}
