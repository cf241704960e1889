import { expect } from 'chai';
import { sayProblem } from '../../files/words/index.ts';
import { must } from '../../ground/result/index.ts';
import { liftOf } from '../../trains/cam/index.ts';
import {
  type CamSegments,
  dropSegment,
  motionAs,
  motionFromDrawing,
  motionFromTable,
  motionRange,
  segmentLimits,
  segmentOver,
  splitSegment,
  usualMotion,
  withStroke,
} from './cam-motion.ts';

const DEG = Math.PI / 180;
const filled = ({ segments }: CamSegments): number => segments.reduce((sum, s) => sum + s.overDeg, 0);
const line = (
  ...points: readonly (readonly [number, number])[]
): { points: { x: number; y: number }[]; closed: false } => ({
  points: points.map(([x, y]) => ({ x, y })),
  closed: false,
});
const why = (read: ReturnType<typeof motionFromTable>): string => (read.ok ? 'ok' : sayProblem(read.problem));

describe('the motion of a cam, changed', () => {
  it('fills its turn whatever is done to its segments', () => {
    const usual = usualMotion(12);
    for (const changed of [
      segmentOver(usual, 0, 170),
      segmentOver(usual, 3, 100),
      splitSegment(usual, 2),
      dropSegment(usual, 0),
      dropSegment(usual, 3),
    ])
      expect(filled(changed)).to.be.closeTo(360, 1e-9);
    const [least, most] = segmentLimits(usual, 0);
    expect([least, most]).to.deep.equal([0.1, 179.9]);
    expect(segmentOver(usual, 0, most + 1), 'more than the neighbour has').to.equal(usual);
    let one = usual;
    for (let i = 0; i < 5; i++) one = dropSegment(one, 0);
    expect(one.segments, 'the last one stays').to.have.length(1);
  });

  it('goes half way at half of a split segment, and on to the same lift', () => {
    const split = splitSegment(usualMotion(12), 0);
    expect(split.segments.slice(0, 2).map(s => [s.overDeg, s.to])).to.deep.equal([
      [60, 6],
      [60, 12],
    ]);
  });

  it('keeps its stroke when it is said in another way, and takes a wanted one', () => {
    const usual = usualMotion(12);
    for (const kind of ['segments', 'points', 'sky', 'waves'] as const) {
      const other = motionAs(kind, usual);
      const { least, most } = motionRange(other);
      expect(most - least, kind).to.be.closeTo(12, 0.6);
      const wide = motionRange(withStroke(other, 30));
      expect(wide.most - wide.least, kind).to.be.closeTo(30, 1e-3);
    }
  });

  it('is read from a drawn line, the widest, from left or from right, in the drawing’s units', () => {
    const rise = line([0, 5], [40, 25], [80, 5]);
    const mark = line([0, 0], [1, 0], [1, 1], [0, 1], [0, 0]);
    for (const drawn of [rise, { ...rise, points: [...rise.points].reverse() }]) {
      const motion = must(motionFromDrawing({ lines: [mark, drawn], millimetres: 2 }));
      expect(liftOf(motion)(180 * DEG)[0]).to.be.closeTo(40, 1e-9);
      expect(liftOf(motion)(90 * DEG)[0]).to.be.closeTo(20, 0.05);
    }
    const of = (...points: readonly (readonly [number, number])[]): string =>
      why(motionFromDrawing({ lines: [line(...points)], millimetres: undefined }));
    expect(of([0, 0], [10, 5], [4, 6], [20, 0])).to.include('turns back at 4');
    expect(of([3, 0], [3, 9])).to.include('has no width');
    expect(of([0, 0], [10, 5000], [20, 0])).to.include('5000 high; a lift may be 1000 at most');
    expect(why(motionFromDrawing({ lines: [], millimetres: 1 }))).to.include('has no width');
  });

  it('is read from a table, with or without a first line of words, and says what cannot be', () => {
    expect(must(motionFromTable('angle;lift\n90;3\n0;0\n')).points).to.deep.equal([
      [0, 0],
      [90, 3],
    ]);
    expect(why(motionFromTable('0,0\n90'))).to.include('Line 2 reads');
    expect(why(motionFromTable('0,0\n400,1'))).to.include('Line 2 has the angle 400');
    expect(why(motionFromTable('0,0\n40,4000'))).to.include('Line 2 has the lift 4000');
    expect(why(motionFromTable('0,0'))).to.include('two points or more');
    expect(why(motionFromTable(Array.from({ length: 800 }, (_, i) => `${i / 4},1`).join('\n')))).to.include(
      '800',
    );
  });
});
