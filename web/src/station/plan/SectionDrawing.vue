<script setup lang="ts">
import { layoutOf } from '@tesseron/core/derive';
import { moveToLayer } from '@tesseron/core/edit';
import { type Cut, sectionThrough } from '@tesseron/core/layout';
import { byId } from '@tesseron/core/machine';
import { fixed } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import { useOpen } from '../../machine/use-open';
import { RISES, sectionScale } from './section-scale';
import SmallChoice from '../../parts/SmallChoice.vue';

/** A section through chosen axes, to scale; a wheel is dragged, or moved by its arrow keys, to another layer. */
const props = defineProps<{ axes: readonly string[] }>();
const { machine, derived, attempt } = useOpen();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const drawing = useTemplateRef<SVGSVGElement>('drawing');
const room = useElementSize(holder);
const zoom = ref(1);
const rise = ref<number>();
const section = computed(() =>
  sectionThrough(
    { ...layoutOf(derived.value), plates: derived.value.layout.plates, pieces: derived.value.layout.pieces },
    props.axes,
  ),
);
const scale = computed(() =>
  sectionScale(
    section.value,
    derived.value.layout.stack,
    { width: room.width.value, height: room.height.value },
    zoom.value,
    rise.value,
  ),
);
const px = (x: number): number => scale.value.px(x);
const py = (z: number): number => scale.value.py(z);
const wide = computed(() => room.width.value * zoom.value);
const ORDER: readonly Cut['kind'][] = [
  'plate',
  'pillar',
  'foot',
  'column',
  'base',
  'bearing',
  'arm',
  'ring',
  'wheel',
  'spacer',
  'washers',
  'tube',
  'rod',
];
const cuts = computed(() =>
  [...section.value.cuts].sort((a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind)),
);
const fill = (c: Cut): string => {
  const rate = c.member === undefined ? undefined : derived.value.train.rates[c.member];
  const turning = c.kind === 'wheel' || c.kind === 'ring' || c.kind === 'arm' || c.kind === 'tube';
  if (STANDING.has(c.kind)) return 'url(#hatch)';
  return (turning ? rateColour(rate, tokens.value.rate) : undefined) ?? tokens.value.panel;
};
const STANDING: ReadonlySet<Cut['kind']> = new Set(['plate', 'pillar', 'foot', 'column', 'base']);
const PLAIN: ReadonlySet<Cut['kind']> = new Set(['wheel', 'ring', 'pillar', 'column', 'base']);
const named = (c: Cut): string =>
  c.kind === 'plate'
    ? `${c.id} plate`
    : `${PLAIN.has(c.kind) ? '' : `${c.kind}, `}${nameOf(machine.value, c.id)}`;
const heads = computed(() =>
  section.value.axes.map((a, i) => ({
    ...a,
    name: nameOf(machine.value, a.axis),
    apart: i === 0 ? '' : fixed(a.at - (section.value.axes[i - 1]?.at ?? 0), 2),
    middle: i === 0 ? 0 : (a.at + (section.value.axes[i - 1]?.at ?? 0)) / 2,
  })),
);
const layers = computed(() => [...derived.value.layout.stack.layers]);
const total = computed(() => derived.value.layout.stack.height);
const label = computed(
  () => `Section through ${heads.value.map(h => h.name).join('; ')}, ${fixed(total.value, 1)} mm high`,
);

const drag = ref<{ wheel: string; layer: number }>();
const layerAt = (clientY: number): number =>
  scale.value.layerAt(clientY - (drawing.value?.getBoundingClientRect().top ?? 0));
function down(event: PointerEvent, c: Cut): void {
  const wheel = byId(machine.value.wheels, c.id);
  if (!wheel) return;
  drag.value = { wheel: wheel.id, layer: wheel.layer };
  (event.target as Element).setPointerCapture(event.pointerId);
}
function move(event: PointerEvent): void {
  if (drag.value) drag.value = { ...drag.value, layer: layerAt(event.clientY) };
}
function up(): void {
  if (drag.value) put(drag.value.wheel, drag.value.layer);
  drag.value = undefined;
}
function put(id: string, layer: number): void {
  const wheel = byId(machine.value.wheels, id);
  if (wheel && wheel.layer !== layer) attempt('Move a wheel to another layer', moveToLayer(id, layer));
}
function key(event: KeyboardEvent, c: Cut): void {
  const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  const wheel = byId(machine.value.wheels, c.id);
  if (by === undefined || !wheel) return;
  event.preventDefault();
  event.stopPropagation();
  put(wheel.id, wheel.layer + by);
}
const movable = (c: Cut): boolean => c.kind === 'wheel' || c.kind === 'ring';
</script>

