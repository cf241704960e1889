import { type Point, rotate } from '@tesseron/core/geometry';
import { closeUp, type Engagement, type Ready, readyToRoll } from '@tesseron/core/mesh';
import { type HalfTooth, halfPoints } from '@tesseron/core/tooth';

/** What stays the same while a pair rolls: both bodies as SVG paths about their own centres, and where contact runs. */
export interface CloseUpScene {
  readonly ready: Ready;
  readonly a: string;
  readonly b: string;
  readonly centreB: Point;
  readonly pitchPoint: Point;
  readonly radiusA: number;
  /** Nought for a rack, whose pitch line is straight. */
  readonly radiusB: number;
  /**
   * What to look at: a few teeth at the pitch point, or the whole of a disc whose pitch circle lies within its
   * lobes; mm.
   */
  readonly look: { readonly centre: Point; readonly span: number };
  readonly pitch: number;
}

const TEETH_EACH_WAY = 8;
/** How much is seen: of tooth heights at the pitch point, of a disc's radius. */
const NEAR = 5.2;
const WHOLE = 3.2;
const WAY_STEPS = 40;

/** Makes the scene of an engagement; undefined when no teeth meet. */
export function closeUpScene(engagement: Engagement, chordError: number): CloseUpScene | undefined {
  const ready = readyToRoll(engagement, chordError);
  const { stand, a, b, distance, pitch } = engagement;
  const ratio = a.count / b.count;
  const radiusA =
    stand === 'rack'
      ? distance
      : stand === 'internal'
        ? (distance * ratio) / (1 - ratio)
        : (distance * ratio) / (1 + ratio);
  const step = (2 * Math.PI) / a.count;
  const meets = Array.from({ length: WAY_STEPS }, (_, k) => step * (k / WAY_STEPS - 0.5));
  if (!meets.some(t => closeUp(ready, t, chordError))) return undefined;
  const points = halfPoints(a.half, chordError);
  const [low, high] = extremes(points);
  return {
    ready,
    a: bodyPath(a.half, a.count, 'turn', chordError, 0),
    b:
      stand === 'rack'
        ? bodyPath(b.half, 1, 'slide', chordError, pitch)
        : bodyPath(b.half, b.count, 'turn', chordError, 0),
    centreB: { x: stand === 'internal' ? -distance : distance, y: 0 },
    pitchPoint: { x: radiusA, y: 0 },
    radiusA,
    radiusB: stand === 'rack' ? 0 : radiusA / ratio,
    look:
      radiusA < 0.97 * low && stand === 'internal'
        ? { centre: { x: 0, y: 0 }, span: WHOLE * high }
        : { centre: { x: radiusA, y: 0 }, span: NEAR * (high - low) },
    pitch: step,
  };
}

/** Places of contact over a pitch, while the first drives forwards; a step of the way at a time. */
export function* contactWay(scene: CloseUpScene, chordError: number): Generator<undefined, readonly Point[]> {
  const found: Point[] = [];
  for (let k = 0; k < WAY_STEPS; k++) {
    found.push(...(closeUp(scene.ready, scene.pitch * (k / WAY_STEPS - 0.5), chordError)?.contacts ?? []));
    yield undefined;
  }
  return found;
}

function extremes(points: readonly Point[]): [number, number] {
  const radii = points.map(p => Math.hypot(p.x, p.y));
  return [Math.min(...radii), Math.max(...radii)];
}

/**
 * A few teeth either side of tooth 0, or all where there are few, closed behind their roots. Pins are rounds of
 * their own.
 */
function bodyPath(
  half: HalfTooth,
  count: number,
  motion: 'turn' | 'slide',
  chordError: number,
  pitch: number,
): string {
  const lower = halfPoints(half, chordError / 2);
  const upper = lower.map(p => ({ x: p.x, y: -p.y })).reverse();
  const tooth = [...lower, ...upper.slice(1)];
  const reach =
    motion === 'slide' ? TEETH_EACH_WAY : Math.min(TEETH_EACH_WAY, Math.floor((Math.round(count) - 1) / 2));
  const all = motion === 'turn' && Math.round(count) === count && 2 * reach + 1 >= count - 1;
  const put = (p: Point, i: number): Point =>
    motion === 'slide' ? { x: p.x, y: p.y + i * pitch } : rotate(p, (2 * Math.PI * i) / count);
  const indices = Array.from({ length: all ? count : 2 * reach + 1 }, (_, k) => k - reach);
  const first = lower[0];
  const tip = lower.at(-1);
  if (!first || !tip) return '';
  if (Math.abs(first.y) < 1e-9) return indices.map(i => trace(tooth.map(p => put(p, i)))).join(' ');
  const border = indices.flatMap(i => tooth.map(p => put(p, i)));
  if (all && Math.hypot(first.x, first.y) < Math.hypot(tip.x, tip.y)) return trace(border);
  return trace([...border, ...behind(first, tip, motion, count, indices, pitch)]);
}

/** The back of a run of teeth, a little behind their roots: an arc, or a line for a rack. */
function behind(
  first: Point,
  tip: Point,
  motion: 'turn' | 'slide',
  count: number,
  indices: readonly number[],
  pitch: number,
): Point[] {
  const [start, end] = [(indices[0] ?? 0) - 0.5, (indices.at(-1) ?? 0) + 0.5];
  if (motion === 'slide') {
    const x = first.x - Math.abs(tip.x - first.x) * 0.8;
    return [
      { x, y: end * pitch },
      { x, y: start * pitch },
    ];
  }
  const [root, top] = [Math.hypot(first.x, first.y), Math.hypot(tip.x, tip.y)];
  const radius = Math.max(0, root + (root - top) * 0.8);
  const steps = 40;
  return Array.from({ length: steps + 1 }, (_, k) => {
    const angle = ((end + ((start - end) * k) / steps) * 2 * Math.PI) / count;
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  });
}

const trace = (points: readonly Point[]): string =>
  `M${points.map(p => `${p.x.toFixed(4)} ${p.y.toFixed(4)}`).join('L')}Z`;

/** How the second body stands, for an SVG transform; y upwards. */
export function transformOfB(scene: CloseUpScene, placeB: number): string {
  const degrees = (placeB * 180) / Math.PI;
  if (scene.ready.engagement.stand === 'rack')
    return `translate(${scene.centreB.x} ${-placeB + nearest(placeB, scene.ready.engagement.pitch)}) scale(-1 1)`;
  const step = 360 / scene.ready.engagement.b.count;
  const towards = scene.ready.engagement.stand === 'internal' ? 0 : 180;
  const within = degrees - step * Math.round((degrees - towards) / step);
  return `translate(${scene.centreB.x} 0) rotate(${within})`;
}

const nearest = (x: number, step: number): number => step * Math.round(x / step);
