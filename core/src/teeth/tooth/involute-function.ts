/**
 * The involute function inv α = tan α − α, α in radians. inv 20° = 0.014904.
 * Source: ISO 21771, 4.3.2; tabulated in Machinery's Handbook.
 */
export const inv = (alpha: number): number => Math.tan(alpha) - alpha;

/**
 * The angle in [0, π/2) whose involute function is `value` (≥ 0), by Newton's rule from the series
 * inv α ≈ α³/3, good to the last bits. Throws RangeError for a negative value.
 */
export function inverseInv(value: number): number {
  if (!(value >= 0)) throw new RangeError(`inverseInv: ${value} is negative`);
  if (value === 0) return 0;
  let alpha = value < 0.5 ? Math.cbrt(3 * value) : Math.atan(value + Math.PI / 2);
  for (let i = 0; i < 50; i++) {
    const t = Math.tan(alpha);
    const next = alpha - (t - alpha - value) / (t * t);
    if (Math.abs(next - alpha) <= 1e-16 * alpha) return next;
    alpha = next;
  }
  return alpha;
}
