import { builderOn } from '../core/src/edits/planting/index.ts';
import { GROUND, type Machine, newMachine } from '../core/src/document/machine/index.ts';

/**
 * A machine of 90 wheels for measuring: an arm carries a second arm; each stands over held wheels, and trains run
 * on the ground, on the first arm and on the second.
 */
export function ninetyWheels(): Machine {
  const start = newMachine('Ninety wheels');
  const toothing = start.toothings[0]?.id ?? '';
  const b = builderOn(start);
  const axisOf = (id: string): string => {
    const m = b.machine().members.find(x => x.id === id);
    return m?.kind === 'arbor' ? m.axis : '';
  };
  let layer = 0;
  /** A row of stages from an arbor, in one frame, each on an axis of its own. */
  const row = (from: string, frame: string, stages: number, name: string, angle: number): string => {
    let at = from;
    for (let i = 0; i < stages; i++) {
      const counts = [28 + ((i * 7) % 11), 31 + ((i * 5) % 13)] as const;
      const to = { name: `${name} ${i + 1}`, frame };
      at = b.mesh({ from: at, to, counts, toothing, layer: layer++ % 12, angleDeg: angle + 31 * i }).arbor;
    }
    return at;
  };
  const ground = row('drive', GROUND, 13, 'Ground', 0);
  const held = b.arbor({ name: 'Held wheels', axis: axisOf(ground), held: GROUND });
  const first = row(held, ground, 14, 'First arm', 90);
  const standing = b.arbor({ name: 'Standing on the first', axis: axisOf(first), held: ground });
  row(standing, first, 10, 'Second arm', 200);
  row(ground, GROUND, 8, 'Branch', 140);
  return b.machine();
}
