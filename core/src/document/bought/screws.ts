/** A metric screw thread of the coarse series: its name, the drill for its thread, mm. */
export interface ScrewThread {
  readonly name: string;
  readonly diameter: number;
  /** What is drilled before the thread is cut: diameter less pitch. */
  readonly drill: number;
  /** Lengths in which grub screws of it are bought, mm. */
  readonly lengths: readonly number[];
}

/**
 * Threads for grub screws. Source: ISO 261, coarse pitches 0.4, 0.45, 0.5, 0.7, 0.8, 1; ISO 4026, lengths (both from
 * memory).
 */
export const GRUB_SCREWS: readonly ScrewThread[] = [
  { name: 'M2', diameter: 2, drill: 1.6, lengths: [2, 2.5, 3, 4, 5, 6, 8, 10] },
  { name: 'M2.5', diameter: 2.5, drill: 2.05, lengths: [2.5, 3, 4, 5, 6, 8, 10, 12] },
  { name: 'M3', diameter: 3, drill: 2.5, lengths: [3, 4, 5, 6, 8, 10, 12, 16] },
  { name: 'M4', diameter: 4, drill: 3.3, lengths: [4, 5, 6, 8, 10, 12, 16, 20] },
  { name: 'M5', diameter: 5, drill: 4.2, lengths: [5, 6, 8, 10, 12, 16, 20, 25] },
  { name: 'M6', diameter: 6, drill: 5, lengths: [6, 8, 10, 12, 16, 20, 25, 30] },
];

/** A screw of a length. */
export interface GrubScrew {
  readonly thread: ScrewThread;
  readonly length: number;
}

/**
 * The grub screw for an arbor within a hub, both across, mm: half as thick as the arbor or a little more (common
 * practice, no source), of the greatest length that does not stand out of the hub; undefined where none is so short.
 */
export function grubScrewFor(arbor: number, hub: number): GrubScrew | undefined {
  const thread = GRUB_SCREWS.find(s => s.diameter >= arbor / 2 - 1e-9) ?? GRUB_SCREWS.at(-1);
  const room = (hub - arbor) / 2;
  const length = thread?.lengths.filter(l => l <= room + 1e-9).at(-1);
  return thread && length !== undefined ? { thread, length } : undefined;
}

/** A countersunk screw that holds a flat part on a plate: what it passes, its thread's drill, its head, mm. */
export interface FixingScrew {
  readonly name: string;
  readonly diameter: number;
  /** What its thread is drilled before it is cut, and what lets it pass. */
  readonly drill: number;
  readonly clearance: number;
  /** Across its head. */
  readonly head: number;
  /** Lengths over all in which it is bought. */
  readonly lengths: readonly number[];
}

/**
 * Countersunk screws. Sources: ISO 7046-1, heads and lengths; ISO 273, holes that let them pass, medium; ISO 261,
 * coarse pitches (all from memory).
 */
export const FIXING_SCREWS: readonly FixingScrew[] = [
  {
    name: 'M2',
    diameter: 2,
    drill: 1.6,
    clearance: 2.4,
    head: 3.8,
    lengths: [3, 4, 5, 6, 8, 10, 12, 16, 20],
  },
  {
    name: 'M2.5',
    diameter: 2.5,
    drill: 2.05,
    clearance: 2.9,
    head: 4.7,
    lengths: [3, 4, 5, 6, 8, 10, 12, 16, 20, 25],
  },
  {
    name: 'M3',
    diameter: 3,
    drill: 2.5,
    clearance: 3.4,
    head: 5.5,
    lengths: [4, 5, 6, 8, 10, 12, 16, 20, 25, 30],
  },
  {
    name: 'M4',
    diameter: 4,
    drill: 3.3,
    clearance: 4.5,
    head: 8.4,
    lengths: [5, 6, 8, 10, 12, 16, 20, 25, 30, 35, 40],
  },
];

/** The countersunk screw of that name; undefined where the table has none. */
export const fixingScrew = (name: string): FixingScrew | undefined =>
  FIXING_SCREWS.find(s => s.name === name);
