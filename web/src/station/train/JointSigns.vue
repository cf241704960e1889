<script setup lang="ts">
import type { Joint } from '@tesseron/core/machine';
import type { Scale } from './elevation-scale';
import { type JointSign, SIGNS } from './joint-signs';

/** Joints that are no meshes, each with its own sign over what it ties; chosen like a mesh. */
defineProps<{
  signs: readonly JointSign[];
  scale: Scale;
  chosen: string | undefined;
  tabFor: (kind: string, id: string) => number;
}>();
const emit = defineEmits<{ choose: [id: string] }>();
const signOf = (kind: Joint['kind']): string => SIGNS[kind as keyof typeof SIGNS];
</script>

<template>
  <g v-for="s in signs" :key="s.id" class="joint" :class="{ chosen: chosen === s.id }">
    <path :d="`M${scale.px(s.from)} ${scale.signY(s.row) + 9}v-9H${scale.px(s.to)}v9`" class="tie" />
    <g
      role="button"
      :tabindex="tabFor('joint', s.id)"
      :aria-pressed="chosen === s.id"
      :aria-label="s.called"
      data-kind="joint"
      :data-id="s.id"
      :data-test="`sign-${s.id}`"
      :transform="`translate(${(scale.px(s.from) + scale.px(s.to)) / 2} ${scale.signY(s.row)})`"
      @click.stop="emit('choose', s.id)"
      @focus="emit('choose', s.id)"
    >
      <rect x="-13" y="-11" width="26" height="22" class="back" />
      <path :d="signOf(s.kind)" class="sign" />
      <title>{{ s.called }}</title>
    </g>
  </g>
</template>

<style scoped>
.tie {
  fill: none;
  stroke: var(--muted);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}

.back {
  fill: var(--ground);
}

.sign {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.chosen .sign,
.chosen .tie {
  stroke: var(--accent);
}

g[role='button'] {
  cursor: pointer;
}

g[role='button']:focus-visible .back {
  stroke: var(--accent);
  stroke-width: 2;
}

g[role='button']:focus {
  outline: none;
}
</style>
