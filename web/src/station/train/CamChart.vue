<script setup lang="ts">
import type { CamMotion } from '@tesseron/core/cam';
import { addPoint, type CamPoints, dropPoint, setPoint, setSegment } from '@tesseron/core/edit';
import { useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { camChart } from './cam-chart';

/** The motion of a cam over its turn; its points and the lifts of its segments are pulled, points are set and taken. */
const props = defineProps<{ motion: CamMotion; unit: string; turned: number }>();
const emit = defineEmits<{ set: [motion: CamMotion] }>();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
/** The motion while a handle is pulled. */
const pulled = ref<CamMotion>();
const held = ref<number>();
const shown = computed(() => pulled.value ?? props.motion);
const chart = computed(() =>
  width.value > 0 ? camChart(shown.value, width.value, height.value) : undefined,
);
const short = (x: number): number => Math.round(x * 100) / 100;

function place(event: PointerEvent | MouseEvent): readonly [number, number] {
  const box = holder.value?.getBoundingClientRect();
  const [deg, lift] = chart.value?.at(event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)) ?? [
    0, 0,
  ];
  return [short(Math.min(360, Math.max(0, deg))), short(lift)];
}

/** The motion with a handle at another place: a segment's end keeps its angle. */
function moved(motion: CamMotion, at: number, [deg, lift]: readonly [number, number]): CamMotion {
  if (motion.kind === 'points') return setPoint(motion, at, [deg, lift]);
  return motion.kind === 'segments' ? setSegment(motion, at, { to: lift }) : motion;
}

function take(event: PointerEvent, at: number): void {
  held.value = at;
  (event.target as Element).setPointerCapture(event.pointerId);
}
function pull(event: PointerEvent): void {
  if (held.value !== undefined) pulled.value = moved(props.motion, held.value, place(event));
}
function drop(): void {
  const made = pulled.value;
  held.value = undefined;
  pulled.value = undefined;
  if (made) emit('set', made);
}
const canAdd = computed(() => props.motion.kind === 'points');
const onPoints = (change: (m: CamPoints) => CamPoints): void => {
  if (props.motion.kind === 'points') emit('set', change(props.motion));
};
const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as const;

/** Arrows move a handle by a degree and by a hundredth of the chart; Delete takes a point away. */
function onKey(event: KeyboardEvent, at: number): void {
  const c = chart.value;
  const handle = c?.handles[at];
  if (!c || !handle) return;
  if (event.key === 'Delete' && canAdd.value) onPoints(m => dropPoint(m, at));
  else if (event.key in step) {
    const [right, up] = step[event.key as keyof typeof step];
    const [deg, lift] = c.at(handle.x, handle.y - (up * height.value) / 100);
    emit('set', moved(props.motion, at, [short(deg) + right, short(lift)]));
  } else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <div ref="holder" class="holder">
    <svg
      v-if="chart"
      role="group"
      :aria-label="`Lift in ${unit} over a turn of the cam; the table beside it says the same`"
      data-test="cam-chart"
      @dblclick="canAdd && onPoints(m => addPoint(m, place($event)))"
    >
      <g v-for="t in chart.lifts" :key="t.text" class="grid">
        <line x1="46" :x2="width - 22" :y1="t.y" :y2="t.y" />
        <text x="40" :y="t.y + 4" text-anchor="end">{{ t.text }}</text>
      </g>
      <text
        v-for="t in chart.degrees"
        :key="t.text"
        class="tick"
        :x="t.x"
        :y="height - 7"
        text-anchor="middle"
      >
        {{ t.text }}
      </text>
      <line class="zero" x1="46" :x2="width - 22" :y1="chart.zero" :y2="chart.zero" />
      <path class="rate" :d="chart.rate" />
      <path class="lift" :d="chart.lift" />
      <line class="now" :x1="chart.xOf(turned)" :x2="chart.xOf(turned)" y1="10" :y2="height - 22" />
      <rect
        v-for="(h, i) in chart.handles"
        :key="i"
        class="handle"
        :x="h.x - 5"
        :y="h.y - 5"
        width="10"
        height="10"
        role="button"
        tabindex="0"
        :aria-label="`Place ${i + 1}: ${chart
          .at(h.x, h.y)
          .map(v => v.toFixed(2))
          .join(', ')}`"
        :data-test="`cam-handle-${i}`"
        @pointerdown="take($event, i)"
        @pointermove="pull"
        @pointerup="drop"
        @pointercancel="drop"
        @keydown="onKey($event, i)"
      />
      <text class="tick" :x="width - 24" y="12" text-anchor="end">
        lift, {{ unit }}; thin: how fast it changes
      </text>
    </svg>
  </div>
</template>

<style scoped>
.holder {
  width: 100%;
  height: 240px;
}

svg {
  width: 100%;
  height: 100%;
  display: block;
  touch-action: none;
}

.grid line {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.7;
}

.grid text,
.tick {
  fill: var(--muted);
  font-size: 12px;
  font-family: var(--figures);
}

.zero {
  stroke: var(--ink);
  stroke-width: 0.8;
}

.lift,
.rate {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}

.rate {
  stroke: var(--muted);
  stroke-width: 0.9;
}

.now {
  stroke: var(--accent);
  stroke-width: 1;
}

.handle {
  fill: var(--panel);
  stroke: var(--accent);
  stroke-width: 1.6;
  cursor: grab;
}
</style>
