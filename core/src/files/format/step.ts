import {
  circle,
  flatten,
  inside,
  type Path,
  type Point,
  reversePath,
  signedArea,
} from '../../ground/geometry/index.ts';
import { edgesOf, type Spline, type StepEdge } from './step-curve.ts';
import {
  Part21,
  part21,
  placement,
  point,
  real,
  refs,
  stepContexts,
  stepOrigin,
  stepProduct,
  text,
  towards,
} from './step-entities.ts';

/** A prism: an outline with holes, drawn up by a height; mm. */
export interface Prism {
  readonly name: string;
  readonly outline: Path;
  readonly holes: readonly Path[];
  readonly height: number;
  /** A round boss about the origin on its upper face; the hole there goes through both. */
  readonly boss?: { readonly radius: number; readonly height: number };
}

/**
 * A prism as STEP (ISO 10303-21, application protocol 214), millimetres: a manifold solid with one face for every
 * line, arc and smooth curve of its outline. Entities by ISO 10303-42 (from memory; judged by a geometry kernel in
 * the tests). The same prism gives the same bytes.
 */
export function writeStep(prism: Prism): string {
  const file = new Part21();
  const shell = prismShell(file, prism);
  const solid = file.add(`MANIFOLD_SOLID_BREP(${text(prism.name)},#${shell})`);
  const contexts = stepContexts(file);
  const place = stepOrigin(file);
  const shape = file.add(
    `ADVANCED_BREP_SHAPE_REPRESENTATION('',(#${place},#${solid}),#${contexts.geometry})`,
  );
  stepProduct(file, contexts, prism.name, shape);
  return part21(prism.name, [prism.name], file);
}

/** A boss keeps so far from holes beside it that would touch it, mm: within what any tool holds. */
const BESIDE = 0.001;

/**
 * The boss of a prism as it can be written: undefined where there is none; `false` where it would stand over a hole
 * beside it or over the outline.
 */
export function bossOf({ outline, holes, boss }: Omit<Prism, 'name'>): Prism['boss'] | false {
  if (!boss) return undefined;
  const nearest = (path: Path): number => Math.min(...flatten(path, 0.001).map(p => Math.hypot(p.x, p.y)));
  const beside = [outline, ...holes.filter(h => !aboutOrigin(h))];
  const radius = Math.min(boss.radius, ...beside.map(p => nearest(p) - BESIDE));
  return radius < boss.radius - 2 * BESIDE - CHORD ? false : { ...boss, radius };
}
/** Windows are flattened to the boss's circle by chords, which come so much nearer, mm. */
const CHORD = 0.002;
const aboutOrigin = (hole: Path): boolean => inside(flatten(hole, 0.01), { x: 0, y: 0 });

