<script setup lang="ts">
import { plantPlanetary, plantTwoRing } from '@tesseron/core/build';
import {
  assemblyOf,
  type Central,
  CENTRALS,
  drivenOf,
  MOST_PLANETS,
  planetaryUses,
  ringMargins,
  searchPlanetary,
  setFrom,
  tipsPass,
  twoRingFits,
  twoRingFrom,
  twoRingGap,
  twoRingRate,
} from '@tesseron/core/planetary';
import { ppm } from '@tesseron/core/period';
import { absolute, div, mul, neg, ONE, parseDecimal, parseRational, type Rational, sub, toFraction, toNumber } from '@tesseron/core/rational'; // prettier-ignore
import { figure, fixed, mm } from '@tesseron/core/units';
import type { AimState } from '@tesseron/core/derive';
import { ok, type Result } from '@tesseron/core/result';
import { sayProblem, sayRate } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import NumberField from '../../parts/NumberField.vue';
import { useSearch } from '../../worker/use-search';

/** A planetary set: from counts or for an output’s rate, simple or with two rings, stacked; what it turns, whether it goes together. */
const open = defineModel<boolean>({ required: true });
const { machine, derived, change } = useOpen();
const search = useSearch<'two rings'>();
const rings = ref<'one' | 'two'>('one');
const sun = ref(24);
const planet = ref(18);
const second = ref(17);
const planets = ref(3);
const stages = ref(1);
const held = ref<Central>('ring');
const driver = ref<Central>('sun');
const aimId = ref<string>('');
const outside = ref<number>();
const module = ref(Number((Object.values(derived.value.modules)[0] ?? 1.5).toFixed(4)));
const two = computed(() => rings.value === 'two');
const RINGS = [
  { title: 'one ring', value: 'one' },
  { title: 'two rings, planets of two wheels', value: 'two' },
];

const aims = computed(() => [
  { title: 'none yet', value: '' },
  ...machine.value.aims.map(a => ({ title: a.name, value: a.id })),
]);
/** The rate that is asked for: the output's, or one that is typed. */
const typedRatio = ref('');
const readRatio = (text: string): Result<unknown> => (text === '' ? ok('') : parseRational(text));
const state = computed((): Pick<AimState, 'wanted' | 'sense'> | undefined => {
  const aim = derived.value.aims[aimId.value];
  if (aim) return aim;
  const typed = parseRational(typedRatio.value);
  if (!typed.ok || typed.value.num === 0n) return undefined;
  return { wanted: absolute(typed.value), sense: typed.value.num < 0n ? 'against the drive' : 'either' };
});
/** Numbers of planets to search for: three to six, or only as many as are stated. */
const onlyStated = ref(false);
const numbers = computed(() => (onlyStated.value ? [planets.value] : [3, 4, 5, 6]));
const ringProblem = ref('');
/** The ring is given: the planet follows from sun and ring. */
function takeRing(ring: number): void {
  const made = setFrom({ sun: sun.value, ring }, planets.value);
  ringProblem.value = made.ok ? '' : sayProblem(made.problem);
  if (made.ok) planet.value = made.value.planet;
}
watch([sun, planet], () => (ringProblem.value = ''));
const set = computed(() => setFrom({ sun: sun.value, planet: planet.value }, planets.value));
const pair = computed(() => twoRingFrom(sun.value, planet.value, second.value, planets.value));
const problem = computed(() => {
  const now = two.value ? pair.value : set.value;
  return now.ok ? '' : sayProblem(now.problem);
});
const uses = computed(() => (set.value.ok ? planetaryUses(set.value.value) : []));
const assembly = computed(() => (set.value.ok ? assemblyOf(set.value.value) : undefined));
const members = [...CENTRALS];
watch(held, h => {
  if (driver.value === h) driver.value = CENTRALS.find(c => c !== h) ?? 'sun';
});
const power = (r: Rational, n: number): Rational =>
  Array.from({ length: n }).reduce<Rational>(p => mul(p, r), ONE);
