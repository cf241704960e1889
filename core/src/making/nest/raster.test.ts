import { expect } from 'chai';
import fc from 'fast-check';
import { type Point, rotate } from '../../ground/geometry/index.ts';
import { grown, type Raster, rasterOf } from './raster.ts';
import { lowestPlace, sheetGrid, shutGrid, take } from './sheet-grid.ts';

const circleOf = (r: number, x = 0, y = 0, n = 64): Point[] =>
  Array.from({ length: n }, (_, i) => {
    const p = rotate({ x: r, y: 0 }, (2 * Math.PI * i) / n);
    return { x: p.x + x, y: p.y + y };
  });
const disc = (r: number, gap = 1, cell = 0.5): Raster =>
  rasterOf(grown({ outline: circleOf(r), holes: [] }, gap, cell), 0, cell);
const cellsOf = (raster: Raster): Set<string> => {
  const found = new Set<string>();
  raster.rows.forEach((runs, i) => {
    for (let k = 0; k < runs.length; k += 2)
      for (let c = runs[k]!; c <= runs[k + 1]!; c++) found.add(`${c} ${raster.firstRow + i}`);
  });
  return found;
};

describe('parts as cells', () => {
  it('take every cell in which some point of the part lies, whatever the part, the gap and the cell', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        (r, gap, cell, angle) => {
          const outline = circleOf(r, r / 3, -r / 4);
          const cells = cellsOf(rasterOf(grown({ outline, holes: [] }, gap, cell), angle, cell));
          for (const p of outline) {
            const q = rotate(p, angle);
            expect(cells.has(`${Math.floor(q.x / cell)} ${Math.floor(q.y / cell)}`)).to.equal(true);
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('turned by a quarter take the same number of cells, to the edge; a hole is left open less the gap', () => {
    const half = grown(
      {
        outline: [
          { x: 0, y: 0 },
          { x: 30, y: 0 },
          { x: 30, y: 10 },
          { x: 0, y: 10 },
        ],
        holes: [],
      },
      0,
      0.5,
    );
    const [flat, tall] = [rasterOf(half, 0, 0.5), rasterOf(half, Math.PI / 2, 0.5)];
    expect(Math.abs(cellsOf(flat).size - cellsOf(tall).size)).to.be.below(0.05 * cellsOf(flat).size);
    expect(flat.right - flat.left).to.be.above(2 * (tall.right - tall.left));
    const ring = rasterOf(grown({ outline: circleOf(20), holes: [circleOf(15).reverse()] }, 2, 0.5), 0, 0.5);
    const cells = cellsOf(ring);
    expect(cells.has('0 0')).to.equal(false);
    expect(cells.has(`${Math.floor(14.5 / 0.5)} 0`), 'within the gap of the hole’s edge').to.equal(true);
  });

  it('a hole smaller than the gap is no room', () => {
    const plate = rasterOf(
      grown({ outline: circleOf(20), holes: [circleOf(0.8).reverse()] }, 2, 0.5),
      0,
      0.5,
    );
    expect(cellsOf(plate).has('0 0')).to.equal(true);
  });
});

describe('the lowest place on a sheet', function () {
  this.timeout(60_000);

  it('is the corner of an empty one, beside what lies there, and above it when there is no room beside', () => {
    const part = disc(10);
    const wide = part.right - part.left + 1;
    const grid = sheetGrid(2 * wide + 1, 400);
    const first = lowestPlace(grid, part)!;
    expect([first.column + part.left, first.row + part.firstRow]).to.deep.equal([0, 0]);
    const pockets = shutGrid(grid.columns, grid.rows);
    take(grid, pockets, part, first);
    const second = lowestPlace(grid, part)!;
    expect(second.row).to.equal(first.row);
    expect(second.column).to.be.above(first.column);
    take(grid, pockets, part, second);
    expect(lowestPlace(grid, part)!.row).to.be.above(first.row);
    expect(lowestPlace(grid, part, part.rows.length + 2), 'not below that height').to.equal(undefined);
  });

  it('is never where something lies: cells of parts that were laid do not meet', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 2, max: 15, noNaN: true }), { minLength: 2, maxLength: 12 }),
        radii => {
          const grid = sheetGrid(120, 200);
          const pockets = shutGrid(120, 200);
          const taken = new Set<string>();
          for (const r of radii) {
            const part = disc(r);
            const place = lowestPlace(pockets, part) ?? lowestPlace(grid, part);
            if (!place) continue;
            take(grid, pockets, part, place);
            for (const cell of cellsOf(part)) {
              const [c, row] = cell.split(' ').map(Number) as [number, number];
              const key = `${c + place.column} ${row + place.row}`;
              expect(taken.has(key)).to.equal(false);
              taken.add(key);
            }
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  it('is found within a ring before anywhere else, and nowhere for a part wider or higher than the sheet', () => {
    const ring = rasterOf(grown({ outline: circleOf(25), holes: [circleOf(20).reverse()] }, 1, 0.5), 0, 0.5);
    const [grid, pockets] = [sheetGrid(150, 150), shutGrid(150, 150)];
    expect(lowestPlace(pockets, disc(3))).to.equal(undefined);
    const place = lowestPlace(grid, ring)!;
    take(grid, pockets, ring, place);
    const within = lowestPlace(pockets, disc(10))!;
    expect(Math.hypot(within.column - place.column, within.row - place.row) * 0.5).to.be.below(10);
    expect(lowestPlace(grid, disc(100))).to.equal(undefined);
    expect(lowestPlace(sheetGrid(400, 10), disc(10))).to.equal(undefined);
  });
});
