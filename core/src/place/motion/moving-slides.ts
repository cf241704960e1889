import { byId, GROUND, type Machine, type Slide } from '../../document/machine/index.ts';
import { type Point, polar } from '../../ground/geometry/index.ts';
import { type Rational, toNumber } from '../../ground/rational/index.ts';
import { radians } from '../../ground/units/index.ts';
import type { RackPlace } from '../layout/index.ts';

/** A slide: its line where the machine rests, and its rack where it has one. */
export interface MovingSlide {
  readonly id: string;
  /** From where its way is counted, against the ground, or the way there from the axis of the arm that carries it. */
  readonly at: Point;
  /** The direction of its line, radians; in the arm's own frame where one carries it. */
  readonly angle: number;
  readonly arm: string | undefined;
  /** The way of its coordinate's full turn, mm: a tooth of its rack, a turn of its drum, else a millimetre. */
  readonly pitch: number;
  /** Its rack: where the middle of tooth 0 stands, as `at`, and the way that its teeth point. */
  readonly rack:
    | {
        readonly at: Point;
        readonly angle: number;
        /** How far it goes until it has run off its pinion, mm. */
        readonly runs: readonly [from: number, to: number];
      }
    | undefined;
}

type Parts = Pick<Machine, 'axes' | 'members' | 'joints'>;

/** Every slide that stands somewhere; `rest` gives axes at rest, mm, racks stand where they mesh. */
export function movingSlides(
  machine: Parts,
  rest: Readonly<Record<string, Point>>,
  racks: readonly RackPlace[],
): MovingSlide[] {
  return machine.members.flatMap((m): MovingSlide[] => {
    if (m.kind !== 'slide') return [];
    const carrier = m.frame === GROUND ? undefined : m.frame;
    const pivot = carrier === undefined ? { x: 0, y: 0 } : pivotOf(machine, carrier, rest);
    const line = pivot && lineOf(m, rest, pivot);
    if (!pivot || !line) return [];
    const place = racks.find(r => r.slide === m.id);
    const rack = place && {
      at: { x: place.at.x - pivot.x, y: place.at.y - pivot.y },
      angle: place.angle,
      runs: place.runs,
    };
    return [{ id: m.id, ...line, arm: carrier, pitch: place?.pitch ?? drumTurn(machine, m.id) ?? 1, rack }];
  });
}

/** How far a slide goes for a turn of the drive, mm, at its rate. */
export const wayForTurn = ({ pitch }: Pick<MovingSlide, 'pitch'>, rate: Rational): number =>
  toNumber(rate) * pitch;

/** The way of a slide for a turn of the drum that draws it, mm. */
export function drumTurn({ joints }: Pick<Machine, 'joints'>, slide: string): number | undefined {
  const drum = joints.find(j => j.kind === 'drum' && j.slide === slide);
  return drum?.kind === 'drum' ? Math.PI * drum.diameter : undefined;
}

function pivotOf(machine: Parts, arm: string, rest: Readonly<Record<string, Point>>): Point | undefined {
  const member = byId(machine.members, arm);
  return member?.kind === 'arbor' ? rest[member.axis] : undefined;
}

/** Its line from the pivot of its frame: through its own place, or past an axis, to the left of it as it points. */
function lineOf(
  slide: Slide,
  rest: Readonly<Record<string, Point>>,
  pivot: Point,
): { readonly at: Point; readonly angle: number } | undefined {
  const angle = radians(slide.directionDeg);
  if (!slide.beside) return { at: { x: slide.x, y: slide.y }, angle };
  const axis = rest[slide.beside.axis];
  const at = axis && polar(axis, slide.beside.offset, angle + Math.PI / 2);
  return at && { at: { x: at.x - pivot.x, y: at.y - pivot.y }, angle };
}