const rate = computed(() => {
  if (two.value) return pair.value.ok ? twoRingRate(pair.value.value) : undefined;
  const one = uses.value.find(u => u.held === held.value && u.driver === driver.value)?.rate;
  return one && power(one, stages.value);
});
const ofOutput = computed(() => (two.value ? 'second ring' : drivenOf(held.value, driver.value)));

/** The rate that one stage must have: the wanted one, or its root where stages are stacked. */
const perStage = computed(() => {
  const wanted = state.value?.wanted;
  if (!wanted || stages.value === 1) return wanted;
  const root = parseDecimal(Math.pow(toNumber(wanted), 1 / stages.value).toFixed(15));
  return root.ok ? root.value : undefined;
});
/** The sets nearest to the aim’s rate, by the members that are chosen; turned the way the aim asks where they can. */
const found = computed(() => {
  const wanted = perStage.value;
  if (!wanted || two.value) return undefined;
  const backwards = held.value === 'arm';
  return searchPlanetary({
    target: backwards ? neg(wanted) : wanted,
    ...{ held: held.value, driver: driver.value, least: 12, most: 120 },
    ...{ planets: numbers.value, equalOnly: true, gap: 0.3, module: module.value, top: 8 },
    ...(outside.value !== undefined && { outside: outside.value }),
  });
});
watch([two, state, module, outside, numbers], () => {
  search.clear();
  const wanted = state.value?.wanted;
  if (!two.value || !wanted) return;
  search.start({
    kind: 'two rings',
    query: {
      target: state.value?.sense === 'against the drive' ? neg(wanted) : wanted,
      ...{
        least: 12,
        most: 120,
        planets: onlyStated.value ? [planets.value] : [3, 4],
        gap: 0.3,
        module: module.value,
        top: 8,
      },
      ...(outside.value !== undefined && { outside: outside.value }),
    },
  });
});

interface Row {
  readonly key: string;
  readonly counts: string;
  readonly planets: number;
  readonly error: Rational;
  readonly take: () => void;
}
const rows = computed((): Row[] => {
  const wanted = state.value?.wanted;
  const simple = found.value?.ok ? found.value.value : [];
  const twin = two.value && search.answer.value?.ok ? search.answer.value.value : [];
  return [
    ...simple.map(f => ({
      key: `${f.set.sun} ${f.set.planet} ${f.set.planets}`,
      counts: `${f.set.sun}, ${f.set.planet}, ${f.set.ring}`,
      planets: f.set.planets,
      error: wanted ? sub(div(absolute(power(f.rate, stages.value)), wanted), ONE) : f.error,
      take: () => take(f.set),
    })),
    ...twin.map(f => ({
      key: `${f.set.sun} ${f.set.planet} ${f.set.second} ${f.set.planets}`,
      counts: `${f.set.sun}, ${f.set.planet} + ${f.set.second}, ${f.set.ring}, ${f.set.secondRing}`,
      planets: f.set.planets,
      error: f.error,
      take: () => {
        take(f.set);
        second.value = f.set.second;
      },
    })),
  ];
});
const searchProblem = computed(() => {
  const answer = two.value ? search.answer.value : found.value;
  return answer && !answer.ok ? sayProblem(answer.problem) : '';
});
const places = computed(() => assembly.value?.anglesDeg.map(a => `${fixed(a, 2)}°`).join(', ') ?? '');
const gap = computed(() => {
  if (two.value) return pair.value.ok ? twoRingGap(pair.value.value) : 1;
  return assembly.value?.gap ?? 1;
});
const together = computed(() => {
  const equal = two.value ? pair.value.ok && twoRingFits(pair.value.value) : assembly.value?.equal;
  const where = equal
    ? 'goes together equally spaced'
    : two.value
      ? `${planets.value} planets do not go together equally spaced`
      : `does not go together equally spaced; the nearest places are ${places.value}`;
  const clear =
    gap.value > 0 ? `tips of planets clear each other by ${mm(gap.value * module.value)}` : 'neighbouring planets strike'; // prettier-ignore
  return planets.value > 1 ? `${where}; ${clear}` : where;
});
/** Wheels in their rings: where tips strike, or where a ring’s tips reach below the base circle. */
const inRings = computed(() => {
  const all: [number, number][] = two.value
    ? pair.value.ok
      ? [[pair.value.value.planet, pair.value.value.ring], [pair.value.value.second, pair.value.value.secondRing]] // prettier-ignore
      : []
    : set.value.ok
      ? [[set.value.value.planet, set.value.value.ring]]
      : [];
  return all.flatMap(([p, r]) => {
    if (!tipsPass(p, r)) return [{ stop: true, says: `Tips of ${p} strike those of the ring of ${r} (20°, full teeth): take fewer teeth or stub teeth.` }]; // prettier-ignore
    if (ringMargins(p, r).involute < 0) return [{ stop: false, says: `Tips of the ring of ${r} reach below the base circle of ${p} (20°, full teeth): shorten the ring’s teeth a little.` }]; // prettier-ignore
    return [];
  });
});
const unfit = computed(() => gap.value <= 0 || inRings.value.some(x => x.stop));
const size = computed(() => {
  const ring = two.value
    ? pair.value.ok
      ? Math.max(pair.value.value.ring, pair.value.value.secondRing)
      : 0
    : set.value.ok
      ? set.value.value.ring
      : 0;
  return mm((ring + 6) * module.value, 1);
});