/** The faces of a prism as a closed shell, with those of its boss. Throws where the boss stands over a hole. */
export function prismShell(file: Part21, prism: Prism): number {
  const { outline, holes, height } = prism;
  const boss = bossOf(prism);
  if (boss === false) throw new RangeError('prismShell: the boss stands over a hole');
  const turned = (path: Path, ccw: boolean): Path =>
    signedArea(flatten(path, 0.01)) > 0 === ccw ? path : reversePath(path);
  const top = height + (boss?.height ?? 0);
  const through = (path: Path): boolean => boss !== undefined && aboutOrigin(path);
  const outer = ring(file, edgesOf(turned(outline, true)), 0, height);
  const inner = holes.map(h => ({
    through: through(h),
    ...ring(file, edgesOf(turned(h, false)), 0, through(h) ? top : height),
  }));
  const round = boss && ring(file, edgesOf(circle({ x: 0, y: 0 }, boss.radius)), height, top);
  const loop = (edges: readonly number[], way: boolean): number =>
    file.add(
      `EDGE_LOOP('',${refs(edges.map(e => file.add(`ORIENTED_EDGE('',*,*,#${e},${way ? '.T.' : '.F.'})`)))})`,
    );
  /** A level face: the first of its lines is its outer one. */
  const level = (
    z: number,
    up: boolean,
    lines: readonly (readonly number[])[],
    last?: readonly number[],
  ): number => {
    const [normal, along] = [towards(file, 0, 0, up ? 1 : -1), towards(file, 1, 0, 0)];
    const plane = file.add(`PLANE('',#${placement(file, point(file, { x: 0, y: 0 }, z), normal, along)})`);
    const loops = [
      ...lines.map(l => loop(up ? l : [...l].reverse(), up)),
      ...(last ? [loop([...last].reverse(), false)] : []),
    ];
    const bounds = loops.map((l, i) =>
      file.add(`${i === 0 ? 'FACE_OUTER_BOUND' : 'FACE_BOUND'}('',#${l},.T.)`),
    );
    return file.add(`ADVANCED_FACE('',${refs(bounds)},#${plane},.T.)`);
  };
  const beside = inner.filter(h => !h.through);
  const faces = [
    level(height, true, [outer.above, ...beside.map(h => h.above)], round?.below),
    level(0, false, [outer.below, ...inner.map(h => h.below)]),
    ...(round ? [level(top, true, [round.above, ...inner.filter(h => h.through).map(h => h.above)])] : []),
    ...[outer, ...inner, ...(round ? [round] : [])].flatMap(l => l.sides),
  ];
  return file.add(`CLOSED_SHELL('',${refs(faces)})`);
}

/** Edges above and below of a closed outline, and the faces between them. */
interface Ring {
  readonly above: readonly number[];
  readonly below: readonly number[];
  readonly sides: readonly number[];
}

function ring(file: Part21, edges: readonly StepEdge[], from: number, to: number): Ring {
  const corner = (z: number): number[] =>
    edges.map(e => file.add(`VERTEX_POINT('',#${point(file, e.from, z)})`));
  const [low, high] = [corner(from), corner(to)];
  const up = towards(file, 0, 0, 1);
  const next = (i: number): number => (i + 1) % edges.length;
  const posts = edges.map((e, i) => {
    const line = file.add(`LINE('',#${point(file, e.from, from)},#${file.add(`VECTOR('',#${up},1.)`)})`);
    return file.add(`EDGE_CURVE('',#${low[i]},#${high[i]},#${line},.T.)`);
  });
  const curveAt = (corners: readonly number[], z: number): number[] =>
    edges.map((e, i) => {
      const { curve, forwards } = curveOf(file, e, z);
      return file.add(
        `EDGE_CURVE('',#${corners[i]},#${corners[next(i)]},#${curve},${forwards ? '.T.' : '.F.'})`,
      );
    });
  const [below, above] = [curveAt(low, from), curveAt(high, to)];
  const sides = edges.map((e, i) => {
    const oriented = (edge: number | undefined, way: string): number =>
      file.add(`ORIENTED_EDGE('',*,*,#${edge},${way})`);
    const around = [
      oriented(below[i], '.T.'),
      oriented(posts[next(i)], '.T.'),
      oriented(above[i], '.F.'),
      oriented(posts[i], '.F.'),
    ];
    const bound = file.add(`FACE_OUTER_BOUND('',#${file.add(`EDGE_LOOP('',${refs(around)})`)},.T.)`);
    const { surface, same } = surfaceOf(file, e);
    return file.add(`ADVANCED_FACE('',(#${bound}),#${surface},${same ? '.T.' : '.F.'})`);
  });
  return { above, below, sides };
}

/** The curve of an edge at a height, and whether the edge runs along it. */
function curveOf(file: Part21, edge: StepEdge, z: number): { curve: number; forwards: boolean } {
  switch (edge.kind) {
    case 'line': {
      const { from, to } = edge;
      const length = Math.hypot(to.x - from.x, to.y - from.y);
      const along = towards(file, (to.x - from.x) / length, (to.y - from.y) / length, 0);
      const vector = file.add(`VECTOR('',#${along},1.)`);
      return { curve: file.add(`LINE('',#${point(file, from, z)},#${vector})`), forwards: true };
    }
    case 'arc': {
      const place = placement(
        file,
        point(file, edge.centre, z),
        towards(file, 0, 0, 1),
        towards(file, 1, 0, 0),
      );
      return { curve: file.add(`CIRCLE('',#${place},${real(radiusOf(edge))})`), forwards: edge.ccw };
    }
    case 'curve':
      return { curve: splineEntity(file, edge.spline, z), forwards: true };
  }
}

const radiusOf = ({ from, centre }: { from: Point; centre: Point }): number =>
  Math.hypot(from.x - centre.x, from.y - centre.y);

function splineEntity(file: Part21, { control, times }: Spline, z: number): number {
  const points = refs(control.map(p => point(file, p, z)));
  const many = times.map((_, i) => (i === 0 || i === times.length - 1 ? 4 : 2)).join(',');
  return file.add(
    `B_SPLINE_CURVE_WITH_KNOTS('',3,${points},.UNSPECIFIED.,.F.,.F.,(${many}),` +
      `(${times.map(real).join(',')}),.UNSPECIFIED.)`,
  );
}

/** The face that an edge sweeps when it is drawn up; outwards is to the right of the way the outline runs. */
function surfaceOf(file: Part21, edge: StepEdge): { surface: number; same: boolean } {
  switch (edge.kind) {
    case 'line': {
      const { from, to } = edge;
      const length = Math.hypot(to.x - from.x, to.y - from.y);
      const [x, y] = [(to.x - from.x) / length, (to.y - from.y) / length];
      const place = placement(file, point(file, from, 0), towards(file, y, -x, 0), towards(file, x, y, 0));
      return { surface: file.add(`PLANE('',#${place})`), same: true };
    }
    case 'arc': {
      const place = placement(
        file,
        point(file, edge.centre, 0),
        towards(file, 0, 0, 1),
        towards(file, 1, 0, 0),
      );
      return {
        surface: file.add(`CYLINDRICAL_SURFACE('',#${place},${real(radiusOf(edge))})`),
        same: edge.ccw,
      };
    }
    case 'curve': {
      const vector = file.add(`VECTOR('',#${towards(file, 0, 0, 1)},1.)`);
      const curve = splineEntity(file, edge.spline, 0);
      return { surface: file.add(`SURFACE_OF_LINEAR_EXTRUSION('',#${curve},#${vector})`), same: true };
    }
  }
}
