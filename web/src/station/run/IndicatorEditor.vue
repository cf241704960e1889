<script setup lang="ts">
import { bodyBalance, fullSeconds } from '@tesseron/core/indicator';
import { arbors, GROUND, type Indicator, type Reads } from '@tesseron/core/machine';
import { ballsInOnePlane, weigh } from '@tesseron/core/indicators';
import { removeIndicator, setIndicator } from '@tesseron/core/change';
import { fileName, indicatorDrawing } from '@tesseron/core/drawings';
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeSvg } from '@tesseron/core/format/svg';
import type { Problem } from '@tesseron/core/result';
import { figure, mm } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, shallowRef } from 'vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import LongSelect from '../../parts/LongSelect.vue';
import NumberFields from '../../parts/NumberFields.vue';
import DialFields from './DialFields.vue';
import { indicatorFields, weightFields } from './indicator-fields';
import ReadsFields from './ReadsFields.vue';
import TickBox from '../../parts/TickBox.vue';

/** One hand, dial, globe or body: where it sits, its measures, how it is read, and its file. */
const props = defineProps<{ indicator: Indicator }>();
const { machine, derived, change } = useOpen();
const set = (what: Readonly<Record<string, unknown>>): void =>
  change(`Change ${props.indicator.name || 'an indicator'}`, setIndicator(props.indicator.id, what));
const refused = shallowRef<Problem>();
function level(): void {
  const made = ballsInOnePlane(props.indicator.id)(machine.value);
  refused.value = made.ok ? undefined : made.problem;
  if (made.ok) change('Balls in one plane', () => made.value);
}
const balance = computed(() =>
  props.indicator.kind === 'body'
    ? bodyBalance({ machine: machine.value, sizes: derived.value.layout.sizes }, props.indicator)
    : undefined,
);
const fields = computed(() => indicatorFields(props.indicator, set));
const places = computed(() => [
  ...(props.indicator.kind === 'dial' ? [{ value: GROUND, title: 'stands' }] : []),
  ...arbors(machine.value).map(a => ({ value: a.id, title: nameOf(machine.value, a.id) })),
]);
const axes = computed(() =>
  machine.value.axes.map(a => ({ value: a.id, title: nameOf(machine.value, a.id) })),
);
const dials = computed(() => [
  { value: '', title: 'none: from where it stands at nought' },
  ...machine.value.indicators.flatMap(i => (i.kind === 'dial' ? [{ value: i.id, title: i.name }] : [])),
]);
/** How a hand or an arm can sit on its arbor; undefined for what has no choice. */
const holds = computed(() => {
  const { kind } = props.indicator;
  const has = kind === 'hand' || (kind === 'body' && props.indicator.distance > 0);
  return has
    ? [
        { value: '', title: 'pressed on' },
        ...(kind === 'body' ? [{ value: 'glue', title: 'glued, with a bore that slides' }] : []),
        { value: 'grub screw', title: 'a grub screw in a boss' },
        { value: 'one piece', title: 'one piece with it, printed' },
      ]
    : undefined;
});
const days = computed(() => {
  const hand = machine.value.indicators.find(i => i.kind === 'hand' && i.dial === props.indicator.id);
  const seconds = hand && fullSeconds(hand.reads);
  return seconds === undefined ? undefined : seconds / 86400;
});
function sit(member: string): void {
  const i = props.indicator;
  if (i.kind !== 'dial') set({ member });
  else if (member === GROUND)
    set({ member, axis: i.axis ?? arbors(machine.value).find(a => a.id === i.member)?.axis });
  else set({ member, axis: undefined });
}
const setReads = (reads: Reads | undefined): void => set({ reads });
async function save(kind: 'svg' | 'dxf'): Promise<void> {
  const drawing = indicatorDrawing(derived.value, props.indicator);
  const name = fileName([machine.value.name, props.indicator.name], kind);
  if (kind === 'svg') await saveFile(writeSvg(drawing), name);
  else await saveFile(writeDxf(drawing), name);
}
const remove = (): void =>
  change(`Take ${props.indicator.name || 'an indicator'} away`, removeIndicator(props.indicator.id));
