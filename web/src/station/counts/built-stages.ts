import { type Aim, type Machine } from '@tesseron/core/machine';
import { pathFromDrive } from '@tesseron/core/working';

/**
 * The stages that lead to an aim's arbor, in the words of the search; undefined without a train. An idler joins two
 * meshes into one.
 */
export function builtStages(machine: Machine, aim: Aim | undefined): string | undefined {
  const path = aim?.member === undefined ? undefined : pathFromDrive(machine, aim.member);
  if (!path) return undefined;
  const joined = path.reduce<{ driving: number; driven: number; idler: boolean }[]>((found, stage, i) => {
    const last = found[found.length - 1];
    const idler = last !== undefined && i > 0 && isIdler(machine, aim?.member, path.length - i);
    return idler
      ? [...found.slice(0, -1), { ...last, driven: stage.driven }]
      : [...found, { ...stage, idler: false }];
  }, []);
  return joined.map(s => `${s.driving}/${s.driven}`).join(' · ');
}

/** Whether the arbor `steps` meshes before this one drives onwards with the very wheel that drives it. */
function isIdler(machine: Machine, arbor: string | undefined, steps: number): boolean {
  let member = arbor;
  for (let i = 0; i < steps; i++) {
    const into = machine.joints.find(
      j => j.kind === 'mesh' && machine.wheels.some(w => w.id === j.b && w.member === member),
    );
    const driving = into?.kind === 'mesh' ? machine.wheels.find(w => w.id === into.a) : undefined;
    if (i === steps - 1) return machine.joints.some(j => j.kind === 'mesh' && j.b === driving?.id);
    member = driving?.member;
  }
  return false;
}
