import { polar } from '../../ground/geometry/index.ts';
import { arbors, byId, GROUND, SCREW_BOSS } from '../../document/machine/index.ts';
import { radians } from '../../ground/units/index.ts';
import { linesOf } from './lines.ts';
import { BALL_FLAT } from './seats.ts';
import type { LayoutParts, Solid } from './solids.ts';
import type { Band } from './stack.ts';
import { armKey, merged, type Turning, turningAxis } from './turning.ts';

/** Half the width of an arm or a hand where it is held against other things, mm: about its eye (our choice). */
const HALF = 2.5;
const ORIGIN = { x: 0, y: 0 };

/**
 * What shows something and turns, as it fills room above the front: hands, arms and balls of bodies with their
 * counterweights, globes, and dials that turn. It stands where its arbor stands at nought turns.
 */
export function shownSolids(parts: LayoutParts): Solid[] {
  const { machine, motion, spans, sizes } = parts;
  const lines = new Map(linesOf(machine).flatMap(l => l.arbors.map(a => [a.id, l.id] as const)));
  return machine.indicators.flatMap((i): Solid[] => {
    const arbor = byId(arbors(machine), i.member);
    const [seat, path] = [spans.seats.get(i.id), arbor && turningAxis(motion, arbor.axis)];
    if (!seat || !path || !arbor || i.member === GROUND) return [];
    const key = armKey(motion, arbor.id);
    const base = { kind: 'shown' as const, id: i.id, member: i.member, line: lines.get(i.member), copy: 0 };
    const band = { from: seat.low, to: seat.high };
    const angle = radians(i.settingDeg);
    const bar = (out: number, outer: number): Solid => ({
      ...{ ...base, path, band, inner: undefined, outer },
      bar: { to: polar(ORIGIN, out, angle), key: key?.key, axis: arbor.axis },
    });
    const round = (radius: number, out: number, at: Band): Solid => ({
      ...{ ...base, band: at, inner: undefined, outer: radius, bar: undefined },
      path: carried(path, polar(ORIGIN, out, angle), key),
    });
    const across = sizes.get(i.member)?.diameter;
    const boss =
      seat.top > seat.high && across !== undefined
        ? [round(across / 2 + SCREW_BOSS.wall, 0, { from: seat.high, to: seat.top })]
        : [];
    switch (i.kind) {
      case 'hand': {
        const half = (i.width ?? 2 * HALF) / 2;
        return [bar(i.radius, half), bar(-(i.tail ?? 0), half), ...boss];
      }
      case 'dial':
      case 'globe':
        return [round(i.radius, 0, band)];
      case 'body': {
        const middle = seat.ball ?? seat.high;
        const ball = { from: middle - (1 - BALL_FLAT) * i.radius, to: middle + i.radius };
        const weight = i.weight && {
          ...round(i.weight.diameter / 2, -i.weight.distance, {
            from: seat.high,
            to: seat.high + i.weight.height,
          }),
        };
        return [
          ...(i.distance > 0 ? [bar(i.distance, HALF)] : []),
          round(i.radius, i.distance, ball),
          ...boss,
          ...(weight ? [bar(-(i.weight?.distance ?? 0), HALF), weight] : []),
        ];
      }
    }
  });
}

/** A place that goes round with an arbor, so far from its axis. */
function carried(
  base: Turning,
  way: { readonly x: number; readonly y: number },
  key: ReturnType<typeof armKey>,
): Turning {
  if (!key) return { x: base.x + way.x, y: base.y + way.y, vectors: base.vectors };
  return { ...base, vectors: merged([...base.vectors, { ...key, ...way }]) };
}
