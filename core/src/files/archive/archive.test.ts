import { expect } from 'chai';
import { unzipSync } from 'fflate';
import Module from 'manifold-3d';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import {
  type Files,
  readDxf,
  readStl,
  readSvg,
  readThreeMf,
  writeListPdf,
  writeZip,
} from '../format/index.ts';
import { isClosed, meshVolume } from '../../ground/geometry/index.ts';
import { type Machine, readMachine } from '../../document/machine/index.ts';
import { setWheel } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import type { SolidKit } from '../../making/solid/index.ts';
import { fusedParts, onePieces } from '../../place/layout/index.ts';
import { allFiles, type Archive, bagLists, workingText } from './index.ts';

const demo = (name: string): Machine =>
  must(readMachine(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')));
let kit: SolidKit;
before(async () => {
  const module = await Module();
  module.setup();
  kit = module;
});

async function archive(machine: Machine): Promise<Archive & { news: number[] }> {
  const job = allFiles(derive(machine), kit, { paper: 'A4', sets: 1 });
  const news: number[] = [];
  for (;;) {
    const step = await job.next();
    if (step.done) return { ...step.value, news };
    news.push(step.value.done);
  }
}
const bytes = (files: Files, path: string): Uint8Array => files.get(path) as Uint8Array;
const endings = (files: Files, ending: string): string[] => [...files.keys()].filter(p => p.endsWith(ending));

describe('everything as one archive', function () {
  this.timeout(120_000);

  it('holds files that other readers open: drawings in millimetres, closed bodies, the machine itself', async () => {
    const { files, left, news } = await archive(demo('wading-heron'));
    expect(
      left.map(l => l.name),
      'two pins that no plate holds',
    ).to.deep.equal(['guides, slide, Neck']);
    for (const p of endings(files, '.svg'))
      expect(must(readSvg(files.get(p) as string)).millimetres, p).to.be.closeTo(1, 1e-6);
    for (const p of endings(files, '.dxf'))
      expect(must(readDxf(files.get(p) as string)).millimetres, p).to.equal(1);
    expect(endings(files, '.stl').length).to.be.above(5);
    for (const p of endings(files, '.stl')) {
      const { mesh } = must(readStl(bytes(files, p)));
      expect(meshVolume(mesh), p).to.be.above(0);
    }
    for (const p of endings(files, '.3mf').filter(f => f.startsWith('plates/in-place')))
      for (const b of must(readThreeMf(bytes(files, p)))) expect(isClosed(b.mesh), p).to.equal(true);
    expect(
      endings(files, '.3mf').filter(p => p.startsWith('plates/in-place')).length,
      'both planetary sets',
    ).to.equal(2);
    const again = must(readMachine(files.get('wading-heron.json') as string));
    expect(again).to.deep.equal(demo('wading-heron'));
    expect(
      news.every((x, i) => x >= (news[i - 1] ?? 0) - 1e-9 && x <= 1),
      'progress goes up',
    ).to.equal(true);
    const zip = unzipSync(writeZip(files));
    expect(Object.keys(zip).length).to.equal(files.size);
    expect(Buffer.compare(writeZip(files), writeZip(files))).to.equal(0);
  });

  it(
    'of a machine that is cut holds its sheets, lists and patterns, and says in names what ' +
      'was compensated',
    async () => {
      const { files, left } = await archive(demo('round-of-kestrels'));
      expect(left).to.deep.equal([]);
      const sheets = [...files.keys()].filter(p => p.startsWith('sheets/'));
      expect(sheets.length).to.be.above(1);
      for (const s of sheets) expect(s).to.include('kerf-0.2');
      expect(files.get('lists/parts.csv')).to.match(/^part,arbor,teeth/);
      expect(files.get('lists/hardware.csv')).to.match(/\r\nrod,/);
      expect(new TextDecoder('latin1').decode(bytes(files, 'patterns/patterns_a4.pdf').slice(0, 5))).to.equal(
        '%PDF-',
      );
      const readMe = files.get('read-me.txt') as string;
      expect(readMe).to.include('Never cut PVC');
      for (const p of files.keys()) if (p !== 'read-me.txt') expect(readMe).to.include(p);
      const steps = endings(files, '.step');
      for (const p of steps) expect(files.get(p)).to.match(/^ISO-10303-21;[\s\S]*END-ISO-10303-21;\n$/);
      expect(steps.length).to.be.above(6);
    },
  );

  it('stands names with strokes, signs, emoji and five hundred letters, and two of the same name', async () => {
    const odd = demo('round-of-kestrels');
    const [a, b, c] = odd.wheels;
    const named = setWheel(c!.id, { name: 'Ω'.repeat(120) })(
      setWheel(b!.id, { name: '../a/\\b:*?"<>| 🦅' })(
        setWheel(a!.id, { name: '../a/\\b:*?"<>| 🦅' })({ ...odd, name: '🦅'.repeat(60) }),
      ),
    );
    const { files } = await archive(named);
    for (const p of files.keys()) {
      expect(p).to.match(/^([a-z]+\/)?[\p{L}\p{N}._-]+$/u);
      expect(p.length).to.be.below(200);
      expect(p.split('/').length).to.be.at.most(2);
    }
    expect(
      [...files.keys()].filter(p => /^parts\/a-b(-2)?\.step$/.test(p)).length,
      [...files.keys()].join(),
    ).to.equal(2);
  });

  it('names what cannot be made, and writes the rest', async () => {
    const pair = arrange({ a: {}, b: { at: [30, 0] } }, { 'a.u': 30, 'b.w': 30 }, [['a.u', 'b.w']]);
    const low = {
      id: 'p',
      name: 'Printer',
      kind: 'printer' as const,
      bed: { width: 60, depth: 60, height: 3 },
    };
    const { files, left } = await archive({ ...pair, processes: [low], process: 'p' });
    expect(new Set(left.map(l => l.problem.code))).to.deep.equal(new Set(['higher-than-bed']));
    expect(files.get('read-me.txt')).to.include('Not made:');
    expect(endings(files, '.stl').length).to.be.at.least(2);
  });

  it('the working says ratio, error and source of every output', () => {
    const text = workingText(derive(demo('saltreach-tide-clock')));
    for (const aim of demo('saltreach-tide-clock').aims)
      expect(text).to.include(`${aim.name}: Ratio, error and drift`);
    expect(text).to.match(/Source: A train’s rate is the product/);
    expect(text).to.match(/Centre distance\n-+\n {2}a = m/);
  });
});

describe('lists for the bags of a kit', () => {
  it('nothing is in a bag twice, whether it is printed or bought, and nothing is left out', () => {
    for (const name of ['orchard-turntable', 'wading-heron', 'saltreach-tide-clock', 'ossel-brine-pump']) {
      const d = derive(demo(name));
      const [bag] = bagLists(d, 1);
      const many = (what: RegExp): number =>
        bag!.lines.reduce((sum, l) => sum + (what.test(l.text) ? l.number : 0), 0);
      // Pillars and rods through lugs by the layout, tubes by its pieces, wheels by their axes.
      expect(many(/^pillar/), name).to.equal(
        d.layout.plates.length > 0 ? (d.machine.layout.plates?.pillars.length ?? 0) : 0,
      );
      const fused = fusedParts(onePieces(d.machine, d.layout.pieces));
      const copies = (member: string): number => 1 + d.moving.copies.filter(c => c.member === member).length;
      const tubes = d.layout.pieces.flatMap((p, i) =>
        p.kind === 'tube' && !fused.has(`piece ${i}`) ? [copies(p.arbor)] : [],
      );
      expect(many(/^tube,/), name).to.equal(tubes.reduce((a, b) => a + b, 0));
      for (const w of d.machine.wheels.filter(x => !fused.has(x.id)))
        expect(
          bag!.lines.some(l => l.text === w.name && l.number >= copies(w.member)),
          `${name}: ${w.name}`,
        ).to.equal(true);
      expect(new Set(bag!.lines.map(l => l.text)).size, name).to.equal(bag!.lines.length);
    }
  });

  it('one a set, each with every made and bought thing as often as the lists say, as poppler reads them', async () => {
    const d = derive(demo('daisy-bearing'));
    const lists = bagLists(d, 3);
    expect(lists.map(l => l.under.slice(0, 10))).to.deep.equal(['Bag 1 of 3', 'Bag 2 of 3', 'Bag 3 of 3']);
    const folder = mkdtempSync(join(tmpdir(), 'bags-'));
    const pdf = await writeListPdf(lists, 'A4', 'bags');
    writeFileSync(join(folder, 'a.pdf'), pdf);
    const text = execFileSync('pdftotext', ['-layout', join(folder, 'a.pdf'), '-'], { encoding: 'utf8' });
    // Ten planets of one kind in each bag.
    expect(text.match(/10 ×/g)!.length).to.be.at.least(3);
    expect(lists[0]!.lines.filter(l => l.number === 10 && /planet/.test(l.text))).to.have.length(1);
    const many = await writeListPdf(
      [
        {
          heading: 'h',
          under: 'u',
          lines: Array.from({ length: 100 }, (_, i) => ({ number: 1, text: `line ${i}` })),
        },
      ],
      'A4',
      'many',
    );
    writeFileSync(join(folder, 'b.pdf'), many);
    const long = execFileSync('pdftotext', ['-layout', join(folder, 'b.pdf'), '-'], { encoding: 'utf8' });
    expect(long.match(/line \d+/g)).to.have.length(100);
    expect(long).to.match(/sheet 3 of 3/);
    expect(await writeListPdf(lists, 'A4', 'bags')).to.deep.equal(pdf);
  });
});
