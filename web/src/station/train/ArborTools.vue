<script setup lang="ts">
import {
  addOnAxis,
  addWheel,
  driveBy,
  hangOn,
  keyTogether,
  putOnAxis,
  holdIn,
  serve,
} from '@tesseron/core/edit';
import {
  arbors,
  byId,
  driveWay,
  factsOf,
  GROUND,
  jointEnds,
  type Member,
  LIMITS,
} from '@tesseron/core/machine';
import { renameMember } from '@tesseron/core/change';
import { toNumber } from '@tesseron/core/rational';
import { rackLength } from '@tesseron/core/tooth';
import { mm } from '@tesseron/core/units';
import { goesToAndFro, groundRate } from '@tesseron/core/train';
import { nameOf, sayRate } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import NumberField from '../../parts/NumberField.vue';
import LongSelect from '../../parts/LongSelect.vue';
import type { Hand } from './use-hand';

/** What can be done with the chosen arbor. */
const props = defineProps<{ hand: Hand; arbor: Member }>();
const emit = defineEmits<{ delete: [id: string]; working: [] }>();
const { machine, derived } = props.hand;
const teeth = ref(30);
const OWN = ' own';
const like = ref('');
/** The teeth that a new wheel may have: those of wheels here, those of others, or its own. */
const likes = computed(() => [
  ...machine.value.toothings.map(t => ({ title: t.name, value: t.id })),
  { title: 'of its own', value: OWN },
]);
const usual = computed(
  () => (wheels.value[0] ?? machine.value.wheels[0])?.toothing ?? machine.value.toothings[0]?.id ?? '',
);
const likeNow = computed(() => (likes.value.some(l => l.value === like.value) ? like.value : usual.value));
const addOne = (): boolean =>
  props.hand.make(
    `Add a wheel to ${props.arbor.name}`,
    'wheel',
    likeNow.value === OWN
      ? addWheel(props.arbor.id, teeth.value, undefined, true)
      : addWheel(props.arbor.id, teeth.value, likeNow.value),
  );
const axis = computed(() =>
  props.arbor.kind === 'arbor' ? byId(machine.value.axes, props.arbor.axis) : undefined,
);
const others = computed(() =>
  arbors(machine.value)
    .filter(a => a.id !== props.arbor.id)
    .map(a => ({ title: a.name, value: a.id })),
);
const frames = computed(() => [{ title: 'the ground', value: GROUND }, ...others.value]);
const drives = computed(() => machine.value.drive?.member === props.arbor.id);
const carried = computed(() => axis.value !== undefined && axis.value.frame !== GROUND);
const rate = computed(() => derived.value.train.rates[props.arbor.id]);
/** What an uneven joint moves without a rate in the mean, and rods. */
const swings = computed(
  () => props.arbor.kind === 'link' || goesToAndFro(derived.value.train, props.arbor.id),
);
const seen = computed(() =>
  carried.value ? groundRate(machine.value, derived.value.train.rates, props.arbor.id) : undefined,
);
/** How far a rack goes for a turn of the drive. */
const travel = computed(() => {
  const rack = machine.value.wheels.find(w => w.member === props.arbor.id && w.role === 'rack');
  const module = rack && derived.value.modules[rack.toothing];
  if (module === undefined || !rate.value) return '';
  return `, ${mm(rackLength(Math.abs(toNumber(rate.value)), module), 2)},`;
});
const wheels = computed(() => machine.value.wheels.filter(w => w.member === props.arbor.id));
const aim = computed(() => machine.value.aims.find(a => a.member === props.arbor.id)?.id ?? '');
const aims = computed(() => [
  { title: 'no output', value: '' },
  ...machine.value.aims.map(a => ({ title: a.name, value: a.id })),
]);
/** Joints of members, such as clutches: what ties this arbor to others besides meshes. */
const ties = computed(() =>
  machine.value.joints
    .filter(j => j.kind !== 'mesh' && j.kind !== 'chain')
    .filter(j => jointEnds(j).some(([, id]) => id === props.arbor.id))
    .map(j => ({
      id: j.id,
      called: factsOf(j).called,
      to: jointEnds(j)
        .map(([, id]) => id)
        .filter(id => id !== props.arbor.id),
    })),
);
const HOLDS = computed(() => [
  { title: 'turns', value: '' },
  { title: carried.value ? 'held on its arm' : 'held still', value: axis.value?.frame ?? GROUND },
  ...(carried.value ? [{ title: 'kept pointing one way', value: GROUND }] : []),
]);
const held = computed(() => (props.arbor.kind === 'arbor' ? (props.arbor.held ?? '') : ''));

