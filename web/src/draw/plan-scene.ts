import { type Derived, liesInPlan, rackOf, type WheelState } from '@tesseron/core/state';
import { type WheelPlane, wheelPlane } from '@tesseron/core/derive';
import { flatten, type Path, type Point, polar } from '@tesseron/core/geometry';
import { circleCount, otherSide, type Wheel } from '@tesseron/core/machine';
import { copyPlace, type DriveTurns, type Stance, stancesAt } from '@tesseron/core/motion';
import type { Rational } from '@tesseron/core/rational';
import { toothFigure } from '@tesseron/core/tooth';

/** A wheel as the plan shows it. */
export interface DrawnWheel {
  readonly wheel: Wheel;
  /** Where it stands, see `stances`: its member, or one of the further places of a planet. */
  readonly place: string;
  readonly axis: string;
  readonly count: number | undefined;
  readonly rate: Rational | undefined;
  readonly phase: number;
  readonly pitchRadius: number;
  readonly tipRadius: number;
  readonly rootRadius: number;
  /** Of a rack how long it is, from half a pitch before its own middle of tooth 0; it lies along its own y. mm. */
  readonly rack: { readonly pitch: number; readonly count: number } | undefined;
  /** Its teeth, where they lie in the plan and can be drawn. */
  readonly state: WheelState | undefined;
  readonly machine: Derived['machine'];
  readonly beside?: Beside;
  readonly key: string;
}

/** The other side of a ring with teeth inside and outside. */
interface Beside {
  readonly id: string;
  readonly state: WheelState;
  readonly phase: number;
  readonly key: string;
}

function besideOf({ machine, wheels, phases }: Derived, wheel: Wheel): Beside | undefined {
  const other = otherSide(machine, wheel);
  const state = other && wheels[other.id];
  if (!state) return undefined;
  const phase = phases.at[other.id] ?? 0;
  return { id: other.id, state, phase, key: `${state.key} ${phase - (phases.at[wheel.id] ?? 0)}` };
}

/** All wheels that can be drawn, lowest layer first, larger before smaller. */
export function drawnWheels(derived: Derived): DrawnWheel[] {
  const { machine } = derived;
  const axisOf = new Map([
    ...machine.members.flatMap(m => (m.kind === 'arbor' ? [[m.id, m.axis] as const] : [])),
    // A rack hangs on no axis: it is named beside itself, and nothing swings it.
    ...derived.racks.map(r => [r.slide, ''] as const),
  ]);
  const drawn = machine.wheels.flatMap((wheel): DrawnWheel[] => {
    const axis = axisOf.get(wheel.member);
    const state = derived.wheels[wheel.id];
    const count = circleCount(wheel);
    const module = derived.modules[wheel.toothing] ?? 1;
    if (axis === undefined || (wheel.role === 'rack' && !state)) return [];
    const d = state?.figure.ok ? state.dimensions : undefined;
    const flat = state && liesInPlan(state) ? state : undefined;
    const rack = state && rackOf(state);
    const plain = ((count ?? 20) * module) / 2;
    const mounted = wheel.mount && [wheel.mount, derived.phases.at[wheel.id]];
    const beside = besideOf(derived, wheel);
    return [
      {
        wheel,
        place: wheel.member,
        axis,
        count,
        rate: derived.train.rates[wheel.member],
        phase: derived.phases.at[wheel.id] ?? 0,
        pitchRadius: d?.pitchRadius ?? plain,
        tipRadius: d?.tipRadius ?? plain,
        rootRadius: d?.rootRadius ?? plain,
        rack,
        state: flat,
        machine,
        ...(beside && { beside }),
        key: `${state?.key ?? ''} ${JSON.stringify([wheel.bore, wheel.body, mounted])} ${beside?.key ?? ''}`,
      },
    ];
  });
  const further = derived.moving.copies.flatMap((copy, i) =>
    drawn
      .filter(w => w.wheel.member === copy.member)
      .map(w => ({ ...w, place: copyPlace(copy.member, i), phase: w.phase + copy.spin })),
  );
  return [...drawn, ...further].sort((a, b) => a.wheel.layer - b.wheel.layer || b.tipRadius - a.tipRadius);
}

/** Where every arbor stands at some turns of the drive; planets in several places have an entry for each. */
export const stances = (
  derived: Derived,
  turns: DriveTurns,
  into?: Map<string, Stance>,
): Map<string, Stance> => stancesAt(derived.moving, turns, into);

/** Outlines as the canvas takes them, drawn no finer than the screen shows, kept by what they were made from. */
export interface OutlineCache {
  readonly get: (wheel: DrawnWheel, scale: number) => Path2D;
}

const PIXELS_OFF = 0.3;
const LEAST_TOOTH_PIXELS = 2.5;
const MOST_KEPT = 400;

