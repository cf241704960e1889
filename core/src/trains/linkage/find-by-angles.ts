import { seeded } from '../../ground/rational/index.ts';
import { degrees, radians } from '../../ground/units/index.ts';
import { beyond, crankGoesRound, type FourBar, leastTransmission, roomOf, standsAt } from './four-bar.ts';
import { leastSquares } from './least-squares.ts';
import type { Shortlist } from './shortlist.ts';
import {
  type LinkageFound,
  type LinkageNews,
  type LinkageQuery,
  TRANSMISSION_MARGIN,
  type WantedMotion,
} from './wanted-motion.ts';

type WantedAngles = Extract<WantedMotion, { kind: 'angles' }>;
/** Starts drawn by chance in a round. */
const DRAWN = 4000;
const BETTERED = 12;

/**
 * Four-bars whose rocker stands at wanted angles at angles of the crank. With the angles at which both begin drawn by
 * chance, three ratios of lengths follow from Freudenstein's equation, exactly for three places and in the least
 * squares for more: (d/a)·cos ψ − (d/c)·cos φ + (a² − b² + c² + d²)/(2ac) = cos(φ − ψ); then all are made better.
 * Source: Freudenstein 1954, in Norton, Design of Machinery; from memory.
 */
export function* findByAngles(
  query: LinkageQuery,
  wanted: WantedAngles,
  list: Shortlist,
): Generator<LinkageNews, void> {
  const chance = seeded(19_54);
  for (let round = 0; round < query.rounds; round++) {
    const nearest: { readonly values: number[]; readonly other: boolean; readonly off: number }[] = [];
    for (let i = 0; i < DRAWN; i++) {
      if (i % 200 === 0) yield { done: (round + (0.7 * i) / DRAWN) / query.rounds };
      const values = byFreudenstein(wanted, 2 * Math.PI * chance(), 2 * Math.PI * chance());
      if (!values || !keeps(query, values)) continue;
      for (const other of [false, true]) {
        const off = Math.max(...angleErrors(wanted, values, other).map(Math.abs));
        if (nearest.length === BETTERED && off >= (nearest.at(-1)?.off ?? 0)) continue;
        nearest.push({ values, other, off });
        nearest.sort((a, b) => a.off - b.off);
        nearest.splice(BETTERED);
      }
    }
    for (const { values, other } of nearest) {
      const better = bettered(query, wanted, values, other);
      const found = judged(query, wanted, better, other);
      if (found) list.add(found);
    }
    yield { done: (round + 1) / query.rounds, linkages: list.best() };
  }
}

/** Crank, coupler and rocker with the axes 1 apart, and the angles of both pins at the first place. */
function byFreudenstein({ pairs }: WantedAngles, phi0: number, psi0: number): number[] | undefined {
  const rows = pairs.map(([crank, rocker]): [number, number, number, number] => {
    const [phi, psi] = [phi0 + radians(crank), psi0 + radians(rocker)];
    return [Math.cos(psi), -Math.cos(phi), 1, Math.cos(phi - psi)];
  });
  const k = solvedNormal(rows);
  if (!k) return undefined;
  const [k1, k2, k3] = k;
  const [a, c] = [1 / k1, 1 / k2];
  const square = a * a + c * c + 1 - 2 * a * c * k3;
  return a > 0.02 && c > 0.02 && a < 20 && c < 20 && square > 0
    ? [a, Math.sqrt(square), c, phi0, psi0]
    : undefined;
}

/** Three unknowns from three equations or more, in the least squares, by Cramer's rule on their normal equations. */
function solvedNormal(
  rows: readonly (readonly [number, number, number, number])[],
): [number, number, number] | undefined {
  const sum = (i: number, j: number): number => rows.reduce((s, r) => s + (r[i] ?? 0) * (r[j] ?? 0), 0);
  const m = [0, 1, 2].map(i => [0, 1, 2, 3].map(j => sum(i, j)));
  const det = (columns: readonly number[]): number => {
    const [p = 0, q = 0, r = 0] = columns;
    const at = (i: number, j: number): number => m[i]?.[j] ?? 0;
    return (
      at(0, p) * (at(1, q) * at(2, r) - at(2, q) * at(1, r)) -
      at(1, p) * (at(0, q) * at(2, r) - at(2, q) * at(0, r)) +
      at(2, p) * (at(0, q) * at(1, r) - at(1, q) * at(0, r))
    );
  };
  const whole = det([0, 1, 2]);
  if (Math.abs(whole) < 1e-12) return undefined;
  return [det([3, 1, 2]) / whole, det([0, 3, 2]) / whole, det([0, 1, 3]) / whole];
}

const linkageOf = (values: readonly number[], other: boolean): FourBar => {
  const [crank = 1, coupler = 1, rocker = 1] = values;
  return { crank, coupler, rocker, ground: { x: 1, y: 0 }, other, point: { x: 0, y: 0 } };
};

function keeps(query: LinkageQuery, values: readonly number[]): boolean {
  const { crank, coupler, rocker } = linkageOf(values, false);
  const lengths = { crank, coupler, rocker, ground: 1 };
  return crankGoesRound(lengths) && leastTransmission(lengths) >= radians(query.leastTransmissionDeg);
}

/** How far the rocker is off at each place, radians; far off where it cannot close. */
function angleErrors({ pairs }: WantedAngles, values: readonly number[], other: boolean): number[] {
  const [phi0 = 0, psi0 = 0] = values.slice(3);
  const linkage = linkageOf(values, other);
  return pairs.map(([crank, rocker]) => {
    const at = standsAt(linkage, phi0 + radians(crank));
    if (!at) return 10;
    const off = Math.atan2(at.end.y, at.end.x - 1) - psi0 - radians(rocker);
    return Math.atan2(Math.sin(off), Math.cos(off));
  });
}

function bettered(
  query: LinkageQuery,
  wanted: WantedAngles,
  start: readonly number[],
  other: boolean,
): number[] {
  const least = radians(query.leastTransmissionDeg) + TRANSMISSION_MARGIN;
  return leastSquares(
    start,
    values => {
      const { crank, coupler, rocker } = linkageOf(values, other);
      const lengths = { crank, coupler, rocker, ground: 1 };
      if (crank <= 0 || coupler <= 0 || rocker <= 0 || !crankGoesRound(lengths))
        return new Array<number>(wanted.pairs.length + 1).fill(10);
      const lack = Math.max(0, least - leastTransmission(lengths));
      return [...angleErrors(wanted, values, other), lack];
    },
    wanted.pairs.length + 1,
    [1, 1, 1, 1, 1],
  );
}

function judged(
  query: LinkageQuery,
  wanted: WantedAngles,
  values: readonly number[],
  other: boolean,
): LinkageFound | undefined {
  if (!keeps(query, values)) return undefined;
  const unit = linkageOf(values, other);
  const linkage = {
    ...unit,
    ...{ crank: unit.crank * wanted.apart, coupler: unit.coupler * wanted.apart },
    ...{ rocker: unit.rocker * wanted.apart, ground: { x: wanted.apart, y: 0 } },
  };
  const room = roomOf(linkage);
  if (beyond(query.room, room) > 0) return undefined;
  const [phi0 = 0, psi0 = 0] = values.slice(3);
  const { crank, coupler, rocker } = unit;
  return {
    ...{ linkage, room, startDeg: [degrees(phi0), degrees(psi0)] },
    off: degrees(Math.max(...angleErrors(wanted, values, other).map(Math.abs))),
    transmissionDeg: degrees(leastTransmission({ crank, coupler, rocker, ground: 1 })),
  };
}
