/** A starter on the shelf. */
export interface Starter {
  readonly id: string;
  readonly name: string;
  readonly about: string;
}

const ABOUT: readonly (readonly [file: string, name: string, about: string])[] = [
  [
    'saltreach-tide-clock',
    'Saltreach tide clock',
    'From a 12-hour arbor: a tide hand, a moon-age dial and a spring–neap dial. Laser-cut plywood.',
  ],
  [
    'quartet-of-moons',
    'Quartet of moons',
    'Jupiter’s four large moons on nested tubes from one crank, at one centre distance. Printed.',
  ],
  [
    'round-of-kestrels',
    'Round of kestrels',
    'An arm that turns once a minute carries three birds over standing wheels; one keeps facing north.',
  ],
  [
    'wading-heron',
    'Wading heron',
    'A kinetic wall piece: two planetary stages turn a motor into a slow stride; a leg that dips, a neck that nods.',
  ],
  [
    'orchard-turntable',
    'Orchard turntable',
    'A whole kit: a crank below its base, three planetary stages of 9 : 2, arms and suns in one piece. Printed.',
  ],
  [
    'daisy-bearing',
    'Daisy bearing',
    'Ten planets that roll between sun and ring by themselves, printed in mesh and held together by chevrons.',
  ],
  [
    'sixteen-reeds',
    'Sixteen reeds',
    'A wave turned by hand: sixteen alike cams on one shaft, each turned on, lift a row of reeds. Laser-cut.',
  ],
  [
    'two-noons',
    'Two noons',
    'A clock with solar and sidereal hours side by side: cycloidal going train and motion work, involute star train.',
  ],
  [
    'ossel-brine-pump',
    'Ossel brine pump',
    'Bevels bring the motion of a wind wheel down to two rings of pegs; a crank works the pump. Wood.',
  ],
];

/** The demo machines that come with the application. */
export const STARTERS: readonly Starter[] = ABOUT.map(([id, name, about]) => ({ id, name, about }));
