/** The length of a rack of so many teeth, mm: z·π·m (ISO 53). 30 teeth of module 2: 188.496. */
export const rackLength = (teeth: number, module: number): number => teeth * Math.PI * module;

/** The teeth of a rack that comes nearest to a length, mm; one at least. 100 mm at module 2: 16. */
export const rackTeeth = (length: number, module: number): number =>
  Math.max(1, Math.round(length / (Math.PI * module)));
