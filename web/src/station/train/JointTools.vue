<script setup lang="ts">
import { canBeRow, type JointChoice, jointFields, rowOf, setInRow, turnInRow } from '@tesseron/core/edit';
import { byId, factsOf, type Joint, jointEnds } from '@tesseron/core/machine';
import { jointCourse } from '@tesseron/core/motion';
import { degrees, figure, mm } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { computed, defineAsyncComponent, ref } from 'vue';
import NumberFields from '../../parts/NumberFields.vue';
import TickBox from '../../parts/TickBox.vue';
import type { Hand } from './use-hand';

/** The chosen joint: what it ties, what it does in its course, its figures. */
const props = defineProps<{ hand: Hand; joint: Joint }>();
const emit = defineEmits<{ delete: [id: string] }>();
const { machine, derived } = props.hand;
const called = computed(() => factsOf(props.joint).called);
const ends = computed(() => jointEnds(props.joint).map(([kind, id]) => ({ kind, id })));
const all = computed(() => jointFields(machine.value, props.joint));
/** The joints of its row, and whether what is changed of it is changed of all. */
const row = computed(() => rowOf(machine.value, props.joint));
const whole = ref(false);
const together = computed(() => whole.value && row.value.length > 1);
const subject = computed(() => (together.value ? `${row.value.length} × ${called.value}` : called.value));
const fields = computed(() =>
  all.value.fields.map(f => ({
    ...{ label: f.label, value: f.value, limits: f.limits, unit: f.unit, test: `joint-${f.key}` },
    whole: f.whole === true,
    set: (value: number) => {
      props.hand.act(`${f.label} of ${subject.value}`, m => ({
        ok: true,
        value: together.value ? setInRow(m, props.joint, f, value) : f.set(value)(m),
      }));
    },
  })),
);
const course = computed(() => jointCourse(derived.value.moving, props.joint));
/** What its course comes to, in the words of the trade. */
const figures = computed(() => {
  const c = course.value;
  if (!c) return [];
  const rows: (readonly [string, string])[] = [];
  const { swing } = c;
  const slides = byId(machine.value.members, swing?.member)?.kind === 'slide';
  if (swing) {
    const say = (x: number): string => (slides ? mm(x, 3) : `${figure(degrees(x), 4)}°`);
    rows.push([slides ? 'stroke' : 'swing', say(swing.most - swing.least)]);
    rows.push(['from – to', `${say(swing.least)} – ${say(swing.most)}`]);
  }
  if (c.timeRatio !== undefined && props.joint.kind !== 'cam')
    rows.push(['longer way : shorter, in time', figure(c.timeRatio, 3)]);
  if (c.transmission !== undefined)
    rows.push(
      props.joint.kind === 'cam'
        ? ['greatest pressure angle', `${figure(90 - degrees(c.transmission), 3)}°`]
        : ['least transmission angle', `${figure(degrees(c.transmission), 3)}°`],
    );
  if (c.open > 0) rows.push(['cannot close for', `${figure(100 * c.open, 2)} % of its course`]);
  return rows;
});
const turn = (way: (typeof all.value.ways)[number], on: boolean): boolean =>
  props.hand.act(`${way.label}: ${on ? 'yes' : 'no'}`, m => ({
    ok: true,
    value: together.value ? turnInRow(m, props.joint, way.key, on) : way.set(on)(m),
  }));
const choose = (c: JointChoice, value: string): boolean =>
  props.hand.act(`${c.label}: ${value}`, m => ({
    ok: true,
    value: together.value ? turnInRow(m, props.joint, c.key, value) : c.set(value)(m),
  }));
/** The designer of a cam comes when it is asked for. */
const CamPanel = defineAsyncComponent(() => import('./CamPanel.vue'));
const designing = ref(false);
const RowPanel = defineAsyncComponent(() => import('./RowPanel.vue'));
const lining = ref(false);
</script>

<template>
  <section data-test="joint-tools">
    <h3>{{ called.charAt(0).toUpperCase() + called.slice(1) }}</h3>
    <p>
      <PlainButton
        v-for="e in ends"
        :key="e.id"
        class="end"
        @click="hand.choose({ kind: e.kind === 'wheel' ? 'wheel' : 'member', id: e.id })"
        >{{ nameOf(machine, e.id) }}</PlainButton
      >
    </p>
    <TickBox
      v-if="row.length > 1"
      v-model="whole"
      :label="`Change all ${row.length} of its row together`"
      data-test="joint-row"
    />
    <div class="fields"><NumberFields :fields="fields" /></div>
    <TickBox
      v-for="w in all.ways"
      :key="w.key"
      :model-value="w.on"
      :label="w.label"
      :data-test="`joint-${w.key}`"
      @update:model-value="turn(w, $event)"
    />
    <v-select
      v-for="c in all.choices ?? []"
      :key="c.key"
      :model-value="c.value"
      :items="[...c.options]"
      :label="c.label"
      :data-test="`joint-${c.key}`"
      @update:model-value="choose(c, $event)"
    />
    <p v-if="joint.kind === 'cam'">
      <v-btn data-test="cam-design" @click="designing = true">Motion and outline…</v-btn>
    </p>
    <CamPanel
      v-if="designing && joint.kind === 'cam'"
      v-model="designing"
      :hand="hand"
      :joint="joint"
      :row="together ? row.map(j => j.id) : [joint.id]"
    />
    <RowPanel v-if="lining" v-model="lining" :hand="hand" :joint="joint" />
    <table v-if="figures.length > 0" class="ruled" data-test="joint-figures">
      <tbody>
        <tr v-for="[what, says] in figures" :key="what">
          <th scope="row">{{ what }}</th>
          <td class="figure">{{ says }}</td>
        </tr>
      </tbody>
    </table>
    <p class="acts">
      <v-btn v-if="canBeRow(joint)" data-test="joint-line" @click="lining = true">A row of these…</v-btn>
      <v-btn data-test="joint-delete" @click="emit('delete', joint.id)">Delete…</v-btn>
    </p>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}

.acts {
  display: flex;
  gap: 8px;
}

.end {
  margin-right: 12px;
}

th {
  font-weight: inherit;
  text-align: left;
}
</style>
