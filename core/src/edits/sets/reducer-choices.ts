/** How many discs an eccentric swings. */
export const DISCS = [
  { value: '1', title: 'one' },
  { value: '2', title: 'two, opposite each other' },
] as const;

/** What the pins of a reducer's ring are. */
export const RINGS = [
  { value: 'lobes', title: 'half-round, of one piece with the ring' },
  { value: 'pins', title: 'round, standing in a plate behind' },
] as const;

/** What of a reducer turns, and what is held. */
export const OUTPUTS = [
  { value: 'plate', title: 'the plate of pins; the ring is held' },
  { value: 'ring', title: 'the ring; the plate of pins is held' },
] as const;
