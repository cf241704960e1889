import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { svgPathProperties } from 'svg-path-properties';
import type { Drawing } from '../../ground/drawing/index.ts';
import { bounds, circle, type Path, type Point, signedArea } from '../../ground/geometry/index.ts';
import { must, type Result } from '../../ground/result/index.ts';
import { sayProblem } from '../words/index.ts';
import { borderFrom, type BorderWishes, readDxf, readSvg, writeDxf, writeSvg } from './index.ts';

const drawing = (paths: readonly Path[]): Drawing => ({
  ...{ title: 'border', notes: [] },
  groups: [
    {
      ...{ name: 'g', x: 3, y: -2, angle: 0.3, labels: [] },
      shapes: [{ name: 's', role: 'cut', paths }],
    },
  ],
});
/** A rectangle of 40 by 20 with a half round on its right side. */
const bow: Path = {
  start: { x: 0, y: 0 },
  segments: [
    { kind: 'line', to: { x: 40, y: 0 } },
    { kind: 'arc', to: { x: 40, y: 20 }, centre: { x: 40, y: 10 }, ccw: true },
    { kind: 'line', to: { x: 0, y: 20 } },
    { kind: 'line', to: { x: 0, y: 0 } },
  ],
  closed: true,
};
const BOW = 800 + 50 * Math.PI;
const area = (border: Result<Point[]>): number => signedArea(must(border));
const svg = (inside: string, size = 'width="100mm" height="100mm" viewBox="0 0 100 100"'): string =>
  `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${size}>${inside}</svg>`;
const fromSvg = (text: string, wishes?: BorderWishes): Result<Point[]> =>
  borderFrom(must(readSvg(text)), wishes);
const problem = (border: Result<unknown>): string => (border.ok ? 'none' : sayProblem(border.problem));

/** A DXF of entities by hand, as another program would write them. */
const dxf = (units: number | undefined, ...entities: string[]): string =>
  [
    ...['0', 'SECTION', '2', 'HEADER'],
    ...(units === undefined ? [] : ['9', '$INSUNITS', '70', String(units)]),
    ...['0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES'],
    ...entities.flatMap(e => e.split('|')),
    ...['0', 'ENDSEC', '0', 'EOF'],
  ].join('\n');
const line = (x: number, y: number, u: number, v: number): string =>
  `0|LINE|8|0|10|${x}|20|${y}|30|0|11|${u}|21|${v}|31|0`;

