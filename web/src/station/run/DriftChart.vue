<script setup lang="ts">
import type { DriftCourse } from '@tesseron/core/ask';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { driftChart } from './drift-chart';

/** Drift of every output over the years; a ring where it leaves what is allowed. */
const props = defineProps<{
  courses: readonly { id: string; name: string; course: DriftCourse }[];
  years: number;
}>();
const holder = useTemplateRef<HTMLDivElement>('holder');
const size = useElementSize(holder);
const chart = computed(() =>
  driftChart(props.courses, props.years, { width: size.width.value, height: size.height.value }),
);
const nameOf = (id: string): string => props.courses.find(c => c.id === id)?.name ?? '';
</script>

<template>
  <div ref="holder" class="holder">
    <svg
      role="img"
      :aria-label="`Drift of ${courses.length} outputs over ${years} years`"
      data-test="drift-chart"
    >
      <g v-for="t in chart.degrees" :key="t.text" class="grid">
        <line x1="56" :x2="size.width.value - 130" :y1="t.y" :y2="t.y" />
        <text x="50" :y="t.y + 4" text-anchor="end">{{ t.text }}</text>
      </g>
      <g v-for="t in chart.years" :key="t.text" class="grid">
        <text :x="t.x" :y="size.height.value - 14" text-anchor="middle">{{ t.text }}</text>
      </g>
      <text class="unit" :x="size.width.value - 108" :y="size.height.value - 14">Julian years</text>
      <line class="zero" x1="56" :x2="size.width.value - 130" :y1="chart.zero" :y2="chart.zero" />
      <g v-for="l in chart.lines" :key="l.id">
        <path :d="l.d" />
        <circle v-if="l.leaves" :cx="l.leaves.x" :cy="l.leaves.y" r="5" />
        <text class="name" :x="l.end.x + 6" :y="l.end.y + 4">{{ nameOf(l.id) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.holder {
  width: 100%;
  height: 100%;
  min-height: 0;
}

svg {
  width: 100%;
  height: 100%;
  display: block;
}

.grid line {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.7;
}

.grid text,
.unit {
  fill: var(--muted);
  font-size: 12px;
  font-family: var(--figures);
}

.unit {
  font-family: var(--text);
}

.zero {
  stroke: var(--ink);
  stroke-width: 1;
}

path {
  stroke: var(--accent);
  stroke-width: 1.8;
  fill: none;
}

circle {
  stroke: var(--stop);
  stroke-width: 1.6;
  fill: var(--ground);
}

.name {
  fill: var(--ink);
  font-size: 13px;
}
</style>
