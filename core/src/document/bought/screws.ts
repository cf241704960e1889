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
