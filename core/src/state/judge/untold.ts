import {
  type Ability,
  byId,
  FORMS,
  type Joint,
  JOINTS,
  lacking,
  type Machine,
  MESHES,
} from '../../document/machine/index.ts';
import { type Finding, finding, type StationName } from '../../ground/result/index.ts';

/** A kind of joint that is kept in the document and not worked out whole: what it is called, and what is missing. */
export interface Untold {
  readonly called: string;
  readonly lacks: readonly Ability[];
}

/** What is not worked out yet of a joint, by its kind and that of its mesh. */
export function untoldOf(joint: Joint): Untold {
  const facts = joint.kind === 'mesh' ? MESHES[joint.type] : JOINTS[joint.kind];
  return { called: facts.called, lacks: lacking(facts) };
}

/** Where what is missing would be looked for. */
const STATION: { readonly [A in Ability]: StationName } = {
  motion: 'run',
  outline: 'teeth',
  drawing: 'plan',
  clearances: 'plan',
  bodies: 'make',
  checks: 'teeth',
};

type Parts = Pick<Machine, 'joints' | 'wheels' | 'toothings' | 'members'>;

/**
 * What of a machine is kept and not worked out, told at every station that would have to do it, so that none calls fine
 * what it never looked at; and joints that tie members of the wrong kind.
 */
export function untoldFindings(machine: Parts): readonly Finding[] {
  return [
    ...machine.joints.flatMap(j => [...jointFindings(machine, j), ...wrongMembers(machine, j)]),
    ...machine.wheels.flatMap(w =>
      w.teeth.kind === 'sector'
        ? [finding('sector-as-full', 'warn', 'run', [w.id], { of: w.teeth.circle, has: w.teeth.present })]
        : [],
    ),
  ];
}

function jointFindings(machine: Parts, joint: Joint): Finding[] {
  const { called, lacks } = untoldOf(joint);
  const form = joint.kind === 'mesh' ? formOf(machine, joint.a) : undefined;
  const byForm = form && lacking(form).includes('motion') && !lacks.includes('motion');
  const kind = byForm ? form.called : called;
  const missing: readonly Ability[] = byForm ? [...lacks, 'motion'] : lacks;
  const stations = [...new Set(missing.map(a => STATION[a]))];
  return stations.map(station => {
    const here = missing.filter(a => STATION[a] === station);
    return finding('not-worked-out', 'warn', station, [joint.id], { kind, lacks: here.join(', ') });
  });
}

function formOf({ wheels, toothings }: Parts, wheel: string): (typeof FORMS)[keyof typeof FORMS] | undefined {
  const form = byId(toothings, byId(wheels, wheel)?.toothing)?.form;
  return form && FORMS[form.kind];
}

/** A rod that is no link, or what should slide and does not: the joint then moves nothing. */
function wrongMembers({ members }: Parts, joint: Joint): Finding[] {
  const wants =
    joint.kind === 'crank'
      ? ([
          [joint.rod, 'link'],
          [joint.slide, 'slide'],
        ] as const)
      : [];
  return wants.flatMap(([id, kind]) => {
    const is = byId(members, id)?.kind;
    return is === undefined || is === kind
      ? []
      : [finding('wrong-member', 'stop', 'train', [joint.id, id], { is, needs: kind })];
  });
}