function take(s: { sun: number; planet: number; planets: number }): void {
  sun.value = s.sun;
  planet.value = s.planet;
  planets.value = s.planets;
}
function build(): void {
  const aim = aimId.value === '' ? {} : { aim: aimId.value };
  const common = { module: module.value, ...aim };
  const twin = pair.value;
  const one = set.value;
  if (two.value && twin.ok)
    change('Add a set with two rings', m => plantTwoRing(m, { set: twin.value, ...common }));
  if (!two.value && one.ok) {
    const choice = { set: one.value, held: held.value, driver: driver.value, stages: stages.value };
    change('Add a planetary set', m => plantPlanetary(m, { ...choice, ...common }));
  }
  open.value = false;
}
</script>

<template>
  <v-dialog v-model="open" max-width="900" :transition="false" aria-labelledby="planetary-title">
    <v-card class="panel" data-test="planetary">
      <h2 id="planetary-title">Planetary set</h2>
      <div class="row four">
        <v-select v-model="rings" :items="RINGS" label="with" data-test="planetary-rings" />
        <template v-if="!two">
          <v-select v-model="held" :items="members" label="held" data-test="planetary-held" />
          <v-select
            v-model="driver"
            :items="members.filter(c => c !== held)"
            label="turned by the drive"
            data-test="planetary-driver"
          />
        </template>
        <v-select v-model="aimId" :items="aims" label="its output serves" data-test="planetary-aim" />
      </div>
      <div class="row six">
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
          v-if="!two && set.ok"
          :model-value="set.value.ring"
          label="Ring"
          :least="12"
          :most="1500"
          whole
          data-test="planetary-ring"
          @update:model-value="takeRing"
        />
        <NumberField
          v-if="two"
          v-model="second"
          label="Second wheel"
          :least="4"
          :most="500"
          whole
          data-test="planetary-second"
        />
        <NumberField
          v-model="planets"
          label="Planets"
          :least="1"
          :most="MOST_PLANETS"
          whole
          data-test="planetary-planets"
        />
        <NumberField
          v-if="!two"
          v-model="stages"
          label="Stages"
          :least="1"
          :most="5"
          whole
          data-test="planetary-stages"
        />
        <NumberField v-model="module" label="Module" :least="0.1" :most="50" unit="mm" />
        <NumberField
          v-model="outside"
          label="Outside at most"
          :least="1"
          :most="5000"
          unit="mm"
          optional
          data-test="planetary-outside"
          @clear="outside = undefined"
        />
      </div>
      <div class="row asked">
        <CheckedField
          v-if="aimId === ''"
          v-model="typedRatio"
          label="or for the ratio"
          hint="such as 1/5 or 0.234"
          :read="readRatio"
          data-test="planetary-ratio"
        />
        <label class="tick"
          ><input v-model="onlyStated" type="checkbox" /> search only {{ planets }} planets</label
        >
      </div>
      <p v-if="ringProblem" class="error-text" role="alert">{{ ringProblem }}</p>
      <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
      <template v-else>
        <p data-test="planetary-says" :class="{ 'error-text': unfit }">
          <template v-if="two && pair.ok"
            >Rings {{ pair.value.ring }} and {{ pair.value.secondRing }};
          </template>
          <template v-else-if="set.ok">Ring {{ set.value.ring }}; </template>
          {{ together }}; {{ size }} across with a rim. The {{ ofOutput }} turns
          <span class="figure">{{ sayRate(rate) }}</span> for one of the {{ two ? 'sun' : driver
          }}<template v-if="!two && stages > 1">, over {{ stages }} stages</template>.
        </p>
        <p v-for="r in inRings" :key="r.says" :class="r.stop ? 'error-text' : 'quiet'">{{ r.says }}</p>
        <div class="two">
          <table v-if="!two" class="ruled" data-test="planetary-uses">
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
          <p v-else class="quiet">
            The sun drives, the first ring is held, the second ring goes slowly round. Second ring = sun +
            planet + second wheel, so that both meshes of a planet stand at one distance.
          </p>
          <div>
            <p v-if="search.searching.value && two">
              <progress :value="search.done.value" max="1" aria-label="Search" />
              <v-btn @click="search.cancel()">Stop</v-btn>
            </p>
            <p v-else-if="searchProblem" class="error-text" role="alert">{{ searchProblem }}</p>
            <table v-else-if="rows.length > 0" class="ruled" data-test="planetary-found">
              <thead>
                <tr>
                  <th scope="col">{{ two ? 'sun, planet, rings' : 'sun, planet, ring' }}</th>
                  <th scope="col" class="figure">planets</th>
                  <th scope="col" class="figure">error, ppm</th>
                  <th scope="col"><span class="visually-hidden">take</span></th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="r in rows" :key="r.key">
                  <td class="figure left">{{ r.counts }}</td>
                  <td class="figure">{{ r.planets }}</td>
                  <td class="figure">{{ figure(toNumber(ppm(absolute(r.error))), 4) }}</td>
                  <td>
                    <button
                      type="button"
                      class="boxed"
                      :aria-label="`Take sun ${r.counts}`"
                      @click="r.take()"
                    >
                      Take
                    </button>
                  </td>
                </tr>
              </tbody>
            </table>
            <p v-else-if="aimId !== ''" class="quiet">No set within the limits clears its neighbours.</p>
            <p v-else class="quiet">
              Choose an output, or type a ratio, to search counts for it, 12 to 120 teeth.
            </p>
          </div>
        </div>
        <p v-if="!two && set.ok" class="quiet">
          Turns by Willis’s formula: (sun − arm)/(ring − arm) = −{{ set.value.ring }}/{{ set.value.sun }}.
          Equal planets need ({{ set.value.sun }} + {{ set.value.ring }})/{{ planets }} whole.
        </p>
        <p v-else-if="pair.ok" class="quiet">
          By Willis’s formula: (1 − {{ pair.value.ring }}·{{ pair.value.second }}/({{ pair.value.planet }}·{{
            pair.value.secondRing
          }})) / (1 + {{ pair.value.ring }}/{{ pair.value.sun }}).
        </p>
      </template>
      <p class="go">
        <v-btn variant="flat" :disabled="problem !== '' || unfit" data-test="planetary-build" @click="build"
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
  gap: 0 16px;
}

.row.four {
  grid-template-columns: 1.2fr 1fr 1fr 1fr;
}

.row.six {
  grid-template-columns: repeat(auto-fit, minmax(96px, 1fr));
}

.row.asked {
  grid-template-columns: 1fr 1fr;
  align-items: center;
  max-width: 480px;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1.2fr;
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
  .row.four,
  .row.six,
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
