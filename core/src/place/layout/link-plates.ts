import { arbors, byId, type Joint, type Machine, type Pin } from '../../document/machine/index.ts';
import { armLayers, carriedAxes } from './arms.ts';
import { wallLayer } from './walls.ts';

/** A flat body of a linkage or a cam: what it is, the member with which it moves, its layer. */
export interface LinkPlate {
  /** The id of its part. */
  readonly id: string;
  readonly kind:
    | 'cam'
    | 'second cam'
    | 'far wall'
    | 'cam floor'
    | 'crank'
    | 'slotted arm'
    | 'rod'
    | 'slide'
    | 'roller'
    | 'drum'
    | 'near flange'
    | 'far flange';
  readonly member: string;
  /** The joint that it is made for; of a crank the first. */
  readonly joint: string;
  readonly layer: number;
}

/** A pin that stands in one flat body and goes through another. */
export interface LinkPin {
  readonly joint: string;
  readonly in: string;
  readonly through: string;
  /** Where it stands. */
  readonly at: Pin;
}

type Parts = Pick<Machine, 'wheels' | 'members' | 'axes' | 'joints'>;
type Cam = Extract<Joint, { kind: 'cam' }>;

/** How many layers a cam takes: two where it has a floor under its groove, or a second cam above it. */
const camHeight = ({ kept, touch }: Cam): number =>
  touch.kind === 'roller' && (kept.kind === 'groove' || kept.kind === 'second cam') ? 2 : 1;

/**
 * All flat bodies of linkages and cams. Cams lie where they are said to, what they move above them; cranks and slides
 * in the layer above all wheels, cams and arms, unless the arbor says a layer of its own; rods, and arms with slots,
 * above what their pins stand in.
 */
export function linkPlates(machine: Parts): LinkPlate[] {
  if (machine.joints.every(j => j.kind === 'mesh' || j.kind === 'chain')) return [];
  const layerOf = layering(machine);
  const plates = new Map<string, LinkPlate>();
  const put = (kind: LinkPlate['kind'], id: string, member: string, joint: string, layer: number): void => {
    if (!plates.has(id)) plates.set(id, { id, kind, member, joint, layer });
  };
  const crank = ({ member, wheel }: Pick<Pin, 'member' | 'wheel'>, joint: string): void => {
    if (wheel === undefined && byId(machine.members, member)?.kind === 'arbor')
      put('crank', `crank ${member}`, member, joint, layerOf(member));
  };
  const slide = (member: string, joint: string): void =>
    put('slide', `slide ${member}`, member, joint, layerOf(member));
  const rod = (member: string, joint: string): void =>
    put('rod', `rod ${member}`, member, joint, layerOf(member));
  for (const j of machine.joints)
    switch (j.kind) {
      case 'crank':
        crank(j.pin, j.id);
        rod(j.rod, j.id);
        slide(j.slide, j.id);
        break;
      case 'yoke':
      case 'cord':
        crank(j.pin, j.id);
        slide(j.slide, j.id);
        break;
      case 'drum': {
        const layer = layerOf(`drum ${j.id}`);
        put('near flange', `near flange ${j.id}`, j.arbor, j.id, layer);
        put('drum', `drum ${j.id}`, j.arbor, j.id, layer + 1);
        put('far flange', `far flange ${j.id}`, j.arbor, j.id, layer + 2);
        slide(j.slide, j.id);
        break;
      }
      case 'slot':
        crank(j.pin, j.id);
        put('slotted arm', `slotted ${j.driven}`, j.driven, j.id, layerOf(`slot ${j.id}`));
        break;
      case 'four-bar':
        crank(j.pin, j.id);
        rod(j.rod, j.id);
        crank(j.to, j.id);
        break;
      case 'two rods':
        crank(j.a, j.id);
        crank(j.b, j.id);
        rod(j.rodA, j.id);
        rod(j.rodB, j.id);
        break;
      case 'cam': {
        for (const p of camPlates(j)) put(p.kind, p.id, p.member, j.id, p.layer);
        if (byId(machine.members, j.follower)?.kind === 'slide') slide(j.follower, j.id);
        else crank({ member: j.follower }, j.id);
        break;
      }
      case 'mesh':
      case 'chain':
      case 'friction':
      case 'universal':
      case 'pins in holes':
      case 'ratchet':
      case 'slip':
      case 'clutch':
      case 'intermittent':
        break;
    }
  return [...plates.values()];
}

function camPlates(j: Cam): Pick<LinkPlate, 'kind' | 'id' | 'member' | 'layer'>[] {
  const on = (
    kind: LinkPlate['kind'],
    layer: number,
  ): Pick<LinkPlate, 'kind' | 'id' | 'member' | 'layer'> => ({
    ...{ kind, id: `${kind} ${j.id}`, member: j.cam, layer },
  });
  if (j.touch.kind !== 'roller') return [on('cam', j.layer)];
  const roller = (layer: number): ReturnType<typeof on> => ({ ...on('roller', layer), member: j.follower });
  switch (j.kept.kind) {
    case 'groove':
      return [
        on('cam floor', j.layer),
        on('cam', j.layer + 1),
        on('far wall', j.layer + 1),
        roller(j.layer + 1),
      ];
    case 'second cam':
      return [on('cam', j.layer), on('second cam', j.layer + 1), roller(j.layer)];
    case 'weight':
    case 'spring':
      return [on('cam', j.layer), roller(j.layer)];
  }
}

