<script setup lang="ts">
import { bodyOf, skyReadings, unevenSky } from '@tesseron/core/ask';
import { equationOfTime } from '@tesseron/core/sky';
import { toNumber } from '@tesseron/core/rational';
import { figure, fixed } from '@tesseron/core/units';
import { computed } from 'vue';
import AspectsTable from './AspectsTable.vue';
import { useOpen } from '../../machine/use-open';
import { useClock } from '../../run/clock';
import { dateAt, exactSecondsAt, startSeconds } from '../../run/readings';

/** Outputs held against the mean motion of the bodies that they show. */
const { machine, derived } = useOpen();
const clock = useClock();
const turnSeconds = computed(() => derived.value.driveSeconds ?? derived.value.standsFor);
const start = computed(() => startSeconds(machine.value));
const startDays = computed(() => start.value && toNumber(start.value) / 86400);
const now = computed(() => dateAt(machine.value, turnSeconds.value, clock.turns));
/** Where an output keeps the Sun’s mean time: how far a sundial is from it today. */
const sundial = computed(() => {
  const seconds = exactSecondsAt(machine.value, turnSeconds.value, clock.turns);
  if (!seconds || !machine.value.aims.some(a => unevenSky(a)?.kind === 'sundial')) return '';
  const minutes = equationOfTime(toNumber(seconds) / 86400);
  return (
    `A sundial is ${fixed(Math.abs(minutes), 1)} min ` +
    `${minutes < 0 ? 'behind' : 'ahead of'} the mean time shown today (equation of ` +
    'time; Meeus, ch. 28).'
  );
});
const bodies = computed(() => machine.value.aims.filter(a => bodyOf(a) !== undefined));
const rows = computed(() => {
  if (start.value === undefined || !turnSeconds.value) return [];
  const days = toNumber(start.value) / 86400;
  return skyReadings(derived.value, days, toNumber(turnSeconds.value), clock.turns).map(r => ({
    ...r,
    name: r.body.name,
    shows: `${fixed(r.shown, 1)}°`,
    sky: `${fixed(r.mean, 1)}°`,
    off: `${fixed(r.error, 2)}°`,
    grows: `${figure(r.perYear, 2)}°`,
  }));
});
</script>

<template>
  <p v-if="sundial" data-test="sundial">{{ sundial }}</p>
  <p v-if="bodies.length === 0" class="quiet">
    No output shows a body of the sky whose mean motion is known here.
  </p>
  <p v-else-if="start === undefined" class="error-text" data-test="sky-start">
    Say at Aims at which date the machine stands at nought turns: then it can be held against the sky.
  </p>
  <template v-else>
    <p>{{ now ?? 'beyond the calendar' }}</p>
    <table class="ruled" data-test="sky">
      <thead>
        <tr>
          <th scope="col">body</th>
          <th scope="col" class="figure">shown</th>
          <th scope="col" class="figure">mean</th>
          <th scope="col" class="figure">off</th>
          <th scope="col" class="figure">a year</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.aim">
          <td>{{ r.name }}</td>
          <td class="figure">{{ r.shows }}</td>
          <td class="figure">{{ r.sky }}</td>
          <td class="figure">{{ r.off }}</td>
          <td class="figure">{{ r.grows }}</td>
        </tr>
      </tbody>
    </table>
    <AspectsTable
      v-if="startDays !== undefined && turnSeconds"
      :start-days="startDays"
      :turn-seconds="toNumber(turnSeconds)"
    />
    <p class="quiet small">
      Every hand set to its body’s mean longitude at the start, {{ machine.start?.slice(0, 10) }}, and turned
      by the train from there.
    </p>
    <p v-for="r in rows" :key="`s${r.aim}`" class="quiet small">
      {{ r.name }}, {{ r.body.seen }}: {{ r.body.source }}; good from {{ r.body.from }} to {{ r.body.to
      }}<strong v-if="!r.inRange" class="error-text" data-test="sky-range"
        >, which this date lies beyond</strong
      >. The true place swings up to {{ r.body.swing }}° about the mean one.
    </p>
  </template>
</template>

<style scoped>
.small {
  font-size: 13px;
  margin: 6px 0;
}
</style>
