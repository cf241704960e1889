import { expect } from 'chai';
import { must } from '../../ground/result/index.ts';
import { parseStock, sayStock } from './stock.ts';

const code = (text: string): string | undefined => {
  const read = parseStock(text);
  return read.ok ? undefined : read.problem.code;
};

describe('a list of wheels in stock', () => {
  it('is read as makers write it', () => {
    expect(must(parseStock('8, 10, 12×2'))).to.deep.equal([
      { count: 8 },
      { count: 10 },
      { count: 12, pieces: 2 },
    ]);
    expect(must(parseStock('20-22; 30 x 4\n40')).map(s => s.count)).to.deep.equal([20, 21, 22, 30, 40]);
    expect(must(parseStock('30 x 4'))).to.deep.equal([{ count: 30, pieces: 4 }]);
    expect(must(parseStock(sayStock(must(parseStock('8 10 12×2')))))).to.have.length(3);
  });

  it('says which entry is wrong', () => {
    expect(code('12, 20-24, 22')).to.equal('stock-twice');
    expect(code('12.5')).to.equal('stock-not-a-count');
    expect(code('3')).to.equal('stock-not-a-count');
    expect(code('12×0')).to.equal('stock-not-a-count');
    expect(code('24-20')).to.equal('stock-not-a-count');
    expect(code('twelve')).to.equal('stock-not-a-count');
    expect(code(' , ')).to.equal('stock-empty');
    expect(code('1'.repeat(30000))).to.equal('number-too-long');
  });
});
