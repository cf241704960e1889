import { expect } from 'chai';
import DxfParser from 'dxf-parser/dist/dxf-parser.js';
import { XMLParser } from 'fast-xml-parser';
import { readFileSync } from 'node:fs';
import { svgPathProperties } from 'svg-path-properties';
import { derive } from '../../state/derive/index.ts';
import { writeCsv, writeDxf, writeSvg } from '../format/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setAxis, setLayout } from '../../edits/change/index.ts';
import { partsList } from '../../making/lists/index.ts';
import { must } from '../../ground/result/index.ts';
import { datumOf, drillingTable, plateDrawing } from './index.ts';

const demo = (file: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${file}.json`, import.meta.url), 'utf8')));
const machine = setAxis('axis5', { slot: { joint: 'mesh5', travel: 1.25 } })(demo('saltreach-tide-clock'));
const derived = derive(machine);
const drawing = must(plateDrawing(derived, 'front'));

interface Element {
  readonly '@_d': string;
  readonly '@_data-role': string;
  readonly '@_data-name': string;
}

describe('the drilling template', () => {
  const text = writeSvg(drawing);
  const svg = (new XMLParser({ ignoreAttributes: false }).parse(text) as { svg: Record<string, never> }).svg;
  const paths = (svg['g']!['path'] as Element[]).map(p => ({
    role: p['@_data-role'],
    name: p['@_data-name'],
    ...new svgPathProperties(p['@_d']),
    length: new svgPathProperties(p['@_d']).getTotalLength(),
    at: (part: number) => {
      const path = new svgPathProperties(p['@_d']);
      return path.getPointAtLength(path.getTotalLength() * part);
    },
  }));

  it('measured in the SVG file: millimetres, every hole round, in its place and as wide as it is said', () => {
    expect(String(svg['@_width' as never])).to.match(/mm$/);
    const drilled = paths.filter(p => p.role === 'drill');
    const holes = derived.layout.plates.find(p => p.side === 'front')!.holes.filter(h => !h.slot);
    expect(drilled.length).to.equal(holes.length);
    for (const h of holes) {
      const p = drilled.find(d => d.name.startsWith(`hole ${h.number},`))!;
      const [one, two] = [p.at(0), p.at(0.5)];
      expect((one.x + two.x) / 2, 'x').to.be.closeTo(h.at.x, 1e-3);
      expect(-(one.y + two.y) / 2, 'y').to.be.closeTo(h.at.y, 1e-3);
      expect(p.length / Math.PI).to.be.closeTo(h.diameter, 1e-3);
    }
  });

  it('measured in the DXF file by a foreign reader: circles on the layer DRILL, in millimetres', () => {
    const dxf = new DxfParser().parseSync(writeDxf(drawing))!;
    expect(dxf.header['$INSUNITS']).to.equal(4);
    const circles = dxf.entities.filter(
      e => e.type === 'CIRCLE' && (e as { layer?: string }).layer === 'DRILL',
    );
    const rows = drillingTable(derived).rows.filter(r => r[0] === 'front' && r[7] === 0);
    const datum = datumOf(derived);
    expect(circles.length).to.equal(rows.length);
    for (const [, , , , x, y, across] of rows) {
      const found = circles.find(
        c => Math.hypot(c.center!.x - datum.x - Number(x), c.center!.y - datum.y - Number(y)) < 1e-3,
      )!;
      expect(2 * found.radius!).to.be.closeTo(Number(across), 1e-3);
    }
    const apart = (i: number, j: number): number =>
      Math.hypot(Number(rows[i]![4]) - Number(rows[j]![4]), Number(rows[i]![5]) - Number(rows[j]![5]));
    const mesh = derived.meshes['mesh1']!.distance;
    const [drive, lay] = [rows.findIndex(r => r[1] === 1), rows.findIndex(r => r[1] === 2)];
    expect(apart(drive, lay), 'drive and tide lay arbor: their centre distance').to.be.closeTo(mesh, 1e-3);
  });

  it('cuts a slot with round ends, so long and so wide', () => {
    const slot = paths.find(p => p.role === 'cut' && p.name.startsWith('hole'))!;
    const hole = derived.layout.plates[1]!.holes.find(h => h.slot)!;
    expect(slot.length).to.be.closeTo(2 * 2.5 + Math.PI * hole.diameter, 1e-3);
  });

  it('measures from the datum that is chosen', () => {
    const from = setLayout({ plates: { ...machine.layout.plates!, datum: 'axis4' } })(machine);
    const row = drillingTable(derive(from)).rows.find(r => r[2] === 'Moon-age dial')!;
    expect([row[4], row[5]]).to.deep.equal([0, 0]);
  });

  it('is refused in a sentence where there are no plates', () => {
    const none = plateDrawing(derive(setLayout({ plates: undefined })(machine)), 'back');
    expect(none.ok ? '' : none.problem.code).to.equal('no-plates');
  });
});

describe('the parts list of a laid out machine', () => {
  const list = partsList(derive(demo('quartet-of-moons')));
  const column = (name: string): number => list.columns.indexOf(name);
  const rows = (name: string): (typeof list.rows)[number][] =>
    list.rows.filter(r => String(r[0]).startsWith(name));

  it('holds rods, tubes, spacers, washers, plates and pillars with their lengths from the elevation', () => {
    const { layout } = derive(demo('quartet-of-moons'));
    for (const kind of ['rod', 'tube', 'spacer', 'washer', 'back plate', 'front plate', 'pillar'])
      expect(rows(kind).length, kind).to.be.greaterThan(0);
    const through = layout.stack.front!.to - layout.stack.back!.from;
    for (const r of rows('pillar')) expect(r[column('length mm')]).to.be.closeTo(through, 1e-4);
    const washers = layout.pieces.filter(p => p.kind === 'washers').reduce((sum, p) => sum + p.number, 0);
    const listed = rows('washer').reduce((sum, r) => sum + Number(r[column('number')]), 0);
    expect(listed).to.equal(washers);
    for (const r of list.rows) expect(r.length).to.equal(list.columns.length);
  });

  it('is CSV that a spreadsheet reads: as many cells in every row', () => {
    const lines = writeCsv(list).trimEnd().split('\r\n');
    expect(lines.length).to.equal(list.rows.length + 1);
  });
});