function hold(frame: string): void {
  const label = frame === '' ? `Let ${props.arbor.name} turn` : `Hold ${props.arbor.name}`;
  props.hand.act(label, holdIn(props.arbor.id, frame === '' ? undefined : frame));
}
function serveAim(id: string): void {
  const label = id === '' ? 'Serve no output' : 'Serve an output';
  props.hand.act(label, serve(props.arbor.id, id === '' ? undefined : id));
}
const put = (id: string): boolean =>
  props.hand.act(`Put ${props.arbor.name} on another axis`, putOnAxis(props.arbor.id, id));
const key = (id: string): boolean => {
  const done = props.hand.act(`Key ${props.arbor.name} to another arbor`, m =>
    keyTogether(id, props.arbor.id)(m),
  );
  if (done) props.hand.choose({ kind: 'member', id });
  return done;
};
const hang = (frame: string): boolean =>
  props.hand.act(`Hang ${props.arbor.name}`, m =>
    hangOn(props.arbor.id, frame, derived.value.positions.at)(m),
  );
</script>

<template>
  <section data-test="arbor-tools">
    <h3>{{ { arbor: 'Arbor', slide: 'Slide', link: 'Rod' }[arbor.kind] }} {{ arbor.name }}</h3>
    <v-text-field
      :model-value="arbor.name"
      label="Name"
      maxlength="120"
      data-test="arbor-name"
      @change="
        hand.act('Name an arbor', m => ({
          ok: true,
          value: renameMember(arbor.id, ($event.target as HTMLInputElement).value)(m),
        }))
      "
    />
    <p v-if="swings">Moves to and fro: see its joint.</p>
    <p v-else>
      {{ arbor.kind === 'slide' ? 'Moves' : 'Turns' }}
      <span class="figure">{{ sayRate(rate, 24, driveWay(machine)) }}</span>
      <template v-if="arbor.kind === 'slide'"> teeth{{ travel }}</template> for one turn of the drive<template
        v-if="seen"
      >
        on its arm, <span class="figure">{{ sayRate(seen, 24, driveWay(machine)) }}</span> against the
        ground</template
      >.
      <v-btn v-if="aim" class="work" data-test="show-working" @click="emit('working')">Show working</v-btn>
    </p>
    <p v-for="t in ties" :key="t.id">
      <PlainButton :data-test="`joint-of-${t.id}`" @click="hand.choose({ kind: 'joint', id: t.id })"
        >{{ t.called }} with {{ t.to.map(id => nameOf(machine, id)).join(', ') }}</PlainButton
      >
      <PlainButton class="away" @click="emit('delete', t.id)">take away</PlainButton>
    </p>
    <p v-for="w in wheels" :key="w.id">
      <PlainButton @click="hand.choose({ kind: 'wheel', id: w.id })">
        {{ nameOf(machine, w.id) }}, layer {{ w.layer + 1 }}
      </PlainButton>
    </p>
    <template v-if="arbor.kind === 'arbor'">
      <div class="two">
        <v-select
          v-if="aims.length > 1"
          :model-value="aim"
          :items="aims"
          label="serves"
          data-test="serves"
          @update:model-value="serveAim"
        />
        <v-select :model-value="held" :items="HOLDS" label="is" data-test="hold" @update:model-value="hold" />
        <LongSelect
          :model-value="axis?.frame"
          :items="frames"
          label="hangs on"
          data-test="hang"
          @update:model-value="hang"
        />
        <LongSelect
          :model-value="undefined"
          :items="others"
          label="put on the axis of…"
          data-test="put-on"
          @update:model-value="$event && put($event)"
        />
        <LongSelect
          :model-value="undefined"
          :items="others"
          label="key together with…"
          data-test="key-to"
          @update:model-value="$event && key($event)"
        />
      </div>
      <div class="add">
        <NumberField v-model="teeth" label="New wheel" :limits="LIMITS.count" whole data-test="wheel-count" />
        <v-select
          :model-value="likeNow"
          :items="likes"
          label="teeth like"
          data-test="wheel-like"
          @update:model-value="like = $event"
        />
        <v-btn data-test="add-wheel" @click="addOne">Add wheel</v-btn>
        <v-btn
          data-test="add-tube"
          @click="hand.make('Add an arbor on the axis', 'member', addOnAxis(arbor.id))"
          >Add tube</v-btn
        >
      </div>
    </template>
    <p class="acts">
      <v-btn
        v-if="arbor.kind === 'arbor' && !drives"
        data-test="drive-by"
        @click="hand.act(`Drive by ${arbor.name}`, driveBy(arbor.id))"
        >Let it drive</v-btn
      >
      <v-btn v-if="!drives" data-test="delete" @click="emit('delete', arbor.id)">Delete…</v-btn>
    </p>
  </section>
</template>

<style scoped>
.away {
  margin-left: 12px;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
}

.add {
  display: grid;
  grid-template-columns: 80px 1fr;
  gap: 4px 10px;
  align-items: center;
}

.acts {
  display: flex;
  gap: 8px;
  margin-top: 8px;
}

.work {
  margin-left: 8px;
}
</style>
