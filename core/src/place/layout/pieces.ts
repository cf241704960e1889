import { FIT_ALLOWANCE } from '../../teeth/body/index.ts';
import { byId, GROUND, type Machine } from '../../document/machine/index.ts';
import { armLayers } from './arms.ts';
import { type Line, linesOf } from './lines.ts';
import { proudHubs } from './proud-hubs.ts';
import { reducerLayers } from './reducer-layers.ts';
import { wallsOf } from './walls.ts';
import { wheelThickness } from './layers.ts';
import type { LayoutParts } from './solids.ts';
import { hubbed } from './spans.ts';
import { type StandingRod, standingRods } from './standing-rods.ts';
import { type Band, overlap } from './stack.ts';
import { USUAL_TUBES } from './tubes.ts';

/** Thickness of a washer and play along an arbor where nothing is said, mm (common practice, no source). */
export const USUAL_WASHER = 0.5;
export const USUAL_SHAKE = 0.2;
/** So many washers are stacked; a wider gap gets a spacer. */
const MOST_WASHERS = 3;

/** A piece along a line that is neither wheel nor plate: what is cut to length. Lengths and diameters in mm. */
export interface Piece {
  readonly kind: 'rod' | 'tube' | 'spacer' | 'washers';
  /** The arbor that it is, or that it sits on. */
  readonly arbor: string;
  readonly length: number;
  readonly bore: number | undefined;
  readonly outside: number;
  readonly band: Band;
  /** How many washers. */
  readonly number: number;
}

/**
 * Rods, tubes, spacers and washers of every line, from the elevation. Between two things that turn together lies a
 * spacer that fills the gap; between two that do not, washers, or a spacer shorter by the play along the arbor.
 */
export function piecesOf(parts: LayoutParts): Piece[] {
  const arms = armLayers(parts.machine);
  const standing = standingRods(parts.machine, parts.spans, parts.stack, parts.crossing);
  return linesOf(parts.machine).flatMap(line => [
    ...rods(
      parts,
      line,
      standing.find(r => r.line.id === line.id),
    ),
    ...between(parts, line, arms),
  ]);
}

function rods(parts: LayoutParts, line: Line, rod: StandingRod | undefined): Piece[] {
  const made = line.arbors.flatMap((a): Piece[] => {
    const [span, size] = [parts.spans.of.get(a.id), parts.sizes.get(a.id)];
    if (!span || !size) return [];
    const kind = size.bore === undefined ? 'rod' : 'tube';
    const length = span.whole.to - span.whole.from;
    return [
      { kind, arbor: a.id, length, bore: size.bore, outside: size.diameter, band: span.whole, number: 1 },
    ];
  });
  if (!rod) return made;
  const { arbor, band, diameter } = rod;
  const length = band.to - band.from;
  return [{ kind: 'rod', arbor, length, bore: undefined, outside: diameter, band, number: 1 }, ...made];
}

interface Body {
  readonly member: string | undefined;
  readonly band: Band;
}

/** What lies on a line from below: hubs of wheels, arms, plates. */
function bodiesOn(parts: LayoutParts, line: Line, arms: ReadonlyMap<string, number>): Body[] {
  const { machine, stack } = parts;
  const bodies = line.arbors.flatMap(a => {
    const layers = hubbed(machine, a.id).map(w => w.layer);
    const arm = arms.get(a.id);
    const walls = [...wallsOf(machine, a.id).map(w => w.layer), ...reducerLayers(machine, a.id)];
    const hubs = proudHubs(machine, stack, a.id).map(({ band }): Body => ({ member: a.id, band }));
    const lain = [...layers, ...walls, ...(arm === undefined ? [] : [arm])].flatMap((l): Body[] => {
      const band = stack.layers.get(l);
      return band ? [{ member: a.id, band }] : [];
    });
    return [...lain, ...hubs];
  });
  const plates = holding(parts, line, arms);
  for (const band of plates) if (band) bodies.push({ member: undefined, band });
  return bodies.sort((a, b) => a.band.from - b.band.from);
}

