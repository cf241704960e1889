<script setup lang="ts">
import { type SkyAspect, skyAspects, skyBody, type SkyEvent, synodicDays } from '@tesseron/core/ask';
import { dateFrom, figure, fixed, sayDate, sayTime } from '@tesseron/core/units';
import { rational } from '@tesseron/core/rational';
import { refThrottled } from '@vueuse/core';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useClock } from '../../run/clock';

/** Phases, elongations and meetings as the machine shows them and as they are, and what comes next. */
const props = defineProps<{ startDays: number; turnSeconds: number }>();
const { derived } = useOpen();
const clock = useClock();
// What comes next is searched for: a few times a second is often enough.
const turns = refThrottled(
  computed(() => clock.turns),
  250,
);
const aspects = computed(() => skyAspects(derived.value, props.startDays, props.turnSeconds, turns.value));
const date = (days: number | undefined): string => {
  const at = days === undefined ? undefined : dateFrom(rational(BigInt(Math.round(days * 86400))));
  return at ? sayDate(at) : 'not soon';
};
function apart({ machine, sky }: SkyEvent): string {
  if (machine === undefined || sky === undefined) return '';
  return sayTime((machine - sky) * 86400, 2);
}
const name = (a: SkyAspect): string =>
  a.kind === 'between moons'
    ? `${a.bodies[0]?.name ?? ''} – ${a.bodies[1]?.name ?? ''}`
    : a.kind === 'phase'
      ? 'the Moon from the Sun'
      : `${a.bodies[0]?.name ?? ''} from the Sun`;
/** From one meeting to the next, by mean motions; inner planets meet the Sun twice in that time, and are left out. */
function again({ kind, bodies: [a, b], events }: SkyAspect): string {
  const once = kind === 'between moons' || events.some(e => e.what === 'opposition');
  return a && once ? `, every ${figure(synodicDays(a, b ?? skyBody('earth')), 4)} d` : '';
}
const lit = (part: number | undefined): string => (part === undefined ? '' : `${fixed(part * 100, 0)} %`);
const rows = computed(() =>
  aspects.value.map(a => ({
    ...{ key: a.key, name: name(a), machine: `${fixed(a.machine, 1)}°`, sky: `${fixed(a.sky, 1)}°` },
    lit: a.litMachine === undefined ? '' : `${lit(a.litMachine)} / ${lit(a.litSky)}`,
    events: a.events.map(e => ({
      ...{ what: e.what, machine: date(e.machine), sky: date(e.sky), apart: apart(e) },
      name: a.kind === 'phase' ? e.what : `${name(a).replace(' from the Sun', '')}, ${e.what}${again(a)}`,
    })),
  })),
);
</script>

<template>
  <template v-if="rows.length > 0">
    <h3>As it is seen</h3>
    <table class="ruled" data-test="aspects">
      <thead>
        <tr>
          <th scope="col">apart</th>
          <th scope="col" class="figure">shown</th>
          <th scope="col" class="figure">sky</th>
          <th scope="col" class="figure">lit, both</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.key">
          <td>{{ r.name }}</td>
          <td class="figure">{{ r.machine }}</td>
          <td class="figure">{{ r.sky }}</td>
          <td class="figure">{{ r.lit }}</td>
        </tr>
      </tbody>
    </table>
    <h3>What comes next</h3>
    <table class="ruled" data-test="sky-events">
      <thead>
        <tr>
          <th scope="col">next</th>
          <th scope="col" class="figure">shown, and in the sky</th>
          <th scope="col" class="figure">late by</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="r in rows" :key="r.key">
          <tr v-for="e in r.events" :key="e.what">
            <td>{{ e.name }}</td>
            <td class="figure dates">
              {{ e.machine }}<br />
              <span class="quiet">{{ e.sky }}</span>
            </td>
            <td class="figure">{{ e.apart }}</td>
          </tr>
        </template>
      </tbody>
    </table>
    <p class="quiet small">
      The machine’s planets go round on circles of the true mean distances, the sky’s on their ellipses
      (Standish, JPL, 1800–2050); the Moon’s phase with its largest unevenness (Meeus, ch. 48), good to about
      an hour; Jupiter’s moons by their mean motions.
    </p>
  </template>
</template>

<style scoped>
.small {
  font-size: 13px;
  margin: 6px 0;
}

td {
  font-size: 13px;
}

.dates {
  white-space: nowrap;
}
</style>
