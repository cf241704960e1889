import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Drawing } from '../../ground/drawing/index.ts';
import { circle, polygon } from '../../ground/geometry/index.ts';
import { type Paper, PAPER, tilesFor, writePdf } from './index.ts';

const drawing = (width: number, height: number, title = 'plate'): Drawing => ({
  title,
  notes: ['True size.'],
  groups: [
    {
      name: title,
      x: 0,
      y: 0,
      angle: 0,
      labels: [],
      shapes: [
        {
          name: title,
          role: 'cut',
          paths: [
            polygon([
              { x: 0, y: 0 },
              { x: width, y: 0 },
              { x: width, y: height },
              { x: 0, y: height },
            ]),
          ],
        },
      ],
    },
  ],
});

/** A page drawn at 254 dots an inch, ten to the millimetre, by poppler: rows of grey values from the top. */
function page(
  pdf: Uint8Array,
  number: number,
): { width: number; height: number; at: (x: number, y: number) => number } {
  const folder = mkdtempSync(join(tmpdir(), 'pdf-'));
  writeFileSync(join(folder, 'a.pdf'), pdf);
  execFileSync('pdftoppm', [
    '-r',
    '254',
    '-gray',
    '-aa',
    'no',
    '-aaVector',
    'no',
    '-f',
    `${number}`,
    '-l',
    `${number}`,
    '-singlefile',
    join(folder, 'a.pdf'),
    join(folder, 'p'),
  ]);
  const bytes = readFileSync(join(folder, 'p.pgm'));
  const header = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1'))!;
  const [width, height] = [Number(header[1]), Number(header[2])];
  return { width, height, at: (x, y) => bytes[header[0].length + y * width + x]! };
}

/** First and last dark column of a row that is dark nearly all the way. */
function longestRun(p: ReturnType<typeof page>): { length: number; row: number } {
  let best = { length: 0, row: 0 };
  for (let y = 0; y < p.height; y++) {
    let run = 0;
    for (let x = 0; x < p.width; x++) {
      run = p.at(x, y) < 128 ? run + 1 : 0;
      if (run > best.length) best = { length: run, row: y };
    }
  }
  return best;
}

describe('PDF patterns', () => {
  it('the checking square measures 100 mm when poppler draws it, on either paper', async () => {
    for (const paper of ['A4', 'Letter'] as Paper[]) {
      const first = page(await writePdf([drawing(20, 20)], paper, 'Test'), 1);
      expect([first.width / 10, first.height / 10].map((x, i) => Math.abs(x - PAPER[paper][i]!))).to.satisfy(
        (d: number[]) => d.every(x => x < 0.11),
      );
      expect(longestRun(first).length / 10).to.be.closeTo(100, 0.3);
    }
  });

  it('a plate of 120 × 80 mm is 120 mm wide on its sheet, a circle as wide as high', async () => {
    const sheet = page(await writePdf([drawing(120, 80)], 'A4', 'Test'), 2);
    const rows: number[] = [];
    for (let y = 0; y < sheet.height; y++) {
      let run = 0;
      for (let x = 200; x < sheet.width - 200; x++) run += sheet.at(x, y) < 100 ? 1 : 0;
      if (Math.abs(run - 1200) < 12) rows.push(y);
    }
    expect(rows.length, 'its lower and upper edge').to.be.within(2, 8);
    expect((rows.at(-1)! - rows[0]!) / 10).to.be.closeTo(80, 0.3);
    const round: Drawing = {
      ...drawing(1, 1),
      groups: [
        {
          ...drawing(1, 1).groups[0]!,
          shapes: [{ name: 'c', role: 'cut', paths: [circle({ x: 5, y: 5 }, 60)] }],
        },
      ],
    };
    const disc = page(await writePdf([round], 'A4', 'Test'), 2);
    const [dark, middle] = [[] as number[], Math.round(disc.height / 2)];
    for (let x = 150; x < disc.width - 150; x++) if (disc.at(x, middle - 30) < 100) dark.push(x);
    expect((dark.at(-1)! - dark[0]!) / 10).to.be.closeTo(120, 0.4);
  });

  it('a drawing larger than the paper goes over sheets that overlap, none of it between them', () => {
    for (const [w, h] of [
      [500, 120],
      [300, 600],
      [186, 255],
      [1000, 1000],
    ] as const) {
      const box = { minX: -3, minY: 7, maxX: w - 3, maxY: h + 7 };
      const t = tilesFor(box, 'A4');
      const last = t.tiles.filter(x => x.row === 0).at(-1)!;
      const top = t.tiles[0]!;
      const bottom = t.tiles.at(-1)!;
      expect(top.x).to.be.at.most(box.minX + 1e-9);
      expect(last.x + t.width).to.be.at.least(box.maxX - 1e-9);
      expect(top.y + t.height).to.be.at.least(box.maxY - 1e-9);
      expect(bottom.y).to.be.at.most(box.minY + 1e-9);
      if (t.columns > 1) expect(t.tiles[1]!.x - top.x).to.be.closeTo(t.width - 12, 1e-9);
    }
    expect(
      tilesFor({ minX: 0, minY: 0, maxX: 260, maxY: 20 }, 'A4').tiles.length,
      'lying down it fits',
    ).to.equal(1);
  });

  it('is the same file twice, names what it cannot write with question marks, and stands any title', async () => {
    const odd = drawing(10, 10, 'Mond ☾ −3 ⌀5 "x"/\\'.repeat(20));
    const [a, b] = [await writePdf([odd], 'A4', odd.title), await writePdf([odd], 'A4', odd.title)];
    expect(Buffer.compare(a, b)).to.equal(0);
    const folder = mkdtempSync(join(tmpdir(), 'pdf-'));
    writeFileSync(join(folder, 'a.pdf'), a);
    const text = execFileSync('pdftotext', [join(folder, 'a.pdf'), '-'], { encoding: 'utf8' });
    expect(text).to.include('Mond ? -3 ø5');
    expect((await writePdf([], 'A4', 'nothing')).length).to.be.above(500);
  });
});
