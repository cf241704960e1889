<script setup lang="ts">
import type { Point } from '@tesseron/core/geometry';
import type { Derived } from '@tesseron/core/state';
import type { LinkScene } from './paint-links';
import { useElementSize } from '@vueuse/core';
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { driveWay } from '@tesseron/core/machine';
import { neg } from '@tesseron/core/rational';
import { indicatorStance } from '@tesseron/core/drawings';
import { type DriveTurns, hasLinks, type Stance, turnsByHand } from '@tesseron/core/motion';
import { groundRate } from '@tesseron/core/train';
import { useOpen } from '../machine/use-open';
import { useClock } from '../run/clock';
import { drawnIndicators } from './indicator-scene';
import { createOutlineCache, drawnWheels, stances, wheelAt, discOf } from './plan-scene';
import { paintPlan, type PlanFrame } from './paint-plan';
import { roomFigure } from './room-figure';
import { useTheme } from './theme';
import { fitDiscs, matchPixels, panBy, type Size, toPlane, toScreen, type View, zoomAt } from './view';
import TickBox from '../parts/TickBox.vue';

const props = defineProps<{
  /** What the drawing shows, for those who do not see it. */
  label: string;
  selected?: string | undefined;
  /** The one layer to show; all when left out. */
  layer?: number | undefined;
  /** A circle of the plane to look at closely, instead of the whole. */
  focus?: { centre: Point; radius: number } | undefined;
  marks?: readonly { member: string; text: string }[];
  /** Whether dragging an arbor swings it; otherwise it only turns the view. */
  swings?: boolean;
  /** Whether hands, dials, globes and bodies are shown. */
  indicators?: boolean;
  /** Whether dragging a wheel turns the machine by hand. */
  turns?: boolean;
}>();
const emit = defineEmits<{
  select: [member: string | undefined];
  swing: [axis: string, angleTo: Point, done: boolean];
  turn: [driveTurns: number];
}>();

const { derived, machine } = useOpen();
const clock = useClock();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const size = useElementSize(holder);
const view = shallowRef<View>();
const touched = ref(false);
/** Names and counts are written unless dials are shown, which they would cover; as the maker likes. */
const asked = ref<boolean>();
const labelled = computed(() => asked.value ?? !(props.indicators && machine.value.indicators.length > 0));
const NO_MARKS: readonly { member: string; text: string }[] = [];
const cache = createOutlineCache();
const wheels = computed(() => drawnWheels(derived.value));
const roomLines = computed(() => roomFigure(derived.value));
const linking = shallowRef<{ readonly linkScene: (derived: Derived) => LinkScene }>();
const linked = computed(() => hasLinks(machine.value));
watch(
  linked,
  async has => {
    if (has) linking.value ??= await import('./paint-links');
  },
  { immediate: true },
);
const links = computed(() => (linked.value ? linking.value?.linkScene(derived.value) : undefined));
const shown = computed(() => (props.indicators ? drawnIndicators(derived.value) : []));
const visible = (layer: number): boolean => props.layer === undefined || props.layer === layer;
// Filled anew for every frame; cleared when another machine is drawn.
const stood = shallowRef(new Map<string, Stance>());
watch(
  () => derived.value.moving,
  () => (stood.value = new Map()),
);
const places = computed(() => stances(derived.value, clock.turns, stood.value));
const shownCounts = computed({ get: () => labelled.value, set: on => (asked.value = on) });
let frame = 0;
let drag:
  { x: number; y: number; axis: string | undefined; held: string | undefined; moved: boolean } | undefined;

const box = computed(() => ({ width: size.width.value, height: size.height.value }));

function fit(): void {
  touched.value = false;
  const discs = props.focus
    ? [props.focus]
    : wheels.value
        .filter(w => visible(w.wheel.layer))
        .flatMap(w => {
          const s = places.value.get(w.place);
          if (!s) return [];
          const disc = discOf(w, s);
          return [{ ...disc, radius: derived.value.extents[w.wheel.id]?.outer ?? disc.radius }];
        });
  const dials = props.focus
    ? []
    : shown.value.flatMap(({ indicator, reach }) => {
        const s = indicatorStance(derived.value, places.value, indicator);
        return s ? [{ centre: s.centre, radius: reach }] : [];
      });
  const around = props.focus
    ? []
    : roomLines.value.lines.flatMap(l => l.points.map(centre => ({ centre, radius: 0 })));
  const rods = props.focus ? [] : (links.value?.swept ?? []);
  view.value = fitDiscs([...discs, ...dials, ...around, ...rods], box.value);
}

function request(): void {
  if (frame === 0) frame = requestAnimationFrame(paint);
}

function paint(): void {
  frame = 0;
  const element = canvas.value;
  const context = element?.getContext('2d');
  if (!element || !context || box.value.width === 0) return;
  const ratio = window.devicePixelRatio || 1;
  matchPixels(element, box.value, ratio);
  if (!view.value) fit();
  if (!view.value) return;
  paintPlan(context, frameOf(places.value, view.value, box.value, ratio, clock.running), cache);
}

/** All that decides a frame, for arbors that stand so. */
function frameOf(
  standing: ReadonlyMap<string, Stance>,
  seen: View,
  room: Size,
  ratio: number,
  running: boolean,
): PlanFrame {
  return {
    ...{ wheels: wheels.value, room: roomLines.value, places: standing, view: seen, size: room, ratio },
    links: links.value,
    tokens: tokens.value,
    driveMember: machine.value.drive?.member,
    way: driveWay(machine.value),
    selected: props.selected,
    visible,
    running: running && !props.focus,
    indicators: shown.value.flatMap(drawn => {
      const stance = indicatorStance(derived.value, standing, drawn.indicator);
      return stance ? [{ drawn, stance }] : [];
    }),
    labelled: labelled.value,
    labelKey: `${props.layer ?? 'all'} ${document.fonts.status}`,
    marks: props.marks ?? NO_MARKS,
  };
}

