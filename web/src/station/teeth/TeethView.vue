<script setup lang="ts">
import { bevelDrawing, type BevelPattern } from '@tesseron/core/drawings';
import { byId, meshes, LIMITS } from '@tesseron/core/machine';
import { setSpread } from '@tesseron/core/change';
import { AS_MADE, type WhatIf, whatIf } from '@tesseron/core/mesh';
import { meshOverlap } from '@tesseron/core/state';
import { fixed, mm } from '@tesseron/core/units';
import { centreWorking, contactWorking } from '@tesseron/core/working';
import { reducerParts, setOf } from '@tesseron/core/sets';
import { nameOf, wheelName } from '@tesseron/core/words';
import { computed, ref, shallowRef, watch } from 'vue';
import { stances } from '../../draw/plan-scene';
import FlatDrawing from '../../draw/FlatDrawing.vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import FindingList from '../../frame/FindingList.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import NumberField from '../../parts/NumberField.vue';
import { useClock } from '../../run/clock';
import BevelPanel from './BevelPanel.vue';
import { mayBeSlow } from './may-be-slow';
import MeshCloseUp from './MeshCloseUp.vue';
import { meshFocus } from './mesh-focus';
import PegDrawing from './PegDrawing.vue';
import PegPanel from './PegPanel.vue';
import RollChart from './RollChart.vue';
import RollFigures from './RollFigures.vue';
import SharedTeeth from './SharedTeeth.vue';
import ShiftTools from './ShiftTools.vue';
import ToothingEditor from './ToothingEditor.vue';
import { usePegs } from './use-pegs';
import { useRoll } from './use-roll';
import WheelEditor from './WheelEditor.vue';
import WorkBar from '../../parts/WorkBar.vue';
import { sameItems } from '../../parts/same-items';
import DrawnLater from '../../parts/DrawnLater.vue';
import ReducerPanel from '../../parts/ReducerPanel.vue';
import SetPanel from '../../parts/SetPanel.vue';
import SlideField from '../../parts/SlideField.vue';

const { machine, derived, change } = useOpen();
const working = useWorking();
const clock = useClock();
const { tokens } = useTheme();
const picked = ref<string>();
const byHand = ref(0);
const tried = shallowRef<WhatIf>(AS_MADE);
const pattern = ref('');

const items = sameItems(() =>
  meshes(machine.value).map(j => ({ title: nameOf(machine.value, j.id), value: j.id })),
);
const mesh = computed(() => byId(meshes(machine.value), picked.value) ?? meshes(machine.value)[0]);
const meshId = computed(() => mesh.value?.id);
/** The reducer, or the set, that the mesh is of. */
const meshReducer = computed(() => (mesh.value ? reducerParts(machine.value, mesh.value.id) : undefined));
const meshSet = computed(() => (mesh.value ? setOf(machine.value, mesh.value.id) : undefined));
const state = computed(() => (mesh.value ? derived.value.meshes[mesh.value.id] : undefined));
const wheels = computed(() =>
  [mesh.value?.a, mesh.value?.b].flatMap(id => byId(machine.value.wheels, id) ?? []),
);
const rolledWheels = computed(() => (state.value?.swapped ? [...wheels.value].reverse() : wheels.value));
const toothing = computed(() => byId(machine.value.toothings, wheels.value[0]?.toothing));
const sharing = computed(() => machine.value.wheels.filter(w => w.toothing === toothing.value?.id));
const focus = computed(() => meshFocus(derived.value, mesh.value?.id));
const engagement = computed(() => {
  const e = state.value?.engagement;
  return e && whatIf(e, tried.value, derived.value.chordError);
});
const pegs = usePegs(derived, mesh);
const { result, rolling, work, all } = useRoll(derived, meshId, tried);
watch(meshId, () => {
  byHand.value = 0;
  tried.value = AS_MADE;
  pattern.value = '';
});

