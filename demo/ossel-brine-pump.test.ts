import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../core/src/state/derive/index.ts';
import { writeSvg } from '../core/src/files/format/index.ts';
import { readMachine, writeMachine } from '../core/src/document/machine/index.ts';
import { bevelDrawing } from '../core/src/files/drawings/index.ts';
import { toFraction } from '../core/src/ground/rational/index.ts';
import { must } from '../core/src/ground/result/index.ts';
import { XMLParser } from 'fast-xml-parser';
import { pump } from '../scripts/pump.ts';

const file = readFileSync(new URL('./ossel-brine-pump.json', import.meta.url), 'utf8');

describe('ossel brine pump', () => {
  const machine = must(readMachine(file));
  const d = derive(machine);

  it('is what its script makes, runs with the small ring of pegs driving, and has nothing to mend', () => {
    expect(writeMachine(pump())).to.equal(file);
    expect(d.findings.map(f => f.code)).to.deep.equal(['stands-in-nothing']);
    expect(toFraction(d.train.rates['crank']!), '22/26 · 14/33').to.equal('14/39');
  });

  it('gives a strip, a blank and a large end for each bevel, at true size when read back', () => {
    for (const id of ['wind-bevel', 'upright-bevel'])
      for (const pattern of ['strip', 'blank', 'end'] as const) {
        const svg = writeSvg(must(bevelDrawing(d, id, pattern)));
        const root = (
          new XMLParser({ ignoreAttributes: false }).parse(svg) as { svg: Record<string, string> }
        ).svg;
        expect(root['@_width'], `${id} ${pattern}`).to.match(/mm$/);
        if (pattern === 'strip') {
          const teeth = d.wheels[id]!.teeth;
          const around = teeth.family === 'bevel' ? Math.PI * teeth.cone.outsideDiameter : 0;
          expect(Number.parseFloat(root['@_width']!), 'as long as the blank is round').to.be.within(
            around,
            around + 20,
          );
        }
      }
    expect(bevelDrawing(d, 'upright-pegs', 'strip').ok).to.equal(false);
  });
});
