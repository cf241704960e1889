<script setup lang="ts">
import { plantPlanetary } from '@tesseron/core/build';
import {
  assemblyOf,
  type Central,
  CENTRALS,
  drivenOf,
  MOST_PLANETS,
  planetaryUses,
  searchPlanetary,
  setFrom,
} from '@tesseron/core/planetary';
import { ppm } from '@tesseron/core/period';
import { absolute, neg, toFraction, toNumber } from '@tesseron/core/rational';
import { figure, fixed } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

/** A planetary set: from two counts or for an aim’s rate, with its six ratios and whether it goes together; then built. */
const open = defineModel<boolean>({ required: true });
const { machine, derived, change } = useOpen();
const sun = ref(24);
const planet = ref(18);
const planets = ref(3);
const held = ref<Central>('ring');
const driver = ref<Central>('sun');
const aimId = ref<string>('');
const module = ref(Number((Object.values(derived.value.modules)[0] ?? 1.5).toFixed(4)));

const aims = computed(() => [
  { title: 'none yet', value: '' },
  ...machine.value.aims.map(a => ({ title: a.name, value: a.id })),
]);
const state = computed(() => derived.value.aims[aimId.value]);
const set = computed(() => setFrom({ sun: sun.value, planet: planet.value }, planets.value));
const uses = computed(() => (set.value.ok ? planetaryUses(set.value.value) : []));
const assembly = computed(() => (set.value.ok ? assemblyOf(set.value.value) : undefined));
const members = [...CENTRALS];
watch(held, h => {
  if (driver.value === h) driver.value = CENTRALS.find(c => c !== h) ?? 'sun';
});
const rate = computed(() => uses.value.find(u => u.held === held.value && u.driver === driver.value)?.rate);

/** The sets nearest to the aim’s rate, by the members that are chosen; turned the way the aim asks where they can. */
const found = computed(() => {
  const wanted = state.value?.wanted;
  if (!wanted) return undefined;
  const backwards = held.value === 'arm';
  return searchPlanetary({
    target: backwards ? neg(wanted) : wanted,
    ...{ held: held.value, driver: driver.value, least: 12, most: 120 },
    ...{ planets: [3, 4, 5, 6], equalOnly: true, gap: 0.3, module: module.value, top: 8 },
  });
});
const places = computed(() => assembly.value?.anglesDeg.map(a => `${fixed(a, 2)}°`).join(', ') ?? '');
const together = computed(() => {
  const a = assembly.value;
  if (!a) return '';
  const spacing = a.equal
    ? 'goes together equally spaced'
    : `does not go together equally spaced; the nearest places are ${places.value}`;
  const gap =
    a.gap > 0 ? `tips clear each other by ${fixed(a.gap, 2)} modules` : 'neighbouring planets strike';
  return planets.value > 1 ? `${spacing}; ${gap}` : spacing;
});
const strikes = computed(() => (assembly.value?.gap ?? 1) <= 0);

function take(s: { sun: number; planet: number; planets: number }): void {
  sun.value = s.sun;
  planet.value = s.planet;
  planets.value = s.planets;
}
function build(): void {
  const one = set.value;
  if (!one.ok) return;
  const choice = { set: one.value, held: held.value, driver: driver.value, module: module.value };
  const aim = aimId.value === '' ? {} : { aim: aimId.value };
  change('Add a planetary set', m => plantPlanetary(m, { ...choice, ...aim }));
  open.value = false;
}
</script>

<template>
  <v-dialog v-model="open" max-width="880" :transition="false" aria-labelledby="planetary-title">
    <v-card class="panel" data-test="planetary">
      <h2 id="planetary-title">Planetary set</h2>
      <div class="row">
        <v-select v-model="held" :items="members" label="held" data-test="planetary-held" />
        <v-select
          v-model="driver"
          :items="members.filter(c => c !== held)"
          label="turned by the drive"
          data-test="planetary-driver"
        />
        <v-select v-model="aimId" :items="aims" label="its output serves" data-test="planetary-aim" />
      </div>
      <div class="row four">
        <NumberField v-model="sun" label="Sun" :least="4" :most="500" whole data-test="planetary-sun" />
        <NumberField
          v-model="planet"
          label="Planet"
          :least="4"
          :most="500"
          whole
          data-test="planetary-planet"
        />
        <NumberField
          v-model="planets"
          label="Planets"
          :least="1"
          :most="MOST_PLANETS"
          whole
          data-test="planetary-planets"
        />
        <NumberField v-model="module" label="Module" :least="0.1" :most="50" unit="mm" />
      </div>
      <p v-if="!set.ok" class="error-text" role="alert">{{ sayProblem(set.problem) }}</p>
      <template v-else>
        <p data-test="planetary-says" :class="{ 'error-text': strikes }">
          Ring {{ set.value.ring }}; {{ together }}. The {{ drivenOf(held, driver) }} turns
          <span class="figure">{{ rate ? toFraction(rate).replace('-', '−') : '' }}</span> for one of the
          {{ driver }}.
        </p>
        <div class="two">
          <table class="ruled" data-test="planetary-uses">
            <thead>
              <tr>
                <th scope="col">held</th>
                <th scope="col">drives</th>
                <th scope="col">driven</th>
                <th scope="col" class="figure">turns</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="u in uses"
                :key="u.held + u.driver"
                :class="{ chosen: u.held === held && u.driver === driver }"
              >
                <td>{{ u.held }}</td>
                <td>{{ u.driver }}</td>
                <td>{{ u.driven }}</td>
                <td class="figure">{{ toFraction(u.rate).replace('-', '−') }}</td>
              </tr>
            </tbody>
          </table>
          <table v-if="found?.ok" class="ruled" data-test="planetary-found">
            <thead>
              <tr>
                <th scope="col">sun, planet, ring</th>
                <th scope="col" class="figure">planets</th>
                <th scope="col" class="figure">error, ppm</th>
                <th scope="col"><span class="visually-hidden">take</span></th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="f in found.value" :key="`${f.set.sun} ${f.set.planet} ${f.set.planets}`">
                <td class="figure left">{{ f.set.sun }}, {{ f.set.planet }}, {{ f.set.ring }}</td>
                <td class="figure">{{ f.set.planets }}</td>
                <td class="figure">{{ figure(toNumber(ppm(absolute(f.error))), 4) }}</td>
                <td>
                  <button
                    type="button"
                    class="boxed"
                    :aria-label="`Take sun ${f.set.sun}, planet ${f.set.planet}`"
                    @click="take(f.set)"
                  >
                    Take
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
          <p v-else class="quiet">Choose an output to search counts for its rate, 12 to 120 teeth.</p>
        </div>
        <p class="quiet">
          Turns by Willis’s formula: (sun − arm)/(ring − arm) = −{{ set.value.ring }}/{{ set.value.sun }}.
          Equal planets need ({{ set.value.sun }} + {{ set.value.ring }})/{{ planets }} whole.
        </p>
      </template>
      <p class="go">
        <v-btn variant="flat" :disabled="!set.ok || strikes" data-test="planetary-build" @click="build"
          >Add</v-btn
        >
        <v-btn @click="open = false">Close</v-btn>
      </p>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.panel {
  padding: 18px 22px;
  display: block;
  overflow: auto;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 16px;
}

.row.four {
  grid-template-columns: 1fr 1fr 1fr 1fr;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  align-items: start;
}

td.left {
  text-align: left;
}

.go {
  display: flex;
  gap: 12px;
}

@media (max-width: 600px) {
  .row,
  .row.four,
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