const clockAngle = computed(() => {
  const member = rolledWheels.value[0]?.member;
  return member === undefined ? 0 : (stances(derived.value, clock.turns).get(member)?.angle ?? 0);
});
const colours = computed(() => {
  const of = (i: number): string => {
    const member = rolledWheels.value[i]?.member ?? '';
    return rateColour(derived.value.train.rates[member], tokens.value.rate) ?? tokens.value.hairline;
  };
  return [of(0), of(1)] as const;
});
const names = computed(() => [wheelNameAt(0), wheelNameAt(1)] as const);
const wheelNameAt = (i: number): string => {
  const w = rolledWheels.value[i];
  return w ? wheelName(w) : '';
};
const drives = computed(() => {
  const id = mesh.value && derived.value.flow.drives[mesh.value.id];
  const wheel = byId(machine.value.wheels, id);
  return wheel && wheelName(wheel);
});
const figures = computed(() => {
  const s = state.value;
  if (!s) return [];
  return [
    ['centre distance', mm(s.distance, 3)],
    ...(s.workingAngleDeg === undefined
      ? []
      : [['working pressure angle', `${fixed(s.workingAngleDeg, 2)}°`]]),
    ...(s.playFromThinning === 0 ? [] : [['play: by thinning or form', mm(s.playFromThinning, 3)]]),
    ...(s.workingAngleDeg === undefined ? [] : [['play: by spread', mm(s.playFromSpread, 3)]]),
  ] as [string, string][];
});
const patternDrawing = computed(() => {
  const [wheel, kind] = pattern.value.split(' ');
  const drawing = wheel && kind ? bevelDrawing(derived.value, wheel, kind as BevelPattern) : undefined;
  return drawing?.ok ? drawing.value : undefined;
});
const triedAnything = computed(() => tried.value.apart !== 0 || tried.value.thicker !== 0);
const slow = mayBeSlow(all.work.working);
const contact = computed(() => (state.value ? contactWorking(state.value) : undefined));

function attempt(what: keyof WhatIf, value: number): void {
  tried.value = { ...tried.value, [what]: value };
}

function keepSpread(): void {
  const id = mesh.value?.id;
  if (id)
    change(
      'Spread the centres',
      setSpread(id, Number(((mesh.value?.spread ?? 0) + tried.value.apart).toFixed(4))),
    );
  tried.value = { ...tried.value, apart: 0 };
}
</script>

