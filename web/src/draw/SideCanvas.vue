<script setup lang="ts">
import { type DriveTurns, stancesAt, type Stance } from '@tesseron/core/motion';
import { sideFrame, sideScene } from '@tesseron/core/drawings';
import { fixed, radians } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useOpen } from '../machine/use-open';
import { useClock } from '../run/clock';
import { paintSide, usualRise } from './paint-side';
import { useTheme } from './theme';
import { matchPixels } from './view';
import SlideField from '../parts/SlideField.vue';
import SmallChoice from '../parts/SmallChoice.vue';

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
      <SlideField
        v-model="angleDeg"
        label="seen from"
        :least="0"
        :most="360"
        :step="1"
        :says="`${angleDeg}°`"
        data-test="side-angle"
      />
      <SlideField
        v-if="open"
        v-model="depth"
        label="cut at"
        :least="-reach"
        :most="reach"
        :step="0.5"
        :says="`${fixed(depth, 1)} mm`"
        data-test="side-depth"
      />
      <SmallChoice
        :model-value="rise"
        :items="RISES.map(r => ({ value: r, title: r === 1 ? 'true' : `× ${r}` }))"
        label="heights"
        data-test="side-rise"
        @update:model-value="asked = $event"
      />
      <PlainButton @click="zoom = Math.min(12, zoom * 1.25)">closer</PlainButton>
      <PlainButton @click="zoom = Math.max(0.5, zoom / 1.25)">further</PlainButton>
      <PlainButton @click="zoom = 1">fit</PlainButton>
    </div>
    <slot />
  </div>
</template>