<template>
  <div class="frame">
    <div ref="holder" class="section">
      <svg
        ref="drawing"
        :style="{ width: `${100 * zoom}%`, height: `${100 * zoom}%` }"
        role="group"
        :aria-label="label"
        data-test="section"
      >
        <defs>
          <pattern
            id="hatch"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <rect width="6" height="6" :fill="tokens.panel" />
            <line x1="0" y1="0" x2="0" y2="6" :stroke="tokens.muted" stroke-width="1" />
          </pattern>
        </defs>
        <g v-for="[layer, band] in layers" :key="layer" class="layer">
          <line
            :x1="30"
            :x2="wide - 12"
            :y1="py((band.from + band.to) / 2)"
            :y2="py((band.from + band.to) / 2)"
          />
          <text x="8" :y="py((band.from + band.to) / 2) + 4">{{ layer + 1 }}</text>
        </g>
        <line
          v-for="h in heads"
          :key="h.axis"
          class="axis"
          :x1="px(h.at)"
          :x2="px(h.at)"
          :y1="py(section.high) - 10"
          :y2="py(section.low) + 14"
        />
        <rect
          v-for="(c, i) in cuts"
          :key="i"
          :class="[c.kind, { dragged: drag?.wheel === c.id }]"
          :x="px(c.left)"
          :y="py(c.high)"
          :width="Math.max(0.5, (c.right - c.left) * scale.along)"
          :height="Math.max(0.5, (c.high - c.low) * scale.along * scale.rise)"
          :fill="fill(c)"
          :tabindex="movable(c) ? 0 : undefined"
          :role="movable(c) ? 'button' : undefined"
          :aria-label="movable(c) ? `${named(c)}: move up or down with the arrow keys` : undefined"
          @pointerdown="movable(c) && down($event, c)"
          @pointermove="move"
          @pointerup="up"
          @pointercancel="drag = undefined"
          @keydown="movable(c) && key($event, c)"
        >
          <title>{{ named(c) }}</title>
        </rect>
        <g v-for="h in heads" :key="`t${h.axis}`" class="head">
          <text :x="px(h.at)" :y="py(section.low) + 28" text-anchor="middle">{{ h.name.split(',')[0] }}</text>
          <text
            v-if="h.apart"
            class="figure"
            :x="px(h.middle)"
            :y="py(section.low) + 46"
            text-anchor="middle"
          >
            {{ h.apart }}
          </text>
        </g>
        <g class="total">
          <line :x1="wide - 22" :x2="wide - 22" :y1="py(0)" :y2="py(total)" />
          <line :x1="wide - 27" :x2="wide - 17" :y1="py(0)" :y2="py(0)" />
          <line :x1="wide - 27" :x2="wide - 17" :y1="py(total)" :y2="py(total)" />
          <text
            class="figure"
            :transform="`translate(${wide - 27} ${(py(0) + py(total)) / 2}) rotate(-90)`"
            text-anchor="middle"
          >
            {{ fixed(total, 1) }} mm
          </text>
        </g>
      </svg>
    </div>
    <div class="drawn-controls">
      <PlainButton @click="zoom = Math.min(12, zoom * 1.5)">closer</PlainButton>
      <PlainButton @click="zoom = Math.max(1, zoom / 1.5)">further</PlainButton>
      <PlainButton @click="zoom = 1">fit</PlainButton>
      <SmallChoice
        :model-value="scale.rise"
        :items="RISES.map(r => ({ value: r, title: r === 1 ? 'true' : `× ${r}` }))"
        label="heights"
        data-test="rises"
        @update:model-value="rise = $event"
      />
    </div>
    <p v-if="drag" class="say">to layer {{ drag.layer + 1 }}</p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  min-height: 0;
  height: 100%;
}

.section {
  width: 100%;
  height: 100%;
  overflow: auto;
}

svg {
  width: 100%;
  height: 100%;
  display: block;
}

rect {
  stroke: var(--ink);
  stroke-width: 0.9;
}

rect.wheel,
rect.ring {
  cursor: ns-resize;
  touch-action: none;
}

rect.dragged {
  stroke: var(--accent);
  stroke-width: 2;
}

.layer line {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.6;
}

.layer text,
.head text,
.total text {
  fill: var(--muted);
  font-size: 12px;
}

.figure {
  font-family: var(--figures);
}

.axis {
  stroke: var(--ink);
  stroke-width: 0.6;
  stroke-dasharray: 9 3 2 3;
}

.total line {
  stroke: var(--ink);
  stroke-width: 0.8;
}

.say {
  position: absolute;
  top: 8px;
  left: 50%;
  margin: 0;
  background: var(--panel);
  border: var(--line);
  padding: 2px 10px;
}
</style>
