import { expect } from 'chai';
import { XMLParser } from 'fast-xml-parser';
import { arrange } from '../../../test/arrange.ts';
import { derive } from '../../state/derive/index.ts';
import { writeSvg } from '../format/index.ts';
import { setToothForm } from '../../edits/edit/index.ts';
import type { Machine } from '../../document/machine/index.ts';
import { setToothing, setWheel } from '../../edits/change/index.ts';
import { must } from '../../ground/result/index.ts';
import { wheelDrawing } from './index.ts';

const pair = (a: number, b: number): Machine => {
  const m = arrange({ drive: {}, out: { at: [90, 0] } }, { 'drive.w': a, 'out.w': b }, [
    ['drive.w', 'out.w'],
  ]);
  const flat = { ...m, wheels: m.wheels.map(w => ({ ...w, layer: 0 })) };
  return setToothing('toothing1', { size: { by: 'module', module: 2 } })(flat);
};

/** What a file says, read by a reader that is not ours: closed figures in all cut paths, and the texts. */
function read(m: Machine, id: string): { figures: number; texts: string[]; text: string } {
  const text = writeSvg(must(wheelDrawing(derive(m), id)));
  const tree = new XMLParser({
    ignoreAttributes: false,
    isArray: name => ['path', 'text', 'g'].includes(name),
  }).parse(text) as object;
  const paths: string[] = [];
  const texts: string[] = [];
  const walk = (node: unknown): void => {
    if (Array.isArray(node)) node.forEach(walk);
    else if (typeof node === 'object' && node !== null)
      for (const [name, value] of Object.entries(node)) {
        if (name === '@_d') paths.push(String(value));
        else if (name === 'text') texts.push(JSON.stringify(value));
        else walk(value);
      }
  };
  walk(tree);
  return { figures: paths.join(' ').match(/Z/gi)?.length ?? 0, texts, text };
}

describe('files of wheels with bodies', () => {
  it('hold outline, bore, every opening, the mark and the engraved count, as another reader finds them', () => {
    const body = { web: { kind: 'spokes', number: 5 }, mark: true, engraved: true } as const;
    const found = read(setWheel('out-w', { bore: { kind: 'hex', across: 8 }, body })(pair(20, 40)), 'out-w');
    expect(found.figures, 'outline, bore, five openings, mark').to.equal(8);
    expect(found.texts.join(' ')).to.contain('40 out.w');
  });

  it('hold the pins of a lantern as holes in its disc', () => {
    const m = must(setToothForm('toothing1', 'lantern')(pair(40, 10)));
    const plain = setWheel('out-w', { bore: { kind: 'none' } })(m);
    expect(read(plain, 'out-w').figures, 'disc and ten holes').to.equal(11);
    expect(read(setWheel('drive-w', { bore: { kind: 'none' } })(m), 'drive-w').figures).to.equal(1);
  });

  it('hold pockets for magnets, two for every pair of poles, every other one marked', () => {
    const m = must(setToothForm('toothing1', 'magnetic')(pair(20, 12)));
    const wide = setToothing('toothing1', { size: { by: 'module', module: 6 } })(m);
    expect(read(setWheel('out-w', { bore: { kind: 'none' } })(wide), 'out-w').figures).to.equal(1 + 24 + 12);
  });

  it('carry four decimals and no more digits than that', () => {
    const { text } = read(pair(20, 40), 'out-w');
    const numbers = text.match(/-?\d+\.\d+/g) ?? [];
    expect(numbers.length).to.be.greaterThan(500);
    expect(Math.max(...numbers.map(n => n.split('.')[1]!.length))).to.equal(4);
  });
});
