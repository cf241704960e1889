import {
  circle,
  type Path,
  type Point,
  reversePath,
  rotate,
  type Segment,
} from '../../ground/geometry/index.ts';
import { USUAL_RIM, type Wheel } from '../../document/machine/index.ts';
import { fail, ok, type Result } from '../../ground/result/index.ts';

export type Body = NonNullable<Wheel['body']>;

/** What is known of a wheel before its web is cut: where the roots end, where the bore ends, and its module; mm. */
export interface WebRoom {
  readonly rootRadius: number;
  readonly boreRadius: number;
  readonly module: number;
}

/** Spokes that keep their strength, in modules (common practice, no source). */
const SPOKE = 3;
/** A hub is twice its bore, and never less than this many modules more (common practice, no source). */
const HUB = 3;

/** The widths of a web: as the maker said, or as strength asks; mm. */
export interface WebSizes {
  readonly hubRadius: number;
  readonly rim: number;
  readonly innerRim: number;
  readonly spoke: number;
}

/** The sizes that hold for a body. */
export function webSizes(body: Body, room: WebRoom): WebSizes {
  const least = Math.max(2 * room.boreRadius, room.boreRadius + HUB * room.module);
  const hubRadius = body.hubDiameter === undefined ? least : body.hubDiameter / 2;
  const rim = body.rim ?? USUAL_RIM * room.module;
  const spoke = ('width' in body.web ? body.web.width : undefined) ?? SPOKE * room.module;
  return { hubRadius, rim, innerRim: room.rootRadius - rim, spoke };
}

/** Widths below which rim, hub or spokes are called weak, mm (common practice, no source). */
export const leastRim = (module: number): number => 1.5 * module;
export const leastSpoke = (module: number): number => 1.5 * module;

/** The openings between hub and rim as closed paths, clockwise; none for a solid web. */
export function webPaths(body: Body, room: WebRoom): Result<readonly Path[]> {
  const { web } = body;
  if (web.kind === 'solid') return ok([]);
  const sizes = webSizes(body, room);
  if (!(sizes.hubRadius > room.boreRadius))
    return fail('hub-within-bore', { hub: 2 * sizes.hubRadius, bore: 2 * room.boreRadius });
  if (!(sizes.innerRim > sizes.hubRadius))
    return fail('no-room-for-web', { hub: 2 * sizes.hubRadius, rim: 2 * sizes.innerRim });
  if (web.kind === 'holes') return holes(web.number, web.diameter, sizes);
  const sweep = web.kind === 'curved spokes' ? (web.sweepDeg * Math.PI) / 180 : 0;
  return spokes(web.number, sizes, sweep);
}

function holes(number: number, diameter: number | undefined, s: WebSizes): Result<readonly Path[]> {
  const middle = (s.hubRadius + s.innerRim) / 2;
  const beside = 2 * middle * Math.sin(Math.PI / number);
  const most = Math.min(s.innerRim - s.hubRadius, beside - s.spoke);
  const wanted = diameter ?? most;
  if (!(wanted > 0)) return fail('no-room-for-web', { hub: 2 * s.hubRadius, rim: 2 * s.innerRim });
  if (wanted > most + 1e-9) return fail('holes-too-large', { diameter: wanted, largest: most });
  const step = (2 * Math.PI) / number;
  return ok(
    Array.from({ length: number }, (_, i) =>
      circle(rotate({ x: middle, y: 0 }, (i + 0.5) * step), wanted / 2, false),
    ),
  );
}

/**
 * Openings between spokes of one width all along: each side of a spoke is a line, or for curved ones an arc, beside
 * the line from hub to rim; corners at hub and rim are as they meet.
 */
function spokes(number: number, s: WebSizes, sweep: number): Result<readonly Path[]> {
  const step = (2 * Math.PI) / number;
  const half = s.spoke / 2;
  if (half >= s.hubRadius * Math.sin(step / 2))
    return fail('spokes-too-wide', { width: s.spoke, largest: 2 * s.hubRadius * Math.sin(step / 2) });
  const side = (radius: number, offset: 1 | -1): number => Math.asin((offset * half) / radius);
  const at = (radius: number, angle: number): Point => ({
    x: radius * Math.cos(angle),
    y: radius * Math.sin(angle),
  });
  const opening = (i: number): Path => {
    const [low, high] = [i * step, (i + 1) * step];
    const a = at(s.hubRadius, low + side(s.hubRadius, 1));
    const b = at(s.innerRim, low + sweep + side(s.innerRim, 1));
    const c = at(s.innerRim, high + sweep + side(s.innerRim, -1));
    const d = at(s.hubRadius, high + side(s.hubRadius, -1));
    const segments: Segment[] = [
      { kind: 'arc', to: a, centre: { x: 0, y: 0 }, ccw: false },
      ...edge(a, b, sweep),
      { kind: 'arc', to: c, centre: { x: 0, y: 0 }, ccw: true },
      ...edge(c, d, -sweep),
    ];
    return reversePath({ start: d, segments, closed: true });
  };
  return ok(Array.from({ length: number }, (_, i) => opening(i)));
}

/** A straight edge, or for a sweep an arc that leaves the hub radially bent by it. */
function edge(from: Point, to: Point, sweep: number): Segment[] {
  if (Math.abs(sweep) < 1e-6) return [{ kind: 'line', to }];
  const chord = Math.hypot(to.x - from.x, to.y - from.y);
  const radius = chord / (2 * Math.sin(Math.min(1.4, Math.abs(sweep))));
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  const away = Math.sqrt(Math.max(0, radius * radius - (chord * chord) / 4));
  const left = { x: -(to.y - from.y) / chord, y: (to.x - from.x) / chord };
  const outward = Math.hypot(to.x, to.y) > Math.hypot(from.x, from.y);
  const ccw = outward ? sweep > 0 : sweep < 0;
  const side = ccw ? 1 : -1;
  return [
    {
      kind: 'arc',
      to,
      ccw,
      centre: { x: middle.x + side * away * left.x, y: middle.y + side * away * left.y },
    },
  ];
}
