<script setup lang="ts">
import type { Rational } from '@tesseron/core/rational';
import { driveWay } from '@tesseron/core/machine';
import { goesToAndFro } from '@tesseron/core/train';
import { sayRate } from '@tesseron/core/words';
import { useElementSize } from '@vueuse/core';
import { computed, nextTick, useTemplateRef } from 'vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import { type Bar, layoutElevation, type Tube } from './elevation';
import { bracketPath, LABEL, scaleOf, shortName } from './elevation-scale';
import JointSigns from './JointSigns.vue';
import { type Drop, useDrag } from './use-drag';
import { useElevationKeys } from './use-elevation-keys';
import { useTypedCount } from './use-typed-count';
import type { Hand } from './use-hand';

/**
 * The arrangement as it stands: lines, arbors, wheels at their layers, meshes, arms; chosen, dragged and typed
 * into.
 */
const props = defineProps<{ hand: Hand }>();
const emit = defineEmits<{
  key: [key: string, shift: boolean];
  count: [wheel: string, text: string];
  layer: [wheel: string, layer: number];
  wheelOn: [wheel: string, target: string];
  wheelOut: [wheel: string];
  arborOn: [arbor: string, target: string];
}>();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
const drawing = computed(() => layoutElevation(props.hand.derived.value));

const scale = computed(() => scaleOf(drawing.value, { width: width.value, height: height.value }));
const px = (x: number): number => scale.value.px(x);
const py = (layer: number): number => scale.value.py(layer);
const barY = (b: Bar): number => scale.value.barY(b);
const barHalf = (b: Bar): number => scale.value.barHalf(b);
const standY = (band: number | undefined): number => scale.value.standY(band);
const labelY = (i: number): number => scale.value.labelY(i);
const wall = (t: Tube): number => (t.inside === 0 ? 0 : 1 + 3 * t.inside);
/** Both walls of a tube in a column, from its upper end down to its lowest layer, or to where the column stands. */
function tubeWalls(
  c: { x: number; band: number | undefined; rod: boolean; tubes: readonly Tube[] },
  t: Tube,
): string {
  const half = scale.value.rise / 2;
  const foot = t.grounded ? standY(c.band) : py(t.from) + half - 2;
  // What comes out at the front: each within a step farther than the one round it.
  const round = t.out ? c.tubes.filter(o => o.out && o.inside > t.inside).length : 0;
  const head = py(t.to) - half + (t.out ? -2 - 4 * round : 2);
  const by = c.rod && t.inside === 0 ? 3 : wall(t);
  const side = (off: number): string => `M${px(c.x) + off} ${head}V${foot}`;
  return side(-by) + side(by);
}
/** The rod that stands in a column, to its highest arbor. */
function rodPath(c: { x: number; band: number | undefined; tubes: readonly Tube[] }): string {
  const top = Math.max(...c.tubes.map(t => t.to));
  return `M${px(c.x)} ${py(top) - scale.value.rise / 2}V${standY(c.band)}`;
}
/** What a reader who cannot see the drawing is told of it. */
const DESCRIPTION =
  'Elevation of the train: lines with their arbors, wheels as bars at their layers, ' +
  'dashes where they mesh, arms as brackets, other joints by their signs above';
const short = (name: string): string => shortName(name, scale.value.letters);

/** A rate as short as the column needs it. */
const said = ({ id, rate }: { readonly id: string; readonly rate: Rational | undefined }): string =>
  goesToAndFro(props.hand.derived.value.train, id)
    ? scale.value.letters < 12
      ? '↔'
      : 'to and fro'
    : sayRate(rate, Math.min(9, scale.value.letters - 2), driveWay(props.hand.derived.value.machine));
const fill = (b: { rate: Rational | undefined }): string =>
  rateColour(b.rate, tokens.value.rate) ?? tokens.value.hairline;
const is = (kind: string, id: string): boolean =>
  props.hand.chosen.value?.kind === kind && props.hand.chosen.value.id === id;
const barLabel = (b: Bar): string => `${b.name}, ${b.open ? 'open' : b.text} teeth, layer ${b.layer + 1}`;
const tubeLabel = (t: Tube): string => `${t.name}, ${said(t)}`;

