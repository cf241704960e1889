import { expect } from 'chai';
import { must } from '../../ground/result/index.ts';
import { parseTrain } from './read-train.ts';

describe('a train as it is typed', () => {
  it('is read with strokes or colons, however the stages are parted', () => {
    const mars = [
      { driving: 41, driven: 84 },
      { driving: 61, driven: 56 },
    ];
    for (const text of ['41/84 61/56', '41/84 · 61/56', '41 / 84, 61 / 56', '41:84;61:56', '41/84*61/56'])
      expect(must(parseTrain(text)), text).to.deep.equal(mars);
  });

  it('says what cannot be one', () => {
    const code = (text: string): string => {
      const read = parseTrain(text);
      return read.ok ? 'ok' : read.problem.code;
    };
    expect(code(' ')).to.equal('train-empty');
    expect(code('41')).to.equal('train-unreadable');
    expect(code('41/0')).to.equal('train-unreadable');
    expect(code('41/84.5')).to.equal('train-unreadable');
    expect(code('99999/2')).to.equal('train-unreadable');
    expect(code('1/2 1/2 1/2 1/2 1/2')).to.equal('stages-not-searched');
  });
});
