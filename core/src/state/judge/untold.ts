import { type Joint, JOINTS, lacking, type Machine, MESHES } from '../../document/machine/index.ts';
import { type Finding, finding } from '../../ground/result/index.ts';

/** A kind of joint that is kept in the document and not worked out whole: what it is called, and what is missing. */
export interface Untold {
  readonly called: string;
  readonly lacks: readonly string[];
}

/** What is not worked out yet of a joint, by its kind and that of its mesh. */
export function untoldOf(joint: Joint): Untold {
  const facts = joint.kind === 'mesh' ? MESHES[joint.type] : JOINTS[joint.kind];
  return { called: facts.called, lacks: lacking(facts) };
}

/** One note for every joint of which something is not worked out yet. */
export const untoldFindings = ({ joints }: Pick<Machine, 'joints'>): readonly Finding[] =>
  joints.flatMap(j => {
    const { called, lacks } = untoldOf(j);
    return lacks.length === 0
      ? []
      : [finding('not-worked-out', 'note', 'train', [j.id], { kind: called, lacks: lacks.join(', ') })];
  });
