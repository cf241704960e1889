import { circleCount, type Wheel } from '../../document/machine/index.ts';
import {
  type Allowances,
  borePath,
  boreFault,
  dividesInto,
  divisionsOf,
  pieceOf,
  webPaths,
} from '../../teeth/body/index.ts';
import { type Finding, finding, fix } from '../../ground/result/index.ts';
import type { Path } from '../../ground/geometry/index.ts';
import type { WheelState } from '../state/index.ts';
import { holeOf, webRoom } from './body-findings.ts';

/** Teeth that are drawn up from one plane figure, so that a wheel of them can be cut into pieces. */
const FLAT: ReadonlySet<string> = new Set<WheelState['teeth']['family']>([
  ...(['involute', 'involute ring', 'cycloidal', 'lantern wheel', 'reducer lobes'] as const),
]);

/** Whether a wheel with such teeth can be made in pieces. */
export const dividesFlat = ({ teeth }: Pick<WheelState, 'teeth'>): boolean => FLAT.has(teeth.family);

/**
 * Of a wheel that is made in pieces: whether they are alike, whether their splits have room for a joint, and what still
 * holds it on its arbor. `outside` are the teeth outside the rim of a ring.
 */
export function splitFindings(
  wheel: Wheel,
  state: WheelState,
  fits?: Allowances,
  outside?: { readonly count: number; readonly outline: Path },
): Finding[] {
  const { divided, id } = wheel;
  const count = circleCount(wheel);
  if (!divided || count === undefined || !state.figure.ok) return [];
  if (!dividesFlat(state))
    return [finding('split-not-flat', 'warn', 'make', [id], {}, [fix('not-divided', id)])];
  if (!dividesInto(wheel, divided.pieces, outside?.count))
    return [unevenFinding(wheel, divided.pieces, count, outside?.count)];
  const figure = state.figure.value;
  const room = webRoom(wheel, state, fits);
  const hole = holeOf(wheel);
  const bore = hole && !boreFault(hole) && figure.webRadius > 0 ? [borePath(hole, fits)] : [];
  const web = wheel.body && figure.webRadius > 0 ? webPaths(wheel.body, room) : undefined;
  const holes = [...figure.holes, ...bore, ...(web?.ok ? web.value : [])];
  const piece = pieceOf({ outline: outside?.outline ?? figure.outline, holes }, count, divided, 0);
  const found: Finding[] = [];
  if (!piece.ok || piece.value.joints.length === 0) {
    const width = Math.max(0, figure.webRadius - room.boreRadius);
    found.push(finding('split-no-joint', 'warn', 'make', [id], { width }, [fix('not-divided', id)]));
  }
  const glued = wheel.hold === 'glue' || wheel.hold === 'loose';
  if (bore.length > 0 && !glued)
    found.push(
      finding('split-through-bore', 'warn', 'make', [id], {}, [fix('glue-on', id), fix('not-divided', id)]),
    );
  return found;
}

/** The nearest number of pieces that are alike, where there is one. */
function unevenFinding(wheel: Wheel, pieces: number, count: number, outside?: number): Finding {
  const [near] = divisionsOf(wheel, outside).sort((a, b) => Math.abs(a - pieces) - Math.abs(b - pieces));
  const other = near === undefined ? [] : [fix('divide', wheel.id, near)];
  return finding('split-uneven', 'warn', 'make', [wheel.id], { pieces, count }, [
    ...other,
    fix('not-divided', wheel.id),
  ]);
}
