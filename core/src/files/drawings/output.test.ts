import { XMLParser } from 'fast-xml-parser';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { svgPathProperties } from 'svg-path-properties';
import { derive } from '../../state/derive/index.ts';
import { writeCsv, writeSvg } from '../format/index.ts';
import { flatten, type Point, signedArea } from '../../ground/geometry/index.ts';
import { readMachine } from '../../document/machine/index.ts';
import { matingPhase, overlap, rollingPair } from '../../teeth/mesh/index.ts';
import { partsList } from '../../making/lists/index.ts';
import { must } from '../../ground/result/index.ts';
import { fileName, planDrawing, wheelDrawing } from './index.ts';

const starter = must(
  readMachine(readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8')),
);
const derived = derive(starter);

interface Read {
  readonly width: number;
  readonly height: number;
  readonly viewBox: number[];
  readonly desc: string;
  readonly groups: {
    readonly name: string;
    readonly paths: { readonly role: string; readonly d: string }[];
  }[];
}

/** Reads an SVG with a library that is not ours. */
function read(svg: string): Read {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    isArray: name => ['g', 'path'].includes(name),
  });
  const { svg: root } = parser.parse(svg) as {
    svg: Record<string, string> & { g: (Record<string, string> & { path: Record<string, string>[] })[] };
  };
  const size = (text: string): number => {
    expect(text).to.match(/^[\d.]+mm$/);
    return Number(text.slice(0, -2));
  };
  return {
    width: size(root['width']!),
    height: size(root['height']!),
    viewBox: root['viewBox']!.split(' ').map(Number),
    desc: root['desc']!,
    groups: root.g.map(g => ({
      name: g['data-name']!,
      paths: g.path.map(p => ({ role: p['data-role']!, d: p['d']! })),
    })),
  };
}

/** Points along one subpath, by the foreign library. */
function walk(d: string, step: number): { x: number; y: number }[] {
  const properties = new svgPathProperties(d);
  const length = properties.getTotalLength();
  return Array.from({ length: Math.ceil(length / step) + 1 }, (_, i) =>
    properties.getPointAtLength(Math.min(length, i * step)),
  );
}

describe('an exported wheel, read again with other libraries', () => {
  const wheel = starter.wheels.find(w => w.teeth.kind === 'count' && w.teeth.count === 45)!;
  const file = read(writeSvg(must(wheelDrawing(derived, wheel.id))));
  const subpaths = file.groups[0]!.paths[0]!.d.split(/(?=M)/).map(s => s.trim());

  it('has the size of its outside diameter in millimetres, one user unit each', () => {
    expect(file.viewBox.slice(2)).to.deep.equal([file.width, file.height]);
    const points = walk(subpaths[0]!, 0.02);
    const outside = 2 * Math.max(...points.map(p => Math.hypot(p.x, p.y)));
    expect(outside).to.be.closeTo(1.5 * (45 + 2), 0.001);
    expect(file.width).to.be.closeTo(outside + 4, 0.2);
  });

  it('is one path of one outline and one hole, each closed', () => {
    expect(file.groups.length).to.equal(1);
    expect(file.groups[0]!.paths.length).to.equal(1);
    expect(subpaths.length).to.equal(2);
    for (const d of subpaths) {
      expect(d.endsWith('Z')).to.equal(true);
      const points = walk(d, 0.05);
      const [first, last] = [points[0]!, points.at(-1)!];
      expect(Math.hypot(first.x - last.x, first.y - last.y)).to.be.below(1e-3);
    }
    const bore = walk(subpaths[1]!, 0.1);
    for (const p of bore) expect(Math.hypot(p.x, p.y)).to.be.closeTo(2, 1e-3);
  });

  it('has 45 teeth', () => {
    const radii = walk(subpaths[0]!, 0.02).map(p => Math.hypot(p.x, p.y));
    const middle = 33.75;
    const rises = radii.filter((r, i) => i > 0 && r >= middle && radii[i - 1]! < middle).length;
    expect(rises).to.equal(45);
  });

  it('encloses the same area as the outline it was made from', () => {
    const outline = flatten(must(derived.wheels[wheel.id]!.outline), 0.001);
    const points = walk(subpaths[0]!, 0.01);
    expect(Math.abs(signedArea(points))).to.be.closeTo(signedArea(outline), signedArea(outline) * 2e-5);
  });

  it('states its chord error, and keeps coordinates to 0.0001 mm', () => {
    expect(file.desc).to.include('0.005 mm');
    const decimals = [...file.groups[0]!.paths[0]!.d.matchAll(/\.(\d+)/g)].map(m => m[1]!.length);
    expect(Math.max(...decimals)).to.equal(4);
  });
});

