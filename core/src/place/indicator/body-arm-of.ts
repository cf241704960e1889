import { boreForSection } from '../../edits/change/index.ts';
import { borePath, boreReach, fitAllowance, type Hole } from '../../teeth/body/index.ts';
import { byId, type Machine, materialOf, processOf } from '../../document/machine/index.ts';
import { circle } from '../../ground/geometry/index.ts';
import type { TubeSize } from '../layout/index.ts';
import { type Balance, balanceOf, type Densities } from './balance.ts';
import { ballPin, type BodyArm, bodyArm, type BodyIndicator } from './body-arm.ts';

/** What an arm of a body is made from: its machine, and how thick every arbor is. */
export interface ArmParts {
  readonly machine: Pick<Machine, 'members' | 'processes' | 'process' | 'making' | 'materials'>;
  readonly sizes: ReadonlyMap<string, Pick<TubeSize, 'diameter'>>;
}

/**
 * The arm of a body as it is made: bored for its own tube by the tool that makes it, in the shape of that arbor's
 * section, pressed or to be glued on.
 */
export function bodyArmOf({ machine, sizes }: ArmParts, i: BodyIndicator): BodyArm {
  const fits = processOf(machine, i.id)?.fits;
  const eye = ballPin(i.radius) + fitAllowance('press', fits);
  const fit = i.hold === 'glue' || i.hold === 'grub screw' ? 'sliding' : 'press';
  const member = byId(machine.members, i.member);
  const section = member?.kind === 'arbor' ? member.section : undefined;
  if (section && section.kind !== 'rod' && section.kind !== 'tube') {
    const hole = { ...boreForSection(section), fit } as Hole;
    return bodyArm(i, borePath(hole, fits), boreReach(hole, fits), eye);
  }
  const across = (sizes.get(i.member)?.diameter ?? 0) + fitAllowance(fit, fits);
  const round = across > 0 ? circle({ x: 0, y: 0 }, across / 2, false) : undefined;
  return bodyArm(i, round, Math.max(0, across / 2), eye);
}

/** How a body hangs on its axis, and whether that is by what its parts are made of. */
export interface BodyBalance extends Balance {
  readonly known: boolean;
}

/**
 * How a body with its arm and its counterweight hang on their axis; all of one density where that of a part is not
 * known. Undefined without a weight.
 */
export function bodyBalance(parts: ArmParts, i: BodyIndicator): BodyBalance | undefined {
  const density = (part: string): number | undefined => materialOf(parts.machine, part)?.density;
  const [ball, arm, weight] = [density(`ball ${i.id}`), density(i.id), density(`weight ${i.id}`)];
  const known = ball !== undefined && arm !== undefined && weight !== undefined;
  const densities: Densities = known ? { ball, arm, weight } : { ball: 1, arm: 1, weight: 1 };
  const balance = balanceOf(i, bodyArmOf(parts, i), densities);
  return balance && { ...balance, known };
}
