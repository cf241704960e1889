import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  type Dial,
  GROUND,
  type Hand,
  type Machine,
  newAim,
  newMachine,
  writeMachine,
} from '../core/src/document/machine/index.ts';
import { layersFound } from '../core/src/edits/edit/index.ts';
import { type DialStart, startRings } from '../core/src/edits/indicators/index.ts';
import { fitBores } from '../core/src/place/layout/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { BIRCH, LASER } from './stock.ts';

type Wheel = Machine['wheels'][number];
type Form = Machine['toothings'][number]['form'];

const clockForm = (drives: 'wheel' | 'pinion'): Form => ({
  kind: 'cycloidal',
  ...{ drives, tip: 'eased', practical: 0.95, clearance: 0.4 },
});

/** Going train: minute wheel, third arbor, and the arbor that carries the escape wheel once a minute. */
const GOING = [
  { from: 'minute', to: 'third', counts: [80, 10], angleDeg: 60 },
  { from: 'third', to: 'escape', counts: [75, 10], angleDeg: 120 },
] as const;

/**
 * Sidereal train: 11/53 · 11/45 · 14/17 turns once in 23 h 56 min 4 s of the minute arbor, less 0.2 parts in a
 * million.
 */
const SIDEREAL = [
  { from: 'minute', to: 'sidereal1', counts: [11, 53], angleDeg: -60 },
  { from: 'sidereal1', to: 'sidereal2', counts: [11, 45], angleDeg: -20 },
  { from: 'sidereal2', to: 'reverser', counts: [14, 12], angleDeg: 40 },
] as const;

/** Profile shift of the sidereal pinions, by their counts, so that none is undercut; modules. */
const SHIFTS: Readonly<Record<number, number>> = { 11: 0.36, 12: 0.3, 14: 0.19, 17: 0.01 };

const NAMES: Readonly<Record<string, string>> = {
  third: 'Third arbor',
  escape: 'Seconds and escape wheel',
  sidereal1: 'Sidereal, first',
  sidereal2: 'Sidereal, second',
  reverser: 'Sidereal idler',
  motion: 'Motion work',
  hour: 'Hour tube',
  sidereal: 'Sidereal hand',
};

/**
 * The demo clock: solar and sidereal time side by side. Wheels drive pinions in the going train, pinions drive
 * wheels in the motion work, each with the cycloidal form for it; the sidereal train is involute, since its idler
 * meets two mates.
 */
export function noons(): Machine {
  const start = newMachine('Two noons');
  let m: Machine = {
    ...start,
    processes: [LASER],
    materials: [BIRCH],
    drive: { member: 'drive', by: 'clockwork', speed: { kind: 'period', text: '1 h' } },
    members: start.members.map(a => ({ ...a, name: 'Minute arbor' })),
    toothings: [
      {
        id: 'going',
        name: 'Going train',
        form: clockForm('wheel'),
        size: { by: 'module', module: 1 },
        play: 0.05,
      },
      {
        id: 'motionwork',
        name: 'Motion work',
        form: clockForm('pinion'),
        size: { by: 'module', module: 1 },
        play: 0.05,
      },
      {
        ...{ id: 'starwork', name: 'Sidereal train', size: { by: 'module', module: 1 }, play: 0.08 },
        form: { kind: 'involute', pressureAngleDeg: 20, addendum: 1, dedendum: 1.25, fillet: 0.38 },
      },
    ],
    wheels: [],
    joints: [],
  };
  GOING.forEach((s, i) => (m = withStage(m, { ...s, toothing: 'going', layer: i })));
  m = withStage(m, {
    from: 'minute',
    to: 'motion',
    counts: [12, 48],
    angleDeg: 180,
    toothing: 'motionwork',
    layer: 2,
  });
  m = withReturn(m, 'motion', 'hour', [15, 45], 'motionwork', 3, 'drive');
  SIDEREAL.forEach((s, i) => (m = withStage(m, { ...s, toothing: 'starwork', layer: 4 + i })));
  m = withStage(m, {
    from: 'reverser',
    to: 'sidereal',
    counts: [12, 17],
    angleDeg: 40,
    toothing: 'starwork',
    layer: 6,
    wheel: 'reverser-12',
  });
  return fitBores(must(layersFound(withDials(withAims(m)))));
}

/** A dial that stands about an axis, and hands upon it. */
function dial(id: string, name: string, axis: string, radius: number, start: DialStart): Dial {
  return {
    ...{ kind: 'dial', id, name, member: GROUND, axis, radius, settingDeg: 90, sense: 'clockwise' },
    ...{ rings: startRings(start, radius), windows: [] },
  };
}

function hand(id: string, name: string, on: string, dialId: string, radius: number, full: string): Hand {
  return {
    ...{ kind: 'hand', id, name, member: on, dial: dialId, radius, settingDeg: 90 },
    ...{ shape: radius > 30 ? 'tapered' : 'leaf', reads: { kind: 'clock', full } },
  };
}

