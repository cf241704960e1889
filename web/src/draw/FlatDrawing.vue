<script setup lang="ts">
import { flatten, type Path } from '@tesseron/core/geometry';
import type { Drawing } from '@tesseron/core/drawing';
import { computed } from 'vue';

/** A drawing in the plane at the scale that fits, with or without its labels. */
const props = defineProps<{ drawing: Drawing; label: string; lettered?: boolean }>();
const path = (p: Path): string => {
  const points = flatten(p, 0.05);
  return `M${points.map(q => `${q.x.toFixed(3)} ${(-q.y).toFixed(3)}`).join('L')}${p.closed ? 'Z' : ''}`;
};
const shapes = computed(() => props.drawing.groups.flatMap(g => g.shapes));
const labels = computed(() => (props.lettered ? props.drawing.groups.flatMap(g => g.labels) : []));
const box = computed(() => {
  const points = shapes.value.flatMap(s => s.paths.flatMap(p => flatten(p, 0.5)));
  const [xs, ys] = [points.map(p => p.x), points.map(p => -p.y)];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const room = Math.max(x1 - x0, y1 - y0) * 0.06;
  return {
    view: `${x0 - room} ${y0 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`,
    size: Math.max(x1 - x0, y1 - y0),
  };
});
</script>

<template>
  <svg role="img" :aria-label="label" :viewBox="box.view" data-test="flat-drawing">
    <template v-for="(s, n) in shapes" :key="n">
      <path v-for="(p, i) in s.paths" :key="i" :d="path(p)" :class="s.role" />
    </template>
    <text v-for="l in labels" :key="l.text" :x="l.x" :y="-l.y" :font-size="Math.max(l.height, box.size / 64)">
      {{ l.text }}
    </text>
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

.drill {
  stroke-width: 1.8;
}

.reference {
  stroke: var(--muted);
  stroke-width: 0.7;
}

text {
  fill: var(--muted);
  text-anchor: middle;
  font-family: var(--figures);
}
</style>
