import type { Dial, Hand, Machine, Ring } from '../../document/machine/index.ts';
import { type Finding, type Findings, finding, fix } from '../../ground/result/index.ts';
import { isZero, sign } from '../../ground/rational/index.ts';
import { writings } from './numerals.ts';
import { dialOf, type IndicatorFacts, showingOf } from './pointing.ts';
import { FULL_MOON_MOST } from './window-path.ts';

/** Width of a letter over its height, about: common practice for plain faces, no source. */
const LETTER = 0.62;
/** Division lines closer than this run into one another when they are engraved, mm: common practice, no source. */
const LEAST_DIVISION = 0.5;

/** What is wrong with hands and dials: they turn against their dials, reach beyond them, or cannot be read. */
export function indicatorFindings(facts: IndicatorFacts): Finding[] {
  return facts.machine.indicators.flatMap(i =>
    i.kind === 'dial' ? dialFindings(i) : i.kind === 'hand' ? handFindings(facts, i) : [],
  );
}

function handFindings(facts: IndicatorFacts, hand: Hand): Finding[] {
  const dial = dialOf(facts.machine, hand);
  const showing = showingOf(facts, hand);
  if (!dial) return [];
  const found: Finding[] = [];
  const subjects = [hand.id, dial.id];
  if (showing && sign(showing.rate) < 0)
    found.push(
      finding('hand-backwards', 'stop', 'run', subjects, { sense: dial.sense }, [
        fix('dial-other-way', dial.id),
        fix('drive-other-way', hand.id),
      ]),
    );
  if (showing && isZero(showing.rate)) found.push(finding('hand-stands', 'warn', 'run', subjects));
  if (hand.radius > dial.radius)
    found.push(
      finding('hand-beyond-dial', 'note', 'run', subjects, { hand: hand.radius, dial: dial.radius }, [
        fix('hand-length', hand.id, Number((dial.radius * 0.92).toFixed(2))),
      ]),
    );
  if (!sameCentre(facts.machine, hand, dial)) found.push(finding('hand-off-dial', 'warn', 'run', subjects));
  return found;
}

/** Whether a hand turns about the centre of its dial. */
function sameCentre({ members }: Pick<Machine, 'members'>, hand: Hand, dial: Dial): boolean {
  const axis = (id: string): string | undefined => {
    const m = members.find(x => x.id === id);
    return m?.kind === 'arbor' ? m.axis : undefined;
  };
  return axis(hand.member) === (dial.member === 'ground' ? dial.axis : axis(dial.member));
}

function dialFindings(dial: Dial): Finding[] {
  const found: Finding[] = dial.rings.flatMap((r, i) => ringFindings(dial, r, i + 1));
  for (const w of dial.windows) {
    const reach = w.kind === 'sector' ? w.outer : w.distance + w.radius;
    if (reach >= dial.radius)
      found.push(finding('window-off-dial', 'warn', 'run', [dial.id], { reach, radius: dial.radius }));
    if (w.kind === 'sector' && w.inner >= w.outer)
      found.push(finding('window-inside-out', 'stop', 'run', [dial.id], { inner: w.inner, outer: w.outer }));
    if (w.kind === 'phases' && w.radius > w.distance * FULL_MOON_MOST)
      found.push(
        finding('moon-never-full', 'warn', 'run', [dial.id], {
          radius: w.radius,
          most: w.distance * FULL_MOON_MOST,
        }),
      );
  }
  return found;
}

type RingCode = 'ring-off-dial' | 'divisions-crowded' | 'numerals-crowded' | 'numerals-off-dial';

function ringFindings(dial: Dial, ring: Ring, n: number): Finding[] {
  const found: Finding[] = [];
  const put = <C extends RingCode>(code: C, data: Omit<Findings[C], 'ring'>): number =>
    found.push(finding<RingCode>(code, 'warn', 'run', [dial.id], { ring: n, ...data } as Findings[C]));
  if (Math.max(ring.outer, ring.inner) > dial.radius)
    put('ring-off-dial', { reach: Math.max(ring.outer, ring.inner), radius: dial.radius });
  const pitch = (2 * Math.PI * Math.min(ring.outer, ring.inner)) / ring.divisions;
  if (pitch < LEAST_DIVISION) put('divisions-crowded', { pitch, least: LEAST_DIVISION });
  const { numerals } = ring;
  if (!numerals) return found;
  const texts = writings(ring);
  const widest = Math.max(...texts.map(t => t.text.length)) * LETTER * numerals.height;
  const room = texts.length > 1 ? (2 * Math.PI * numerals.radius) / texts.length : Infinity;
  if (widest > room)
    put('numerals-crowded', { widest, room, fits: Math.max(0, (numerals.height * room) / widest) });
  const reach =
    numerals.radius +
    (numerals.stand === 'outward' ? numerals.height / 2 : Math.max(widest, numerals.height) / 2);
  if (reach > dial.radius) put('numerals-off-dial', { reach, radius: dial.radius });
  return found;
}
