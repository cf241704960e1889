<script setup lang="ts">
import type { BranchPlan } from '@tesseron/core/branches';
import { ppm } from '@tesseron/core/period';
import { toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { drawBranches } from './branch-drawing';

/** A plan drawn as its arbors stand: the drive's axis with its tubes, the lay axis with its pairs. */
const props = defineProps<{ plan: BranchPlan; names: Readonly<Record<string, string>> }>();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width } = useElementSize(holder);
const drawing = computed(() => (width.value > 0 ? drawBranches(props.plan, width.value) : undefined));
const errors = computed(() => props.plan.branches.map(b => `${figure(toNumber(ppm(b.error)), 3)} ppm`));
/** Counts on the lay axis stand clear of its pairs. */
const beside = computed(() => 6 + 2.5 * props.plan.branches.length);
const label = computed(
  () =>
    `Branches: ${props.plan.branches
      .map(
        (b, i) =>
          `${props.names[b.output] ?? b.output} by ` +
          `${b.stages.map(s => `${s.driving}/${s.driven}`).join(' · ')}, ${errors.value[i]}`,
      )
      .join('; ')}`,
);
</script>

<template>
  <div ref="holder" class="branches" data-test="branch-drawing">
    <svg v-if="drawing" :width="drawing.width" :height="drawing.height" role="img" :aria-label="label">
      <line :x1="drawing.centre" :x2="drawing.centre" y1="8" :y2="drawing.ground + 6" class="axis" />
      <line :x1="drawing.lay" :x2="drawing.lay" y1="8" :y2="drawing.ground + 6" class="axis" />
      <text :x="drawing.centre" :y="drawing.ground + 22" text-anchor="middle">drive’s axis</text>
      <text :x="drawing.lay" :y="drawing.ground + 22" text-anchor="middle">lay axis</text>
      <g v-for="(w, i) in drawing.first" :key="`first${i}`">
        <line :x1="w.x - w.half" :x2="w.x + w.half" :y1="w.y" :y2="w.y" class="wheel" />
        <text :x="w.x + 6" :y="w.y - 5" class="count">{{ w.count }}</text>
      </g>
      <template v-for="b in drawing.branches" :key="b.output">
        <line v-if="b.pair" :x1="b.pair.x" :x2="b.pair.x" :y1="b.pair.from" :y2="b.pair.to" class="pair" />
      </template>
      <g v-for="(b, i) in drawing.branches" :key="b.output">
        <g v-for="(w, k) in b.wheels" :key="k">
          <line :x1="w.x - w.half" :x2="w.x + w.half" :y1="w.y" :y2="w.y" class="wheel" />
          <text :x="w.x + (w.axis === 'lay' ? beside : 6)" :y="w.y - 5" class="count">{{ w.count }}</text>
        </g>
        <line :x1="b.left - 3" :x2="124" :y1="b.y" :y2="b.y" class="lead" />
        <text x="8" :y="b.y - 1" class="name">{{ names[b.output] ?? b.output }}</text>
        <text x="8" :y="b.y + 12" class="error">{{ errors[i] }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.branches {
  width: 100%;
  overflow: hidden;
}

svg {
  display: block;
}

text {
  font: 12px var(--text);
  fill: var(--muted);
}

.axis {
  stroke: var(--muted);
  stroke-dasharray: 12 3 2 3;
  stroke-width: 0.8;
}

.wheel {
  stroke: var(--ink);
  stroke-width: 5;
}

.pair {
  stroke: var(--ink);
  stroke-width: 2.5;
}

.lead {
  stroke: var(--accent);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}

.count,
.error {
  font-family: var(--figures);
}

.count {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--ground);
  stroke-width: 3px;
}

.name {
  font-size: 13px;
  fill: var(--ink);
  font-weight: 600;
}
</style>
