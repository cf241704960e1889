import { type Machine, newMachine } from '../core/src/document/machine/index.ts';

/** A machine of 60 wheels for measuring: thirty stages one after another, winding outwards. */
export function sixtyWheels(): Machine {
  const base = newMachine('Sixty wheels');
  const axes: Machine['axes'][number][] = [...base.axes];
  const members: Machine['members'][number][] = [...base.members];
  const wheels: Machine['wheels'][number][] = [];
  const joints: Machine['joints'][number][] = [];
  const wheel = (id: string, member: string, count: number, layer: number): void => {
    wheels.push({
      id,
      name: id,
      member,
      toothing: 'toothing1',
      role: 'wheel',
      teeth: { kind: 'count', count },
      layer,
      bore: { kind: 'round', diameter: 4 },
    });
  };
  for (let i = 0; i < 30; i++) {
    const from = i === 0 ? 'drive' : `arbor${i}`;
    const to = `arbor${i + 1}`;
    wheel(`a${i}`, from, 40 + (i % 13), i % 6);
    wheel(`b${i}`, to, 41 + ((i * 5) % 17), i % 6);
    joints.push({ kind: 'mesh', id: `mesh${i}`, type: 'external', a: `a${i}`, b: `b${i}` });
    axes.push({
      id: `ax${i + 1}`,
      frame: 'ground',
      place: { kind: 'mesh', joint: `mesh${i}`, angleDeg: (i * 47) % 360 },
    });
    members.push({ kind: 'arbor', id: to, name: to, axis: `ax${i + 1}` });
  }
  return { ...base, axes, members, wheels, joints };
}
