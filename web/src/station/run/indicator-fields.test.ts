import type { Dial, DialWindow, Indicator, Ring } from '@tesseron/core/machine';
import { indicatorFindings } from '@tesseron/core/indicator';
import { expect } from 'chai';
import { indicatorFields, newWindow, numeralFields, ringFields, windowFields } from './indicator-fields';

const hand: Indicator = {
  id: 'h',
  name: 'h',
  kind: 'hand',
  member: 'm',
  radius: 30,
  settingDeg: 90,
  shape: 'leaf',
};
const dial: Dial = {
  id: 'd',
  name: 'd',
  kind: 'dial',
  member: 'ground',
  axis: 'a',
  radius: 40,
  settingDeg: 90,
  sense: 'clockwise',
  rings: [],
  windows: [],
};
const ring: Ring = { outer: 38, inner: 36, divisions: 60, long: 5 };

describe('the measures of hands and dials', () => {
  it('each field changes its own measure, and an emptied one goes', () => {
    const changes: Readonly<Record<string, unknown>>[] = [];
    const fields = indicatorFields(hand, c => changes.push(c));
    fields.forEach(f => f.set(7));
    fields.forEach(f => f.clear?.());
    expect(changes).to.deep.equal([
      { radius: 7 },
      { width: 7 },
      { tail: 7 },
      { settingDeg: 7 },
      { width: undefined },
      { tail: undefined },
    ]);
  });

  it('every kind has its radius and its setting; a body its distance too', () => {
    const labels = (i: Indicator): string[] => indicatorFields(i, () => undefined).map(f => f.label);
    expect(labels(dial)).to.deep.equal(['Radius', 'Nought at']);
    const globe: Indicator = { id: 'g', name: 'g', kind: 'globe', member: 'm', radius: 5, settingDeg: 0 };
    expect(labels(globe)).to.deep.equal(['Radius', 'Set at']);
    expect(labels({ ...globe, kind: 'body', distance: 9 })).to.deep.equal([
      'Radius',
      'Distance',
      'Set at',
      'Lifted',
    ]);
  });

  it('a ring’s fields keep the rest of it, and a dropped long line leaves none', () => {
    const made: Ring[] = [];
    const fields = ringFields(ring, r => made.push(r));
    fields[0]!.set(48);
    fields[1]!.clear!();
    expect(made).to.deep.equal([
      { ...ring, divisions: 48 },
      { outer: 38, inner: 36, divisions: 60 },
    ]);
  });

  it('numerals by numbers have a count, a first and a step; names have only size and place', () => {
    const numbers = {
      radius: 30,
      height: 4,
      stand: 'upright',
      writes: { kind: 'numbers', count: 12, first: 0, step: 5 },
    } as const;
    const made: object[] = [];
    const fields = numeralFields(numbers, n => made.push(n));
    expect(fields.map(f => f.label)).to.deep.equal(['At radius', 'Height', 'How many', 'First', 'Step']);
    fields[4]!.set(10);
    expect(made).to.deep.equal([{ ...numbers, writes: { ...numbers.writes, step: 10 } }]);
    expect(
      numeralFields({ ...numbers, writes: { kind: 'names', names: ['a'] } }, () => undefined),
    ).to.have.length(2);
  });

  it('a new window of every kind lies well within its dial', () => {
    for (const kind of ['round', 'sector', 'phases'] as const) {
      const windows: DialWindow[] = [newWindow(kind, dial)];
      const found = indicatorFindings({
        machine: { axes: [], members: [], aims: [], indicators: [{ ...dial, windows }] },
        rates: {},
      });
      expect(found, kind).to.deep.equal([]);
      const changed: DialWindow[] = [];
      const fields = windowFields(windows[0]!, w => changed.push(w));
      fields[0]!.set(30);
      expect(changed[0]).to.deep.equal({ ...windows[0], atDeg: 30 });
    }
  });
});
