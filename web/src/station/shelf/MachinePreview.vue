<script setup lang="ts">
import { derive } from '@tesseron/core/derive';
import type { Machine } from '@tesseron/core/machine';
import { AT_REST } from '@tesseron/core/motion';
import { computed } from 'vue';
import { drawnWheels, stances } from '../../draw/plan-scene';
import { rateColour } from '../../draw/rate-colour';
import { useTheme } from '../../draw/theme';

const props = defineProps<{ machine: Machine; large?: boolean }>();
const { tokens } = useTheme();
const COARSE = 0.5;

const circles = computed(() => {
  const derived = derive(props.machine, undefined, COARSE);
  const places = stances(derived, AT_REST);
  return drawnWheels(derived).flatMap(w => {
    const at = places.get(w.wheel.member)?.centre;
    return at && !w.rack
      ? [
          {
            id: w.wheel.id,
            x: at.x,
            y: -at.y,
            r: w.pitchRadius,
            fill: rateColour(w.rate, tokens.value.rate) ?? 'none',
          },
        ]
      : [];
  });
});
const box = computed(() => {
  if (circles.value.length === 0) return '-10 -10 20 20';
  const minX = Math.min(...circles.value.map(c => c.x - c.r));
  const minY = Math.min(...circles.value.map(c => c.y - c.r));
  const maxX = Math.max(...circles.value.map(c => c.x + c.r));
  const maxY = Math.max(...circles.value.map(c => c.y + c.r));
  return `${minX - 2} ${minY - 2} ${maxX - minX + 4} ${maxY - minY + 4}`;
});
</script>

<template>
  <svg :viewBox="box" :class="{ large }" aria-hidden="true" focusable="false">
    <circle
      v-for="c in circles"
      :key="c.id"
      :cx="c.x"
      :cy="c.y"
      :r="c.r"
      :fill="c.fill"
      fill-opacity="0.45"
    />
    <circle
      v-for="c in circles"
      :key="`${c.id} line`"
      :cx="c.x"
      :cy="c.y"
      :r="c.r"
      fill="none"
      class="line"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 84px;
  height: 64px;
}

.large {
  width: 240px;
  height: 170px;
}

.line {
  stroke: var(--ink);
  stroke-width: 1px;
  stroke-dasharray: 5 2.5;
  vector-effect: non-scaling-stroke;
}
</style>
