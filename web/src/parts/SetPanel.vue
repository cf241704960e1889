<script setup lang="ts">
import { type GearSet, LIMITS } from '@tesseron/core/machine';
import { MOST_PLANETS } from '@tesseron/core/planetary';
import {
  carriersOfOnePiece,
  changeSet,
  floatingPlanets,
  hasFloatingPlanets,
  hasOnePieceCarriers,
  letSetGo,
  readPlaces,
  renameSet,
  setFacts,
  setStages,
  type SetChange,
} from '@tesseron/core/sets';
import { fixed, mm } from '@tesseron/core/units';
import { sayPlaces } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../machine/use-open';
import CheckedField from './CheckedField.vue';
import { length, number, type NumberSpec } from './number-spec';
import NumberFields from './NumberFields.vue';
import SetSearch from './SetSearch.vue';
import SmallChoice from './SmallChoice.vue';
import TickBox from './TickBox.vue';

/** A planetary set, changed as one: whatever is typed, the rest of it follows. */
const props = defineProps<{ set: GearSet; at: number }>();
const { machine, change, attempt } = useOpen();
const refused = ref('');
/** The stage that is shown; `all` changes every one alike. */
const stage = ref(props.at);
const alike = ref(false);
watch(
  () => [props.set.id, props.at],
  () => {
    stage.value = props.at;
    refused.value = '';
  },
);
const facts = computed(() => setFacts(machine.value, props.set));
const shown = computed(() => facts.value[Math.min(stage.value, facts.value.length - 1)]);
const stages = computed(() => props.set.stages.map((_, i) => ({ value: i, title: `stage ${i + 1}` })));

function ask(what: string, asked: SetChange): void {
  const only = alike.value || props.set.stages.length === 1 ? {} : { stage: stage.value };
  refused.value = attempt(`${what} of ${props.set.name}`, changeSet(props.set.id, { ...asked, ...only }));
}
function takeStages(number: number): void {
  refused.value = attempt(`Stages of ${props.set.name}`, setStages(props.set.id, number));
}
/** A figure in no more digits than a field shows. */
const tidy = (x: number, decimals = 4): number => Number(x.toFixed(decimals));
const fields = computed((): NumberSpec[] => {
  const f = shown.value;
  if (!f) return [];
  const count = (
    label: string,
    value: number,
    what: 'sun' | 'planet' | 'ring' | 'second' | 'secondRing',
    test: string,
  ): NumberSpec =>
    number(
      label,
      value,
      what.endsWith('ing') ? LIMITS.ringCount : LIMITS.setCount,
      x => ask(label, { [what]: x }),
      {
        ...{ whole: true, test },
      },
    );
  const shift = (label: string, wheel: 'sun' | 'planet' | 'ring'): NumberSpec =>
    number(label, tidy(f.shifts[wheel]), LIMITS.shift, x => ask('Shift', { shift: { wheel, shift: x } }), {
      test: `set-shift-${wheel}`,
    });
  const twin = f.second;
  return [
    count('Sun', f.sun, 'sun', 'set-sun'),
    count('Planet', f.planet, 'planet', 'set-planet'),
    count('Ring', f.ring, 'ring', 'set-ring'),
    number('Planets', f.planets, [1, MOST_PLANETS], x => ask('Number of planets', { planets: x }), {
      ...{ whole: true, test: 'set-planets' },
    }),
    ...(twin
      ? [
          count('Second wheel', twin.planet, 'second', 'set-second'),
          count('Second ring', twin.ring, 'secondRing', 'set-second-ring'),
        ]
      : [
          number('Stages', props.set.stages.length, LIMITS.setStages, takeStages, {
            ...{ whole: true, test: 'set-stages' },
          }),
        ]),
    length('Module', tidy(f.module, 6), LIMITS.module, x => ask('Module', { module: x }), {
      test: 'set-module',
    }),
    length('Outside', tidy(f.outside, 3), LIMITS.largestOutside, x => ask('Outside', { outside: x }), {
      test: 'set-outside',
    }),
    length('Rim of the ring', tidy(f.rim, 3), LIMITS.rim, x => ask('Rim', { rim: x }), { test: 'set-rim' }),
    length('Height', f.height, LIMITS.stackThickness, x => ask('Height', { height: x }), {
      test: 'set-height',
    }),
    length('Play', f.play, LIMITS.play, x => ask('Play', { play: x }), { test: 'set-play' }),
    number('Helix', f.helixDeg, LIMITS.helixDeg, x => ask('Helix', { helixDeg: x }), {
      ...{ unit: '°', test: 'set-helix' },
    }),
    shift('Shift of sun', 'sun'),
    shift('Shift of planets', 'planet'),
    shift('Shift of ring', 'ring'),
  ];
});
function takePlaces(text: string): void {
  const read = readPlaces(text);
  if (read.ok)
    ask('Places', read.value.length > 0 ? { placesDeg: read.value } : { planets: shown.value?.planets ?? 1 });
}
</script>