/** What lies on lines besides hubs that stand out: wheels, walls, arms, plates, and the arbors of each line. */
export function bodiesOnLines(parts: LayoutParts): {
  readonly wheel: string | undefined;
  readonly band: Band;
  readonly arbors: readonly string[];
}[] {
  const { machine, stack } = parts;
  const arms = armLayers(machine);
  return linesOf(machine).flatMap(line => {
    const on = line.arbors.map(a => a.id);
    const wheels = on.flatMap(a =>
      hubbed(machine, a).flatMap(w => {
        const band = stack.layers.get(w.layer);
        const to = (band?.from ?? 0) + wheelThickness(machine.stack, w);
        return band ? [{ wheel: w.id, band: { from: band.from, to }, arbors: on }] : [];
      }),
    );
    const layers = on.flatMap(a => [
      ...[...wallsOf(machine, a).map(w => w.layer), ...reducerLayers(machine, a)],
      ...(arms.has(a) ? [arms.get(a) as number] : []),
    ]);
    const bands = [...layers.map(l => stack.layers.get(l)), ...holding(parts, line, arms)];
    return [...wheels, ...bands.flatMap(band => (band ? [{ wheel: undefined, band, arbors: on }] : []))];
  });
}

/** The bar in which a carried line stands. */
/** What a line is held in: the plates, unless it lies across them, or the arm that carries it. */
const holding = (
  { stack, crossing }: LayoutParts,
  line: Line,
  arms: ReadonlyMap<string, number>,
): (Band | undefined)[] =>
  crossing.has(line.axis)
    ? []
    : line.frame === GROUND
      ? [stack.back, stack.front]
      : [armBand(arms, stack, line.frame)];

function armBand(
  arms: ReadonlyMap<string, number>,
  stack: LayoutParts['stack'],
  arm: string,
): Band | undefined {
  const layer = arms.get(arm);
  return layer === undefined ? undefined : stack.layers.get(layer);
}

function between(parts: LayoutParts, line: Line, arms: ReadonlyMap<string, number>): Piece[] {
  const { machine } = parts;
  const washer = machine.layout.washer ?? USUAL_WASHER;
  const shake = machine.layout.endShake ?? USUAL_SHAKE;
  const wall = (machine.layout.tubes ?? USUAL_TUBES).wall;
  const bodies = bodiesOn(parts, line, arms);
  return bodies.slice(1).flatMap((upper, i): Piece[] => {
    const lower = bodies[i] as Body;
    const band = { from: lower.band.to, to: upper.band.from };
    const gap = band.to - band.from;
    const on = outermostAt(parts, line, band);
    if (gap <= 1e-6 || !on) return [];
    const bore = on.diameter + FIT_ALLOWANCE.sliding;
    const common = { arbor: on.arbor, bore, band };
    const together = lower.member !== undefined && lower.member === upper.member;
    if (together) return [{ ...common, kind: 'spacer', length: gap, outside: bore + 4 * wall, number: 1 }];
    const number = Math.floor((gap - shake) / washer + 1e-9);
    if (number < 1) return [];
    return number <= MOST_WASHERS
      ? [{ ...common, kind: 'washers', length: number * washer, outside: 2 * bore, number }]
      : [{ ...common, kind: 'spacer', length: gap - shake, outside: bore + 4 * wall, number: 1 }];
  });
}

/** The widest arbor that passes a height of a line, on which a spacer there sits. */
function outermostAt(
  { spans, sizes }: LayoutParts,
  line: Line,
  band: Band,
): { readonly arbor: string; readonly diameter: number } | undefined {
  const passing = line.arbors.flatMap(a => {
    const [span, size] = [spans.of.get(a.id), sizes.get(a.id)];
    return span && size && overlap(span.whole, band) ? [size] : [];
  });
  return passing.sort((p, q) => q.diameter - p.diameter)[0];
}

/** How a wheel is held on its arbor, and whether the machine says so. */
export interface Hold {
  readonly how: NonNullable<Machine['wheels'][number]['hold']> | 'shape' | 'nothing' | 'unsaid';
  readonly turnsWithIt: boolean;
}

/** What holds a wheel on its arbor: as said, or by the shape and the fit of its bore. */
export function holdOf(machine: Pick<Machine, 'wheels'>, wheelId: string): Hold {
  const wheel = byId(machine.wheels, wheelId);
  if (wheel?.hold) return { how: wheel.hold, turnsWithIt: wheel.hold !== 'loose' };
  const bore = wheel?.bore;
  if (!bore || bore.kind === 'none') return { how: 'unsaid', turnsWithIt: true };
  if (bore.kind !== 'round') return { how: 'shape', turnsWithIt: true };
  if (bore.fit === 'press') return { how: 'press', turnsWithIt: true };
  return bore.fit ? { how: 'nothing', turnsWithIt: false } : { how: 'unsaid', turnsWithIt: true };
}
