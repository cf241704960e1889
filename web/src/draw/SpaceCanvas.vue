<script setup lang="ts">
import { stancesAt, type Stance } from '@tesseron/core/motion';
import type { SpaceGroup, SpaceItem } from '@tesseron/core/solid';
import { fixed } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import WorkBar from '../parts/WorkBar.vue';
import { fileName } from '@tesseron/core/drawings';
import { saveFile } from '../keep';
import { useOpen } from '../machine/use-open';
import { useClock } from '../run/clock';
import { useMake } from '../worker/use-make';
import type { MakeAnswers } from '@tesseron/core/archive';
import { rateColour } from './rate-colour';
import { type SpaceView } from './space-view';
import { useTheme } from './theme';
import TickBox from '../parts/TickBox.vue';
import SlideField from '../parts/SlideField.vue';

/** The whole machine in space as it turns: drawn apart, cut open, and with what hides the inside taken away. */
const { machine, derived } = useOpen();
const clock = useClock();
const maker = useMake();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const size = useElementSize(holder);
const GROUPS: readonly SpaceGroup[] = [
  'back plate',
  'front plate',
  'dials and hands',
  'arms',
  'arbors',
  'wheels',
];
const hidden = ref<readonly string[]>([]);
const apart = ref(0);
const open = ref(false);
const depth = ref(0);
const problem = ref('');
const made = shallowRef<MakeAnswers['space']>();
const view = shallowRef<SpaceView>();
const groups = computed(() => GROUPS.filter(g => made.value?.scene.items.some(i => i.group === g)));
const layers = computed(() =>
  [...new Set(made.value?.scene.items.flatMap(i => i.layer ?? []) ?? [])].sort((a, b) => b - a),
);
const reach = computed(() => Math.ceil(made.value?.scene.reach ?? 1));
let frame = 0;
let stood = new Map<string, Stance>();

function request(): void {
  if (frame === 0) frame = requestAnimationFrame(paint);
}
function paint(): void {
  frame = 0;
  const v = view.value;
  if (!v || size.width.value === 0) return;
  v.place(stancesAt(derived.value.moving, clock.turns, stood));
  v.render();
}
const colourOf = (item: SpaceItem): string => {
  if (item.group === 'dials and hands') return item.member ? tokens.value.accent : tokens.value.panel;
  const rate = item.member === undefined ? undefined : derived.value.train.rates[item.member];
  if (item.group === 'arbors') return tokens.value.muted;
  return rateColour(rate, tokens.value.rate) ?? tokens.value.hairline;
};

async function build(): Promise<void> {
  const answer = await maker.make({ task: 'space', machine: machine.value });
  if (!answer || !canvas.value) return;
  made.value = answer;
  const { spaceView } = await import('./space-view');
  view.value?.dispose();
  try {
    view.value = spaceView(canvas.value, answer.scene, answer.bodies, request);
  } catch {
    problem.value = 'This browser draws no 3D here: WebGL is off. Plan and elevation show the same machine.';
    return;
  }
  stood = new Map();
  look();
  paintColours();
  view.value.resize(size.width.value, size.height.value);
  view.value.place(stancesAt(derived.value.moving, clock.turns, stood));
  view.value.fit();
  request();
}
function look(): void {
  view.value?.setLook({
    apart: apart.value,
    cut: open.value ? depth.value : undefined,
    hidden: new Set(hidden.value),
  });
  request();
}
function paintColours(): void {
  view.value?.colour(colourOf, tokens.value.ground);
  request();
}
const toggle = (what: string): void => {
  hidden.value = hidden.value.includes(what) ? hidden.value.filter(h => h !== what) : [...hidden.value, what];
};
async function picture(): Promise<void> {
  const blob = await view.value?.picture();
  if (blob) await saveFile(blob, fileName([machine.value.name, 'in space'], 'png'));
}
watch([apart, open, depth, hidden], look);
watch(tokens, paintColours);
watch(() => clock.turns, request);
watch([size.width, size.height], () => {
  view.value?.resize(size.width.value, size.height.value);
  request();
});
watch(machine, () => void build());
onMounted(() => void build());
onBeforeUnmount(() => {
  cancelAnimationFrame(frame);
  view.value?.dispose();
});
</script>

<template>
  <div ref="holder" class="drawn">
    <canvas
      ref="canvas"
      role="img"
      :aria-label="`${machine.name} in space; drag to turn it, roll to come closer`"
      :data-triangles="view?.triangles"
      data-test="space"
    />
    <div v-if="maker.making.value" class="over" role="status">
      <p>Making bodies</p>
      <WorkBar :work="maker" label="Bodies made" cancel-test="space-cancel" />
    </div>
    <div v-else-if="!view" class="over">
      <WorkBar :work="maker" label="Bodies made" />
      <p v-if="problem || !maker.problem.value">{{ problem || 'Nothing is drawn yet.' }}</p>
      <v-btn v-if="!problem" @click="build()">Draw it</v-btn>
    </div>
    <div class="drawn-controls">
      <SlideField v-model="apart" label="apart" :least="0" :most="1" :step="0.02" data-test="space-apart" />
      <TickBox v-model="open" label="cut open" data-test="space-open" />
      <SlideField
        v-if="open"
        v-model="depth"
        label="at"
        :least="-reach"
        :most="reach"
        :step="0.5"
        :says="`${fixed(depth, 1)} mm`"
      />
      <PlainButton @click="(view?.fit(), request())">fit</PlainButton>
      <PlainButton data-test="space-picture" @click="picture">PNG</PlainButton>
    </div>
    <fieldset v-if="view" class="shown">
      <legend>Shown</legend>
      <TickBox
        v-for="g in groups"
        :key="g"
        :model-value="!hidden.includes(g)"
        :label="g"
        :data-test="`space-${g}`"
        @update:model-value="toggle(g)"
      />
      <TickBox
        v-for="l in layers"
        :key="l"
        class="layer"
        :model-value="!hidden.includes(`layer ${l}`)"
        :label="`layer ${l + 1}`"
        @update:model-value="toggle(`layer ${l}`)"
      />
    </fieldset>
  </div>
</template>

<style scoped>
canvas {
  touch-action: none;
}

.over {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
  justify-items: center;
  gap: 8px;
  pointer-events: none;
}

.over > * {
  pointer-events: auto;
}

.shown {
  position: absolute;
  left: 12px;
  top: 8px;
  border: 0;
  padding: 0;
  margin: 0;
  font-size: 14px;
  max-height: calc(100% - 70px);
  overflow: auto;
}

.shown legend {
  color: var(--muted);
  font-size: 13px;
}

.layer {
  padding-left: 18px;
}
</style>
