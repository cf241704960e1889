<script setup lang="ts">
import { type MeshJoint, LIMITS } from '@tesseron/core/machine';
import { setWheel } from '@tesseron/core/change';
import { chooseShifts, type ShiftWish } from '@tesseron/core/mesh';
import { figure, mm } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

/** Profile shift chosen for what it is to do, for two external wheels. */
const props = defineProps<{ mesh: MeshJoint }>();
const { derived, change } = useOpen();
const said = ref('');
watch(
  () => props.mesh.id,
  () => (said.value = ''),
);

function choose(wish: ShiftWish, what: string): void {
  const state = derived.value.meshes[props.mesh.id];
  if (!state?.specs) return;
  const found = chooseShifts(state.specs, wish);
  if (!found.ok) {
    said.value = sayProblem(found.problem);
    return;
  }
  const [a, b] = found.value.map(x => Math.round(x * 1e4) / 1e4) as [number, number];
  said.value = `${what}: ${figure(a, 4)} and ${figure(b, 4)} modules.`;
  change(`Profile shift, ${what}`, m =>
    setWheel(props.mesh.b, { shift: b })(setWheel(props.mesh.a, { shift: a })(m)),
  );
}
</script>

<template>
  <div class="shift">
    <span class="quiet">Choose the profile shift</span>
    <PlainButton data-test="shift-undercut" @click="choose({ kind: 'avoid undercut' }, 'no undercut')">
      to avoid undercut
    </PlainButton>
    <PlainButton data-test="shift-balance" @click="choose({ kind: 'balance thickness' }, 'roots alike')">
      to balance the roots
    </PlainButton>
    <NumberField
      :model-value="Number((derived.meshes[mesh.id]?.theoreticalDistance ?? 0).toFixed(3))"
      label="to meet a centre distance"
      unit="mm"
      :limits="LIMITS.centreDistance"
      data-test="shift-distance"
      @update:model-value="choose({ kind: 'meet distance', distance: $event }, `centres at ${mm($event, 3)}`)"
    />
    <p v-if="said" class="said" role="status">{{ said }}</p>
  </div>
</template>

<style scoped>
.shift {
  display: grid;
  gap: 4px;
  justify-items: start;
  font-size: 13px;
  margin: 8px 0;
}

/* Wide enough for its label and a distance with three decimals. */
.shift > :deep(.v-input) {
  width: 210px;
}

.said {
  margin: 0;
}
</style>
