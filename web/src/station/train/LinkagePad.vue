<script setup lang="ts">
import type { Point } from '@tesseron/core/geometry';
import type { LinkageFound } from '@tesseron/core/linkage';
import { computed, ref, useTemplateRef } from 'vue';
import { linkageDrawing } from './linkage-drawing';

/** The wanted path, its points pulled, set and taken away; over it the linkage that is looked at, as it turns. */
const props = defineProps<{
  points: readonly Point[];
  closed: boolean;
  found: LinkageFound | undefined;
  angle: number;
}>();
const emit = defineEmits<{ set: [points: Point[]] }>();
const svg = useTemplateRef<SVGSVGElement>('svg');
const pulled = ref<{ readonly at: number; readonly to: Point }>();
const shown = computed(() => props.points.map((p, i) => (pulled.value?.at === i ? pulled.value.to : p)));
const drawing = computed(() => linkageDrawing(props.points, props.found, props.angle));
const line = computed(
  () =>
    `M${shown.value.map(p => `${p.x.toFixed(3)} ${(-p.y).toFixed(3)}`).join('L')}${props.closed ? 'Z' : ''}`,
);
const short = (x: number): number => Math.round(x * 100) / 100;

function place(event: PointerEvent | MouseEvent): Point {
  const to = svg.value?.getScreenCTM()?.inverse();
  if (!to) return { x: 0, y: 0 };
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(to);
  return { x: short(at.x), y: short(-at.y) };
}
function take(event: PointerEvent, at: number): void {
  const p = props.points[at];
  if (!p) return;
  (event.target as Element).setPointerCapture(event.pointerId);
  pulled.value = { at, to: p };
}
function pull(event: PointerEvent): void {
  if (pulled.value) pulled.value = { ...pulled.value, to: place(event) };
}
function drop(): void {
  if (!pulled.value) return;
  const next = [...shown.value];
  pulled.value = undefined;
  emit('set', next);
}
const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] } as const;

/** Arrows move a point by a hundredth of the picture; Delete takes it away. */
function onKey(event: KeyboardEvent, at: number): void {
  const p = props.points[at];
  if (!p) return;
  if (event.key === 'Delete')
    emit(
      'set',
      props.points.filter((_, i) => i !== at),
    );
  else if (event.key in step) {
    const [right, up] = step[event.key as keyof typeof step];
    const by = drawing.value.width / 100;
    const moved = { x: short(p.x + right * by), y: short(p.y + up * by) };
    emit(
      'set',
      props.points.map((q, i) => (i === at ? moved : q)),
    );
  } else return;
  event.preventDefault();
  event.stopPropagation();
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="drawing.view"
    role="group"
    aria-label="The wanted path; the rows beside it say the same"
    data-test="linkage-pad"
    @dblclick="emit('set', [...points, place($event)])"
  >
    <path v-if="points.length > 0" class="wanted" :d="line" />
    <path v-if="drawing.path" class="path" :d="drawing.path" data-test="linkage-path" />
    <path v-for="(b, i) in drawing.bars" :key="i" class="bar" :d="b" />
    <circle
      v-for="(p, i) in drawing.pins"
      :key="i"
      class="pin"
      :cx="p.x"
      :cy="-p.y"
      :r="drawing.width / 150"
    />
    <rect
      v-for="(a, i) in drawing.axes"
      :key="i"
      class="axis"
      :x="a.x - drawing.width / 90"
      :y="-a.y - drawing.width / 90"
      :width="drawing.width / 45"
      :height="drawing.width / 45"
    />
    <rect
      v-for="(p, i) in shown"
      :key="i"
      class="handle"
      :x="p.x - drawing.width / 120"
      :y="-p.y - drawing.width / 120"
      :width="drawing.width / 60"
      :height="drawing.width / 60"
      role="button"
      tabindex="0"
      :aria-label="`Place ${i + 1}: ${p.x}, ${p.y} mm`"
      :data-test="`linkage-handle-${i}`"
      @pointerdown="take($event, i)"
      @pointermove="pull"
      @pointerup="drop"
      @pointercancel="drop"
      @keydown="onKey($event, i)"
      @dblclick.stop
    />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 320px;
  display: block;
  touch-action: none;
  border: 1px solid rgb(var(--v-theme-hairline));
}

path,
rect,
circle {
  vector-effect: non-scaling-stroke;
}

.wanted {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1;
  stroke-dasharray: 5 4;
}

.path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}

.bar {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linejoin: round;
}

.pin {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.axis {
  fill: var(--ink);
}

.handle {
  fill: var(--panel);
  stroke: var(--muted);
  stroke-width: 1.4;
  cursor: grab;
}
</style>
