import type { Joint } from '../../../document/machine/index.ts';
import type { Frames } from '../frames.ts';
import { cam } from './cam.ts';
import { chain } from './chain.ts';
import { clutch } from './clutch.ts';
import { cord } from './cord.ts';
import { crank } from './crank.ts';
import { drum } from './drum.ts';
import { fourBar } from './four-bar.ts';
import { friction } from './friction.ts';
import { intermittent } from './intermittent.ts';
import type { JointKind, JointLaw, JointLaws } from './joint-law.ts';
import { mesh } from './mesh.ts';
import { pinsInHoles } from './pins-in-holes.ts';
import { ratchet } from './ratchet.ts';
import { slip } from './slip.ts';
import { slot } from './slot.ts';
import { twoRods } from './two-rods.ts';
import { universal } from './universal.ts';
import { yoke } from './yoke.ts';

export type { JointLaw, JointLaws } from './joint-law.ts';
export type { Bar, SlideLine, Standing } from './standing.ts';
export { camAt, type CamAt } from './cam.ts';
export { cordLeft } from './cord.ts';
export { crankWay } from './crank.ts';
export { genevaAngle, stepAngle } from './intermittent.ts';
export { universalAngle } from './universal.ts';

/** The law of every kind of joint. A new kind is a file of its own and a line here. */
const LAWS: { readonly [K in JointKind]: JointLaw<K> } = {
  mesh,
  chain,
  friction,
  crank,
  yoke,
  slot,
  'four-bar': fourBar,
  'two rods': twoRods,
  cord,
  drum,
  cam,
  universal,
  'pins in holes': pinsInHoles,
  ratchet,
  slip,
  clutch,
  intermittent,
};

/** The law of a joint, by its kind. */
export const lawOf = <K extends JointKind>(joint: { readonly kind: K }): JointLaw<K> =>
  LAWS[joint.kind] as unknown as JointLaw<K>;

/** The mean laws of a joint; see JointLaw. */
export const jointLaws = (frames: Frames, joint: Joint): JointLaws =>
  lawOf<JointKind>(joint).mean(frames, joint);
