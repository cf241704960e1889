import { mul, parseRational, type Rational, rational, sign } from '../rational/index.ts';
import { fail, ok, type Result } from '../result/index.ts';

/** Metres in a unit of length, exact (1959 international yard and pound agreement for inch, foot, yard and mile). */
export function metresIn(unit: string): Rational | undefined {
  switch (unit.toLowerCase().replace(/(?<=met(re|er)|inch|yard|mile)(s|es)$/, '')) {
    case 'mm':
      return rational(1n, 1000n);
    case 'cm':
      return rational(1n, 100n);
    case 'm':
    case 'metre':
    case 'meter':
      return rational(1n);
    case 'km':
      return rational(1000n);
    case 'in':
    case 'inch':
      return rational(254n, 10000n);
    case 'ft':
    case 'foot':
    case 'feet':
      return rational(3048n, 10000n);
    case 'yd':
    case 'yard':
      return rational(9144n, 10000n);
    case 'mi':
    case 'mile':
      return rational(1609344n, 1000n);
    default:
      return undefined;
  }
}

/** π to 30 decimals, far beyond any wheel: what an exact figure needs in its place. */
const PI = rational(3141592653589793238462643383279n, 10n ** 30n);

/**
 * Reads the way that a drive rolls in one turn, in metres: `0.4 m round`, `400 mm`, or `130 mm across`, whose way is
 * π times the diameter.
 */
export function parseTravel(text: string): Result<Rational> {
  const m = /^([\d./]+)\s*([a-z]+)(?:\s+(round|around|across|wide|diameter|in diameter))?$/i.exec(
    text.trim(),
  );
  const unit = metresIn(m?.[2] ?? '');
  if (!m || !unit) return fail('travel-unreadable', { text: text.trim() });
  const value = parseRational(m[1] ?? '');
  if (!value.ok) return value;
  if (sign(value.value) <= 0) return fail('travel-unreadable', { text: text.trim() });
  const across = /across|wide|diameter/i.test(m[3] ?? '');
  return ok(mul(mul(value.value, unit), across ? PI : rational(1n)));
}
