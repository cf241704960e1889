import { expect } from 'chai';
import { arrange } from '../../../test/arrange.ts';
import { plainTrain as train, rateText as rate, trainCodes as codes } from '../../../test/plain-train.ts';
import { rational, toFraction } from '../../ground/rational/index.ts';

describe('published trains', () => {
  // Freeth et al., Nature 444, 2006: the Metonic train, 64/38 · 53/96 · 15/53 = 5/19 of a turn a year.
  it('Metonic: 5/19', () => {
    const m = train(
      4,
      [
        [0, 64],
        [1, 38],
        [1, 53],
        [2, 96],
        [2, 15],
        [3, 53],
      ],
      [
        [0, 1],
        [2, 3],
        [4, 5],
      ],
    );
    expect(rate(m, 'a3')).to.equal('-5/19');
  });

  // Freeth et al., Nature 444, 2006: the Saros train, 64/38 · 53/96 · 27/223 · 188/53 · 30/54 = 940/4237.
  it('Saros: 940/4237', () => {
    const counts = [64, 38, 53, 96, 27, 223, 188, 53, 30, 54];
    const wheels = counts.map((c, i) => [Math.ceil(i / 2), c] as const);
    const m = train(6, wheels, [
      [0, 1],
      [2, 3],
      [4, 5],
      [6, 7],
      [8, 9],
    ]);
    expect(rate(m, 'a5')).to.equal('-940/4237');
  });
});

describe('a published ancient machine as a whole', () => {
  // Freeth et al., Nature 444, 2006, and Freeth, Jones, Steele and Bitsakis, Nature 454, 2008: the trains from the
  // mean-year wheel b to the moon, the Metonic, Callippic, Games, Saros and Exeligmos pointers; the arm-borne pin
  // and slot left out.
  // Wheels by the names of the papers; every rate in turns a year.
  const m = arrange(
    {
      b: {},
      c: { at: [40, 0] },
      d: { at: [80, 0] },
      e: { at: [120, 0] },
      l: { at: [0, 40] },
      m: { at: [0, 80] },
      n: { at: [0, 120] },
      o: { at: [20, 150] },
      p: { at: [40, 150] },
      q: { at: [60, 150] },
      e3: { with: 'e' },
      f: { at: [150, 40] },
      g: { at: [180, 40] },
      h: { at: [210, 40] },
      i: { at: [240, 40] },
    },
    {
      'b.b2': 64,
      'c.c1': 38,
      'c.c2': 48,
      'd.d1': 24,
      'd.d2': 127,
      'e.e2': 32,
      'l.l1': 38,
      'l.l2': 53,
      'm.m1': 96,
      'm.m2': 15,
      'm.m3': 27,
      'n.n1': 53,
      'n.n2': 57,
      'n.n3': 15,
      'o.o1': 60,
      'p.p1': 60,
      'p.p2': 12,
      'q.q1': 60,
      'e3.e3': 223,
      'e3.e4': 188,
      'f.f1': 53,
      'f.f2': 30,
      'g.g1': 54,
      'g.g2': 20,
      'h.h1': 60,
      'h.h2': 15,
      'i.i1': 60,
    },
    [
      ['b.b2', 'c.c1'],
      ['c.c2', 'd.d1'],
      ['d.d2', 'e.e2'],
      ['b.b2', 'l.l1'],
      ['l.l2', 'm.m1'],
      ['m.m2', 'n.n1'],
      ['n.n2', 'o.o1'],
      ['n.n3', 'p.p1'],
      ['p.p2', 'q.q1'],
      ['m.m3', 'e3.e3'],
      ['e3.e4', 'f.f1'],
      ['f.f2', 'g.g1'],
      ['g.g2', 'h.h1'],
      ['h.h2', 'i.i1'],
    ],
  );
  const size = (id: string): string => rate(m, id).replace('-', '');

  it('turns every pointer as published, one wheel shared by several trains', () => {
    expect(codes(m)).to.deep.equal([]);
    expect(size('e'), 'sidereal months: 254 in 19 years').to.equal('254/19');
    expect(size('n'), 'the Metonic pointer: five turns in 19 years').to.equal('5/19');
    expect(size('q'), 'the Callippic pointer: one turn in 76 years').to.equal('1/76');
    expect(size('o'), 'the Games pointer: one turn in four years').to.equal('1/4');
    expect(size('g'), 'the Saros pointer: four turns in 223 months of 235/19 a year').to.equal('940/4237');
    expect(size('i'), 'the Exeligmos pointer: a twelfth of it').to.equal(
      toFraction(rational(940, 4237 * 12)),
    );
  });
});
