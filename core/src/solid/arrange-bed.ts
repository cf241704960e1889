/** The room that a body takes on a bed, seen from above, mm, and where its corner is from its own origin. */
export interface Footprint {
  readonly width: number;
  readonly depth: number;
}

/** Where one body goes: its lower left corner, mm. */
export interface BedPlace {
  readonly x: number;
  readonly y: number;
}

/**
 * Places for bodies in rows, the deepest first, with a gap between them; together about as wide as deep. Places are given in the order of
 * the footprints. Not the tightest: what is printed wants room more than it wants a full bed.
 */
export function arrangeOnBed(footprints: readonly Footprint[], gap: number): BedPlace[] {
  const area = footprints.reduce((sum, f) => sum + (f.width + gap) * (f.depth + gap), 0);
  const widest = Math.max(0, ...footprints.map(f => f.width));
  const limit = Math.max(widest, Math.sqrt(area) * 1.1);
  const order = footprints.map((f, i) => ({ f, i })).sort((a, b) => b.f.depth - a.f.depth || a.i - b.i);
  const places: BedPlace[] = [];
  let [x, y, row] = [0, 0, 0];
  for (const { f, i } of order) {
    if (x > 0 && x + f.width > limit) {
      y += row + gap;
      [x, row] = [0, 0];
    }
    places[i] = { x, y };
    x += f.width + gap;
    row = Math.max(row, f.depth);
  }
  return places;
}