<template>
  <section class="gear-set" data-test="set-panel">
    <h3>Set: {{ set.name }}</h3>
    <p class="acts">
      <SmallChoice
        v-if="set.stages.length > 1"
        v-model="stage"
        :items="stages"
        label="shows"
        data-test="set-stage"
      />
      <TickBox
        v-if="set.stages.length > 1"
        v-model="alike"
        label="change all stages alike"
        data-test="set-alike"
      />
    </p>
    <p v-if="!shown" class="error-text">
      This stage cannot be changed as one: a count is open, or its wheels do not share one toothing.
    </p>
    <template v-else>
      <div class="fields"><NumberFields :fields="fields" /></div>
      <TickBox
        v-if="shown.helixDeg > 0"
        :model-value="shown.double"
        label="leans both ways (chevrons)"
        data-test="set-double"
        @update:model-value="ask('Chevrons', { double: $event })"
      />
      <TickBox
        :model-value="hasFloatingPlanets(machine, set.id)"
        label="planets roll by themselves, without arm or rods: a bearing"
        data-test="set-floating"
        @update:model-value="
          change(`Planets of ${set.name} by themselves`, floatingPlanets(set.id, $event === true))
        "
      />
      <TickBox
        :model-value="hasOnePieceCarriers(machine, set.id)"
        label="arms, pegs and what turns with them printed as one piece"
        data-test="set-one-piece"
        @update:model-value="
          change(`One piece of arms, ${set.name}`, carriersOfOnePiece(set.id, $event === true))
        "
      />
      <SetSearch
        :set="set"
        :stage="Math.min(stage, facts.length - 1)"
        :planets="shown.planets"
        :two="shown.second !== undefined"
        @refused="refused = $event"
      />
      <CheckedField
        :model-value="shown.equal ? '' : sayPlaces(shown.placesDeg)"
        label="Planets stand at"
        hint="degrees, such as 0, 90, 180; empty: as evenly as they go together"
        :read="readPlaces"
        data-test="set-places"
        @update:model-value="takePlaces"
      />
      <p v-if="refused" class="error-text" role="alert" data-test="set-refused">{{ refused }}</p>
      <p class="quiet" data-test="set-says">
        Planets {{ shown.equal ? 'at equal places' : `at ${sayPlaces(shown.placesDeg)}°` }},
        <template v-if="shown.distance !== undefined">{{ mm(shown.distance, 3) }} from the middle</template
        ><template v-if="shown.apart !== undefined">, tips {{ fixed(shown.apart, 2) }} mm apart</template>;
        the ring is {{ mm(shown.outside, 1) }} across.
      </p>
    </template>
    <p class="acts">
      <v-text-field
        :model-value="set.name"
        label="Name"
        maxlength="120"
        data-test="set-name"
        @change="change('Name a set', renameSet(set.id, ($event.target as HTMLInputElement).value))"
      />
      <v-btn data-test="set-loose" @click="change(`Let ${set.name} go`, letSetGo(set.id))"
        >Let its wheels go</v-btn
      >
    </p>
  </section>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(96px, 1fr));
  gap: 0 14px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
</style>
