<script setup lang="ts">
import {
  type Made,
  meshWheels,
  moveToLayer,
  putOnAxis,
  toggleHold,
  addWheel,
  driveNew,
  hangOn,
  idlerInto,
  keyTogether,
} from '@tesseron/core/edit';
import { byId, circleCount, driveWay, meshes, type MeshJoint, recounted } from '@tesseron/core/machine';
import { IDLER_COUNT, setWheel, setMode } from '@tesseron/core/change';
import { absolute, type Rational } from '@tesseron/core/rational';
import { wayForTurn } from '@tesseron/core/motion';
import type { Result } from '@tesseron/core/result';
import { goesToAndFro, groundRate } from '@tesseron/core/train';
import { mm, periodOf, sayPeriod } from '@tesseron/core/units';
import { nameOf, sayRate } from '@tesseron/core/words';
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import ArborTools from './ArborTools.vue';
import BlanksPanel from './BlanksPanel.vue';
import DeletePanel from './DeletePanel.vue';
import JointTools from './JointTools.vue';
import ElevationDrawing from './ElevationDrawing.vue';
import MeshTools from './MeshTools.vue';
import { pathFromDrive } from '@tesseron/core/working';
import PlanetaryPanel from './PlanetaryPanel.vue';
import { keepSets, reducerParts, setOf } from '@tesseron/core/sets';
import { readTeeth } from './read-teeth';
import ReducerPanel from '../../parts/ReducerPanel.vue';
import SetPanel from '../../parts/SetPanel.vue';
import TubesTable from './TubesTable.vue';
import { useHand } from './use-hand';
import WheelTools from './WheelTools.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

const { machine, derived, change } = useOpen();
const way = computed(() => driveWay(machine.value));
const hand = useHand();
const { chosen, pick, refusal } = hand;
const working = useRatioWorking();
const drawing = useTemplateRef<InstanceType<typeof ElevationDrawing>>('drawing');
const planetary = ref(false);
const ready = ref(false);
const joining = ref(false);
/** What few machines need comes when it is asked for. */
const RodPoints = defineAsyncComponent(() => import('./RodPoints.vue'));
const LinkagePanel = defineAsyncComponent(() => import('./LinkagePanel.vue'));
const JoinPanel = defineAsyncComponent(() => import('./JoinPanel.vue'));
const ReadyPanel = defineAsyncComponent(() => import('./ReadyPanel.vue'));
const ModesPanel = defineAsyncComponent(() => import('./ModesPanel.vue'));
const choosing = ref(false);
const finding = ref(false);
const deleting = ref<string>();

const arbors = computed(() =>
  machine.value.members.map(m => {
    const rate = derived.value.train.rates[m.id];
    const ground = m.kind === 'arbor' ? groundOf(m.id, rate) : undefined;
    const odd = swings(m.id) ? 'to and fro' : slideWay(m.id, rate);
    return {
      id: m.id,
      name: m.name,
      rate: odd ?? sayRate(rate, 24, way.value),
      short: odd ?? sayRate(rate, 13, way.value),
      carried: ground !== undefined,
      ground: ground ? sayRate(ground, 13, way.value) : '',
      period: m.kind === 'arbor' ? inTime(rate) : '',
      groundPeriod: inTime(ground),
    };
  }),
);
/** The way of a rack, or of what a drum draws, for a turn of the drive. */
function slideWay(id: string, rate: Rational | undefined): string | undefined {
  const slide = derived.value.moving.slides.find(s => s.id === id);
  return slide && rate && `${mm(wayForTurn(slide, rate), 3)} a turn`;
}
/** A rod, or what an uneven joint moves without a rate in the mean. */
const swings = (id: string): boolean =>
  goesToAndFro(derived.value.train, id) || byId(machine.value.members, id)?.kind === 'link';
/** The rate against the ground, for what an arm carries. */
function groundOf(id: string, rate: Rational | undefined): Rational | undefined {
  const ground = groundRate(machine.value, derived.value.train.rates, id);
  return ground && rate && ground !== rate ? ground : undefined;
}
/** How long one turn takes. */
function inTime(rate: Rational | undefined): string {
  const period = rate && periodOf(absolute(rate), derived.value.driveSeconds);
  return period ? sayPeriod(period, 6) : '';
}
const wheel = computed(() =>
  chosen.value?.kind === 'wheel' ? byId(machine.value.wheels, chosen.value.id) : undefined,
);
const shownArbor = computed(() => wheel.value?.member ?? arbor.value?.id);
const arbor = computed(() =>
  chosen.value?.kind === 'member' ? byId(machine.value.members, chosen.value.id) : undefined,
);
const mesh = computed(() =>
  chosen.value?.kind === 'joint' ? byId(meshes(machine.value), chosen.value.id) : undefined,
);
/** A joint that is no mesh. */
const joint = computed(() => {
  const found = chosen.value?.kind === 'joint' ? byId(machine.value.joints, chosen.value.id) : undefined;
  return found?.kind === 'mesh' ? undefined : found;
});
/** From what a joint would lead. */
const lead = computed(() => byId(machine.value.members, shownArbor.value));
/** The reducer, or the set, that what is chosen belongs to. */
const chosenReducer = computed(() =>
  chosen.value ? reducerParts(machine.value, chosen.value.id) : undefined,
);
const chosenSet = computed(() => (chosen.value ? setOf(machine.value, chosen.value.id) : undefined));
const loose = computed(() => keepSets(machine.value).ok);
const modes = computed(() => [
  { title: 'all joined', value: '' },
  ...machine.value.modes.map(m => ({ title: m.name, value: m.id })),
]);

