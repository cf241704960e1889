import DxfParser from 'dxf-parser/dist/dxf-parser.js';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import type { Drawing, LineRole } from '../../ground/drawing/index.ts';
import { circle, flatten, polygon, signedArea } from '../../ground/geometry/index.ts';
import { readMachine } from '../../document/machine/index.ts';
import { wheelDrawing } from '../drawings/index.ts';
import { must } from '../../ground/result/index.ts';
import { borderFrom, readDxf, writeDxf } from './index.ts';

const drawing = (
  role: LineRole,
  ...paths: Drawing['groups'][number]['shapes'][number]['paths'][number][]
): Drawing => ({
  ...{ title: 't', notes: [] },
  groups: [
    {
      name: 'g',
      x: 10,
      y: 5,
      angle: Math.PI / 2,
      shapes: [{ name: 's', role, paths }],
      labels: [{ text: 'A 12', x: 1, y: 2, height: 3, role: 'engrave' }],
    },
  ],
});
const read = (d: Drawing): NonNullable<ReturnType<InstanceType<typeof DxfParser>['parseSync']>> =>
  new DxfParser().parseSync(writeDxf(d))!;

describe('DXF files', () => {
  it('are in millimetres, and the very same bytes each time', () => {
    const d = drawing(
      'cut',
      polygon([
        { x: 0, y: 0 },
        { x: 4, y: 0 },
        { x: 4, y: 3 },
      ]),
    );
    expect(read(d).header['$INSUNITS']).to.equal(4);
    expect(writeDxf(d)).to.equal(writeDxf(d));
  });

  it('have a layer for every operation', () => {
    for (const [role, layer] of [
      ['cut', 'CUT'],
      ['engrave', 'ENGRAVE'],
      ['drill', 'DRILL'],
      ['reference', 'REFERENCE'],
    ] as const) {
      const found = read(drawing(role, circle({ x: 0, y: 0 }, 2))).entities.find(e => e.type === 'CIRCLE');
      expect((found as { layer?: string }).layer).to.equal(layer);
    }
  });

  it('turn and move a group as its drawing does', () => {
    const c = read(drawing('drill', circle({ x: 2, y: 0 }, 1.5))).entities.find(e => e.type === 'CIRCLE')!;
    expect([c.center!.x, c.center!.y, c.radius]).to.deep.equal([10, 7, 1.5]);
    const text = read(drawing('cut', circle({ x: 0, y: 0 }, 1))).entities.find(e => e.type === 'TEXT') as
      { text?: string } | undefined;
    expect(text?.text).to.equal('A 12');
  });

  it('keep open lines open', () => {
    const open = {
      start: { x: 0, y: 0 },
      segments: [{ kind: 'line' as const, to: { x: 5, y: 0 } }],
      closed: false,
    };
    const found = read(drawing('reference', open)).entities.find(e => e.type === 'LWPOLYLINE')!;
    expect(found.shape).to.not.equal(true);
    expect(found.vertices!.length).to.equal(2);
  });

  it('of a whole wheel have its teeth: the area of its outline, read back by another library', () => {
    const file = readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8');
    const derived = derive(must(readMachine(file)));
    const wheel = derived.machine.wheels[0]!;
    const outline = must(derived.wheels[wheel.id]!.outline);
    const border = must(borderFrom(must(readDxf(writeDxf(must(wheelDrawing(derived, wheel.id)))))));
    expect(signedArea(border)).to.be.closeTo(Math.abs(signedArea(flatten(outline, 0.001))), 1);
  });
});