/** All that can be chosen, by its middle on the drawing, in reading order. */
const spots = computed(() => [
  ...drawing.value.bars.map(b => ({ kind: 'wheel' as const, id: b.id, x: px(b.x), y: barY(b) })),
  ...drawing.value.columns.flatMap(c =>
    c.tubes.map((t, i) => ({ kind: 'member' as const, id: t.id, x: px(c.x), y: labelY(i) })),
  ),
  ...drawing.value.touches.map(t => ({ kind: 'joint' as const, id: t.id, ...middleOf(t) })),
  ...drawing.value.signs.map(s => ({
    ...{ kind: 'joint' as const, id: s.id, x: (px(s.from) + px(s.to)) / 2, y: scale.value.signY(s.row) },
  })),
]);
/** Where a mesh is drawn. */
function middleOf({ a, b }: { readonly a: Bar; readonly b: Bar }): { x: number; y: number } {
  return { x: (px(a.x + a.half) + px(b.x - b.half)) / 2, y: (barY(a) + barY(b)) / 2 };
}
const first = computed(() => props.hand.chosen.value ?? spots.value[0]);
const tabFor = (kind: string, id: string): number =>
  first.value?.kind === kind && first.value.id === id ? 0 : -1;

async function focusOn(kind: string, id: string): Promise<void> {
  await nextTick();
  const found = holder.value?.querySelector<SVGElement>(`[data-kind="${kind}"][data-id="${id}"]`);
  found?.focus({ preventScroll: false });
}
defineExpose({ focusOn });

const { typing, typingAt, startTyping, endTyping } = useTypedCount({
  bar: id => drawing.value.bars.find(b => b.id === id),
  at: bar => ({ x: px(bar.x), y: barY(bar) }),
  take: (wheel, text) => emit('count', wheel, text),
  after: wheel => void focusOn('wheel', wheel),
});

const onKey = useElevationKeys({
  hand: props.hand,
  spots,
  typing: () => typing.value !== undefined,
  start: startTyping,
  layer: (wheel, by) => {
    const bar = drawing.value.bars.find(b => b.id === wheel);
    if (bar) emit('layer', bar.id, bar.layer + by);
  },
  focus: (kind, id) => void focusOn(kind, id),
  key: (key, shift) => emit('key', key, shift),
});

/** A wheel let go: on another, in another layer of its line, or in the open; an arbor: on another. */
function drop({ kind, id, on, x, y }: Drop): void {
  if (kind === 'member') {
    const member = on?.kind === 'wheel' ? drawing.value.bars.find(b => b.id === on.id)?.member : on?.id;
    if (member !== undefined && on?.kind !== 'joint' && member !== id) emit('arborOn', id, member);
    return;
  }
  const bar = drawing.value.bars.find(b => b.id === id);
  if (!bar) return;
  const [column, layer] = [scale.value.columnAt(x), scale.value.layerAt(y)];
  if (on?.kind === 'wheel') emit('wheelOn', id, on.id);
  else if (column !== bar.x) emit('wheelOut', id);
  else if (layer !== bar.layer) emit('layer', id, layer);
}
const { drag, grab, move, release, cancel } = useDrag(holder, props.hand.choose, drop);
</script>

