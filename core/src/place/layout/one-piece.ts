import { arbors, type Indicator, type Machine, processOf, type Wheel } from '../../document/machine/index.ts';
import { armLayers } from './arms.ts';
import { wallsOf } from './walls.ts';
import type { Piece } from './pieces.ts';

type Parts = Pick<
  Machine,
  'wheels' | 'members' | 'axes' | 'joints' | 'indicators' | 'making' | 'processes' | 'process'
>;

/** What is made as one piece with an arbor: everything of it that is said to be so, and what lies between. */
export interface OnePiece {
  /** By which it is known as a part: its first wheel, or its arm, by whose process it is made. */
  readonly id: string;
  readonly arbor: string;
  readonly name: string;
  readonly wheels: readonly string[];
  /** Its rings that sit on it by a wall. */
  readonly walls: readonly string[];
  /** Whether the bar of its arm is of it. */
  readonly arm: boolean;
  /** Hands and arms of bodies that are of it. */
  readonly shown: readonly string[];
  /** Its own rod or tube, and spacers between its wheels: their indices among the pieces. */
  readonly pieces: readonly number[];
  /** Pegs that stand in its arm, with the pieces that they are: what turns on them is held loosely. */
  readonly pegs: readonly { readonly arbor: string; readonly piece: number }[];
}

/**
 * The parts that are made as one with an arbor, where a wheel of it, its arm, a hand or the arm of a body is said to be
 * *one piece* with it and a printer makes it: those, its rod or tube, spacers on it, walls of its rings, the bar of its
 * arm, and pegs in that arm on which all wheels are loose.
 */
export function onePieces(machine: Parts, pieces: readonly Piece[]): OnePiece[] {
  const bars = armLayers(machine);
  const index = (arbor: string, kinds: readonly Piece['kind'][]): number[] =>
    pieces.flatMap((p, i) => (p.arbor === arbor && kinds.includes(p.kind) ? [i] : []));
  return arbors(machine).flatMap((m): OnePiece[] => {
    const fused = (w: Wheel): boolean =>
      w.member === m.id && w.hold === 'one piece' && printed(machine, w.id);
    const wheels = machine.wheels.filter(fused);
    const bar = bars.has(m.id) && printed(machine, `arm ${m.id}`);
    const shown = machine.indicators.filter(i => sitsAsOne(i) && i.member === m.id && printed(machine, i.id));
    const [first] = [...wheels, ...(bar && m.onePiece ? [{ id: `arm ${m.id}` }] : []), ...shown];
    if (!first) return [];
    // A hand alone makes nothing of the arm below it.
    const arm = bar && (wheels.length > 0 || m.onePiece === true);
    const own = new Set(wheels.map(w => w.id));
    const carried = new Set(machine.axes.filter(a => a.frame === m.id).map(a => a.id));
    const pegs = arm
      ? arbors(machine).flatMap(p => {
          const on = machine.wheels.filter(w => w.member === p.id);
          const loose = carried.has(p.axis) && on.length > 0 && on.every(w => w.hold === 'loose');
          const [piece] = loose ? index(p.id, ['rod']) : [];
          return piece === undefined ? [] : [{ arbor: p.id, piece }];
        })
      : [];
    return [
      {
        ...{ id: first.id, arbor: m.id, name: m.name, arm, pegs },
        ...{ wheels: [...own], shown: shown.map(i => i.id) },
        walls: wallsOf(machine, m.id).flatMap(w => (own.has(w.wheel.id) ? [w.wheel.id] : [])),
        pieces: index(m.id, ['rod', 'tube', 'spacer']),
      },
    ];
  });
}

/** Whether a hand, or the arm of a body, is said to be one piece with its arbor. */
export const sitsAsOne = (i: Indicator): boolean =>
  (i.kind === 'hand' || (i.kind === 'body' && i.distance > 0)) && i.hold === 'one piece';

const printed = (machine: Parts, part: string): boolean => processOf(machine, part)?.kind === 'printer';

/** The parts that are no parts of their own, for they are of one piece with others: by their ids, with that piece. */
export function fusedParts(pieces: readonly OnePiece[]): ReadonlyMap<string, OnePiece> {
  const found = new Map<string, OnePiece>();
  for (const one of pieces) {
    for (const id of [...one.wheels, ...one.shown]) found.set(id, one);
    for (const id of one.walls) found.set(`wall ${id}`, one);
    if (one.arm) found.set(`arm ${one.arbor}`, one);
    for (const i of [...one.pieces, ...one.pegs.map(p => p.piece)]) found.set(`piece ${i}`, one);
  }
  return found;
}

/** Wheels, hands and arms of bodies that are said to be one piece with their arbors, which no printer makes. */
export const cannotBeOnePiece = (machine: Parts): string[] =>
  [...machine.wheels.filter(w => w.hold === 'one piece'), ...machine.indicators.filter(sitsAsOne)].flatMap(
    p => (printed(machine, p.id) ? [] : [p.id]),
  );
