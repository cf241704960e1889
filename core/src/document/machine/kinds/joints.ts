import type { Joint, Pin } from '../types.ts';
import { ALL, type Cans } from './can.ts';

export type JointKind = Joint['kind'];
type Of<K extends JointKind> = Extract<Joint, { kind: K }>;
/** What a joint ties: a wheel or a member, by id. */
export type JointEnd = readonly ['wheel' | 'member', string];

/** What there is to know of a kind of joint. Its law stands in `train`, how it moves within a turn in `motion`. */
export interface JointFacts<K extends JointKind> extends Cans {
  /** As it is called on screen. */
  readonly called: string;
  /** What it ties, in the order in which it is said. */
  readonly ends: (joint: Of<K>) => readonly JointEnd[];
  /** The same joint with members under other names; wheels keep theirs. */
  readonly withMembers: (joint: Of<K>, name: (member: string) => string) => Of<K>;
  /** Modes engage it and let it go. */
  readonly switched: boolean;
  /** Moves a slide or a link in its own way, in millimetres: it gives no rate and leaves no gap. */
  readonly slides: boolean;
}

const plain = { ...ALL, switched: false, slides: false };
const untold = {
  motion: 'not yet',
  outline: 'nothing',
  drawing: 'not yet',
  bodies: 'not yet',
  checks: 'not yet',
} as const;
const linked = { outline: 'nothing' } as const;
/** What a pin stands on: a member, and a wheel of it. */
const pinned = ({ member, wheel }: Pin): JointEnd[] => [
  ['member', member],
  ...(wheel === undefined ? [] : [['wheel', wheel] as const]),
];
const renamed = (pin: Pin, name: (member: string) => string): Pin => ({ ...pin, member: name(pin.member) });
const immaterial = { outline: 'nothing', drawing: 'nothing', bodies: 'nothing' } as const;
const sides = <J extends { readonly a: string; readonly b: string }>(j: J): JointEnd[] => [
  ['member', j.a],
  ['member', j.b],
];
const driving = <J extends { readonly driver: string; readonly driven: string }>(j: J): JointEnd[] => [
  ['member', j.driver],
  ['member', j.driven],
];

/** Every kind of joint. A new one is a line here; the compiler then names what else must be decided. */
export const JOINTS: { readonly [K in JointKind]: JointFacts<K> } = {
  mesh: {
    ...plain,
    called: 'mesh',
    ends: j => [
      ['wheel', j.a],
      ['wheel', j.b],
    ],
    withMembers: j => j,
  },
  chain: {
    ...plain,
    called: 'chain or belt',
    ...{ outline: 'not yet', drawing: 'not yet', bodies: 'not yet', checks: 'not yet' },
    ends: j => j.runs.map(r => ['wheel', r.wheel] as const),
    withMembers: j => j,
  },
  friction: {
    ...plain,
    called: 'friction drive',
    ...{ outline: 'nothing', drawing: 'not yet', bodies: 'not yet', checks: 'not yet' },
    ends: j => [
      ['member', j.a.member],
      ['member', j.b.member],
    ],
    withMembers: (j, name) => ({
      ...j,
      a: { ...j.a, member: name(j.a.member) },
      b: { ...j.b, member: name(j.b.member) },
    }),
  },
  crank: {
    ...plain,
    ...linked,
    called: 'crank and rod',
    slides: true,
    ends: j => [...pinned(j.pin), ['member', j.rod], ['member', j.slide]],
    withMembers: (j, name) => ({ ...j, pin: renamed(j.pin, name) }),
  },
  yoke: {
    ...plain,
    ...linked,
    called: 'Scotch yoke',
    slides: true,
    ends: j => [...pinned(j.pin), ['member', j.slide]],
    withMembers: (j, name) => ({ ...j, pin: renamed(j.pin, name) }),
  },
  slot: {
    ...plain,
    ...linked,
    called: 'pin in a slot',
    ends: j => [...pinned(j.pin), ['member', j.driven]],
    withMembers: (j, name) => ({ ...j, pin: renamed(j.pin, name), driven: name(j.driven) }),
  },
  'four-bar': {
    ...plain,
    ...linked,
    called: 'four-bar',
    ends: j => [...pinned(j.pin), ['member', j.rod], ...pinned(j.to)],
    withMembers: (j, name) => ({ ...j, pin: renamed(j.pin, name), to: renamed(j.to, name) }),
  },
  'two rods': {
    ...plain,
    ...linked,
    called: 'two rods that meet',
    slides: true,
    ends: j => [...pinned(j.a), ['member', j.rodA], ...pinned(j.b), ['member', j.rodB]],
    withMembers: (j, name) => ({ ...j, a: renamed(j.a, name), b: renamed(j.b, name) }),
  },
  cord: {
    ...plain,
    ...linked,
    called: 'cord through an eye',
    slides: true,
    ends: j => [...pinned(j.pin), ['member', j.slide]],
    withMembers: (j, name) => ({ ...j, pin: renamed(j.pin, name) }),
  },
  drum: {
    ...plain,
    ...linked,
    called: 'cord on a drum',
    ends: j => [
      ['member', j.arbor],
      ['member', j.slide],
    ],
    withMembers: (j, name) => ({ ...j, arbor: name(j.arbor), slide: name(j.slide) }),
  },
  cam: {
    ...plain,
    called: 'cam',
    slides: true,
    ends: j => [
      ['member', j.cam],
      ['member', j.follower],
    ],
    withMembers: (j, name) => ({ ...j, cam: name(j.cam), follower: name(j.follower) }),
  },
  universal: {
    ...plain,
    called: 'universal joint',
    ...{ outline: 'nothing', drawing: 'not yet', bodies: 'not yet' },
    ends: sides,
    withMembers: (j, name) => ({ ...j, a: name(j.a), b: name(j.b) }),
  },
  'pins in holes': {
    ...plain,
    called: 'pins in holes',
    ends: j => [
      ['wheel', j.disc],
      ['member', j.carrier],
    ],
    withMembers: (j, name) => ({ ...j, carrier: name(j.carrier) }),
  },
  ratchet: {
    ...plain,
    ...untold,
    called: 'ratchet',
    checks: 'yes',
    ends: driving,
    withMembers: (j, name) => ({ ...j, driver: name(j.driver), driven: name(j.driven) }),
  },
  slip: {
    ...plain,
    ...immaterial,
    called: 'slipping joint',
    switched: true,
    ends: sides,
    withMembers: (j, name) => ({ ...j, a: name(j.a), b: name(j.b) }),
  },
  clutch: {
    ...plain,
    ...immaterial,
    called: 'clutch',
    switched: true,
    ends: sides,
    withMembers: (j, name) => ({ ...j, a: name(j.a), b: name(j.b) }),
  },
  intermittent: {
    ...plain,
    called: 'stepping joint',
    ...{ outline: 'not yet', drawing: 'not yet', bodies: 'not yet', checks: 'not yet' },
    ends: driving,
    withMembers: (j, name) => ({ ...j, driver: name(j.driver), driven: name(j.driven) }),
  },
};

/** The facts of a joint's kind. */
export const factsOf = <K extends JointKind>(joint: { readonly kind: K }): JointFacts<K> =>
  JOINTS[joint.kind] as unknown as JointFacts<K>;

/** The wheels and members that a joint ties, with the kind of each. */
export const jointEnds = (joint: Joint): readonly JointEnd[] =>
  (JOINTS[joint.kind].ends as (j: Joint) => readonly JointEnd[])(joint);
