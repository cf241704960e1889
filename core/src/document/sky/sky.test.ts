import {
  Body,
  HelioVector,
  JupiterMoons,
  MakeTime,
  MoonPhase,
  RotateVector,
  Rotation_EQJ_ECL,
  Vector,
} from 'astronomy-engine';
import { expect } from 'chai';
import { PERIODS } from '../period/index.ts';
import { parseWanted } from '../../ground/units/index.ts';
import { must } from '../../ground/result/index.ts';
import { ahead, bodyOfPeriod, meanLongitude, meanPeriodDays, SKY, type SkyBody } from './index.ts';

const body = (id: string): SkyBody => SKY.find(b => b.id === id)!;
/** Days from noon of 1 January 2000 over a hundred years, by uneven steps. */
const DAYS = Array.from({ length: 240 }, (_, i) => -18262 + i * 152.3);
const worst = (id: string, truly: (days: number) => number): { most: number; mean: number } => {
  const off = DAYS.map(d => ahead(truly(d), meanLongitude(body(id), d)));
  return { most: Math.max(...off.map(Math.abs)), mean: off.reduce((s, x) => s + x, 0) / off.length };
};

describe('mean longitudes', () => {
  const planets = {
    mercury: Body.Mercury,
    venus: Body.Venus,
    earth: Body.Earth,
    mars: Body.Mars,
    jupiter: Body.Jupiter,
    saturn: Body.Saturn,
    uranus: Body.Uranus,
    neptune: Body.Neptune,
  } as const;
  for (const [id, of] of Object.entries(planets))
    it(
      `of ${id} stay within its swing of the true ones from 1950 to 2050 (astronomy-engine ` +
        '2): the equation of the centre, which no uniform train follows',
      () => {
        const { most } = worst(id, d => {
          const v = RotateVector(Rotation_EQJ_ECL(), HelioVector(of, MakeTime(d)));
          return (Math.atan2(v.y, v.x) * 180) / Math.PI;
        });
        expect(most).to.be.below(body(id).swing + 0.6);
        expect(most, 'and the swing is not overstated').to.be.above(body(id).swing * 0.5);
      },
    );

  it('of the Moon’s age stay within its swing of the true phase (astronomy-engine 2)', () => {
    const { most, mean } = worst('moon-phase', d => MoonPhase(MakeTime(d)));
    expect(most).to.be.below(body('moon-phase').swing + 0.6);
    expect(Math.abs(mean)).to.be.below(0.6);
  });

  it('of Jupiter’s moons keep step with true ones over a hundred years (astronomy-engine 2)', () => {
    for (const [i, id] of (['io', 'europa', 'ganymede', 'callisto'] as const).entries()) {
      const truly = (d: number): number => {
        const m = JupiterMoons(MakeTime(d));
        const s = [m.io, m.europa, m.ganymede, m.callisto][i]!;
        const v = RotateVector(Rotation_EQJ_ECL(), new Vector(s.x, s.y, s.z, s.t));
        return (Math.atan2(v.y, v.x) * 180) / Math.PI;
      };
      const off = DAYS.map(d => ahead(truly(d), meanLongitude(body(id), d)));
      const spread = Math.max(...off) - Math.min(...off);
      expect(spread, `${id}: within its swing and the tilt of its plane, nothing grows`).to.be.below(
        2 * body(id).swing + 3,
      );
    }
  });

  it('turn by the periods of the library', () => {
    for (const id of ['mercury', 'venus', 'mars', 'jupiter', 'io', 'europa', 'ganymede', 'callisto']) {
      const wanted = must(parseWanted(PERIODS.find(p => p.id === id)!.text));
      const seconds =
        wanted.kind === 'period' ? Number(wanted.seconds.num) / Number(wanted.seconds.den) : NaN;
      expect(bodyOfPeriod(seconds)?.id, id).to.equal(id);
      expect(meanPeriodDays(body(id)) * 86400).to.be.closeTo(seconds, seconds * 1e-4);
    }
    expect(bodyOfPeriod(29.530588 * 86400)?.id).to.equal('moon-phase');
    expect(bodyOfPeriod(12345)).to.equal(undefined);
  });

  it('the synodic month and the mean longitudes of Sun and Moon agree: 29.530589 d (Meeus, ch. 49)', () => {
    expect(meanPeriodDays(body('moon-phase'))).to.be.closeTo(29.530588853, 1e-6);
    expect(ahead(10, 350)).to.equal(20);
    expect(ahead(350, 10)).to.equal(-20);
  });
});
