<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import { useOpen } from '../../machine/use-open';
import { layoutElevation } from './elevation';

defineProps<{ selected: string | undefined }>();
const emit = defineEmits<{ select: [member: string] }>();
const { derived } = useOpen();
const { tokens } = useTheme();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
const drawing = computed(() => layoutElevation(derived.value));
const step = computed(() => Math.max(110, (width.value - 60) / Math.max(1, drawing.value.axes.length)));
const rise = computed(() => Math.min(64, Math.max(26, (height.value - 120) / (drawing.value.layers + 1))));
const full = computed(() => ({
  width: Math.max(width.value, step.value * drawing.value.axes.length + 60),
  height: Math.max(height.value, rise.value * (drawing.value.layers + 1) + 110),
}));
const px = (x: number): number => 30 + (x + 0.5) * step.value;
const py = (layer: number): number => full.value.height - 96 - (layer + 0.5) * rise.value;
const short = (name: string): string => (name.length > 18 ? `${name.slice(0, 17)}…` : name);
</script>

<template>
  <div ref="holder" class="holder" tabindex="0" role="region" aria-label="Elevation of the train">
    <svg
      :width="full.width"
      :height="full.height"
      role="img"
      aria-label="Axes as lines, wheels as bars at their layers, meshes where they touch; the table beside it lists all"
    >
      <g v-for="n in drawing.layers" :key="n">
        <line
          x1="20"
          :x2="full.width - 10"
          :y1="py(n - 1) + rise / 2"
          :y2="py(n - 1) + rise / 2"
          class="layer"
        />
        <text x="10" :y="py(n - 1) + 4" class="number">L{{ n }}</text>
      </g>
      <g v-for="a in drawing.axes" :key="a.id">
        <line
          :x1="px(a.x)"
          :x2="px(a.x)"
          :y1="py(a.low) + rise * 0.8"
          :y2="py(a.high) - rise * 0.8"
          :class="['axis', { drive: a.drive }]"
        />
        <text
          :x="px(a.x)"
          :y="full.height - 62 + (a.x % 2) * 18"
          text-anchor="middle"
          :class="{ driven: a.drive }"
        >
          {{ short(a.name) }}
          <title>{{ a.name }}</title>
        </text>
      </g>
      <path
        v-for="m in drawing.meshes"
        :key="m.id"
        :d="`M${px(m.x1)} ${py(m.layer)}H${px(m.x2)}`"
        class="mesh"
      />
      <g v-for="b in drawing.bars" :key="b.id" class="bar" @click="emit('select', b.member)">
        <rect
          :x="px(b.x - b.half)"
          :y="py(b.layer) - 9"
          :width="2 * b.half * step"
          height="18"
          :fill="rateColour(b.rate, tokens.rate) ?? tokens.hairline"
          :class="{ selected: b.member === selected }"
        />
        <rect
          :x="px(b.x) - 4.5 * b.text.length - 3"
          :y="py(b.layer) - 8"
          :width="9 * b.text.length + 6"
          height="16"
          class="plate"
        />
        <text :x="px(b.x)" :y="py(b.layer) + 5" text-anchor="middle" class="count">{{ b.text }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.holder {
  height: 100%;
  overflow: auto;
}

text {
  font: 12px var(--figures);
  fill: var(--ink);
}

.number {
  fill: var(--muted);
}

.layer {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.6;
}

.axis {
  stroke: var(--ink);
  stroke-width: 2;
}

.axis.drive {
  stroke: var(--accent);
  stroke-width: 4;
}

.driven {
  fill: var(--accent);
  font-weight: 700;
}

.mesh {
  stroke: var(--ink);
  stroke-width: 1.2;
  stroke-dasharray: 3 3;
}

.bar {
  cursor: pointer;
}

.bar rect {
  stroke: var(--ink);
  stroke-width: 0.8;
}

.bar rect.selected {
  stroke: var(--accent);
  stroke-width: 2.5;
}

.plate,
.bar rect.plate {
  fill: var(--panel);
  stroke: none;
  opacity: 0.85;
}

.count {
  font-size: 14px;
  font-weight: 600;
}
</style>
