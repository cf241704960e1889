<script setup lang="ts">
import { flatten, type Path, rotate } from '@tesseron/core/geometry';
import type { Drawing, Group } from '@tesseron/core/drawing';
import { degrees } from '@tesseron/core/units';
import { computed } from 'vue';
import { useRows } from '../parts/use-rows';

/** A drawing in the plane at the scale that fits, with or without its labels; parts filled where that is wished. */
const props = defineProps<{ drawing: Drawing; label: string; lettered?: boolean; filled?: boolean }>();
const known = new WeakMap<Path, string>();
function path(p: Path): string {
  const drawn =
    known.get(p) ??
    `M${flatten(p, 0.05)
      .map(q => `${q.x.toFixed(3)} ${(-q.y).toFixed(3)}`)
      .join('L')}${p.closed ? 'Z' : ''}`;
  known.set(p, drawn);
  return drawn;
}
const placeOf = (g: Group): string =>
  `translate(${g.x.toFixed(3)} ${(-g.y).toFixed(3)}) rotate(${(-degrees(g.angle)).toFixed(4)})`;
const linesOf = (g: Group): { role: string; d: string }[] =>
  g.shapes.flatMap(s => s.paths.map(p => ({ role: s.role, d: path(p) })));
/** All that is cut through of a part as one figure. */
const bodyOf = (g: Group): string =>
  g.shapes
    .filter(s => s.role === 'cut' || s.role === 'drill')
    .flatMap(s => s.paths.filter(p => p.closed).map(path))
    .join('');
const groups = useRows(() => props.drawing.groups, Infinity);
const box = computed(() => {
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const g of props.drawing.groups)
    for (const s of g.shapes)
      for (const p of s.paths)
        for (const q of flatten(p, 0.5)) {
          const t = rotate(q, g.angle);
          [x0, x1] = [Math.min(x0, t.x + g.x), Math.max(x1, t.x + g.x)];
          [y0, y1] = [Math.min(y0, -t.y - g.y), Math.max(y1, -t.y - g.y)];
        }
  const room = Math.max(x1 - x0, y1 - y0) * 0.04;
  return {
    view: `${x0 - room} ${y0 - room} ${x1 - x0 + 2 * room} ${y1 - y0 + 2 * room}`,
    size: Math.max(x1 - x0, y1 - y0),
  };
});
</script>

<template>
  <svg role="img" :aria-label="label" :viewBox="box.view" data-test="flat-drawing">
    <g v-for="(g, n) in groups.shown.value" :key="n" :transform="placeOf(g)">
      <path v-if="filled" :d="bodyOf(g)" class="body" />
      <path v-for="(l, i) in linesOf(g)" :key="i" :d="l.d" :class="l.role" />
      <text
        v-for="l in lettered ? g.labels : []"
        :key="l.text"
        :x="l.x"
        :y="-l.y"
        :font-size="Math.max(l.height, box.size / 64)"
      >
        {{ l.text }}
      </text>
    </g>
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
  stroke-width: 1.2;
  vector-effect: non-scaling-stroke;
}

.body {
  fill: color-mix(in srgb, var(--ink) 9%, transparent);
  fill-rule: evenodd;
  stroke: none;
}

.drill {
  stroke-width: 1.8;
}

.engrave {
  stroke: var(--fine);
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
