import { BEATS, CIVIL } from './civil.ts';
import { CYCLES } from './cycles.ts';
import { type KnownPeriod } from './known-period.ts';
import { LUNAR } from './lunar.ts';
import { LARGE_MOONS } from './moons.ts';
import { DWARF_PLANETS, PLANETS } from './planets.ts';
import { SYNODIC } from './synodic.ts';
import { TIDES } from './tides.ts';
import { YEARS } from './years.ts';

export { type Group, GROUPS, type KnownPeriod } from './known-period.ts';

/** The periods that come with the application. */
export const PERIODS: readonly KnownPeriod[] = [
  ...PLANETS,
  ...SYNODIC,
  ...DWARF_PLANETS,
  ...LARGE_MOONS,
  ...LUNAR,
  ...YEARS,
  ...CYCLES,
  ...TIDES,
  ...CIVIL,
  ...BEATS,
];

/**
 * Entries in whose name, group or figure every word that is asked for begins a word, in any case and without
 * accents.
 */
export function findPeriods(list: readonly KnownPeriod[], asked: string): KnownPeriod[] {
  const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
  const words = plain(asked).split(/\s+/).filter(Boolean);
  return list.filter(p => {
    const own = plain(`${p.name} ${p.group} ${p.text}`).split(/[^\p{L}\p{N}.]+/u);
    return words.every(w => own.some(o => o.startsWith(w)));
  });
}

/** The text of a wanted period that carries how well the figure is known: `29.530588853 d ± 0.17 s`. */
export const wantedTextOf = ({ text, uncertaintySeconds }: KnownPeriod): string =>
  uncertaintySeconds === 0 ? text : `${text} ± ${Number(uncertaintySeconds.toPrecision(2))} s`;
