<script setup lang="ts">
import { setRodLength, setRodPoints, setRodWidth, type Edit } from '@tesseron/core/change';
import { fileName, tracedDrawing, tracedTable } from '@tesseron/core/drawings';
import { type Link, LIMITS, MOST, type Pin } from '@tesseron/core/machine';
import { computed } from 'vue';
import NumberField from '../../parts/NumberField.vue';
import TickBox from '../../parts/TickBox.vue';
import { saveFile } from '../../keep';
import type { Hand } from './use-hand';

/** What a rod is like: its length and width, and its points beyond the two pins, their paths drawn and exported. */
const props = defineProps<{ hand: Hand; rod: Link }>();
const { machine, derived } = props.hand;
type RodPoint = NonNullable<Link['points']>[number];
const points = computed(() => props.rod.points ?? []);
const act = (label: string, edit: Edit): boolean =>
  props.hand.act(label, m => ({ ok: true, value: edit(m) }));
const set = (next: readonly RodPoint[], label: string): boolean =>
  act(label, setRodPoints(props.rod.id, [...next]));
const change = (at: number, next: Partial<RodPoint>, label: string): boolean =>
  set(
    points.value.map((p, i) => (i === at ? { ...p, ...next } : p)),
    label,
  );
function trace(at: number, on: boolean): void {
  const p = points.value[at];
  if (!p) return;
  const { traced: _, ...bare } = p;
  set(
    points.value.map((q, i) => (i === at ? (on ? { ...bare, traced: true } : bare) : q)),
    on ? 'Trace a point' : 'Trace a point no more',
  );
}
const add = (): boolean =>
  set(
    [...points.value, { radius: Math.round(props.rod.length * 50) / 100, angleDeg: 45, traced: true }],
    'Add a point to a rod',
  );
const pinOf = ({ radius, angleDeg }: RodPoint): Pin => ({ member: props.rod.id, radius, angleDeg });

async function save(at: RodPoint, kind: 'csv' | 'svg' | 'dxf'): Promise<void> {
  const name = fileName([machine.value.name, props.rod.name, 'path'], kind);
  const { moving } = derived.value;
  if (kind === 'csv') {
    const { writeCsv } = await import('@tesseron/core/format/csv');
    await saveFile(writeCsv(tracedTable(moving, pinOf(at))), name);
    return;
  }
  const drawing = tracedDrawing(machine.value, moving, pinOf(at));
  const written =
    kind === 'svg'
      ? (await import('@tesseron/core/format/svg')).writeSvg(drawing)
      : (await import('@tesseron/core/format/dxf')).writeDxf(drawing);
  await saveFile(written, name);
}
</script>

<template>
  <section data-test="rod-points">
    <div class="two">
      <NumberField
        :model-value="rod.length"
        label="Length between the pins"
        :limits="LIMITS.pinOut"
        unit="mm"
        data-test="rod-length"
        @update:model-value="act('Length of a rod', setRodLength(rod.id, $event))"
      />
      <NumberField
        :model-value="rod.width"
        label="Width"
        :limits="LIMITS.rodWidth"
        unit="mm"
        optional
        data-test="rod-width"
        @update:model-value="act('Width of a rod', setRodWidth(rod.id, $event))"
        @clear="act('Width of a rod', setRodWidth(rod.id, undefined))"
      />
    </div>
    <h4>Points of it</h4>
    <p v-if="points.length === 0" class="quiet">
      None beyond its two pins. A point can carry another joint, or draw its path as the machine runs.
    </p>
    <div v-for="(p, i) in points" :key="i" class="point" :data-test="`rod-point-${i}`">
      <NumberField
        :model-value="p.radius"
        label="From the first pin"
        :limits="LIMITS.pinOut"
        unit="mm"
        :data-test="`rod-point-${i}-radius`"
        @update:model-value="change(i, { radius: $event }, 'Move a point of a rod')"
      />
      <NumberField
        :model-value="p.angleDeg"
        label="At, from the rod"
        :limits="LIMITS.rodPointDeg"
        unit="°"
        :data-test="`rod-point-${i}-angle`"
        @update:model-value="change(i, { angleDeg: $event }, 'Move a point of a rod')"
      />
      <TickBox
        :model-value="p.traced === true"
        label="path drawn"
        :data-test="`rod-point-${i}-traced`"
        @update:model-value="trace(i, $event)"
      />
      <p class="acts">
        <PlainButton
          v-for="kind in ['csv', 'svg', 'dxf'] as const"
          :key="kind"
          :data-test="`rod-point-${i}-${kind}`"
          @click="save(p, kind)"
          >path as {{ kind.toUpperCase() }}</PlainButton
        >
        <PlainButton
          :data-test="`rod-point-${i}-drop`"
          @click="
            set(
              points.filter((_, k) => k !== i),
              'Take a point of a rod away',
            )
          "
          >take away</PlainButton
        >
      </p>
    </div>
    <p>
      <v-btn v-if="points.length < MOST.linkPoints" data-test="rod-point-add" @click="add">Add a point</v-btn>
    </p>
  </section>
</template>

<style scoped>
.two,
.point {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
