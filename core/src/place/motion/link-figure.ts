import { byId, type Machine, type Pin } from '../../document/machine/index.ts';
import { direction, distance, type Point, polar } from '../../ground/geometry/index.ts';
import { lawOf } from '../../trains/train/index.ts';

/** What is drawn of rods, slides and the arms that carry pins: bars from pin to pin, and where slides run. */
export interface LinkFigure {
  readonly bars: readonly LinkBar[];
  readonly pins: readonly Pin[];
  readonly slides: readonly string[];
  /** Points of rods whose path is drawn. */
  readonly traced: readonly Pin[];
  readonly cords: readonly CordFigure[];
}

/** A cord as it is drawn: from a pin through its eye, or from a drum, to a slide. */
export type CordFigure =
  | { readonly kind: 'eye'; readonly joint: string; readonly pin: Pin; readonly slide: string }
  | {
      readonly kind: 'drum';
      readonly joint: string;
      readonly arbor: string;
      readonly radius: number;
      readonly slide: string;
      /** On which side of the drum it leaves, as the slide goes. */
      readonly side: 'right' | 'left';
    };

/** Where a cord leaves a drum: the point where its straight part, from a slide's point, touches the rim. */
export function leavesDrum(from: Point, centre: Point, radius: number, side: 'right' | 'left'): Point {
  const apart = distance(from, centre);
  if (apart <= radius) return centre;
  const back = direction(centre, from);
  const off = Math.acos(radius / apart);
  // Seen from the slide, what lies on its right hand is reached by turning forwards from the way back to it.
  return polar(centre, radius, side === 'right' ? back + off : back - off);
}

/** A straight piece of one member, between two of its points. */
export interface LinkBar {
  readonly member: string;
  readonly kind: 'rod' | 'arm' | 'slot';
  readonly from: Pin;
  readonly to: Pin;
}

/** Whether a machine has rods or slides to draw: they come with joints that are no meshes. */
export const hasLinks = ({ members, joints }: Pick<Machine, 'members' | 'joints'>): boolean =>
  members.some(m => m.kind === 'link') || joints.some(j => j.kind === 'drum' || lawOf(j).pins !== undefined);

const centre = (member: string): Pin => ({ member, radius: 0, angleDeg: 0 });

/** The figure of a machine's linkages, each thing once; where all stands at a time says `stancesAt`. */
export function linkFigure({ members, joints }: Pick<Machine, 'members' | 'joints'>): LinkFigure {
  const bars: LinkBar[] = [];
  const pins: Pin[] = [];
  const traced: Pin[] = [];
  const cords: CordFigure[] = [];
  const slides = new Set<string>();
  const pinned = (pin: Pin): void => {
    pins.push(pin);
    if (pin.radius > 0 && pin.wheel === undefined)
      bars.push({ member: pin.member, kind: 'arm', from: centre(pin.member), to: pin });
  };
  for (const j of joints) {
    const law = lawOf(j);
    law.pins?.(j).forEach(pinned);
    const moved = law.moves?.(j);
    if (byId(members, moved)?.kind === 'slide' && moved !== undefined) slides.add(moved);
    if (j.kind === 'cord') cords.push({ kind: 'eye', joint: j.id, pin: j.pin, slide: j.slide });
    if (j.kind === 'drum') {
      slides.add(j.slide);
      const side = j.opposite ? 'left' : 'right';
      cords.push({
        ...{ kind: 'drum', joint: j.id, arbor: j.arbor, radius: j.diameter / 2, slide: j.slide, side },
      });
    }
    if (j.kind === 'slot')
      bars.push({
        ...{ member: j.driven, kind: 'slot', from: centre(j.driven) },
        to: { member: j.driven, radius: slotDrawn(j.pin), angleDeg: j.slotDeg },
      });
  }
  for (const m of members) {
    if (m.kind !== 'link' || !joints.some(j => lawOf(j).rods?.(j).includes(m.id))) continue;
    const end: Pin = { member: m.id, radius: m.length, angleDeg: 0 };
    bars.push({ member: m.id, kind: 'rod', from: centre(m.id), to: end });
    pins.push(centre(m.id), end);
    for (const p of m.points ?? []) {
      const point: Pin = { member: m.id, radius: p.radius, angleDeg: p.angleDeg };
      bars.push({ member: m.id, kind: 'rod', from: centre(m.id), to: point });
      if (p.traced) traced.push(point);
    }
  }
  return { bars, pins, slides: [...slides], traced, cords };
}

/** A slotted arm is drawn so long, mm: three times as far as its pin stands out. */
const slotDrawn = (pin: Pin): number => 3 * pin.radius;
