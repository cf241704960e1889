<script setup lang="ts">
import { type Folded, withFold } from '@tesseron/core/layout';
import type { Region } from '@tesseron/core/machine';
import { mm } from '@tesseron/core/units';
import { computed } from 'vue';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';
import { useOpen } from '../../machine/use-open';
import { foldFigures } from './fold-figure';
import { regionPath } from './region-path';

/** Arrangements of a folded train, side by side at one scale, to choose from. */
const props = defineProps<{ folds: readonly Folded[] }>();
const emit = defineEmits<{ taken: [] }>();
const { machine, derived, change } = useOpen();
const { tokens } = useTheme();
const region = computed<Region | undefined>(() => machine.value.layout.envelope?.region);
const drawn = computed(() => foldFigures(derived.value, props.folds));
const colour = (member: string): string =>
  rateColour(derived.value.train.rates[member], tokens.value.rate) ?? tokens.value.hairline;
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
        <circle
          v-for="w in d.wheels"
          :key="w.id"
          :cx="w.x"
          :cy="w.y"
          :r="w.radius"
          :fill="colour(w.member)"
        />
        <circle
          v-for="w in d.wheels"
          :key="`c${w.id}`"
          class="centre"
          :cx="w.x"
          :cy="w.y"
          :r="d.fold.radius * 0.012"
        />
      </svg>
      <p>
        <strong class="figure">{{ mm(2 * d.fold.radius, 1) }}</strong> across,
        <span class="figure">{{ d.fold.layers.layers }}</span> layers,
        <span class="figure">{{ mm(d.fold.height, 1) }}</span> high, tightest gap
        <span class="figure">{{ mm(d.fold.tightest) }}</span>
        <template v-if="d.fold.pillars > 0"
          >; {{ d.fold.pillars }} {{ d.fold.pillars === 1 ? 'pillar' : 'pillars' }} to be moved</template
        ><template v-if="d.fold.shown > 0">; a hand or a body would strike something beside it</template>
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
