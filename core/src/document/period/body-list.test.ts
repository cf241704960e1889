import { expect } from 'chai';
import { type ListedBody, parseBodies } from './index.ts';

const one = (line: string): ListedBody => parseBodies(line)[0]!;

describe('a pasted list of bodies', () => {
  it('is read with a comma, semicolon, tab, colon, equals sign or space between', () => {
    for (const line of [
      'Mars, 686.98 d',
      'Mars; 686.98 d',
      'Mars\t686.98 d',
      'Mars: 686.98 d',
      'Mars = 686.98 d',
      'Mars 686.98 d',
      'Mars,686.98 d',
    ])
      expect(one(line), line).to.deep.equal({ name: 'Mars', wanted: '686.98 d', problem: undefined });
    expect(one('Second hand 1/60').wanted).to.equal('1/60');
    expect(one('Dial, front; 29d 12h 44m')).to.include({ name: 'Dial, front', wanted: '29d 12h 44m' });
  });

  it('looks up a name alone, and takes its uncertainty along', () => {
    expect(one('callisto').wanted).to.equal('16.6890184 d ± 0.086 s');
    expect(one('Unheard-of').problem?.code).to.equal('period-not-in-library');
  });

  it('says what is wrong line by line, and passes over empty ones', () => {
    const list = parseBodies('Io, 1.769 d\n\n  \nEuropa, 3.55\nGanymede, 7 moons\r\nCallisto, 0 d');
    expect(list.map(b => b.problem?.code)).to.deep.equal([
      undefined,
      undefined,
      'unit-unknown',
      'period-zero',
    ]);
    expect(parseBodies('')).to.deep.equal([]);
    expect(parseBodies('x\n'.repeat(1000))).to.have.length(200);
  });
});