/** The layers of members, as they are asked for; of a slotted arm by `slot` and its joint. */
function layering(machine: Parts): (id: string) => number {
  const { wheels, joints, members } = machine;
  const cams = joints.filter(j => j.kind === 'cam');
  const used = [
    ...wheels.flatMap(w => [w.layer, wallLayer(w) ?? w.layer]),
    ...armLayers(machine).values(),
    ...cams.map(j => j.layer + camHeight(j) - 1),
  ];
  const base = Math.max(-1, ...used) + 1;
  const known = new Map<string, number>();
  const busy = new Set<string>();
  const over = (...ids: readonly (string | Pin)[]): number => 1 + Math.max(...ids.map(under));
  const under = (on: string | Pin): number =>
    typeof on === 'string' ? layerOf(on) : (byId(wheels, on.wheel)?.layer ?? layerOf(on.member));
  function layerOf(id: string): number {
    const before = known.get(id);
    if (before !== undefined || busy.has(id)) return before ?? base;
    busy.add(id);
    const made = find(id);
    known.set(id, made);
    return made;
  }
  function find(id: string): number {
    if (joints.some(j => j.kind === 'drum' && `drum ${j.id}` === id)) return base;
    const slotted = joints.find(j => j.kind === 'slot' && `slot ${j.id}` === id);
    if (slotted?.kind === 'slot') return over(slotted.pin);
    const member = byId(members, id);
    const lifted = cams.find(j => j.follower === id);
    if (member?.kind === 'arbor')
      return carriedAxes(machine, id).length === 0 && member.arm
        ? member.arm.layer
        : lifted
          ? lifted.layer + camHeight(lifted)
          : base;
    if (member?.kind === 'slide') {
      const drum = joints.find(j => j.kind === 'drum' && j.slide === id);
      if (drum) return layerOf(`drum ${drum.id}`) + 1;
      const yoke = joints.find(j => j.kind === 'yoke' && j.slide === id);
      if (yoke?.kind === 'yoke') return over(yoke.pin);
      return lifted ? lifted.layer + camHeight(lifted) : base;
    }
    return member?.kind === 'link' ? (member.layer ?? rodLayer(id)) : base;
  }
  function rodLayer(id: string): number {
    for (const j of joints) {
      if (j.kind === 'crank' && j.rod === id) return over(j.pin, j.slide);
      if (j.kind === 'four-bar' && j.rod === id) return over(j.pin, j.to);
      if (j.kind === 'two rods' && j.rodA === id) return over(j.a);
      if (j.kind === 'two rods' && j.rodB === id) return over(j.b, j.rodA);
    }
    return base;
  }
  return layerOf;
}

/** The pins of linkages, by the parts that they join. */
export function linkPins(machine: Parts): LinkPin[] {
  const part = (on: string | Pin): string => {
    if (typeof on !== 'string' && on.wheel !== undefined) return on.wheel;
    const member = typeof on === 'string' ? on : on.member;
    const kind = byId(machine.members, member)?.kind;
    return kind === 'link' ? `rod ${member}` : kind === 'slide' ? `slide ${member}` : `crank ${member}`;
  };
  return machine.joints.flatMap((j): LinkPin[] => {
    const pin = (at: Pin, through: string): LinkPin => ({ joint: j.id, in: part(at), through, at });
    const end = (member: string, radius = 0): Pin => ({ member, radius, angleDeg: 0 });
    switch (j.kind) {
      case 'crank':
        return [pin(j.pin, part(j.rod)), pin(end(j.slide), part(j.rod))];
      case 'yoke':
        return [pin(j.pin, part(j.slide))];
      case 'cord':
      case 'drum':
        return []; // a cord is tied
      case 'slot':
        return [pin(j.pin, `slotted ${j.driven}`)];
      case 'four-bar':
        return [pin(j.pin, part(j.rod)), pin(j.to, part(j.rod))];
      case 'two rods':
        return [
          pin(j.a, part(j.rodA)),
          pin(j.b, part(j.rodB)),
          pin(end(j.rodA, lengthOf(machine, j.rodA)), part(j.rodB)),
        ];
      case 'cam':
        return j.touch.kind === 'roller'
          ? [
              pin(
                j.arm
                  ? { member: j.follower, radius: j.arm.length, angleDeg: j.arm.angleDeg }
                  : end(j.follower),
                `roller ${j.id}`,
              ),
            ]
          : [];
      case 'mesh':
      case 'chain':
      case 'friction':
      case 'universal':
      case 'pins in holes':
      case 'ratchet':
      case 'slip':
      case 'clutch':
      case 'intermittent':
        return [];
    }
  });
}

const lengthOf = ({ members }: Parts, rod: string): number => {
  const found = byId(members, rod);
  return found?.kind === 'link' ? found.length : 0;
};

/** Layers of what rides on an arbor. */
export const linkLayers = (machine: Parts, arbor: string): number[] =>
  arbors(machine).some(m => m.id === arbor)
    ? linkPlates(machine).flatMap(p => (p.member === arbor && p.kind !== 'roller' ? [p.layer] : []))
    : [];