function takeMode(id: string): void {
  change(id === '' ? 'Join all' : `Mode ${byId(machine.value.modes, id)?.name ?? ''}`, setMode(id));
}
function typeCount(id: string, text: string): void {
  const now = byId(machine.value.wheels, id);
  const typed = readTeeth(text);
  if (!now) return;
  const teeth = typed?.kind === 'count' ? recounted(now.teeth, typed.count) : typed;
  if (!teeth) {
    refusal.value = `“${text}” is no count. Type a whole number such as 24, or a range such as 12-90 to leave it open.`;
    return;
  }
  if (JSON.stringify(teeth) === JSON.stringify(now.teeth)) return;
  hand.act(`Teeth of ${now.name}`, m => ({ ok: true, value: setWheel(id, { teeth })(m) }));
}
const layerTo = (id: string, layer: number): boolean =>
  hand.act(`Layer of ${nameOf(machine.value, id)}`, moveToLayer(id, layer));
const driveFrom = (id: string): boolean =>
  hand.make('Drive a new arbor', 'member', driveNew(id, newCount(id)));
/** A wheel that is driven anew starts as large as the one that drives it. */
const newCount = (id: string): number => {
  const w = byId(machine.value.wheels, id);
  return (w && circleCount(w)) ?? 30;
};
const meshOn = (a: string, b: string): boolean =>
  hand.make('Put two wheels into mesh', 'joint', meshWheels(a, b));
const arborOn = (a: string, b: string): boolean =>
  hand.act(`Put ${nameOf(machine.value, a)} on the axis of ${nameOf(machine.value, b)}`, m =>
    putOnAxis(a, b)(m),
  );
function remove(id: string): void {
  if (id !== machine.value.drive?.member) deleting.value = id;
}
const ask = (asks: string, kind: 'wheel' | 'member', take: (id: string) => void): void =>
  hand.ask({ asks, kind, take });

/** Keys on the drawing: each does what the button of that name does. */
function onKey(key: string): void {
  if (key === 'Escape') {
    pick.value = undefined;
    deleting.value = undefined;
    return;
  }
  const here = chosen.value;
  if (!here) return;
  const w = wheel.value;
  const own = w?.member ?? (here.kind === 'member' ? here.id : undefined);
  const name = own === undefined ? '' : nameOf(machine.value, own);
  const first: MeshJoint | undefined = w
    ? meshes(machine.value)
        .filter(j => j.a === w.id || j.b === w.id)
        .at(-1)
    : mesh.value;
  if (key === 'Delete' || key === 'x') remove(here.id);
  else if (key === 'n' && w) driveFrom(w.id);
  else if (key === 'n' && own) addTo(own);
  else if (key === 'i' && first) hand.act('Insert an idler', idlerInto(first.id, IDLER_COUNT));
  else if (key === 'm' && w)
    ask(`Choose the wheel that ${w.name} is to mesh with`, 'wheel', id => meshOn(w.id, id));
  else if (key === 'j' && own) joining.value = true;
  else if (key === 'r' && first) hand.choose({ kind: 'joint', id: first.id });
  else if (key === 's' && own) hand.act(`Hold or let go ${name}`, toggleHold(own));
  else if (key === 'o' && own)
    ask(`Choose the arbor on whose axis ${name} is to stand`, 'member', id => arborOn(own, id));
  else if (key === 'k' && own)
    ask(`Choose the arbor to which ${name} is keyed`, 'member', id =>
      hand.act('Key two arbors together', keyTogether(id, own)),
    );
  else if (key === 'g' && own)
    ask(`Choose the arm on which ${name} is to hang`, 'member', id =>
      hand.act(`Hang ${name} on an arm`, hangOn(own, id, derived.value.positions.at)),
    );
}
const addTo = (id: string): boolean =>
  hand.make('Add a wheel', 'wheel', (m): Result<Made> => addWheel(id, 30)(m));
function start(): void {
  const drive = machine.value.drive?.member;
  if (drive !== undefined) addTo(drive);
}
function chooseFromTable(id: string): void {
  hand.choose({ kind: 'member', id });
  void drawing.value?.focusOn('member', id);
}
function showWorking(): void {
  const aim = machine.value.aims.find(a => a.member === shownArbor.value);
  const path = shownArbor.value === undefined ? undefined : pathFromDrive(machine.value, shownArbor.value);
  if (aim && path) working.show(aim.id, path);
}
const arborRows = useRows(() => arbors.value);
</script>