/**
 * Solar time on one dial of twelve hours, sidereal time on one of twenty-four, seconds by themselves; all hands
 * turn clockwise.
 */
function withDials(m: Machine): Machine {
  if (!m.drive) throw new Error('noons: no drive');
  return {
    ...m,
    start: '2026-01-01T00:00:00Z',
    drive: { ...m.drive, turns: 'clockwise' },
    indicators: [
      dial('solar-dial', 'Solar dial', 'axis1', 40, '12 hours'),
      hand('hour-hand', 'Hour hand', 'hour', 'solar-dial', 23, '12 h'),
      hand('minute-hand', 'Minute hand', 'drive', 'solar-dial', 35, '1 h'),
      dial('star-dial', 'Sidereal dial', 'sidereal-axis', 25, '24 hours'),
      hand('star-hand', 'Sidereal hand', 'sidereal', 'star-dial', 20, '24 h'),
      dial('seconds-dial', 'Seconds dial', 'escape-axis', 20, '60'),
      hand('seconds-hand', 'Seconds hand', 'escape', 'seconds-dial', 16, '1 min'),
    ],
  };
}

interface Stage {
  readonly from: string;
  readonly to: string;
  readonly counts: readonly [number, number];
  readonly angleDeg: number;
  readonly toothing: string;
  readonly layer: number;
  /** A driving wheel that is there already. */
  readonly wheel?: string;
}

const member = (id: string): string => (id === 'minute' ? 'drive' : id);

function wheelOf(m: Machine, id: string, on: string, count: number, toothing: string, layer: number): Wheel {
  const large = count >= 40;
  const name = m.members.find(a => a.id === member(on))?.name ?? '';
  return {
    ...{
      id,
      name: `${name} ${large ? 'wheel' : 'pinion'}`,
      member: member(on),
      toothing,
      role: 'wheel',
      layer,
    },
    teeth: { kind: 'count', count },
    ...(toothing === 'starwork' && SHIFTS[count] !== undefined && { shift: SHIFTS[count] }),
    bore: { kind: 'round', diameter: large ? 4 : 2.5 },
    ...(large && { body: { web: { kind: 'spokes' as const, number: 5 }, mark: true, engraved: true } }),
  };
}

/** A mesh onto a new arbor, whose axis hangs on it. */
function withStage(m: Machine, s: Stage): Machine {
  const mesh = `${s.from}-${s.to}`;
  const axis = {
    id: `${s.to}-axis`,
    frame: 'ground',
    place: { kind: 'mesh' as const, joint: mesh, angleDeg: s.angleDeg },
  };
  const next: Machine = {
    ...m,
    axes: [...m.axes, axis],
    members: [...m.members, { kind: 'arbor', id: s.to, name: NAMES[s.to] ?? s.to, axis: axis.id }],
  };
  return meshed(next, s, mesh);
}

/** A mesh back to an arbor on the line of another. */
function withReturn(
  m: Machine,
  from: string,
  to: string,
  counts: readonly [number, number],
  toothing: string,
  layer: number,
  line: string,
): Machine {
  const axis = m.members.find(a => a.id === line);
  const on = axis?.kind === 'arbor' ? axis.axis : '';
  const next: Machine = {
    ...m,
    members: [...m.members, { kind: 'arbor', id: to, name: NAMES[to] ?? to, axis: on }],
  };
  return meshed(next, { from, to, counts, angleDeg: 0, toothing, layer }, `${from}-${to}`);
}

function meshed(m: Machine, s: Stage, mesh: string): Machine {
  const a = s.wheel ?? `${s.from}-${s.counts[0]}-${s.layer}`;
  const b = s.to === 'reverser' ? 'reverser-12' : `${s.to}-${s.counts[1]}`;
  const wheels = [
    ...(s.wheel ? [] : [wheelOf(m, a, s.from, s.counts[0], s.toothing, s.layer)]),
    wheelOf(m, b, s.to, s.counts[1], s.toothing, s.layer),
  ];
  return {
    ...m,
    wheels: [...m.wheels, ...wheels],
    joints: [...m.joints, { kind: 'mesh', id: mesh, type: 'external', a, b }],
  };
}

function withAims(m: Machine): Machine {
  const aims = [
    ['Hours', '12 h', 'hour', '5'],
    ['Sidereal day', '23h 56m 4.0905s', 'sidereal', '5'],
    ['Seconds', '1 min', 'escape', '5'],
  ] as const;
  return aims.reduce<Machine>((now, [name, wanted, on, amount]) => {
    const aim = {
      ...newAim(now, name, wanted),
      sense: name === 'Seconds' ? ('either' as const) : ('with the drive' as const),
      tolerance: { amount, over: '1 Julian year' },
      member: on,
    };
    return { ...now, aims: [...now.aims, aim] };
  }, m);
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(join(import.meta.dirname, '../demo/two-noons.json'), writeMachine(noons()));