describe('borders of drawings', () => {
  it('written as DXF and as SVG come back true, arcs, place and all', () => {
    const dx = area(borderFrom(must(readDxf(writeDxf(drawing([bow]))))));
    const sv = area(fromSvg(writeSvg(drawing([bow]))));
    expect(dx).to.be.closeTo(BOW, 0.15);
    // The ends of half a turn, to 0.0001 mm, fix its middle only to about 0.02 mm, over 20 mm of width.
    expect(sv).to.be.closeTo(BOW, 0.4);
    const whole = area(borderFrom(must(readDxf(writeDxf(drawing([circle({ x: 5, y: 5 }, 25)]))))));
    expect(whole).to.be.closeTo(625 * Math.PI, 0.8);
  });

  it('are joined from single lines and arcs, whichever way they were drawn', () => {
    const arc = '0|ARC|8|0|10|40|20|10|30|0|40|10|50|270|51|90';
    const pieces = [line(0, 0, 40, 0), line(0, 20, 40, 20), arc, line(0, 20, 0, 0)];
    expect(area(borderFrom(must(readDxf(dxf(4, ...pieces)))))).to.be.closeTo(BOW, 0.15);
    expect(area(borderFrom(must(readDxf(dxf(4, ...pieces.reverse())))))).to.be.closeTo(BOW, 0.15);
  });

  it('of ellipses and splines are as large as their formulas: πab, and a Bézier arc', () => {
    const ellipse = '0|ELLIPSE|8|0|10|0|20|0|30|0|11|30|21|0|31|0|40|0.5|41|0|42|6.283185307179586';
    expect(area(borderFrom(must(readDxf(dxf(4, ellipse)))))).to.be.closeTo(Math.PI * 30 * 15, 0.6);
    const k = (4 / 3) * (Math.SQRT2 - 1) * 10;
    const quarter = (pts: [number, number][]): string =>
      [
        '0|SPLINE|8|0|70|8|71|3|72|8|73|4|74|0',
        ...[0, 0, 0, 0, 1, 1, 1, 1].map(n => `40|${n}`),
        ...pts.map(([x, y]) => `10|${x}|20|${y}|30|0`),
      ].join('|');
    const spline = quarter([
      [10, 0],
      [10, k],
      [k, 10],
      [0, 10],
    ]);
    const quadrant = dxf(4, spline, line(0, 10, 0, 0), line(0, 0, 10, 0));
    expect(
      area(borderFrom(must(readDxf(quadrant)))),
      'a quarter of a circle, to the cubic’s 0.03 %',
    ).to.be.closeTo(25 * Math.PI, 0.05);
  });

  it('of SVG shapes and transforms are where the drawing puts them', () => {
    const rect = must(
      fromSvg(
        svg(
          '<g transform="translate(10 20)"><rect x="1" y="2" width="30" height="10" transform="rotate(90)"/></g>',
        ),
      ),
    );
    const box = bounds(rect);
    expect([box.minX, box.maxX, box.minY, box.maxY].map(x => Number(x.toFixed(6)))).to.deep.equal([
      -2, 8, -51, -21,
    ]);
    expect(area(fromSvg(svg('<ellipse cx="50" cy="50" rx="20" ry="10"/>')))).to.be.closeTo(
      200 * Math.PI,
      0.5,
    );
    expect(area(fromSvg(svg('<polygon points="0,0 30,0 30,40"/>')))).to.be.closeTo(600, 1e-9);
    expect(
      area(fromSvg(svg('<polygon points="0,0 3,0 3,4"/>', 'width="10in" height="10in" viewBox="0 0 10 10"'))),
    ).to.be.closeTo(6 * 25.4 ** 2, 1e-6);
  });

  it('of SVG curves are as long as a foreign library measures them', () => {
    const d = 'M10 10 C 20 0 40 0 50 10 S 80 40 60 50 Q 30 70 10 50 T 10 10 Z';
    const points = must(fromSvg(svg(`<path d="${d}"/>`)));
    const length = points.reduce((sum, p, i) => {
      const q = points[(i + 1) % points.length]!;
      return sum + Math.hypot(q.x - p.x, q.y - p.y);
    }, 0);
    expect(length).to.be.closeTo(new svgPathProperties(d).getTotalLength(), 0.05);
  });

  it('take the largest of several closed lines, and turn it counter-clockwise', () => {
    const text = svg('<circle cx="50" cy="50" r="4"/><path d="M0 0V100H100V0Z"/><path d="M5 5h3v3h-3z"/>');
    expect(area(fromSvg(text))).to.be.closeTo(10_000, 1e-9);
  });

  it('that are open are said to be, where and by how much, and joined when asked', () => {
    const open = dxf(4, line(0, 0, 40, 0), line(40, 0, 40, 30), line(40, 30, 0.5, 0.5));
    expect(problem(borderFrom(must(readDxf(open))))).to.match(
      /open: its ends at \(.*\) and \(.*\) lie 0\.707 mm apart/,
    );
    expect(area(borderFrom(must(readDxf(open)), { join: true }))).to.be.closeTo(600, 15);
  });

  it('that are drawn twice are said to be, and read once when asked', () => {
    const square = [line(0, 0, 10, 0), line(10, 0, 10, 10), line(10, 10, 0, 10), line(0, 10, 0, 0)];
    const twice = dxf(4, ...square, line(10, 0, 0, 0), ...square.slice(1));
    expect(problem(borderFrom(must(readDxf(twice))))).to.include('4 lines are drawn twice');
    expect(area(borderFrom(must(readDxf(twice)), { dropDoubles: true }))).to.be.closeTo(100, 1e-9);
    const paths = svg('<rect width="10" height="10"/><path d="M10 10H0V0H10Z"/>');
    expect(problem(fromSvg(paths))).to.include('1 line is drawn twice');
  });

  it('of unknown units ask for them, with what they measure', () => {
    const square = (units?: number): string =>
      dxf(units, line(0, 0, 2, 0), line(2, 0, 2, 3), line(2, 3, 0, 3), line(0, 3, 0, 0));
    expect(problem(borderFrom(must(readDxf(square()))))).to.include('measures 2 by 3');
    expect(area(borderFrom(must(readDxf(square())), { millimetres: 25.4 }))).to.be.closeTo(
      6 * 25.4 ** 2,
      1e-6,
    );
    expect(area(borderFrom(must(readDxf(square(5)))))).to.be.closeTo(600, 1e-9);
    expect(problem(fromSvg(svg('<rect width="7" height="9"/>', 'width="700" viewBox="0 0 7 9"')))).to.include(
      'measures 7 by 9',
    );
  });

  it('that cross themselves, are nothing, or are no drawing at all are sentences', () => {
    expect(problem(fromSvg(svg('<path d="M0 0L10 10H0L10 0Z"/>')))).to.include('crosses itself');
    expect(problem(fromSvg(svg('<text>hello</text>')))).to.include('no closed border');
    expect(problem(readSvg('<html></html>'))).to.match(/cannot be read.*\.$/);
    expect(problem(readDxf('this is no drawing\nat all'))).to.match(/\.$/);
    expect(problem(readDxf(''))).to.match(/\.$/);
    const machine = readFileSync(new URL('../../../../demo/two-noons.json', import.meta.url), 'utf8');
    expect(problem(readSvg(machine))).to.match(/\.$/);
  });
});