/** The drawing after some turns of the drive, so many pixels wide, upon a canvas of its own. */
function frameAt(turns: DriveTurns, on: CanvasRenderingContext2D): void {
  const { width, height } = on.canvas;
  if (!view.value) fit();
  if (!view.value) return;
  const bigger = width / Math.max(1, box.value.width);
  const seen = { ...view.value, scale: view.value.scale * bigger };
  paintPlan(on, frameOf(stances(derived.value, turns), seen, { width, height }, 1, false), cache);
}

const at = (event: { offsetX: number; offsetY: number }): Point => ({ x: event.offsetX, y: event.offsetY });

function down(event: PointerEvent): void {
  if (!view.value) return;
  const p = toPlane(view.value, box.value, at(event));
  const hit = wheelAt(wheels.value, places.value, p, visible);
  emit('select', hit?.wheel.member);
  drag = {
    ...{ x: event.offsetX, y: event.offsetY, moved: false },
    axis: props.swings ? hit?.axis || undefined : undefined,
    held: props.turns ? hit?.wheel.member : undefined,
  };
  canvas.value?.setPointerCapture(event.pointerId);
}

function move(event: PointerEvent): void {
  if (!drag || !view.value) return;
  const [dx, dy] = [event.offsetX - drag.x, event.offsetY - drag.y];
  if (!drag.moved && Math.hypot(dx, dy) < 4) return;
  if (drag.axis !== undefined) {
    emit('swing', drag.axis, toPlane(view.value, box.value, at(event)), false);
    drag = { ...drag, moved: true };
    return;
  }
  if (drag.held !== undefined) turnBy(drag.held, drag, event);
  else {
    touched.value = true;
    view.value = panBy(view.value, dx, dy);
  }
  drag = { ...drag, x: event.offsetX, y: event.offsetY, moved: true };
}

/** Turns the machine as far as a wheel is pulled round its centre. */
function turnBy(member: string, from: { x: number; y: number }, event: PointerEvent): void {
  const rate = groundRate(machine.value, derived.value.train.rates, member);
  const stance = places.value.get(member);
  if (!rate || !stance || !view.value) return;
  const [p, q] = [from, at(event)].map(s => toPlane(view.value as View, box.value, s)) as [Point, Point];
  emit('turn', turnsByHand(driveWay(machine.value) < 0 ? neg(rate) : rate, stance.centre, p, q));
}

function up(event: PointerEvent): void {
  if (drag?.axis !== undefined && drag.moved && view.value)
    emit('swing', drag.axis, toPlane(view.value, box.value, at(event)), true);
  drag = undefined;
}

function zoom(factor: number, where = { x: box.value.width / 2, y: box.value.height / 2 }): void {
  if (!view.value) return;
  touched.value = true;
  view.value = zoomAt(view.value, box.value, where, factor);
}

function key(event: KeyboardEvent): void {
  const steps: Record<string, () => void> = {
    '+': () => zoom(1.25),
    '=': () => zoom(1.25),
    '-': () => zoom(0.8),
    '0': () => fit(),
    ArrowLeft: () => nudge(40, 0),
    ArrowRight: () => nudge(-40, 0),
    ArrowUp: () => nudge(0, 40),
    ArrowDown: () => nudge(0, -40),
  };
  const act = steps[event.key];
  if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  event.stopPropagation();
  act();
}

function nudge(dx: number, dy: number): void {
  if (!view.value) return;
  touched.value = true;
  view.value = panBy(view.value, dx, dy);
}

watch(
  () => [props.focus?.centre.x, props.focus?.centre.y, props.focus?.radius, props.layer],
  () => fit(),
);
watch(
  [
    () => machine.value.wheels.length + machine.value.joints.length,
    () => machine.value.layout,
    () => machine.value.indicators,
    linking,
    box,
  ],
  () => {
    if (!touched.value) fit();
  },
);
watch(
  [
    derived,
    links,
    () => clock.turns,
    () => clock.running,
    view,
    box,
    tokens,
    () => [props.selected, props.layer, props.marks, props.indicators, labelled.value],
  ],
  request,
);
onMounted(() => {
  request();
  void document.fonts.ready.then(request);
});
onBeforeUnmount(() => cancelAnimationFrame(frame));
defineExpose({
  frameAt,
  shape: () => box.value,
  toScreen: (p: Point) => (view.value ? toScreen(view.value, box.value, p) : undefined),
});
</script>

<template>
  <div ref="holder" class="drawn">
    <canvas
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="label"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="drag = undefined"
      @wheel.prevent="zoom(Math.exp(-$event.deltaY * 0.0015), at($event))"
      @keydown="key"
    />
    <div class="drawn-controls">
      <TickBox v-if="indicators" v-model="shownCounts" label="counts" data-test="plan-counts" />
      <PlainButton @click="zoom(1.25)">closer</PlainButton>
      <PlainButton @click="zoom(0.8)">further</PlainButton>
      <PlainButton @click="fit">fit</PlainButton>
    </div>
    <slot />
  </div>
</template>

<style scoped>
canvas {
  touch-action: none;
  cursor: grab;
}
</style>
