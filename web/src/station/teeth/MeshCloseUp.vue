<script setup lang="ts">
import { closeUp, type Engagement } from '@tesseron/core/mesh';
import { mm } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { closeUpScene, contactWay, transformOfB } from './close-up';
import { useLater } from '../../parts/use-later';
import SlideField from '../../parts/SlideField.vue';

const props = defineProps<{
  engagement: Engagement;
  chordError: number;
  /** How far the first wheel has turned by the clock, radians. */
  clockAngle: number;
  names: readonly [string, string];
  colours: readonly [string, string];
}>();
const by = defineModel<number>({ required: true });
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
const enlarged = ref(1);
const scene = computed(() => closeUpScene(props.engagement, props.chordError));
const way = useLater(
  () => [scene.value, props.chordError] as const,
  function* ([at, chordError]) {
    return at ? yield* contactWay(at, chordError) : [];
  },
);
const t = computed(() => props.clockAngle + by.value);
const now = computed(() => (scene.value ? closeUp(scene.value.ready, t.value, props.chordError) : undefined));
const span = computed(() => (scene.value?.look.span ?? 1) / enlarged.value);
const scale = computed(() => Math.max(1, Math.min(width.value, height.value * 1.25)) / span.value);
const view = computed(() => {
  const p = scene.value?.look.centre ?? { x: 0, y: 0 };
  const [w, h] = [width.value / scale.value, height.value / scale.value];
  return `${p.x - w / 2} ${-h / 2} ${w} ${h}`;
});
const px = computed(() => 1 / scale.value);
const label = computed(() => {
  const n = now.value;
  return (
    `The mesh of ${props.names[0]} and ${props.names[1]}, enlarged: ` +
    `${n?.contacts.length ?? 0} places of contact, play ${mm(n?.play ?? 0, 3)}. Arrow ` +
    'keys or dragging roll it.'
  );
});
let from: { y: number; by: number } | undefined;

function down(event: PointerEvent): void {
  from = { y: event.clientY, by: by.value };
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
}
function move(event: PointerEvent): void {
  if (!from || !scene.value) return;
  by.value = from.by + (from.y - event.clientY) / scale.value / scene.value.radiusA;
}
function key(event: KeyboardEvent): void {
  const way =
    event.key === 'ArrowUp' || event.key === 'ArrowRight'
      ? 1
      : event.key === 'ArrowDown' || event.key === 'ArrowLeft'
        ? -1
        : 0;
  if (way === 0 || !scene.value) return;
  event.preventDefault();
  by.value += (way * scene.value.pitch) / 40;
}
</script>

<template>
  <div ref="holder" class="close">
    <svg
      v-if="scene && width > 0"
      role="img"
      :aria-label="label"
      :viewBox="view"
      tabindex="0"
      data-test="close-up"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="from = undefined"
      @keydown="key"
    >
      <g transform="scale(1 -1)">
        <path
          :d="scene.a"
          :transform="`rotate(${((now?.angleA ?? 0) * 180) / Math.PI})`"
          :fill="colours[0]"
          class="body"
        />
        <path
          :d="scene.b"
          :transform="transformOfB(scene, now?.placeB ?? 0)"
          :fill="colours[1]"
          class="body"
        />
        <circle :r="scene.radiusA" class="pitch" />
        <circle v-if="scene.radiusB > 0" :cx="scene.centreB.x" :r="scene.radiusB" class="pitch" />
        <line v-else :x1="scene.radiusA" :x2="scene.radiusA" :y1="-span * 2" :y2="span * 2" class="pitch" />
        <line :x1="-1e4" :x2="1e4" y1="0" y2="0" class="centres" />
        <circle v-for="(p, i) in way ?? []" :key="i" :cx="p.x" :cy="p.y" :r="1.4 * px" class="way" />
        <circle :cx="scene.pitchPoint.x" cy="0" :r="4 * px" class="point" />
        <template v-if="now">
          <circle
            v-for="(p, i) in now.contacts"
            :key="`c${i}`"
            :cx="p.x"
            :cy="p.y"
            :r="5 * px"
            class="contact"
          />
          <circle v-if="now.backAt" :cx="now.backAt.x" :cy="now.backAt.y" :r="7 * px" class="gap" />
        </template>
      </g>
      <g v-if="now" :font-size="13 * px" class="words">
        <text v-for="(p, i) in now.contacts" :key="`n${i}`" :x="p.x + 9 * px" :y="-p.y - 6 * px">
          {{ i + 1 }}
        </text>
        <text v-if="now.backAt" :x="now.backAt.x + 11 * px" :y="-now.backAt.y + 4 * px">
          {{ now.play >= 0 ? `gap ${mm(now.gap, 3)}` : `overlap ${mm(-now.gap, 3)}` }}
        </text>
      </g>
    </svg>
    <p v-else-if="!scene" class="none">These teeth do not reach each other as they stand.</p>
    <p class="said" aria-hidden="true">
      <span class="figure">{{ now?.contacts.length ?? 0 }}</span> in contact, play
      <span class="figure" data-test="play-here">{{ mm(now?.play ?? 0, 3) }}</span>
    </p>
    <SlideField v-model="enlarged" label="Enlarge" :least="0.4" :most="8" :step="0.1" data-test="enlarge" />
    <p class="key">
      <span class="mark contact" /> contact <span class="mark way" /> where contact runs
      <span class="mark gap" /> play
    </p>
  </div>
</template>

<style scoped>
.close {
  position: relative;
  height: 100%;
  min-height: 0;
  overflow: hidden;
}

svg {
  width: 100%;
  height: 100%;
  touch-action: none;
  cursor: grab;
}

svg * {
  vector-effect: non-scaling-stroke;
}

.body {
  stroke: var(--ink);
  stroke-width: 1.2;
  fill-opacity: 0.5;
}

.pitch {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.7;
  stroke-dasharray: 7 3 1.5 3;
}

.centres {
  stroke: var(--muted);
  stroke-width: 0.5;
}

.way {
  fill: var(--muted);
}

.point {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}

.contact {
  fill: var(--accent);
}

.gap {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.4;
  stroke-dasharray: 3 2;
}

.words text {
  font-family: var(--figures);
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--ground);
  stroke-width: 3px;
}

.said,
.key,
.enlarge {
  position: absolute;
  margin: 0;
  font-size: 13px;
}

.said {
  top: 10px;
  left: 14px;
}

.key {
  bottom: 8px;
  left: 14px;
  color: var(--muted);
}

.enlarge {
  top: 8px;
  right: 14px;
  display: flex;
  gap: 8px;
  align-items: center;
}

.mark {
  display: inline-block;
  width: 9px;
  height: 9px;
  border-radius: 50%;
  margin: 0 2px 0 10px;
}

.mark.contact {
  background: var(--accent);
  margin-left: 0;
}

.mark.way {
  background: var(--muted);
  width: 4px;
  height: 4px;
  vertical-align: 2px;
}

.mark.gap {
  border: 1.4px dashed var(--accent);
}

.none {
  display: grid;
  place-content: center;
  height: 100%;
}
</style>
