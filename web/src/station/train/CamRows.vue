<script setup lang="ts">
import { type CamMotion, type RiseLaw } from '@tesseron/core/cam';
import {
  addPoint,
  addWave,
  dropPoint,
  dropSegment,
  dropWave,
  segmentLimits,
  segmentOver,
  setPoint,
  setSegment,
  setWave,
  splitSegment,
} from '@tesseron/core/edit';
import { LIMITS, MOST, RISES } from '@tesseron/core/machine';
import { computed } from 'vue';
import NumberField from '../../parts/NumberField.vue';
import SmallChoice from '../../parts/SmallChoice.vue';
import TickBox from '../../parts/TickBox.vue';

/** What a motion is said by, in rows: its segments, points or waves, or what it shows of the Sun. */
const props = defineProps<{ motion: CamMotion; unit: string }>();
const emit = defineEmits<{ set: [motion: CamMotion] }>();
const laws = RISES.map(law => ({ title: law, value: law }));
const SHOWN = [
  { title: 'equation of time', value: 'equation of time' },
  { title: 'sunrise', value: 'sunrise' },
  { title: 'sunset', value: 'sunset' },
] as const;
/** Rows of points shown at most; all of them are on the chart. */
const MOST_ROWS = 60;
const segments = computed(() => {
  const { motion } = props;
  if (motion.kind !== 'segments') return [];
  let from = motion.segments.at(-1)?.to ?? 0;
  return motion.segments.map((s, at) => {
    const dwells = s.to === from;
    from = s.to;
    return { ...s, at, dwells, limits: segmentLimits(motion, at) };
  });
});
</script>

<template>
  <div class="rows">
    <template v-if="motion.kind === 'segments'">
      <div v-for="s in segments" :key="s.at" class="row">
        <NumberField
          :model-value="s.overDeg"
          label="Over"
          :limits="s.limits"
          unit="°"
          :data-test="`segment-over-${s.at}`"
          @update:model-value="emit('set', segmentOver(motion, s.at, $event))"
        />
        <NumberField
          :model-value="s.to"
          label="to"
          :limits="LIMITS.camLift"
          :unit="unit"
          :data-test="`segment-to-${s.at}`"
          @update:model-value="emit('set', setSegment(motion, s.at, { to: $event }))"
        />
        <span v-if="s.dwells" class="quiet dwells">dwells</span>
        <SmallChoice
          v-else
          :model-value="s.law as RiseLaw"
          :items="laws"
          :aria-label="`Law of segment ${s.at + 1}`"
          :data-test="`segment-law-${s.at}`"
          @update:model-value="$event && emit('set', setSegment(motion, s.at, { law: $event }))"
        />
        <PlainButton :data-test="`segment-split-${s.at}`" @click="emit('set', splitSegment(motion, s.at))"
          >Split</PlainButton
        >
        <PlainButton
          v-if="segments.length > 1"
          :data-test="`segment-drop-${s.at}`"
          @click="emit('set', dropSegment(motion, s.at))"
          >Delete</PlainButton
        >
      </div>
    </template>
    <template v-else-if="motion.kind === 'points'">
      <TickBox
        :model-value="motion.straight === true"
        label="Straight from point to point"
        data-test="points-straight"
        @update:model-value="
          emit('set', { kind: 'points', points: motion.points, ...($event && { straight: true as const }) })
        "
      />
      <div v-for="(p, i) in motion.points.slice(0, MOST_ROWS)" :key="i" class="row">
        <NumberField
          :model-value="p[0]"
          label="At"
          :limits="[0, 360]"
          unit="°"
          :data-test="`point-at-${i}`"
          @update:model-value="emit('set', setPoint(motion, i, [$event, p[1]]))"
        />
        <NumberField
          :model-value="p[1]"
          label="lift"
          :limits="LIMITS.camLift"
          :unit="unit"
          :data-test="`point-lift-${i}`"
          @update:model-value="emit('set', setPoint(motion, i, [p[0], $event]))"
        />
        <PlainButton v-if="motion.points.length > 2" @click="emit('set', dropPoint(motion, i))"
          >Delete</PlainButton
        >
      </div>
      <p v-if="motion.points.length > MOST_ROWS" class="quiet">
        {{ motion.points.length - MOST_ROWS }} more points are on the chart.
      </p>
      <p>
        <v-btn
          v-if="motion.points.length < MOST.camPoints"
          data-test="point-add"
          @click="emit('set', addPoint(motion, [Math.min(360, (motion.points.at(-1)?.[0] ?? 0) + 15), 0]))"
          >Add a point</v-btn
        >
        <span class="quiet"> or press twice on the chart; pull points about, Delete takes one away.</span>
      </p>
    </template>
    <div v-else-if="motion.kind === 'sky'" class="row">
      <v-select
        :model-value="motion.of"
        :items="SHOWN"
        label="It shows"
        data-test="sky-of"
        @update:model-value="emit('set', { ...motion, of: $event })"
      />
      <NumberField
        :model-value="motion.scale"
        :label="motion.of === 'equation of time' ? 'Lift for a minute' : 'Lift for an hour'"
        :limits="LIMITS.camLift"
        :unit="unit"
        data-test="sky-scale"
        @update:model-value="emit('set', { ...motion, scale: $event })"
      />
      <NumberField
        v-if="motion.of !== 'equation of time'"
        :model-value="motion.latitudeDeg ?? 50"
        label="Latitude"
        :limits="LIMITS.latitudeDeg"
        unit="°"
        data-test="sky-latitude"
        @update:model-value="emit('set', { ...motion, latitudeDeg: $event })"
      />
      <p class="quiet">
        A turn is a year from 1 January. No lift: a sundial that agrees with the clock, or six o’clock in
        local mean time.
      </p>
    </div>
    <template v-else>
      <div v-for="(w, i) in motion.waves" :key="i" class="row">
        <NumberField
          :model-value="w.times"
          label="Times a turn"
          :limits="LIMITS.wavesInTurn"
          whole
          :data-test="`wave-times-${i}`"
          @update:model-value="emit('set', setWave(motion, i, { times: $event }))"
        />
        <NumberField
          :model-value="w.height"
          label="height"
          :limits="LIMITS.camLift"
          :unit="unit"
          :data-test="`wave-height-${i}`"
          @update:model-value="emit('set', setWave(motion, i, { height: $event }))"
        />
        <NumberField
          :model-value="w.atDeg"
          label="highest at"
          :limits="LIMITS.angleDeg"
          unit="°"
          :data-test="`wave-at-${i}`"
          @update:model-value="emit('set', setWave(motion, i, { atDeg: $event }))"
        />
        <PlainButton v-if="motion.waves.length > 1" @click="emit('set', dropWave(motion, i))"
          >Delete</PlainButton
        >
      </div>
      <p>
        <v-btn
          v-if="motion.waves.length < MOST.camWaves"
          data-test="wave-add"
          @click="emit('set', addWave(motion))"
          >Add a wave</v-btn
        >
      </p>
    </template>
  </div>
</template>

<style scoped>
.rows {
  max-height: 240px;
  overflow-y: auto;
}

.row {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}

.row > .number {
  max-width: 120px;
}

.dwells {
  min-width: 6em;
}
</style>