<template>
  <StationLayout station="train">
    <template #table>
      <ElevationDrawing
        v-if="machine.members.length > 0"
        ref="drawing"
        :hand="hand"
        @key="onKey"
        @count="typeCount"
        @layer="layerTo"
        @wheel-on="meshOn"
        @wheel-out="driveFrom"
        @arbor-on="arborOn"
      />
    </template>
    <template #ledger>
      <p class="adds">
        <v-btn v-if="machine.drive" data-test="add-planetary" @click="planetary = true">Planetary set…</v-btn>
        <v-btn v-if="machine.drive" data-test="add-ready" @click="ready = true">Ready arrangement…</v-btn>
        <v-btn v-if="lead" data-test="join-open" @click="joining = true">Join…</v-btn>
        <v-btn v-if="lead?.kind === 'arbor'" data-test="linkage-open" @click="finding = true"
          >Find a linkage…</v-btn
        >
        <v-btn v-if="machine.joints.length > 0" data-test="modes-open" @click="choosing = true">Modes…</v-btn>
        <v-btn v-if="machine.drive && machine.wheels.length === 0" data-test="first-wheel" @click="start"
          >First wheel</v-btn
        >
      </p>
      <ModesPanel v-if="choosing" v-model="choosing" :hand="hand" />
      <PlanetaryPanel v-if="planetary" v-model="planetary" />
      <JoinPanel v-if="joining && lead" v-model="joining" :hand="hand" :member="lead" :wheel="wheel?.id" />
      <LinkagePanel v-if="finding && lead?.kind === 'arbor'" v-model="finding" :hand="hand" :arbor="lead" />
      <ReadyPanel v-if="ready" v-model="ready" :chosen="shownArbor" />
      <v-select
        v-if="machine.modes.length > 0"
        :model-value="machine.mode ?? ''"
        :items="modes"
        label="Stands in the mode"
        data-test="mode"
        @update:model-value="takeMode"
      />
      <p v-if="pick" class="pick" role="status" data-test="pick">
        {{ pick.asks }}. <v-btn @click="pick = undefined">Leave it</v-btn>
      </p>
      <p v-if="refusal" class="error-text" role="alert" data-test="refusal">{{ refusal }}</p>
      <DeletePanel v-if="deleting" :id="deleting" :key="deleting" :hand="hand" @done="deleting = undefined" />
      <BlanksPanel :hand="hand" />
      <p v-if="machine.sets.length > 0 || loose" class="adds">
        <v-btn
          v-for="s in machine.sets"
          :key="s.id"
          :data-test="`open-set-${s.id}`"
          @click="s.stages[0] && hand.choose({ kind: 'wheel', id: s.stages[0].sun })"
          >Set: {{ s.name }}</v-btn
        >
        <v-btn v-if="loose" data-test="keep-sets" @click="hand.act('Keep loose wheels as sets', keepSets)"
          >Keep loose planetary wheels as a set</v-btn
        >
      </p>
      <SetPanel v-if="chosenSet" :set="chosenSet.set" :at="chosenSet.stage" />
      <ReducerPanel v-else-if="chosenReducer" :parts="chosenReducer" />
      <WheelTools v-if="wheel" :hand="hand" :wheel="wheel" @delete="remove" />
      <ArborTools v-else-if="arbor" :hand="hand" :arbor="arbor" @delete="remove" @working="showWorking" />
      <MeshTools v-else-if="mesh" :hand="hand" :mesh="mesh" @delete="remove" />
      <JointTools v-else-if="joint" :key="joint.id" :hand="hand" :joint="joint" @delete="remove" />
      <p v-else class="quiet">
        Choose a wheel, an arbor or a mesh on the drawing. Drag a wheel onto another to mesh them, into the
        open to drive a new arbor, up or down to another layer; drag an arbor’s name onto another to share its
        axis. Type digits to change a count.
      </p>
      <RodPoints v-if="arbor?.kind === 'link'" :hand="hand" :rod="arbor" />
      <h3>Arbors, in turns per turn of the drive</h3>
      <table class="ruled" data-test="rates">
        <thead>
          <tr>
            <th scope="col">arbor</th>
            <th scope="col" class="figure">exact rate</th>
            <th scope="col" class="figure">one turn in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="a in arborRows.shown.value" :key="a.id" :class="{ chosen: a.id === shownArbor }">
            <td>
              <PlainButton @click="chooseFromTable(a.id)">{{ a.name }}</PlainButton>
            </td>
            <td class="figure" :title="a.rate">
              {{ a.short }}<span v-if="a.carried" class="quiet ground">ground {{ a.ground }}</span>
            </td>
            <td class="figure">
              {{ a.period
              }}<span v-if="a.groundPeriod" class="quiet ground">ground {{ a.groundPeriod }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <MoreRows :left="arborRows.left.value" :more="arborRows.more" />
      <TubesTable />
    </template>
  </StationLayout>
</template>

<style scoped>
.ground {
  display: block;
  font-size: 12px;
}

.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.pick {
  border: 1px solid var(--ink);
  padding: 6px 10px;
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}
</style>