export function createOutlineCache(): OutlineCache {
  const kept = new Map<string, Path2D>();
  const last = new WeakMap<DrawnWheel, { readonly scale: number; readonly path: Path2D }>();
  const make = (wheel: DrawnWheel, scale: number): Path2D => {
    const fineness = 2 ** Math.floor(Math.log2(PIXELS_OFF / scale));
    const teeth = toothWidth(wheel) * scale * 3 > LEAST_TOOTH_PIXELS;
    const name = `${wheel.key} ${wheel.tipRadius} ${teeth ? fineness : 'disc'}`;
    const known = kept.get(name);
    if (known) return known;
    const path = outlinePath(wheel, teeth, Math.max(0.002, fineness));
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(name, path);
    return path;
  };
  return {
    get(wheel, scale) {
      const before = last.get(wheel);
      if (before?.scale === scale) return before.path;
      const path = make(wheel, scale);
      last.set(wheel, { scale, path });
      return path;
    },
  };
}

/** About a module, mm; nought where no teeth are drawn. */
const toothWidth = ({ state, pitchRadius, count, rack }: DrawnWheel): number =>
  rack ? rack.pitch / Math.PI : state && count ? (2 * pitchRadius) / count : 0;

function outlinePath(wheel: DrawnWheel, teeth: boolean, chordError: number): Path2D {
  const path = new Path2D();
  const plane = planeAt(wheel, chordError);
  if (!plane) path.arc(0, 0, wheel.pitchRadius, 0, 2 * Math.PI);
  else if (teeth || wheel.rack) for (const p of [plane.outline, ...plane.holes]) trace(path, p, chordError);
  else {
    const ring = wheel.tipRadius < wheel.rootRadius;
    if (ring) trace(path, plane.outline, chordError);
    else path.arc(0, 0, wheel.pitchRadius, 0, 2 * Math.PI);
    for (const p of ring ? [] : plane.holes) trace(path, p, chordError);
    if (ring) addCircle(path, wheel.pitchRadius);
  }
  return path;
}

function addCircle(path: Path2D, radius: number): void {
  path.moveTo(radius, 0);
  path.arc(0, 0, radius, 0, 2 * Math.PI, true);
}

/** The wheel's plane figure, no finer than it is drawn. */
function planeAt(
  { wheel, state, machine, phase, beside }: DrawnWheel,
  chordError: number,
): WheelPlane | undefined {
  if (!state) return undefined;
  const coarsely = (of: WheelState): WheelState => ({ ...of, figure: toothFigure(of.teeth, chordError) });
  const plane = wheelPlane(
    {
      machine,
      wheels: { [wheel.id]: coarsely(state), ...(beside && { [beside.id]: coarsely(beside.state) }) },
      phases: { at: { [wheel.id]: phase, ...(beside && { [beside.id]: beside.phase }) } },
    },
    wheel,
  );
  return plane.ok ? plane.value : undefined;
}

function trace(path: Path2D, outline: Path, chordError: number): void {
  const [first, ...rest] = flatten(outline, chordError);
  if (!first) return;
  path.moveTo(first.x, first.y);
  for (const p of rest) path.lineTo(p.x, p.y);
  path.closePath();
}

/** A round that holds all of a wheel as it stands: of a rack about its middle. */
export function discOf(w: DrawnWheel, { centre, angle }: Stance): { centre: Point; radius: number } {
  if (!w.rack) return { centre, radius: w.tipRadius };
  const { pitch, count } = w.rack;
  const middle = ((count - 1) * pitch) / 2;
  return {
    centre: polar(centre, middle, angle + Math.PI / 2),
    radius: Math.max(w.tipRadius, (count * pitch) / 2),
  };
}

/** Whether a point lies on a wheel as it stands. */
function covers(w: DrawnWheel, stance: Stance, p: Point): boolean {
  const [dx, dy] = [p.x - stance.centre.x, p.y - stance.centre.y];
  if (!w.rack) return Math.hypot(dx, dy) <= w.tipRadius;
  const [c, s] = [Math.cos(stance.angle), Math.sin(stance.angle)];
  const [out, along] = [c * dx + s * dy, c * dy - s * dx];
  const { pitch, count } = w.rack;
  return Math.abs(out) <= 2 * pitch && along >= -pitch / 2 && along <= (count - 0.5) * pitch;
}

/** The topmost wheel under a point of the plane, smaller wheels first; undefined over bare ground. */
export function wheelAt(
  wheels: readonly DrawnWheel[],
  places: ReadonlyMap<string, Stance>,
  p: Point,
  visible: (layer: number) => boolean,
): DrawnWheel | undefined {
  const under = wheels.filter(w => {
    const s = places.get(w.place);
    return s && visible(w.wheel.layer) && covers(w, s, p);
  });
  return under.sort((a, b) => a.tipRadius - b.tipRadius)[0];
}
