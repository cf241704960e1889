<script setup lang="ts">
import type { PegCheck, PegPair } from '@tesseron/core/mesh';
import { computed } from 'vue';

/** Two rings of pegs where they pass each other, seen along the first axis and along the second; the first drives. */
const props = defineProps<{ pair: PegPair; check: PegCheck | undefined; t: number }>();
const r = computed(() => props.pair.pegDiameter / 2);
const here = computed(() => {
  const [za, zb] = props.pair.counts;
  const step = (2 * Math.PI) / za;
  const within = props.t - step * Math.round(props.t / step);
  const positions = props.check?.positions ?? [];
  const k = Math.min(
    positions.length - 1,
    Math.max(0, Math.round((within / step + 0.5) * positions.length - 0.5)),
  );
  const lead = (positions[k]?.error ?? 0) / (props.pair.radii[1] || 1);
  const angleB = (within * za) / zb + Math.PI / zb + lead;
  return { within, angleB, contact: positions[k]?.contact };
});
const near = (angle: number): boolean => Math.abs(angle) < 1.35;
const pegsA = computed(() =>
  places(props.pair.counts[0], here.value.within).map(a => ({
    x: props.pair.radii[0] * Math.cos(a),
    y: props.pair.radii[0] * Math.sin(a),
  })),
);
const pegsB = computed(() =>
  places(props.pair.counts[1], here.value.angleB).map(a => ({
    y: props.pair.radii[1] * Math.sin(a),
    z: props.pair.radii[1] * (1 - Math.cos(a)),
  })),
);
function places(count: number, phase: number): number[] {
  return Array.from({ length: count }, (_, i) => phase + (2 * Math.PI * i) / count)
    .map(a => a - 2 * Math.PI * Math.round(a / (2 * Math.PI)))
    .filter(near);
}
const end = computed(() => props.pair.radii[0] + r.value - props.pair.reach);
const top = computed(() => props.pair.reach - r.value);
const half = computed(() => props.pair.pegDiameter * 3.4);
const long = computed(() => props.pair.pegDiameter * 3);
</script>

<template>
  <div class="pegs">
    <figure>
      <figcaption>along the first axle</figcaption>
      <svg
        role="img"
        aria-label="Pegs seen along the first axle"
        :viewBox="`${pair.radii[0] - half} ${-half} ${2 * half} ${2 * half}`"
      >
        <g transform="scale(1 -1)">
          <circle :r="pair.radii[0]" class="pitch" />
          <circle v-for="(p, i) in pegsA" :key="i" :cx="p.x" :cy="p.y" :r="r" class="a" />
          <rect
            v-for="(p, i) in pegsB"
            :key="`b${i}`"
            :x="end"
            :y="p.y - r"
            :width="long"
            :height="2 * r"
            class="b"
          />
          <circle
            v-if="here.contact"
            :cx="here.contact.at[0]"
            :cy="here.contact.at[1]"
            :r="r / 5"
            class="contact"
          />
        </g>
      </svg>
    </figure>
    <figure>
      <figcaption>along the second axle</figcaption>
      <svg
        role="img"
        aria-label="Pegs seen along the second axle"
        :viewBox="`${-half} ${-half} ${2 * half} ${2 * half}`"
      >
        <g transform="scale(1 -1)">
          <circle :cy="pair.radii[1]" :r="pair.radii[1]" class="pitch" />
          <rect
            v-for="(p, i) in pegsA"
            :key="i"
            :x="p.y - r"
            :y="top - long"
            :width="2 * r"
            :height="long"
            class="a"
          />
          <circle v-for="(p, i) in pegsB" :key="`b${i}`" :cx="p.y" :cy="p.z" :r="r" class="b" />
          <circle
            v-if="here.contact"
            :cx="here.contact.at[1]"
            :cy="here.contact.at[2]"
            :r="r / 5"
            class="contact"
          />
        </g>
      </svg>
    </figure>
  </div>
</template>

<style scoped>
.pegs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  height: 100%;
  min-height: 0;
}

figure {
  margin: 0;
  min-height: 0;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  border-right: var(--line);
}

figcaption {
  padding: 10px 14px;
  font-size: 13px;
  color: var(--muted);
}

svg {
  width: 100%;
  height: 100%;
}

svg * {
  vector-effect: non-scaling-stroke;
}

.pitch {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.7;
  stroke-dasharray: 7 3 1.5 3;
}

.a,
.b {
  stroke: var(--ink);
  stroke-width: 1.2;
  fill: rgb(var(--v-theme-hairline));
  fill-opacity: 0.5;
}

.b {
  fill: var(--panel);
  fill-opacity: 0.75;
}

.contact {
  fill: var(--accent);
}
</style>
