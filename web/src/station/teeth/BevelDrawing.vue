<script setup lang="ts">
import { flatten, type Path } from '@tesseron/core/geometry';
import type { Drawing } from '@tesseron/core/drawing';
import { computed } from 'vue';

/** A flat pattern of a bevel at the scale that fits. */
const props = defineProps<{ drawing: Drawing; label: string }>();
const path = (p: Path): string => {
  const points = flatten(p, 0.02);
  return `M${points.map(q => `${q.x.toFixed(3)} ${(-q.y).toFixed(3)}`).join('L')}${p.closed ? 'Z' : ''}`;
};
const shapes = computed(() => props.drawing.groups.flatMap(g => g.shapes));
const box = computed(() => {
  const points = shapes.value.flatMap(s => s.paths.flatMap(p => flatten(p, 0.1)));
  const [xs, ys] = [points.map(p => p.x), points.map(p => -p.y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = Math.max(x1 - x0, y1 - y0) * 0.06;
  return `${x0 - room} ${y0 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`;
});
</script>

<template>
  <svg role="img" :aria-label="label" :viewBox="box">
    <template v-for="s in shapes" :key="s.name">
      <path v-for="(p, i) in s.paths" :key="i" :d="path(p)" :class="s.role" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}

.engrave {
  stroke-width: 0.8;
}
</style>
