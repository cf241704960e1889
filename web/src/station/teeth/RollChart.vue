<script setup lang="ts">
import type { RollPosition } from '@tesseron/core/mesh';
import { fixed } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { computed, useTemplateRef } from 'vue';

/** What was measured over a pitch: how far the second runs ahead of the law, and the play. */
const props = defineProps<{ positions: readonly RollPosition[]; pitch: number; at: number }>();
const holder = useTemplateRef<HTMLDivElement>('holder');
const { width, height } = useElementSize(holder);
const LEFT = 62;
const RIGHT = 14;

const plots = computed(() =>
  [
    { title: 'ahead of the law, mm', pick: (p: RollPosition) => p.error - middle.value },
    { title: 'play, mm', pick: (p: RollPosition) => p.play },
  ].map((plot, i) => {
    const values = props.positions.map(plot.pick);
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = Math.max((high - low) * 0.15, 1e-5);
    const each = (width.value - 8) / 2;
    const x = scaleLinear([-props.pitch / 2, props.pitch / 2], [i * each + LEFT, (i + 1) * each - RIGHT]);
    const y = scaleLinear([low - room, high + room], [height.value - 22, 24]);
    const curve = line<RollPosition>(
      p => x(p.t),
      p => y(plot.pick(p)),
    );
    return {
      title: plot.title,
      curve: curve([...props.positions]) ?? '',
      ticks: [low, high].map(v => ({ y: y(v), text: fixed(v, 4) })),
      cursor: x(within.value),
      left: i * each + LEFT,
      right: (i + 1) * each - RIGHT,
    };
  }),
);
const middle = computed(
  () => props.positions.reduce((s, p) => s + p.error, 0) / Math.max(1, props.positions.length),
);
const within = computed(() => props.at - props.pitch * Math.round(props.at / props.pitch));
</script>

<template>
  <div ref="holder" class="chart">
    <svg
      v-if="width > 0 && positions.length > 0"
      role="img"
      aria-label="Uneven motion and play over one tooth, rolled"
    >
      <g v-for="p in plots" :key="p.title">
        <text :x="p.left" y="14" class="title">{{ p.title }}</text>
        <g v-for="tick in p.ticks" :key="tick.y">
          <line :x1="p.left" :x2="p.right" :y1="tick.y" :y2="tick.y" class="grid" />
          <text :x="p.left - 6" :y="tick.y + 4" text-anchor="end">{{ tick.text }}</text>
        </g>
        <path :d="p.curve" class="curve" />
        <line :x1="p.cursor" :x2="p.cursor" y1="20" :y2="height - 20" class="cursor" />
        <text :x="p.right" :y="height - 6" text-anchor="end">one tooth →</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.chart {
  height: 132px;
  border-top: var(--line);
}

svg {
  width: 100%;
  height: 100%;
}

text {
  font: 12px var(--figures);
  fill: var(--ink);
}

.title {
  font-family: var(--text);
  fill: var(--muted);
}

.grid {
  stroke: rgb(var(--v-theme-hairline));
  stroke-width: 0.8;
}

.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}

.cursor {
  stroke: var(--accent);
  stroke-width: 1.4;
}
</style>