<template>
  <div ref="holder" class="holder">
    <svg
      :width="scale.width"
      :height="scale.height"
      role="group"
      :aria-label="DESCRIPTION"
      data-test="elevation"
      @keydown="onKey"
      @click.self="hand.choose(undefined)"
    >
      <g v-for="n in drawing.layers" :key="n">
        <line
          x1="30"
          :x2="scale.width - 6"
          :y1="py(n - 1 + drawing.lowest) + scale.rise / 2"
          :y2="py(n - 1 + drawing.lowest) + scale.rise / 2"
          class="layer"
        />
        <text x="6" :y="py(n - 1 + drawing.lowest) + 4" class="number">L{{ n + drawing.lowest }}</text>
      </g>
      <g v-for="c in drawing.columns" :key="c.id">
        <path v-if="c.rod" :d="rodPath(c)" class="rod"><title>a rod that stands</title></path>
        <path
          v-for="t in c.tubes"
          :key="t.id"
          :d="tubeWalls(c, t)"
          :class="['axis', { drive: t.drive, slide: t.slide, chosen: is('member', t.id) }]"
        />
        <path
          v-if="c.band === undefined"
          :d="`M${px(c.x) - 12} ${standY(undefined)}h24m-24 0l-4 5m12-5l-4 5m12-5l-4 5m12-5l-4 5`"
          class="ground"
        />
        <text v-if="c.copies > 1" :x="px(c.x) + 8" :y="standY(c.band) - 9" class="number">
          × {{ c.copies }}
        </text>
      </g>
      <g v-for="b in drawing.brackets" :key="b.id">
        <path
          :d="bracketPath(b, scale)"
          class="arm"
          :class="{ chosen: is('member', b.id) }"
          :stroke="fill(b)"
          @click.stop="hand.choose({ kind: 'member', id: b.id })"
        >
          <title>{{ b.name }}, {{ said(b) }}, carries what stands on it</title>
        </path>
      </g>
      <g v-for="m in drawing.touches" :key="m.id + m.a.id + m.b.id">
        <path
          :d="`M${px(m.a.x + m.a.half)} ${barY(m.a)}L${px(m.b.x - m.b.half)} ${barY(m.b)}`"
          :class="['mesh', m.kind, { chosen: is('joint', m.id) }]"
        />
        <path
          :d="`M${px(m.a.x + m.a.half)} ${barY(m.a)}L${px(m.b.x - m.b.half)} ${barY(m.b)}`"
          class="reach"
          role="button"
          :tabindex="tabFor('joint', m.id)"
          :aria-pressed="is('joint', m.id)"
          :aria-label="`Mesh of ${m.a.name} and ${m.b.name}, ${m.kind}`"
          data-kind="joint"
          :data-id="m.id"
          @click.stop="hand.choose({ kind: 'joint', id: m.id })"
          @focus="hand.pick.value || hand.choose({ kind: 'joint', id: m.id })"
        >
          <title>{{ m.a.name }} and {{ m.b.name }}, {{ m.kind }}</title>
        </path>
        <text
          v-if="m.kind !== 'external' && m.kind !== 'internal' && scale.step > 100"
          :x="middleOf(m).x"
          :y="middleOf(m).y - 4"
          text-anchor="middle"
          class="number"
        >
          {{ m.kind }}
        </text>
      </g>
      <JointSigns
        :signs="drawing.signs"
        :scale="scale"
        :chosen="hand.chosen.value?.kind === 'joint' ? hand.chosen.value.id : undefined"
        :tab-for="tabFor"
        @choose="hand.pick.value || hand.choose({ kind: 'joint', id: $event })"
      />
      <g
        v-for="b in drawing.bars"
        :key="b.id"
        class="bar"
        role="button"
        :tabindex="tabFor('wheel', b.id)"
        :aria-pressed="is('wheel', b.id)"
        :aria-label="barLabel(b)"
        data-kind="wheel"
        :data-id="b.id"
        :data-test="`bar-${b.id}`"
        @pointerdown="grab($event, { kind: 'wheel', id: b.id })"
        @pointermove="move"
        @pointerup="release"
        @pointercancel="cancel"
        @dblclick="startTyping(b.id)"
        @focus="hand.pick.value || hand.choose({ kind: 'wheel', id: b.id })"
      >
        <rect
          :x="px(b.x - b.half)"
          :y="barY(b) - barHalf(b)"
          :width="2 * b.half * scale.step"
          :height="2 * barHalf(b)"
          :fill="fill(b)"
          :class="{ chosen: is('wheel', b.id), open: b.open, ring: b.ring }"
        />
        <rect
          :x="px(b.x) - 4.2 * b.text.length - 3"
          :y="barY(b) - barHalf(b) + 1"
          :width="8.4 * b.text.length + 6"
          :height="2 * barHalf(b) - 2"
          class="plate"
        />
        <text :x="px(b.x)" :y="barY(b) + 4.5" text-anchor="middle" class="count">{{ b.text }}</text>
      </g>
      <g v-for="c in drawing.columns" :key="`names ${c.id}`">
        <g
          v-for="(t, i) in c.tubes"
          :key="t.id"
          class="name"
          role="button"
          :tabindex="tabFor('member', t.id)"
          :aria-pressed="is('member', t.id)"
          :aria-label="tubeLabel(t)"
          data-kind="member"
          :data-id="t.id"
          :data-test="`arbor-${t.id}`"
          @pointerdown="grab($event, { kind: 'member', id: t.id })"
          @pointermove="move"
          @pointerup="release"
          @pointercancel="cancel"
          @focus="hand.pick.value || hand.choose({ kind: 'member', id: t.id })"
        >
          <rect
            :x="px(c.x) - scale.step / 2 + 2"
            :y="labelY(i) - 12"
            :width="scale.step - 4"
            :height="LABEL - 1"
            :class="['tag', { chosen: is('member', t.id) }]"
          />
          <text :x="px(c.x)" :y="labelY(i)" text-anchor="middle" :class="['title', { driven: t.drive }]">
            {{ short(t.name) }}
            <title>{{ t.name }}</title>
          </text>
          <text
            :x="px(c.x)"
            :y="labelY(i) + 13"
            text-anchor="middle"
            :class="['rate', { small: scale.step < 84 }]"
          >
            {{ t.held ? 'held' : said(t) }}
          </text>
        </g>
      </g>
      <path
        v-if="drag?.moved"
        :d="`M${drag.from[0]} ${drag.from[1]}L${drag.at[0]} ${drag.at[1]}`"
        class="pull"
      />
    </svg>
    <v-text-field
      v-if="typing"
      ref="field"
      v-model="typing.text"
      class="typed"
      :style="typingAt"
      aria-label="Teeth, or a range such as 12-90 to leave it open"
      data-test="typed-count"
      autocomplete="off"
      variant="plain"
      @keydown.enter.stop="endTyping(true)"
      @keydown.esc.stop="endTyping(false)"
      @keydown.stop
      @blur="endTyping(true)"
    />
  </div>
