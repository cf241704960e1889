<script setup lang="ts">
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { chartRows, layoutChart, MARGIN } from './front-chart';
import type { Row } from './use-count-search';

const props = defineProps<{
  rows: readonly Row[];
  chosen: string | undefined;
  tolerance: number | undefined;
}>();
const emit = defineEmits<{ look: [key: string] }>();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
const shown = computed(() => chartRows(props.rows));
const chart = computed(() =>
  shown.value.length > 0 && width.value > 0
    ? layoutChart(shown.value, width.value, height.value, props.tolerance)
    : undefined,
);
const marked = computed(() => chart.value?.points.find(p => p.row.key === props.chosen));
const labelLeft = computed(() => (marked.value?.x ?? 0) > width.value - 180);
</script>

<template>
  <div ref="holder" class="chart">
    <svg v-if="chart" role="img" aria-label="Error against all teeth; the table below lists every point">
      <g v-for="tick in chart.yTicks" :key="tick.text">
        <line :x1="MARGIN.left" :x2="width - MARGIN.right" :y1="tick.y" :y2="tick.y" class="grid" />
        <text :x="MARGIN.left - 8" :y="tick.y + 4" text-anchor="end">{{ tick.text }}</text>
      </g>
      <g v-for="tick in chart.xTicks" :key="tick.text">
        <line
          :x1="tick.x"
          :x2="tick.x"
          :y1="height - MARGIN.bottom"
          :y2="height - MARGIN.bottom + 5"
          class="axis"
        />
        <text :x="tick.x" :y="height - MARGIN.bottom + 19" text-anchor="middle">{{ tick.text }}</text>
      </g>
      <line
        :x1="MARGIN.left"
        :x2="width - MARGIN.right"
        :y1="height - MARGIN.bottom"
        :y2="height - MARGIN.bottom"
        class="axis"
      />
      <text :x="width - MARGIN.right" :y="height - 5" text-anchor="end">all teeth →</text>
      <text :x="MARGIN.left" :y="13" class="title">
        error of the rate ↓ better{{
          shown.length < rows.length ? '; errors above 10 % are in the table only' : ''
        }}
      </text>
      <template v-if="chart.toleranceY !== undefined">
        <line
          :x1="MARGIN.left"
          :x2="width - MARGIN.right"
          :y1="chart.toleranceY"
          :y2="chart.toleranceY"
          class="tolerance"
        />
        <text :x="width - MARGIN.right" :y="chart.toleranceY - 5" text-anchor="end" class="tolerance-text">
          your tolerance
        </text>
      </template>
      <path :d="chart.front" class="front" />
      <template v-for="p in chart.points" :key="p.row.key">
        <rect
          v-if="p.row.compromise"
          :x="p.x - 4"
          :y="p.y - 4"
          width="8"
          height="8"
          class="best"
          @click="emit('look', p.row.key)"
        />
        <circle v-else :cx="p.x" :cy="p.y" r="3.5" class="other" @click="emit('look', p.row.key)" />
      </template>
      <g v-if="marked" class="marked">
        <circle :cx="marked.x" :cy="marked.y" r="9" />
        <text
          :x="labelLeft ? marked.x - 14 : marked.x + 14"
          :y="marked.y - 8"
          :text-anchor="labelLeft ? 'end' : 'start'"
        >
          {{ marked.row.key }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.chart {
  position: relative;
  height: 100%;
  min-height: 180px;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

text {
  font: 12px var(--figures);
  fill: var(--muted);
}

.title {
  font-family: var(--text);
}

.grid {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.7;
}

.axis {
  stroke: var(--ink);
}

.tolerance {
  stroke: var(--fine);
  stroke-width: 1.2;
  stroke-dasharray: 8 4;
}

.tolerance-text {
  fill: var(--fine);
}

.front {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.8;
}

.best {
  fill: var(--ink);
  cursor: pointer;
}

.other {
  fill: var(--ground);
  stroke: var(--muted);
  cursor: pointer;
}

.marked circle {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2.5;
}

.marked text {
  fill: var(--accent);
  font-weight: 700;
  font-size: 14px;
  paint-order: stroke;
  stroke: var(--ground);
  stroke-width: 4px;
}
</style>