<template>
  <StationLayout station="teeth">
    <template #table>
      <div v-if="patternDrawing" class="pattern">
        <FlatDrawing :drawing="patternDrawing" :label="patternDrawing.title" />
        <p class="note">{{ patternDrawing.notes.join(' ') }}</p>
      </div>
      <div v-else-if="pegs && mesh" class="rolling">
        <PegDrawing :pair="pegs.pair" :check="pegs.checks[0]?.check" :t="clockAngle + byHand" />
        <RollChart
          :positions="pegs.law"
          :pitch="(2 * Math.PI) / pegs.pair.counts[0]"
          :at="clockAngle + byHand"
        />
      </div>
      <div v-else-if="engagement && mesh" class="rolling">
        <MeshCloseUp
          v-model="byHand"
          :engagement="engagement"
          :chord-error="derived.chordError"
          :clock-angle="clockAngle"
          :names="names"
          :colours="colours"
        />
        <RollChart
          v-if="result"
          :positions="result.positions"
          :pitch="(2 * Math.PI) / engagement.a.count"
          :at="clockAngle + byHand"
        />
      </div>
      <PlanCanvas
        v-else-if="mesh"
        :label="`The mesh of ${nameOf(machine, mesh.id)}, enlarged; it turns with the time strip`"
        :focus="focus"
        :layer="wheels[0]?.layer"
      />
      <p v-else class="empty">No wheels yet. Choose counts for an output first.</p>
    </template>
    <template #ledger>
      <template v-if="mesh">
        <LongSelect
          :model-value="mesh.id"
          :items="items"
          label="Mesh"
          class="long"
          data-test="mesh"
          @update:model-value="picked = $event"
        />
        <p v-if="drives" class="quiet small">Driven by {{ drives }}.</p>
        <RollFigures
          v-if="state?.engagement"
          :state="state"
          :result="result"
          :tried="tried"
          :lever="state.engagement.lever"
          :overlap="meshOverlap(machine, mesh, derived.modules)"
        />
        <p v-if="rolling && !result" class="quiet small">Rolling…</p>
        <p v-if="work.problem.value" class="error-text" role="alert" data-test="work-problem">
          {{ work.problem.value }}
        </p>
        <PegPanel v-if="pegs" :pair="pegs.pair" :checks="pegs.checks" />
        <BevelPanel
          v-if="mesh.type === 'bevel' && toothing"
          v-model="pattern"
          :mesh="mesh"
          :toothing="toothing"
          :wheels="wheels"
        />
        <dl v-if="state" data-test="mesh-figures">
          <div v-for="[name, value] in figures" :key="name">
            <dt>{{ name }}</dt>
            <dd class="figure">{{ value }}</dd>
          </div>
        </dl>
        <p v-if="state?.pair" class="acts">
          <PlainButton
            data-test="centre-working"
            @click="working.show(centreWorking(state.pair, mesh.spread ?? 0))"
          >
            centre distance: working
          </PlainButton>
          <PlainButton v-if="contact" @click="working.show(contact)"> contact and play: working </PlainButton>
        </p>
        <DrawnLater v-if="state?.engagement">
          <h3>What if</h3>
          <SlideField
            :model-value="tried.apart"
            label="centres further apart"
            :least="-0.5"
            :most="1"
            :step="0.01"
            :says="mm(tried.apart)"
            data-test="try-apart"
            @update:model-value="attempt('apart', $event)"
          />
          <SlideField
            :model-value="tried.thicker"
            label="everything thicker by"
            :least="-0.2"
            :most="0.2"
            :step="0.01"
            :says="mm(tried.thicker)"
            data-test="try-thicker"
            @update:model-value="attempt('thicker', $event)"
          />
          <p v-if="triedAnything" class="acts">
            <PlainButton v-if="tried.apart !== 0" data-test="keep-apart" @click="keepSpread">
              set the centres so
            </PlainButton>
            <PlainButton data-test="as-made" @click="tried = AS_MADE">as it is</PlainButton>
          </p>
        </DrawnLater>
        <NumberField
          v-if="state"
          :model-value="mesh.spread ?? 0"
          label="Centres spread by"
          unit="mm"
          :limits="LIMITS.spreadTried"
          data-test="spread"
          @update:model-value="change('Spread the centres', setSpread(mesh.id, $event))"
        />
        <template v-if="toothing">
          <h3>{{ toothing.name }}, shared by {{ sharing.length }} wheels</h3>
          <DrawnLater><SharedTeeth :mesh="mesh.id" :toothing="toothing" /></DrawnLater>
          <DrawnLater><ToothingEditor :toothing="toothing" :wheels="sharing" /></DrawnLater>
        </template>
        <DrawnLater><ReducerPanel v-if="meshReducer" :parts="meshReducer" /></DrawnLater>
        <DrawnLater><SetPanel v-if="meshSet" :set="meshSet.set" :at="meshSet.stage" /></DrawnLater>
        <DrawnLater><ShiftTools v-if="state?.pair" :mesh="mesh" /></DrawnLater>
        <DrawnLater v-for="w in wheels" :key="w.id">
          <WheelEditor :wheel="w" :helix-deg="toothing?.helixDeg ?? 0" />
        </DrawnLater>
        <h3>All meshes</h3>
        <p class="acts">
          <BoxedButton v-if="!all.work.working.value" data-test="roll-all" @click="all.start">
            Roll every mesh
          </BoxedButton>
          <WorkBar v-if="slow || all.work.problem.value" :work="all.work" label="Rolling every mesh" />
        </p>
        <div v-if="all.findings.value" data-test="roll-findings">
          <p class="quiet small">
            {{ all.number.value }} rolled;
            {{
              all.findings.value.length === 0 ? 'nothing to mend' : `${all.findings.value.length} to look at`
            }}.
          </p>
          <FindingList v-if="all.findings.value.length > 0" :findings="all.findings.value" />
        </div>
      </template>
      <p v-else class="quiet">Teeth appear here when there are wheels.</p>
    </template>
  </StationLayout>
</template>

<style scoped>
/* Two wheels with their names and counts in one line. */
.long :deep(.v-select__selection-text) {
  font-size: 13px;
}

.empty {
  height: 100%;
  display: grid;
  place-content: center;
}

.rolling {
  height: 100%;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
}

.pattern {
  height: 100%;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  padding: 16px;
}

.note,
.small {
  font-size: 13px;
  margin: 4px 0;
}

dl {
  margin: 8px 0;
  font-size: 14px;
}

dl div {
  display: flex;
  justify-content: space-between;
  border-bottom: var(--line);
  padding: 2px 0;
}

dt {
  color: var(--muted);
}

dd {
  margin: 0;
}

.acts {
  display: grid;
  gap: 4px;
  font-size: 13px;
  justify-items: start;
}
</style>
