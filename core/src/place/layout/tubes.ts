import { type Arbor, arbors, byId, type Machine } from '../../document/machine/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import { linesOf } from './lines.ts';
import type { Spans } from './spans.ts';

/**
 * Sizes where nothing is said: a 3 mm rod, tubes with walls of half a millimetre, a tenth of running play (common
 * practice).
 */
export const USUAL_TUBES: NonNullable<Machine['layout']['tubes']> = { rod: 3, wall: 0.5, running: 0.1 };

/** The thinnest wall of a tube to trust, and the least play in which one turns, mm (common practice, no source). */
export const LEAST_WALL = 0.4;
export const LEAST_RUNNING = 0.02;

/** An arbor across: outside, and hollow where another turns in it or it turns on a standing rod. mm. */
export interface TubeSize {
  readonly arbor: string;
  readonly bore: number | undefined;
  readonly diameter: number;
  /** As the maker said, or by the usual sizes from the inside out. */
  readonly said: boolean;
  /** What turns (or stands) in it. */
  readonly within: string | undefined;
  /** Between the two, across. */
  readonly running: number | undefined;
}

type Parts = Pick<Machine, 'members' | 'axes' | 'layout' | 'wheels'>;

/** The widest measure of a section across: over corners. */
function acrossOf(section: NonNullable<Arbor['section']>): number {
  switch (section.kind) {
    case 'hex':
      return section.across / Math.cos(Math.PI / 6);
    case 'square':
      return section.across * Math.SQRT2;
    case 'rod':
    case 'tube':
    case 'flat':
    case 'keyed':
      return section.diameter;
  }
}

/**
 * The round bore of the wheels of an arbor, where one is said: so thick is a plain rod that nothing else is said
 * of.
 */
function boredFor({ wheels }: Parts, arbor: string): number | undefined {
  const bores = wheels.flatMap(w =>
    w.member === arbor && w.bore?.kind === 'round' ? [w.bore.diameter] : [],
  );
  return bores.length > 0 ? Math.min(...bores) : undefined;
}

/**
 * The size of every arbor, the innermost first: a rod; round it tubes, each with the running play and its wall.
 * Arbors with a section keep it. One beside others on a standing rod is bored for that.
 */
export function tubeSizes(machine: Parts, spans: Spans): ReadonlyMap<string, TubeSize> {
  const usual = machine.layout.tubes ?? USUAL_TUBES;
  const sizes = new Map<string, TubeSize>();
  const size = (arbor: Arbor): TubeSize => {
    const known = sizes.get(arbor.id);
    if (known) return known;
    const span = spans.of.get(arbor.id);
    const inside = (span?.within ?? []).flatMap(id => byId(arbors(machine), id) ?? []).map(size);
    const widest = inside.reduce<TubeSize | undefined>(
      (w, t) => (w && w.diameter >= t.diameter ? w : t),
      undefined,
    );
    const onRod = span?.stands === 'on a standing rod';
    const { section } = arbor;
    const core = widest?.diameter ?? (onRod ? usual.rod : undefined);
    const needed = core === undefined ? undefined : core + usual.running;
    const bore = section?.kind === 'tube' ? section.bore : section ? undefined : needed;
    const plain = bore === undefined ? (boredFor(machine, arbor.id) ?? usual.rod) : bore + 2 * usual.wall;
    const made: TubeSize = {
      ...{ arbor: arbor.id, bore, said: section !== undefined, within: widest?.arbor },
      diameter: section ? acrossOf(section) : plain,
      running: bore === undefined || core === undefined ? undefined : bore - core,
    };
    sizes.set(arbor.id, made);
    return made;
  };
  for (const line of linesOf(machine)) for (const arbor of line.arbors) size(arbor);
  return sizes;
}

/**
 * Tubes that bind on what turns in them, solid rods about which others should turn, thin walls, and bores that are
 * not for their tube.
 */
export function tubeFindings(machine: Parts, spans: Spans, sizes: ReadonlyMap<string, TubeSize>): Finding[] {
  const found: Finding[] = spans.clashes.map(({ a, b }) =>
    finding('tubes-cannot-nest', 'stop', 'plan', [a, b], {}, [fix('find-layers', a)]),
  );
  for (const tube of sizes.values()) {
    const inner = tube.within === undefined ? undefined : sizes.get(tube.within);
    if (inner && tube.bore === undefined)
      found.push(
        finding(
          'rod-round-rod',
          'stop',
          'plan',
          [tube.arbor, inner.arbor],
          { inner: inner.diameter, standing: false },
          [fix('set-tube', tube.arbor, roundUp(inner.diameter + USUAL_TUBES.running))],
        ),
      );
    const { rod } = machine.layout.tubes ?? USUAL_TUBES;
    // A solid rod would have to turn on one that stands.
    if (!inner && tube.bore === undefined && spans.of.get(tube.arbor)?.stands === 'on a standing rod')
      found.push(
        finding('rod-round-rod', 'stop', 'plan', [tube.arbor], { inner: rod, standing: true }, [
          fix('set-tube', tube.arbor, roundUp(rod + USUAL_TUBES.running)),
        ]),
      );
    if (inner && tube.running !== undefined && tube.running < LEAST_RUNNING)
      found.push(
        finding(
          'tube-binds',
          'stop',
          'plan',
          [tube.arbor, inner.arbor],
          { bore: tube.bore ?? 0, inner: inner.diameter, least: LEAST_RUNNING },
          [fix('set-tube', tube.arbor, roundUp(inner.diameter + USUAL_TUBES.running))],
        ),
      );
    const wall = tube.bore === undefined ? undefined : (tube.diameter - tube.bore) / 2;
    if (wall !== undefined && wall < LEAST_WALL - 1e-9)
      found.push(finding('thin-tube', 'warn', 'plan', [tube.arbor], { wall, least: LEAST_WALL }));
    if (tube.bore !== undefined || tube.said) found.push(...boreFindings(machine, tube));
  }
  return found;
}

/** Wheels with a round bore that is too small for their tube, or hangs loose on it. */
function boreFindings({ wheels }: Parts, { arbor, diameter }: TubeSize): Finding[] {
  return wheels.flatMap(w => {
    if (w.member !== arbor || w.bore?.kind !== 'round' || w.role === 'ring') return [];
    const off = w.bore.diameter - diameter;
    if (off > -0.3 && off < 0.5) return [];
    const data = { bore: w.bore.diameter, tube: diameter };
    return [
      finding('bore-not-for-tube', 'warn', 'plan', [w.id], data, [fix('set-bore', w.id, roundUp(diameter))]),
    ];
  });
}

const roundUp = (x: number): number => Math.ceil(x * 100 - 1e-6) / 100;
