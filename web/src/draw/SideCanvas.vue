<script setup lang="ts">
import { type DriveTurns, stancesAt, type Stance } from '@tesseron/core/motion';
import { sideFrame, sideScene } from '@tesseron/core/output';
import { fixed, radians } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useOpen } from '../machine/use-open';
import { useClock } from '../run/clock';
import { paintSide, usualRise } from './paint-side';
import { useTheme } from './theme';
import { matchPixels } from './view';

/** The machine from the side as it turns; cut open at a depth, with what lies before the cut taken away. */
const props = defineProps<{ label: string; open: boolean }>();
const angleDeg = defineModel<number>('angleDeg', { required: true });
const depth = defineModel<number>('depth', { required: true });
const { derived } = useOpen();
const clock = useClock();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const size = useElementSize(holder);
const zoom = ref(1);
const asked = ref<number>();
const RISES = [1, 2, 3, 4, 6] as const;
const scene = computed(() => sideScene(derived.value));
const room = computed(() => ({ width: size.width.value, height: size.height.value }));
const rise = computed(() => asked.value ?? usualRise(scene.value, room.value, RISES));
const reach = computed(() => Math.ceil(scene.value.reach));
const view = computed(() => ({
  angle: radians(angleDeg.value),
  cut: props.open ? Math.min(reach.value, Math.max(-reach.value, depth.value)) : undefined,
}));
const stood = shallowRef(new Map<string, Stance>());
watch(
  () => derived.value.moving,
  () => (stood.value = new Map()),
);
let frame = 0;

function request(): void {
  if (frame === 0) frame = requestAnimationFrame(paint);
}
function paint(): void {
  frame = 0;
  const element = canvas.value;
  const context = element?.getContext('2d');
  if (!element || !context || room.value.width === 0) return;
  const ratio = window.devicePixelRatio || 1;
  matchPixels(element, room.value, ratio);
  draw(context, stancesAt(derived.value.moving, clock.turns, stood.value), room.value, ratio);
}

function draw(
  context: CanvasRenderingContext2D,
  places: ReadonlyMap<string, Stance>,
  room: { readonly width: number; readonly height: number },
  ratio: number,
): void {
  paintSide(context, {
    ...{ scene: scene.value, view: view.value, size: room, ratio, zoom: zoom.value, rise: rise.value },
    ...{ tokens: tokens.value, rates: derived.value.train.rates },
    rects: sideFrame(scene.value, view.value, places, derived.value.positions.at),
  });
}

/** The same after some turns of the drive, upon a canvas of its own. */
const frameAt = (turns: DriveTurns, on: CanvasRenderingContext2D): void =>
  draw(on, stancesAt(derived.value.moving, turns), on.canvas, 1);
watch([scene, () => clock.turns, view, room, tokens, zoom, rise], request);
onMounted(() => {
  request();
  void document.fonts.ready.then(request);
});
onBeforeUnmount(() => cancelAnimationFrame(frame));
defineExpose({ frameAt, shape: () => room.value });
</script>

<template>
  <div ref="holder" class="drawn">
    <canvas ref="canvas" role="img" :aria-label="label" />
    <div class="drawn-controls">
      <label>
        seen from
        <input v-model.number="angleDeg" type="range" min="0" max="360" step="1" data-test="side-angle" />
        <span class="figure">{{ angleDeg }}°</span>
      </label>
      <label v-if="open">
        cut at
        <input
          v-model.number="depth"
          type="range"
          :min="-reach"
          :max="reach"
          step="0.5"
          data-test="side-depth"
        />
        <span class="figure wide">{{ fixed(depth, 1) }} mm</span>
      </label>
      <label>
        heights
        <select
          :value="rise"
          data-test="side-rise"
          @change="asked = Number(($event.target as HTMLSelectElement).value)"
        >
          <option v-for="r in RISES" :key="r" :value="r">{{ r === 1 ? 'true' : `× ${r}` }}</option>
        </select>
      </label>
      <button type="button" class="plain" @click="zoom = Math.min(12, zoom * 1.25)">closer</button>
      <button type="button" class="plain" @click="zoom = Math.max(0.5, zoom / 1.25)">further</button>
      <button type="button" class="plain" @click="zoom = 1">fit</button>
    </div>
    <slot />
  </div>
</template>

<style scoped>
.drawn-controls label {
  display: flex;
  align-items: center;
  gap: 6px;
}

.drawn-controls input {
  width: 110px;
  accent-color: var(--accent);
}

.figure {
  min-width: 36px;
}

.wide {
  min-width: 66px;
}

select {
  font: inherit;
  color: var(--ink);
  background: var(--panel);
  border: var(--line);
}
</style>
