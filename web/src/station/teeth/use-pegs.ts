import type { Derived } from '@tesseron/core/state';
import { byId, circleCount, type MeshJoint } from '@tesseron/core/machine';
import { pegCheck, type PegCheck, pegPair, type PegPair, type RollPosition } from '@tesseron/core/mesh';
import { wheelName } from '@tesseron/core/words';
import { computed, type ComputedRef, type Ref } from 'vue';

/** The chosen mesh as two rings of pegs, and what happens whichever drives; undefined for any other mesh. */
export function usePegs(
  derived: Ref<Derived>,
  mesh: Ref<MeshJoint | undefined>,
): ComputedRef<
  { pair: PegPair; checks: { name: string; check: PegCheck }[]; law: RollPosition[] } | undefined
> {
  return computed(() => {
    const { machine, modules } = derived.value;
    const [a, b] = [byId(machine.wheels, mesh.value?.a), byId(machine.wheels, mesh.value?.b)];
    const toothing = byId(machine.toothings, a?.toothing);
    const [za, zb] = [a && circleCount(a), b && circleCount(b)];
    const module = toothing && modules[toothing.id];
    if (
      toothing?.form.kind !== 'pegs' ||
      !a ||
      !b ||
      za === undefined ||
      zb === undefined ||
      module === undefined
    )
      return undefined;
    const { pegDiameter, pegLength, friction } = toothing.form;
    const pair = pegPair(module, [za, zb], pegDiameter, pegLength);
    const first = pegCheck(pair, 'first', friction);
    const step = (2 * Math.PI) / za;
    return {
      pair,
      law: first.positions.map((p, k, all) => ({
        ...{ error: p.error, play: p.play, overlap: 0, leastGap: 0 },
        t: step * ((k + 0.5) / all.length - 0.5),
      })),
      checks: [
        { name: wheelName(a), check: first },
        { name: wheelName(b), check: pegCheck(pair, 'second', friction) },
      ],
    };
  });
}
