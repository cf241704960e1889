<script setup lang="ts">
import { writeSvg } from '@tesseron/core/format/svg';
import { type MeshJoint, type Toothing, type Wheel, LIMITS } from '@tesseron/core/machine';
import { setMesh, setToothing } from '@tesseron/core/change';
import { bevelDrawing, bevelOf, type BevelPattern, fileName } from '@tesseron/core/drawings';
import { degrees, fixed, mm } from '@tesseron/core/units';
import { wheelName } from '@tesseron/core/words';
import { computed } from 'vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ mesh: MeshJoint; toothing: Toothing; wheels: readonly Wheel[] }>();
const shown = defineModel<string>({ required: true });
const { machine, derived, change } = useOpen();
const bevels = computed(() =>
  props.wheels.flatMap(w => {
    const b = bevelOf(derived.value, w.id);
    return b ? [b] : [];
  }),
);
const rows = computed(() => [
  { name: 'pitch cone', values: bevels.value.map(b => deg(b.cone.pitchAngle)) },
  { name: 'face cone', values: bevels.value.map(b => deg(b.cone.faceAngle)) },
  { name: 'root cone', values: bevels.value.map(b => deg(b.cone.rootAngle)) },
  { name: 'outside Ø', values: bevels.value.map(b => mm(b.cone.outsideDiameter, 3)) },
  { name: 'teeth rolled flat', values: bevels.value.map(b => fixed(b.cone.virtualCount, 2)) },
  { name: 'apex to crown', values: bevels.value.map(b => mm(b.cone.apexToCrown, 3)) },
]);
const deg = (rad: number): string => `${fixed(degrees(rad), 3)}°`;
const PATTERNS: { pattern: BevelPattern; title: string }[] = [
  { pattern: 'strip', title: 'strip round the blank' },
  { pattern: 'blank', title: 'blank for the lathe' },
  { pattern: 'end', title: 'large end, flat' },
];

async function save(wheel: Wheel, pattern: BevelPattern): Promise<void> {
  const drawing = bevelDrawing(derived.value, wheel.id, pattern);
  if (drawing.ok)
    await saveFile(writeSvg(drawing.value), fileName([machine.value.name, wheel.name, pattern], 'svg'));
}
</script>

<template>
  <table data-test="bevel-figures">
    <thead>
      <tr>
        <th>cone distance {{ mm(bevels[0]?.coneDistance ?? 0, 3) }}</th>
        <th v-for="b in bevels" :key="b.wheel.id">{{ wheelName(b.wheel) }}</th>
      </tr>
    </thead>
    <tbody class="figure">
      <tr v-for="r in rows" :key="r.name">
        <th>{{ r.name }}</th>
        <td v-for="(v, i) in r.values" :key="i">{{ v }}</td>
      </tr>
    </tbody>
  </table>
  <div class="grid">
    <NumberField
      :model-value="mesh.shaftAngleDeg ?? 90"
      label="Shaft angle"
      unit="°"
      :limits="LIMITS.shaftAngleDeg"
      data-test="shaft-angle"
      @update:model-value="change('Set the shaft angle', setMesh(mesh.id, { shaftAngleDeg: $event }))"
    />
    <NumberField
      :model-value="toothing.faceWidth ?? Number((bevels[0]?.faceWidth ?? 1).toFixed(2))"
      label="Face width"
      unit="mm"
      :limits="LIMITS.faceWidth"
      data-test="face-width"
      @update:model-value="change('Set the face width', setToothing(toothing.id, { faceWidth: $event }))"
    />
  </div>
  <ul class="patterns">
    <li v-for="b in bevels" :key="b.wheel.id">
      <span>{{ wheelName(b.wheel) }}</span>
      <template v-for="p in PATTERNS" :key="p.pattern">
        <PlainButton
          :aria-pressed="shown === `${b.wheel.id} ${p.pattern}`"
          @click="shown = shown === `${b.wheel.id} ${p.pattern}` ? '' : `${b.wheel.id} ${p.pattern}`"
        >
          {{ p.title }}
        </PlainButton>
        <PlainButton
          :aria-label="`Save the ${p.title} of ${wheelName(b.wheel)} as SVG`"
          :data-test="`save-${p.pattern}`"
          @click="save(b.wheel, p.pattern)"
        >
          SVG
        </PlainButton>
      </template>
    </li>
  </ul>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}

th {
  text-align: left;
  font-weight: 400;
  color: var(--muted);
  font-family: var(--text);
}

td,
thead th:not(:first-child) {
  text-align: right;
}

tr {
  border-bottom: var(--line);
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
}

.patterns {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  font-size: 13px;
}

.patterns li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  justify-items: start;
  margin-bottom: 8px;
}

.patterns li > span {
  grid-column: 1 / -1;
  color: var(--muted);
}

button[aria-pressed='true'] {
  font-weight: 700;
}
</style>