</template>

<style scoped>
.holder {
  height: 100%;
  overflow: auto;
  position: relative;
}

svg {
  display: block;
  touch-action: pan-x pan-y;
}

text {
  font: 12px var(--figures);
  fill: var(--ink);
  pointer-events: none;
}

.number {
  fill: var(--muted);
}

.layer {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.6;
}

.ground {
  fill: none;
  stroke: var(--muted);
  stroke-width: 0.8;
}

.axis {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}

.axis.slide {
  stroke-dasharray: 8 4;
}

.axis.drive {
  stroke: var(--accent);
  stroke-width: 3.4;
}

.axis.chosen {
  stroke-width: 4;
}

.arm {
  fill: none;
  stroke-width: 5;
  stroke-linecap: square;
  cursor: pointer;
}

.arm.chosen {
  stroke-width: 8;
}

.mesh {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}

.mesh.chain,
.mesh.belt {
  stroke-dasharray: 9 2;
}

.mesh.chosen {
  stroke-width: 3.4;
}

.reach {
  stroke: transparent;
  stroke-width: 13;
  fill: none;
  cursor: pointer;
}

.reach:focus-visible {
  stroke: var(--accent);
  stroke-width: 5;
  outline: none;
}

.rod {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.6;
}

.bar,
.name {
  cursor: grab;
  outline-offset: 2px;
}

.bar rect {
  stroke: var(--ink);
  stroke-width: 0.8;
}

.bar rect.ring {
  stroke-width: 2;
  stroke-dasharray: none;
}

.bar rect.open {
  fill: var(--panel);
  stroke-dasharray: 4 3;
}

.bar rect.chosen {
  stroke-width: 3;
}

.plate,
.bar rect.plate {
  fill: var(--panel);
  stroke: none;
  opacity: 0.86;
}

.count {
  font-size: 14px;
  font-weight: 600;
}

.tag {
  fill: transparent;
}

.tag.chosen {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.4;
}

.title {
  font-family: var(--text);
  font-size: 13px;
}

.rate {
  fill: var(--muted);
}

.rate.small {
  font-size: 10.5px;
}

.driven {
  fill: var(--accent);
  font-weight: 700;
}

.pull {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 2 3;
  pointer-events: none;
}

.typed {
  position: absolute;
  width: 68px;
  height: 28px;
  font: 600 15px var(--figures);
  text-align: center;
  color: var(--ink);
  background: var(--panel);
  border: 2px solid var(--ink);
}
</style>
