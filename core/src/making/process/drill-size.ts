/** A drill that there is: its size in mm, what it is called, and how much larger than the hole it is. */
export interface Drill {
  readonly size: number;
  readonly name: string;
  readonly over: number;
}

/**
 * The next metric drill to a hole, by tenths of a millimetre. Source: ISO 235 series in 0.1 mm steps up to 14 mm
 * (from memory).
 */
export function metricDrill(diameter: number): Drill {
  const size = Math.max(1, Math.round(diameter * 10)) / 10;
  return { size, name: `${size} mm`, over: size - diameter };
}

/**
 * The next fractional inch drill, by sixty-fourths, as makers write it. Source: ANSI B94.11M fractional sizes (from
 * memory).
 */
export function inchDrill(diameter: number): Drill {
  const parts = Math.max(1, Math.round((diameter / 25.4) * 64));
  const size = (parts * 25.4) / 64;
  return { size, name: `${fractionOfInch(parts)} in`, over: size - diameter };
}

function fractionOfInch(sixtyFourths: number): string {
  let [top, bottom] = [sixtyFourths, 64];
  while (top % 2 === 0 && bottom > 1) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(top / bottom);
  const rest = top % bottom;
  if (rest === 0) return String(whole);
  return whole === 0 ? `${rest}/${bottom}` : `${whole} ${rest}/${bottom}`;
}
