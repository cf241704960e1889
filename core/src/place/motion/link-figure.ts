import { byId, type Machine, type Pin } from '../../document/machine/index.ts';
import { lawOf } from '../../trains/train/index.ts';

/** What is drawn of rods, slides and the arms that carry pins: bars from pin to pin, and where slides run. */
export interface LinkFigure {
  readonly bars: readonly LinkBar[];
  readonly pins: readonly Pin[];
  readonly slides: readonly string[];
  /** Points of rods whose path is drawn. */
  readonly traced: readonly Pin[];
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
  members.some(m => m.kind === 'link') || joints.some(j => lawOf(j).pins !== undefined);

const centre = (member: string): Pin => ({ member, radius: 0, angleDeg: 0 });

/** The figure of a machine's linkages, each thing once; where all stands at a time says `stancesAt`. */
export function linkFigure({ members, joints }: Pick<Machine, 'members' | 'joints'>): LinkFigure {
  const bars: LinkBar[] = [];
  const pins: Pin[] = [];
  const traced: Pin[] = [];
  const slides = new Set<string>();
  const pinned = (pin: Pin): void => {
    pins.push(pin);
    if (pin.radius > 0) bars.push({ member: pin.member, kind: 'arm', from: centre(pin.member), to: pin });
  };
  for (const j of joints) {
    const law = lawOf(j);
    law.pins?.(j).forEach(pinned);
    const moved = law.moves?.(j);
    if (byId(members, moved)?.kind === 'slide' && moved !== undefined) slides.add(moved);
    if (j.kind === 'slot')
      bars.push({
        ...{ member: j.driven, kind: 'slot', from: centre(j.driven) },
        to: { member: j.driven, radius: slotReach(j.pin), angleDeg: j.slotDeg },
      });
  }
  for (const m of members) {
    if (m.kind !== 'link') continue;
    const end: Pin = { member: m.id, radius: m.length, angleDeg: 0 };
    bars.push({ member: m.id, kind: 'rod', from: centre(m.id), to: end });
    pins.push(centre(m.id), end);
    for (const p of m.points ?? []) {
      const point: Pin = { member: m.id, radius: p.radius, angleDeg: p.angleDeg };
      bars.push({ member: m.id, kind: 'rod', from: centre(m.id), to: point });
      if (p.traced) traced.push(point);
    }
  }
  return { bars, pins, slides: [...slides], traced };
}

/** A slotted arm is drawn so long, mm: three times as far as its pin stands out. */
const slotReach = (pin: Pin): number => 3 * pin.radius;
