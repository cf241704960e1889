import { newMachine, type Machine } from '../src/document/machine/index.ts';

type Wheel = Machine['wheels'][number];
type Axis = Machine['axes'][number];

const given = (id: string, x = 0, y = 0, frame = 'ground'): Axis => ({
  id,
  frame,
  place: { kind: 'given', x, y },
});
const arbor = (id: string, axis: string, more: object = {}): Machine['members'][number] => ({
  kind: 'arbor',
  id,
  name: id,
  axis,
  ...more,
});
const wheel = (id: string, member: string, count: number, more: Partial<Wheel> = {}): Wheel => ({
  id,
  name: id,
  member,
  toothing: 'toothing1',
  role: 'wheel',
  teeth: { kind: 'count', count },
  layer: 0,
  ...more,
});
const mesh = (
  id: string,
  a: string,
  b: string,
  type: 'external' | 'internal' | 'rack' | 'bevel' | 'reducer' = 'external',
): Machine['joints'][number] => ({ kind: 'mesh', id, type, a, b });
const machine = (name: string, change: Partial<Machine>): Machine => ({ ...newMachine(name), ...change });
const base = newMachine('base');
const driveArbor = base.members[0] as Machine['members'][number];

/** A stub of every kind of machine that the document must be able to say. Invented; counts chosen for easy checking. */
export const KINDS: Readonly<Record<string, Machine>> = {
  'nested tubes': machine('nested tubes', {
    axes: [given('axis1'), given('axis2', 60, 0)],
    members: [
      { ...driveArbor, axis: 'axis2' } as Machine['members'][number],
      arbor('inner', 'axis1', { section: { kind: 'rod', diameter: 3 } }),
      arbor('outer', 'axis1', { section: { kind: 'tube', bore: 3.2, diameter: 5 } }),
    ],
    wheels: [
      wheel('d1', 'drive', 20),
      wheel('d2', 'drive', 30, { layer: 1 }),
      wheel('w1', 'inner', 40),
      wheel('w2', 'outer', 30, { layer: 1 }),
    ],
    joints: [mesh('m1', 'd1', 'w1'), mesh('m2', 'd2', 'w2')],
  }),
  'loose compound pairs on one rod': machine('loose pairs', {
    axes: [given('axis1'), given('rod', 60, 0)],
    members: [driveArbor, arbor('p1', 'rod'), arbor('p2', 'rod'), arbor('o1', 'axis1'), arbor('o2', 'axis1')],
    wheels: [
      wheel('d1', 'drive', 24),
      wheel('p1a', 'p1', 36),
      wheel('p1b', 'p1', 20, { layer: 1 }),
      wheel('o1w', 'o1', 40, { layer: 1 }),
      wheel('d2', 'drive', 25, { layer: 2 }),
      wheel('p2a', 'p2', 35, { layer: 2 }),
      wheel('p2b', 'p2', 22, { layer: 3 }),
      wheel('o2w', 'o2', 38, { layer: 3 }),
    ],
    joints: [
      mesh('m1', 'd1', 'p1a'),
      mesh('m2', 'p1b', 'o1w'),
      mesh('m3', 'd2', 'p2a'),
      mesh('m4', 'p2b', 'o2w'),
    ],
  }),
  'arm on arm': machine('arm on arm', {
    axes: [given('axis1'), given('out', 80, 0, 'drive'), given('far', 40, 0, 'small')],
    members: [
      driveArbor,
      arbor('small', 'out'),
      arbor('bird', 'far'),
      arbor('fixed', 'axis1', { held: 'ground' }),
    ],
    wheels: [wheel('sun', 'fixed', 40), wheel('planet', 'small', 40)],
    joints: [mesh('m1', 'sun', 'planet')],
  }),
  'planets in copies': machine('planets', {
    axes: [given('axis1'), { ...given('pin', 42, 0, 'arm'), copies: { count: 3 } }],
    members: [
      driveArbor,
      arbor('arm', 'axis1'),
      arbor('planet', 'pin'),
      arbor('ring', 'axis1', { held: 'ground' }),
    ],
    wheels: [wheel('sun', 'drive', 24), wheel('p', 'planet', 18), wheel('r', 'ring', 60, { role: 'ring' })],
    joints: [mesh('m1', 'sun', 'p'), mesh('m2', 'p', 'r', 'internal')],
  }),
  ring: machine('ring', {
    axes: [given('axis1'), given('axis2', 40, 0)],
    members: [driveArbor, arbor('ring', 'axis2')],
    wheels: [wheel('w', 'drive', 20), wheel('r', 'ring', 60, { role: 'ring' })],
    joints: [mesh('m1', 'w', 'r', 'internal')],
  }),
  rack: machine('rack', {
    members: [
      driveArbor,
      { kind: 'slide', id: 'slide', name: 'slide', frame: 'ground', x: 0, y: 20, directionDeg: 0 },
    ],
    wheels: [wheel('w', 'drive', 20), wheel('r', 'slide', 30, { role: 'rack' })],
    joints: [mesh('m1', 'w', 'r', 'rack')],
  }),
  'bevels on crossed axes': machine('bevels', {
    axes: [given('axis1'), { ...given('axis2'), direction: { x: 1, y: 0, z: 0 } }],
    members: [driveArbor, arbor('cross', 'axis2')],
    wheels: [wheel('a', 'drive', 14), wheel('b', 'cross', 28)],
    joints: [mesh('m1', 'a', 'b', 'bevel')],
  }),
  'chain over three wheels': machine('chain', {
    axes: [given('axis1'), given('axis2', 100, 0), given('axis3', 50, 60)],
    members: [driveArbor, arbor('far', 'axis2'), arbor('tensioner', 'axis3')],
    toothings: [
      {
        id: 'toothing1',
        name: 'Sprockets',
        form: { kind: 'sprocket', rollerDiameter: 3 },
        size: { by: 'circular pitch', pitch: 6 },
        play: 0,
      },
    ],
    wheels: [
      wheel('a', 'drive', 12, { role: 'sprocket' }),
      wheel('b', 'far', 24, { role: 'sprocket' }),
      wheel('c', 'tensioner', 9, { role: 'sprocket' }),
    ],
    joints: [
      {
        kind: 'chain',
        id: 'chain1',
        type: 'chain',
        runs: [
          { wheel: 'a', side: 'inside' },
          { wheel: 'b', side: 'inside' },
          { wheel: 'c', side: 'outside' },
        ],
      },
    ],
  }),
  'crank and rod': machine('crank', {
    members: [
      driveArbor,
      { kind: 'link', id: 'rod', name: 'rod', length: 80 },
      { kind: 'slide', id: 'pump', name: 'pump', frame: 'ground', x: 0, y: 0, directionDeg: 90 },
    ],
    joints: [
      {
        kind: 'crank',
        id: 'j1',
        pin: { member: 'drive', radius: 15, angleDeg: 0 },
        rod: 'rod',
        slide: 'pump',
      },
    ],
  }),
  'cord through an eye, cord on a drum': machine('cords', {
    axes: [given('axis1'), given('far', 80, 0)],
    members: [
      driveArbor,
      arbor('winch', 'far'),
      { kind: 'slide', id: 'bob', name: 'bob', frame: 'ground', x: 40, y: 0, directionDeg: 90 },
      { kind: 'slide', id: 'bucket', name: 'bucket', frame: 'ground', x: 90, y: -40, directionDeg: 90 },
    ],
    wheels: [wheel('face', 'drive', 60), wheel('other', 'winch', 20)],
    joints: [
      mesh('m1', 'face', 'other'),
      {
        ...{ kind: 'cord', id: 'j1', slide: 'bob', eye: { along: 80, aside: 0 }, length: 150 },
        pin: { member: 'drive', radius: 20, angleDeg: 0, wheel: 'face' },
      },
      { kind: 'drum', id: 'j2', arbor: 'winch', diameter: 20, slide: 'bucket' },
    ],
    modes: [{ id: 'mode1', name: 'let down', engaged: [], held: [], released: ['j2'] }],
  }),
  'yoke, slot, four-bar, two rods': machine('linkages', {
    axes: [given('axis1'), given('far', 80, 0), given('slotted', 8, -30)],
    members: [
      driveArbor,
      arbor('rocker', 'far'),
      arbor('swinger', 'slotted'),
      { kind: 'slide', id: 'yoke', name: 'yoke', frame: 'ground', x: 0, y: 0, directionDeg: 90 },
      {
        ...{ kind: 'link', id: 'coupler', name: 'coupler', length: 75 },
        points: [{ radius: 40, angleDeg: 30, traced: true }],
      },
      { kind: 'link', id: 'thigh', name: 'thigh', length: 60 },
      { kind: 'link', id: 'shin', name: 'shin', length: 70 },
    ],
    joints: [
      { kind: 'yoke', id: 'j1', pin: { member: 'drive', radius: 20, angleDeg: 0 }, slide: 'yoke' },
      {
        ...{ kind: 'slot', id: 'j2', driven: 'swinger', slotDeg: 90 },
        pin: { member: 'drive', radius: 20, angleDeg: 0 },
      },
      {
        ...{ kind: 'four-bar', id: 'j3', rod: 'coupler' },
        pin: { member: 'drive', radius: 20, angleDeg: 0 },
        to: { member: 'rocker', radius: 50, angleDeg: 90 },
      },
      {
        ...{ kind: 'two rods', id: 'j4', rodA: 'thigh', rodB: 'shin', other: true },
        a: { member: 'coupler', radius: 40, angleDeg: 30 },
        b: { member: 'rocker', radius: 50, angleDeg: 90 },
      },
    ],
  }),
  'reducer with output pins': machine('reducer', {
    axes: [given('axis1'), given('eccentric', 1, 0, 'drive')],
    members: [
      driveArbor,
      arbor('disc', 'eccentric'),
      arbor('pins', 'axis1', { held: 'ground' }),
      arbor('out', 'axis1'),
    ],
    toothings: [
      {
        id: 'toothing1',
        name: 'Lobes',
        form: { kind: 'reducer', pinDiameter: 6, eccentricity: 1, offset: 0.05, ring: 'pins' },
        size: { by: 'module', module: 3 },
        play: 0.1,
      },
    ],
    wheels: [wheel('lobes', 'disc', 11, { role: 'disc' }), wheel('ring', 'pins', 12, { role: 'pins' })],
    joints: [
      mesh('m1', 'lobes', 'ring', 'reducer'),
      { kind: 'pins in holes', id: 'j1', disc: 'lobes', carrier: 'out', pins: 6, pinDiameter: 4, circle: 17 },
    ],
  }),
  'sector wheel': machine('sector', {
    axes: [given('axis1'), given('axis2', 60, 0)],
    members: [driveArbor, arbor('other', 'axis2')],
    wheels: [
      wheel('a', 'drive', 20, { teeth: { kind: 'sector', circle: 40, present: 10 } }),
      wheel('b', 'other', 20),
    ],
    joints: [mesh('m1', 'a', 'b')],
  }),
  ratchet: machine('ratchet', {
    members: [driveArbor, arbor('click', 'axis1')],
    joints: [{ kind: 'ratchet', id: 'j1', driver: 'drive', driven: 'click', teeth: 12, turns: 'forward' }],
  }),
  'slip joint and modes': machine('slip', {
    members: [driveArbor, arbor('hand', 'axis1'), arbor('key', 'axis1')],
    joints: [
      { kind: 'slip', id: 'j1', a: 'drive', b: 'hand' },
      { kind: 'clutch', id: 'j2', a: 'key', b: 'hand' },
    ],
    modes: [
      { id: 'run', name: 'run', drive: 'drive', engaged: ['j1'], held: [] },
      { id: 'set', name: 'set', drive: 'key', engaged: ['j2'], held: ['drive'] },
    ],
  }),
  'two clutches at one drive': machine('two clutches', {
    axes: [given('axis1'), given('axis2', 100, 0)],
    members: [driveArbor, arbor('great', 'axis1'), arbor('small', 'axis2')],
    toothings: [
      {
        ...(base.toothings[0] as Machine['toothings'][number]),
        form: { kind: 'cycloidal', drives: 'wheel', tip: 'round', practical: 0.95, clearance: 0.4 },
      },
    ],
    wheels: [wheel('w', 'great', 60), wheel('p', 'small', 10)],
    joints: [
      mesh('m1', 'w', 'p'),
      { kind: 'clutch', id: 'j1', a: 'drive', b: 'great' },
      { kind: 'clutch', id: 'j2', a: 'drive', b: 'small' },
    ],
    modes: [
      { id: 'by-wheel', name: 'by the wheel', engaged: ['j1'], held: [] },
      { id: 'by-pinion', name: 'by the pinion', engaged: ['j2'], held: [] },
    ],
  }),
  'split ring': machine('split ring', {
    axes: [given('axis1'), given('axis2', 40, 0)],
    members: [driveArbor, arbor('ring', 'axis2')],
    wheels: [wheel('w', 'drive', 20), wheel('r', 'ring', 60, { role: 'ring' })],
    joints: [mesh('m1', 'w', 'r', 'internal')],
    parts: [{ id: 'part1', name: 'ring in two halves', wheels: ['r'], pieces: 2 }],
  }),
  'counter carry, friction, cam, universal joint, half gear': machine('counter', {
    axes: [given('axis1'), given('axis2', 30, 0)],
    members: [
      driveArbor,
      arbor('tens', 'axis2'),
      { kind: 'slide', id: 'tappet', name: 'tappet', frame: 'ground', x: 0, y: 10, directionDeg: 90 },
    ],
    joints: [
      {
        kind: 'intermittent',
        id: 'j1',
        type: 'counter carry',
        driver: 'drive',
        driven: 'tens',
        step: [1, 10],
      },
      {
        kind: 'friction',
        id: 'j2',
        a: { member: 'drive', diameter: 10 },
        b: { member: 'tens', diameter: 20 },
      },
      {
        kind: 'cam',
        id: 'j3',
        cam: 'drive',
        follower: 'tappet',
        motion: {
          kind: 'points',
          points: [
            [0, 0],
            [180, 8],
          ],
          straight: true,
        },
        ...{ radius: 20, touch: { kind: 'knife' }, kept: { kind: 'weight' }, layer: 1 },
      },
      { kind: 'universal', id: 'j4', a: 'drive', b: 'tens' },
    ],
  }),
  'open counts, indicators, poses, log': machine('open', {
    axes: [
      given('axis1'),
      { id: 'axis2', frame: 'ground', place: { kind: 'polar', from: 'axis1', radius: 50, angleDeg: 30 } },
    ],
    members: [driveArbor, arbor('moon', 'axis2')],
    wheels: [
      wheel('a', 'drive', 20),
      wheel('b', 'moon', 20, { teeth: { kind: 'open', least: 30, most: 90 } }),
    ],
    joints: [mesh('m1', 'a', 'b')],
    indicators: [
      {
        id: 'i1',
        name: 'moon globe',
        member: 'moon',
        kind: 'globe',
        radius: 12,
        settingDeg: 90,
        half: true,
        reads: { kind: 'age', full: '29.530588 d' },
      },
      {
        ...{
          id: 'i2',
          name: 'moon dial',
          member: 'ground',
          axis: 'axis2',
          kind: 'dial',
          radius: 40,
          settingDeg: 90,
          sense: 'clockwise',
        },
        rings: [
          {
            outer: 38,
            inner: 35,
            divisions: 60,
            long: 5,
            numerals: {
              radius: 30,
              height: 4,
              stand: 'upright',
              writes: { kind: 'numbers', count: 12, first: 1, step: 1, roman: true },
            },
          },
          {
            outer: 24,
            inner: 22,
            divisions: 4,
            numerals: {
              radius: 18,
              height: 3,
              stand: 'outward',
              writes: { kind: 'names', names: ['a', 'b'], between: true },
            },
          },
        ],
        windows: [
          { kind: 'round', atDeg: 0, distance: 15, radius: 2 },
          { kind: 'sector', atDeg: 90, spanDeg: 40, inner: 8, outer: 12 },
          { kind: 'phases', atDeg: 0, distance: 8, radius: 5 },
        ],
      },
      {
        id: 'i3',
        name: 'moons',
        member: 'drive',
        kind: 'dial',
        radius: 30,
        settingDeg: 0,
        sense: 'clockwise',
        rings: [],
        windows: [],
        moons: { distance: 8, radius: 5 },
        reads: { kind: 'age', full: '29.530588 d' },
      },
      {
        id: 'i4',
        name: 'hand',
        member: 'moon',
        kind: 'hand',
        radius: 30,
        tail: 5,
        width: 2,
        settingDeg: 90,
        shape: 'leaf',
        dial: 'i2',
        reads: { kind: 'scale', full: '100', unit: 'm' },
      },
      {
        id: 'i5',
        name: 'ball',
        member: 'moon',
        kind: 'body',
        radius: 4,
        distance: 50,
        settingDeg: 20,
        reads: { kind: 'names', names: ['x', 'y'] },
      },
    ],
    poses: [{ id: 'pose1', name: 'noon', turns: '0.5' }],
    measurements: [
      { id: 'me1', subject: 'a', what: 'outside diameter', value: 43.8, unit: 'mm', at: '2026-01-02' },
    ],
    log: [{ id: 'l1', at: '2026-01-02', text: 'cut the first wheel' }],
  }),
};