</script>

<template>
  <section class="editor" data-test="indicator-editor">
    <v-text-field
      :model-value="indicator.name"
      label="Name"
      maxlength="120"
      data-test="indicator-name"
      @change="set({ name: ($event.target as HTMLInputElement).value })"
    />
    <div class="fields">
      <LongSelect
        :model-value="indicator.member"
        :items="places"
        :label="indicator.kind === 'dial' ? 'Turns with' : 'On'"
        data-test="indicator-member"
        @update:model-value="sit"
      />
      <LongSelect
        v-if="indicator.kind === 'dial' && indicator.member === GROUND"
        :model-value="indicator.axis"
        :items="axes"
        label="About the axis of"
        @update:model-value="set({ axis: $event })"
      />
      <v-select
        v-if="indicator.kind === 'hand'"
        :model-value="indicator.shape"
        :items="['straight', 'tapered', 'leaf', 'ringed']"
        label="Shape"
        data-test="hand-shape"
        @update:model-value="set({ shape: $event })"
      />
      <NumberFields :fields="fields" />
    </div>
    <v-select
      v-if="indicator.kind === 'hand'"
      :model-value="indicator.dial ?? ''"
      :items="dials"
      label="Read against"
      data-test="hand-dial"
      @update:model-value="set({ dial: $event === '' ? undefined : $event })"
    />
    <TickBox
      v-if="indicator.kind === 'globe'"
      :model-value="indicator.half === true"
      label="one half dark"
      @update:model-value="set({ half: $event ? true : undefined })"
    />
    <v-select
      v-if="holds"
      :model-value="('hold' in indicator && indicator.hold) || ''"
      :items="holds"
      label="How it sits on its arbor"
      data-test="indicator-hold"
      @update:model-value="set({ hold: $event || undefined })"
    />
    <template v-if="indicator.kind === 'body' && indicator.distance > 0">
      <TickBox
        :model-value="indicator.bent === true"
        label="its arm is bent up, at 45°"
        data-test="body-bent"
        @update:model-value="set({ bent: $event ? true : undefined })"
      />
      <TickBox
        :model-value="indicator.weight !== undefined"
        label="a counterweight"
        data-test="body-weight"
        @update:model-value="
          change(
            $event ? 'Balance an arm' : 'Take a counterweight away',
            weigh(derived, indicator.id, $event),
          )
        "
      />
      <div v-if="indicator.weight" class="fields">
        <NumberFields :fields="weightFields(indicator.weight, set)" />
      </div>
      <p v-if="balance" class="quiet" data-test="balance">
        Ball and arm pull with {{ figure(balance.out, 4) }} g·mm, the weight with
        {{ figure(balance.weight, 4) }} g·mm: mass × way of its middle from the axis<template
          v-if="!balance.known"
          >, all as if of 1 g/cm³, as a density is not said</template
        >. In balance at {{ mm(balance.height) }} high.
      </p>
      <p>
        <PlainButton data-test="one-plane" @click="level">All balls of this line in one plane</PlainButton>
      </p>
      <p v-if="refused" class="error-text" role="alert" data-test="not-level">{{ sayProblem(refused) }}</p>
    </template>
    <ReadsFields
      v-if="indicator.kind !== 'dial' || indicator.member !== GROUND"
      :reads="indicator.reads"
      @change="setReads"
    />
    <DialFields v-if="indicator.kind === 'dial'" :dial="indicator" :days="days" @set="set" />
    <p class="acts">
      To cut:
      <PlainButton data-test="indicator-svg" @click="save('svg')">SVG</PlainButton>
      <PlainButton data-test="indicator-dxf" @click="save('dxf')">DXF</PlainButton>
      <PlainButton data-test="indicator-remove" @click="remove">take it away</PlainButton>
    </p>
  </section>
</template>

<style scoped>
.editor {
  border: var(--line);
  padding: 8px 12px;
  margin: 8px 0;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.acts {
  display: flex;
  gap: 14px;
  margin: 8px 0 0;
}
</style>
