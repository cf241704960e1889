<script setup lang="ts">
import { type Folded, withFold } from '@tesseron/core/layout';
import { axisOfWheel, type Region } from '@tesseron/core/machine';
import { fixed, mm } from '@tesseron/core/units';
import { computed } from 'vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import { useOpen } from '../../machine/use-open';
import { regionPath } from './region-path';

/** Arrangements of a folded train, side by side at one scale, to choose from. */
const props = defineProps<{ folds: readonly Folded[] }>();
const emit = defineEmits<{ taken: [] }>();
const { machine, derived, change } = useOpen();
const { tokens } = useTheme();
const region = computed<Region | undefined>(() => machine.value.layout.envelope?.region);
const half = computed(() => {
  const far = Math.max(...props.folds.map(f => f.radius), 1);
  const r = region.value;
  return (
    Math.max(
      far,
      r?.kind === 'circle' ? r.diameter / 2 : r?.kind === 'rectangle' ? Math.max(r.width, r.height) / 2 : 0,
    ) * 1.05
  );
});
const drawn = computed(() =>
  props.folds.map((fold, i) => {
    const wheels = machine.value.wheels
      .flatMap(w => {
        const at = fold.at[axisOfWheel(machine.value, w) ?? ''];
        const outer = derived.value.extents[w.id]?.outer;
        if (!at || outer === undefined) return [];
        const layer = fold.layers.wheels[w.id] ?? w.layer;
        const colour = rateColour(derived.value.train.rates[w.member], tokens.value.rate);
        return [{ id: w.id, x: at.x, y: -at.y, r: outer, layer, colour: colour ?? tokens.value.hairline }];
      })
      .sort((a, b) => a.layer - b.layer || b.r - a.r);
    const xs = wheels.flatMap(w => [w.x - w.r, w.x + w.r]);
    const ys = wheels.flatMap(w => [w.y - w.r, w.y + w.r]);
    const [cx, cy] = region.value
      ? [middle.value.x, -middle.value.y]
      : [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
    return {
      fold,
      number: i + 1,
      wheels,
      box: `${cx - half.value} ${cy - half.value} ${2 * half.value} ${2 * half.value}`,
    };
  }),
);
const middle = computed(() => {
  const r = region.value;
  if (!r) return { x: 0, y: 0 };
  if (r.kind !== 'outline') return r;
  const [xs, ys] = [r.points.map(p => p[0]), r.points.map(p => p[1])];
  return { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
});
function take(fold: Folded): void {
  change('Fold the train', m => withFold(m, fold));
  emit('taken');
}
</script>

<template>
  <ol class="choices" data-test="folds">
    <li v-for="d in drawn" :key="d.number">
      <svg
        :viewBox="d.box"
        role="img"
        :aria-label="`Arrangement ${d.number}: ${d.fold.layers.layers} layers, ${mm(2 * d.fold.radius, 0)} across`"
      >
        <path v-if="region" class="room" :d="regionPath(region)" />
        <circle v-for="w in d.wheels" :key="w.id" :cx="w.x" :cy="w.y" :r="w.r" :fill="w.colour" />
        <circle
          v-for="w in d.wheels"
          :key="`c${w.id}`"
          class="centre"
          :cx="w.x"
          :cy="w.y"
          :r="half * 0.012"
        />
      </svg>
      <p>
        <strong class="figure">{{ mm(2 * d.fold.radius, 1) }}</strong> across,
        <span class="figure">{{ d.fold.layers.layers }}</span> layers,
        <span class="figure">{{ fixed(d.fold.height, 1) }}</span> high, tightest gap
        <span class="figure">{{ fixed(d.fold.tightest, 2) }}</span>
        <template v-if="d.fold.pillars > 0"
          >; {{ d.fold.pillars }} {{ d.fold.pillars === 1 ? 'pillar' : 'pillars' }} to be moved</template
        >
      </p>
      <v-btn data-test="take-fold" @click="take(d.fold)">Take this</v-btn>
    </li>
  </ol>
</template>

<style scoped>
.choices {
  list-style: none;
  margin: 0;
  padding: 12px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 14px;
  height: 100%;
  overflow: auto;
  align-content: start;
}

li {
  border: var(--line);
  background: var(--panel);
  padding: 8px 10px 10px;
}

li p {
  margin: 4px 0 8px;
  font-size: 13px;
}

svg {
  width: 100%;
  aspect-ratio: 1;
  display: block;
}

circle {
  fill-opacity: 0.45;
  stroke: var(--ink);
  stroke-width: 0.8;
  vector-effect: non-scaling-stroke;
}

.centre {
  fill: var(--ink);
  fill-opacity: 1;
}

.room {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1.2;
  stroke-dasharray: 6 3;
  vector-effect: non-scaling-stroke;
}
</style>
