import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { derive } from '../../state/derive/index.ts';
import { type Dial, type Machine, readMachine } from '../../document/machine/index.ts';
import { setDriveWay, setIndicator } from '../../edits/change/index.ts';
import { must, problem } from '../../ground/result/index.ts';
import { sayFinding, sayFix, sayProblem, sayReading } from './index.ts';

const tide = must(
  readMachine(readFileSync(new URL('../../../../demo/saltreach-tide-clock.json', import.meta.url), 'utf8')),
);
/** What a machine's findings of a code say, whole, with its fixes. */
function said(m: Machine, code: string): string {
  const found = derive(m).findings.find(f => f.code === code);
  if (!found) return `no ${code}`;
  const { title, why, advice } = sayFinding(found, m);
  return [title, why, advice ?? '', ...found.fixes.map(f => sayFix(f, m))].join(' | ');
}
const dial = (more: Partial<Dial>): Machine => setIndicator('moon-dial', more)(tide);

describe('what hands and dials say', () => {
  it('a hand that turns backwards is named with its dial, the way it counts, and both mends', () => {
    const words = said(setDriveWay(false)(tide), 'hand-backwards');
    expect(words).to.match(/^Hour hand turns backwards on its dial \| Seen from the front, Hours and tide/);
    expect(words).to.match(
      /counts clockwise.*Number the dial the other way \| Turn the drive the other way$/,
    );
  });

  it('what does not fit says how far it reaches and how far it may', () => {
    expect(said(setIndicator('moon-hand', { radius: 44 })(tide), 'hand-beyond-dial')).to.include(
      '44.00 mm long; the dial has a radius of 40.00 mm',
    );
    expect(
      said(dial({ windows: [{ kind: 'round', atDeg: 0, distance: 38, radius: 4 }] }), 'window-off-dial'),
    ).to.include('42.00 mm from the axis');
    expect(
      said(
        dial({ windows: [{ kind: 'sector', atDeg: 0, spanDeg: 9, inner: 9, outer: 8 }] }),
        'window-inside-out',
      ),
    ).to.include('9.00 mm, is not less than its outer one, 8.00 mm');
    expect(
      said(dial({ windows: [{ kind: 'phases', atDeg: 0, distance: 20, radius: 15 }] }), 'moon-never-full'),
    ).to.include('up to 14.14 mm it is seen whole');
    expect(said(dial({ rings: [{ outer: 41, inner: 39, divisions: 4 }] }), 'ring-off-dial')).to.include(
      'Ring 1 of Moon’s age does not fit',
    );
    expect(said(dial({ rings: [{ outer: 20, inner: 19, divisions: 400 }] }), 'divisions-crowded')).to.include(
      'stand 0.30 mm apart',
    );
  });

  it('crowded numerals say which height would fit, and it does', () => {
    const numerals = (height: number): Machine =>
      dial({
        rings: [
          {
            outer: 38,
            inner: 36,
            divisions: 4,
            numerals: {
              radius: 30,
              height,
              stand: 'outward',
              writes: { kind: 'numbers', count: 40, first: 100, step: 1 },
            },
          },
        ],
      });
    const words = said(numerals(5), 'numerals-crowded');
    const fits = Number(/a height of ([\d.]+) mm would fit/.exec(words)![1]);
    expect(said(numerals(fits - 0.01), 'numerals-crowded')).to.equal('no numerals-crowded');
    expect(said(numerals(fits + 0.05), 'numerals-crowded')).to.match(/run together/);
    expect(
      said(
        dial({
          rings: [
            {
              outer: 38,
              inner: 36,
              divisions: 4,
              numerals: { radius: 39, height: 4, stand: 'outward', writes: { kind: 'names', names: ['a'] } },
            },
          ],
        }),
        'numerals-off-dial',
      ),
    ).to.include('reach to 41.00 mm');
  });

  it('hands that stand on their dials or beside them are told', () => {
    expect(said(setIndicator('moon-hand', { dial: 'spring-dial' })(tide), 'hand-off-dial')).to.include(
      'centred on another axis',
    );
    const carried = setIndicator('moon-dial', { member: 'arbor4', axis: undefined })(tide);
    expect(said(carried, 'hand-stands')).to.include('Moon stands still on its dial');
  });

  it('bad input says what would work', () => {
    const p = (...asked: Parameters<typeof problem>): string => sayProblem(problem(...asked));
    expect(p('loop-zero')).to.match(/never moves.*1 turn or 90 degrees/);
    expect(p('loop-unreadable', { text: 'twice' })).to.include('“twice”');
    expect(p('reading-beyond', { text: '13:00', full: 43200 })).to.include('below 43200');
    expect(p('reading-beyond', { text: '31', full: 29.530588 })).to.include('below 29.5306');
    expect(p('reading-stands', { name: 'Moon' })).to.include('Moon stands still');
    expect(p('reading-no-dial', { name: 'Moon' })).to.include('Give it one');
    expect(p('reading-name', { text: 'Mai', names: 'Apr, May' })).to.include('Apr, May');
    expect(p('bodies-unknown')).to.include('one of the sky’s');
    expect(p('too-many-triangles', { wheel: 'Sun', is: 5_000_000, most: 2_000_000 })).to.match(
      /Sun would need about 5,000,000.*larger chord error/,
    );
    expect(p('bevel-face-too-wide', { wheel: 'Sun', most: 12.34 })).to.include('less than 12.3 mm');
  });
});

describe('readings in words', () => {
  it('a clock of twelve hours, of an hour, of a minute', () => {
    const clock = (seconds: number, full: number): string => sayReading({ kind: 'clock', seconds, full });
    expect(clock(30015, 43200)).to.equal('08:20:15');
    expect(clock(30014.9999999, 43200), 'a hair below its second').to.equal('08:20:15');
    expect(clock(1215.4, 3600)).to.equal('20:15');
    expect(clock(15.25, 60)).to.equal('15.3 s');
    expect(clock(86399, 86400)).to.equal('23:59:59');
  });

  it('a scale shows a thousandth of its full turn', () => {
    const scale = (value: number, full: number): string =>
      sayReading({ kind: 'scale', value, full, unit: 'm' });
    expect([scale(0.5, 1), scale(50, 100), scale(500, 1000), scale(5000, 10000)]).to.deep.equal([
      '0.500 m',
      '50.0 m',
      '500 m',
      '5000 m',
    ]);
  });
});
