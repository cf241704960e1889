/** Width of a rim beyond the roots, where nothing is said, in modules (common practice, no source). */
export const USUAL_RIM = 2.5;

/** Across the holes of lugs where nothing is said, mm: for a rod or screw of 3 mm (common practice, no source). */
export const USUAL_LUG_HOLE = 3;
