/**
 * The angle of tooth 0 of wheel B that puts a gap of B where a tooth of A points, for external wheels: with the centre
 * line at γ from A to B, z_A(θ_A − γ) + z_B(θ_B − γ − π) ≡ π (mod 2π) (conventions 9). Radians, in [0, 2π/z_B).
 * A of 12 with a tooth at 0°, B of 18 to its right: 10°; B of 17: 0° (as it stands).
 */
export function matingPhase(countA: number, phaseA: number, countB: number, centreLine: number): number {
  const pitch = (2 * Math.PI) / countB;
  const phase = centreLine + Math.PI + (Math.PI - countA * (phaseA - centreLine)) / countB;
  const wrapped = phase - pitch * Math.floor(phase / pitch);
  return pitch - wrapped < 1e-12 ? 0 : wrapped;
}

/**
 * How far two phased wheels are from tooth in gap: 0 when right, up to ±π when tooth stands on tooth. Radians of
 * tooth phase.
 */
export function phaseError(
  countA: number,
  phaseA: number,
  countB: number,
  phaseB: number,
  centreLine: number,
): number {
  const sum = countA * (phaseA - centreLine) + countB * (phaseB - centreLine - Math.PI) - Math.PI;
  return sum - 2 * Math.PI * Math.round(sum / (2 * Math.PI));
}

/**
 * As matingPhase, for a wheel inside a ring: both stand on the same side of the contact, at γ from the ring's
 * centre through the wheel's, so z_A(θ_A − γ) ≡ z_B(θ_B − γ) + π (mod 2π). A tooth of a ring is counted where its
 * tooth's middle is.
 */
export function innerPhase(countA: number, phaseA: number, countB: number, contact: number): number {
  const pitch = (2 * Math.PI) / countB;
  const phase = contact + (countA * (phaseA - contact) - Math.PI) / countB;
  const wrapped = phase - pitch * Math.floor(phase / pitch);
  return pitch - wrapped < 1e-12 ? 0 : wrapped;
}

/** As phaseError, for a wheel inside a ring. */
export function innerPhaseError(
  countA: number,
  phaseA: number,
  countB: number,
  phaseB: number,
  contact: number,
): number {
  const sum = countA * (phaseA - contact) - countB * (phaseB - contact) - Math.PI;
  return sum - 2 * Math.PI * Math.round(sum / (2 * Math.PI));
}
