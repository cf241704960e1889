/** Width of a rim beyond the roots, where nothing is said, in modules (common practice, no source). */
export const USUAL_RIM = 2.5;