describe('two exported wheels, rolled against each other as the files have them', () => {
  // Without play, so that nothing hides: every overlap is then the chords' and the fourth decimal's.
  const tight = derive({ ...starter, toothings: starter.toothings.map(t => ({ ...t, play: 0 })) });
  const mesh = starter.joints.find(j => j.kind === 'mesh')!;
  const [a, b] = mesh.kind === 'mesh' ? [mesh.a, mesh.b] : ['', ''];

  /** The corners of the outline in a file: ends of lines and arcs, y turned up again, arcs by points on them. */
  const corners = (id: string): Point[] => {
    const d = read(writeSvg(must(wheelDrawing(tight, id)))).groups[0]!.paths[0]!.d.split(/(?=M)/)[0]!;
    const points: Point[] = [];
    let last: Point = { x: 0, y: 0 };
    for (const command of d.match(/[MLA][^MLAZ]*/g)!) {
      const numbers = command.slice(1).trim().split(/\s+/).map(Number);
      const to = { x: numbers.at(-2)!, y: -numbers.at(-1)! };
      if (command.startsWith('A')) {
        const r = numbers[0]!;
        const [from, end] = [Math.atan2(last.y, last.x), Math.atan2(to.y, to.x)];
        const angle = from + (((end - from + 3 * Math.PI) % (2 * Math.PI)) - Math.PI) / 2;
        points.push({ x: r * Math.cos(angle), y: r * Math.sin(angle) });
      }
      points.push(to);
      last = to;
    }
    return points;
  };

  it('do not overlap beyond the chord error, and keep contact, through a tooth', () => {
    const [za, zb] = [a, b].map(id => tight.wheels[id]!.spec!.count) as [number, number];
    const rolling = rollingPair(corners(a), corners(b), tight.meshes[mesh.id]!.distance);
    const phase = matingPhase(za, 0, zb, 0);
    for (let i = 0; i < 10; i++) {
      const turn = ((2 * Math.PI) / za) * (i / 10);
      const angleB = phase - (turn * za) / zb;
      expect(overlap(rolling, turn, angleB), `overlap at ${i}`).to.be.below(tight.chordError + 0.0001);
      const radiusB = tight.wheels[b]!.dimensions.pitchRadius;
      const nudge = (2 * tight.chordError) / radiusB;
      const blocked = [-1, 1].map(way => overlap(rolling, turn, angleB + 3 * way * nudge));
      expect(
        Math.min(...blocked),
        `flanks touch at ${i}: turned on by six chord errors they must strike`,
      ).to.be.above(0);
    }
  });
});

describe('the exported plan', () => {
  const file = read(writeSvg(must(planDrawing(derived))));

  it('has every wheel as a named group with its outline and its pitch circle', () => {
    expect(file.groups.map(g => g.name)).to.deep.equal(starter.wheels.map(w => w.name));
    for (const g of file.groups) expect(g.paths.map(p => p.role)).to.deep.equal(['cut', 'reference']);
  });

  it('says the same when written twice, and says it cannot when there is nothing', () => {
    expect(writeSvg(must(planDrawing(derived)))).to.equal(writeSvg(must(planDrawing(derive(starter)))));
    expect(planDrawing(derive({ ...starter, wheels: [], joints: [] })).ok).to.equal(false);
  });

  it('survives names with marks that XML does not like', () => {
    const named = {
      ...starter,
      name: 'A & B <"tide"> \u0007',
      wheels: starter.wheels.map(w => ({ ...w, name: `<${w.name}> & 'x'` })),
    };
    const again = read(writeSvg(must(planDrawing(derive(named)))));
    expect(again.groups.length).to.equal(starter.wheels.length);
  });
});

describe('the parts list', () => {
  it('is CSV with a row a wheel, in millimetres', () => {
    const lines = writeCsv(partsList(derived)).split('\r\n');
    expect(lines[0]).to.include('outside diameter mm');
    expect(lines[1]!.split(',')[2]).to.equal('83');
    expect(Number(lines[1]!.split(',')[6])).to.be.closeTo(127.5, 1e-9);
  });

  it('quotes what CSV must quote, and lets no spreadsheet run a name', () => {
    expect(writeCsv({ columns: ['a,b'], rows: [['say "x"'], ['=1+1'], [-2]] })).to.equal(
      '"a,b"\r\n"say ""x"""\r\n\'=1+1\r\n-2\r\n',
    );
  });
});

describe('file names', () => {
  it('come from the maker’s names and are safe', () => {
    expect(fileName(['Saltreach tide clock', 'plan'], 'svg')).to.equal('saltreach-tide-clock_plan.svg');
    expect(fileName(['../../x', ''], 'json')).to.equal('x.json');
    expect(fileName(['  '], 'csv')).to.equal('machine.csv');
    expect(fileName(['Mond für Ägypten'], 'svg')).to.equal('mond-für-ägypten.svg');
  });
});
