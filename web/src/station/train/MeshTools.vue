<script setup lang="ts">
import {
  canTurnOver,
  countsThatClose,
  idlerInto,
  MESH_KINDS,
  replaceStage,
  setMeshKind,
  turnOver,
} from '@tesseron/core/edit';
import { byId, circleCount, MESHES, type MeshJoint, type MeshType, LIMITS } from '@tesseron/core/machine';
import { IDLER_COUNT, setWheel } from '@tesseron/core/change';
import { ppm } from '@tesseron/core/period';
import { absolute, div, ONE, rational, sub, toNumber } from '@tesseron/core/rational';
import { figure, parseRatio } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import CheckedField from '../../parts/CheckedField.vue';
import NumberField from '../../parts/NumberField.vue';
import TeethLike from '../../parts/TeethLike.vue';
import { useSearch } from '../../worker/use-search';
import type { Hand } from './use-hand';
import WorkBar from '../../parts/WorkBar.vue';

/** What can be done with the chosen mesh. */
const props = defineProps<{ hand: Hand; mesh: MeshJoint }>();
const emit = defineEmits<{ delete: [id: string] }>();
const { machine, derived } = props.hand;
const search = useSearch<'counts'>();
const idler = ref(IDLER_COUNT);
const ends = computed(() => [props.mesh.a, props.mesh.b].map(id => byId(machine.value.wheels, id)));
const ratio = computed(() => {
  const [a, b] = ends.value.map(w => w && circleCount(w));
  return a !== undefined && b !== undefined ? rational(a, b) : undefined;
});
const text = ref('');
const stages = ref(2);
watch(
  () => props.mesh.id,
  () => {
    text.value = ratio.value ? `${ratio.value.num}/${ratio.value.den}` : '1/2';
    search.clear();
  },
  { immediate: true },
);
const wanted = computed(() => {
  const read = parseRatio(text.value);
  return read.ok && read.value.num !== 0n ? read.value : undefined;
});
/** Where the teeth of a loop do not come into gaps: the counts that would let them. */
const clash = computed(() => derived.value.phases.findings.some(f => f.subjects[0] === props.mesh.id));
const closing = computed(() => (clash.value ? countsThatClose(machine.value, props.mesh.id) : []));
const kinds = MESH_KINDS.map(k => ({ title: MESHES[k].called, value: k }));
const fixed = computed(() => !MESH_KINDS.includes(props.mesh.type));

function find(): void {
  if (!wanted.value) return;
  search.start({
    kind: 'counts',
    query: {
      target: absolute(wanted.value),
      least: 12,
      most: 100,
      stages: [stages.value],
      coaxial: 'none',
      top: 6,
      front: false,
    },
  });
}
const found = computed(() => (search.answer.value?.ok ? search.answer.value.value.top : []));
const trouble = computed(() => {
  const a = search.answer.value;
  return a && !a.ok ? sayProblem(a.problem) : '';
});
const off = (r: Parameters<typeof div>[0]): string =>
  wanted.value ? figure(toNumber(ppm(sub(div(r, absolute(wanted.value)), ONE))), 3) : '';
</script>

<template>
  <section data-test="mesh-tools">
    <h3>Mesh</h3>
    <p>
      <template v-for="(w, i) in ends" :key="i">
        <template v-if="i"> and </template>
        <PlainButton v-if="w" @click="hand.choose({ kind: 'wheel', id: w.id })">
          {{ nameOf(machine, w.id) }}
        </PlainButton>
      </template>
    </p>
    <template v-if="clash">
      <p>
        Going round the loop, teeth stand on teeth here.
        {{
          closing.length > 0
            ? 'One of these counts would let them into gaps:'
            : 'No single count near these would mend it; swing an axis.'
        }}
      </p>
      <p v-for="c in closing" :key="c.wheel + c.count">
        <BoxedButton
          @click="
            hand.act('Close a loop', m => ({
              ok: true,
              value: setWheel(c.wheel, { teeth: { kind: 'count', count: c.count } })(m),
            }))
          "
        >
          {{ c.count }} for {{ nameOf(machine, c.wheel) }}
        </BoxedButton>
      </p>
    </template>
    <div class="row">
      <v-select
        v-if="!fixed"
        :model-value="mesh.type"
        :items="kinds"
        label="Kind"
        data-test="mesh-kind"
        @update:model-value="hand.act('Change the kind of a mesh', setMeshKind(mesh.id, $event as MeshType))"
      />
      <v-btn
        v-if="canTurnOver(mesh)"
        data-test="turn-over"
        @click="hand.act('Turn a mesh over', turnOver(mesh.id))"
        >Other side</v-btn
      >
    </div>
    <TeethLike :of="mesh.id" />
    <div v-if="mesh.type === 'external'" class="row">
      <NumberField v-model="idler" label="Idler" :limits="LIMITS.idlerCount" whole data-test="idler-count" />
      <v-btn data-test="insert-idler" @click="hand.act('Insert an idler', idlerInto(mesh.id, idler))"
        >Insert idler</v-btn
      >
    </div>
    <template v-if="mesh.type === 'external'">
      <div class="row three">
        <CheckedField
          v-model="text"
          label="Replace by the ratio"
          :read="parseRatio"
          data-test="stage-ratio"
        />
        <NumberField
          v-model="stages"
          label="Stages"
          :limits="LIMITS.stagesSearched"
          whole
          data-test="stage-count"
        />
        <v-btn :disabled="!wanted" data-test="find-stage" @click="find">Find counts</v-btn>
      </div>
      <WorkBar :work="search" label="Search" />
      <p v-if="trouble" class="error-text" role="alert">{{ trouble }}</p>
      <table v-if="found.length > 0" class="ruled" data-test="stage-found">
        <thead>
          <tr>
            <th scope="col">counts</th>
            <th scope="col" class="figure">error, ppm</th>
            <th scope="col"><span class="visually-hidden">take</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in found" :key="c.stages.map(s => `${s.driving}:${s.driven}`).join()">
            <td class="figure left">{{ c.stages.map(s => `${s.driving}:${s.driven}`).join('  ') }}</td>
            <td class="figure">{{ off(c.ratio) }}</td>
            <td>
              <BoxedButton @click="hand.act('Replace a stage', replaceStage(mesh.id, c.stages))">
                Take
              </BoxedButton>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="found.length > 0 && stages % 2 === 0" class="quiet">
        An even number of stages in place of one turns the sense; an idler turns it back.
      </p>
    </template>
    <p class="acts"><v-btn data-test="delete" @click="emit('delete', mesh.id)">Take out of mesh…</v-btn></p>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: center;
}

.row.three {
  grid-template-columns: 1fr 70px auto;
}

td.left {
  text-align: left;
}

.acts {
  margin-top: 8px;
}
</style>
