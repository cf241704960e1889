<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import { CENTRALS, MOST_PLANETS } from '@tesseron/core/planetary';
import { ppm } from '@tesseron/core/period';
import { absolute, toFraction, toNumber } from '@tesseron/core/rational';
import { figure } from '@tesseron/core/units';
import { sayRate } from '@tesseron/core/words';
import CheckedField from '../../parts/CheckedField.vue';
import NumberField from '../../parts/NumberField.vue';
import { usePlanetary } from './use-planetary';
import WorkBar from '../../parts/WorkBar.vue';
import TickBox from '../../parts/TickBox.vue';
import DialogBox from '../../parts/DialogBox.vue';

/** The dialog of a planetary set: choose it, see what it does, add it. */
const open = defineModel<boolean>({ required: true });
const RINGS = [
  { title: 'one ring', value: 'one' },
  { title: 'two rings, planets of two wheels', value: 'two' },
];

const members = [...CENTRALS];
const {
  aims,
  build,
  driver,
  held,
  inRings,
  aimId,
  module,
  ofOutput,
  onlyStated,
  outside,
  pair,
  planet,
  planets,
  problem,
  rate,
  readRatio,
  ringProblem,
  rings,
  rows,
  search,
  searchProblem,
  second,
  set,
  size,
  stages,
  sun,
  takeRing,
  together,
  two,
  typedRatio,
  unfit,
  uses,
} = usePlanetary(() => (open.value = false));
</script>

<template>
  <DialogBox v-model="open" title="Planetary set" :width="900" test="planetary">
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
      <NumberField v-model="sun" label="Sun" :limits="LIMITS.setCount" whole data-test="planetary-sun" />
      <NumberField
        v-model="planet"
        label="Planet"
        :limits="LIMITS.setCount"
        whole
        data-test="planetary-planet"
      />
      <NumberField
        v-if="!two && set.ok"
        :model-value="set.value.ring"
        label="Ring"
        :limits="LIMITS.ringCount"
        whole
        data-test="planetary-ring"
        @update:model-value="takeRing"
      />
      <NumberField
        v-if="two"
        v-model="second"
        label="Second wheel"
        :limits="LIMITS.setCount"
        whole
        data-test="planetary-second"
      />
      <NumberField
        v-model="planets"
        label="Planets"
        :limits="[1, MOST_PLANETS]"
        whole
        data-test="planetary-planets"
      />
      <NumberField
        v-if="!two"
        v-model="stages"
        label="Stages"
        :limits="LIMITS.setStages"
        whole
        data-test="planetary-stages"
      />
      <NumberField v-model="module" label="Module" :limits="LIMITS.module" unit="mm" />
      <NumberField
        v-model="outside"
        label="Outside at most"
        :limits="LIMITS.largestOutside"
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
        hint="such as 5:1, 1/5 or 0.234"
        :read="readRatio"
        data-test="planetary-ratio"
      />
      <TickBox v-model="onlyStated" :label="`search only ${planets} planets`" />
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
          <WorkBar v-if="two" :work="search" label="Search" />
          <p v-if="searchProblem" class="error-text" role="alert">{{ searchProblem }}</p>
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
                  <BoxedButton :aria-label="`Take sun ${r.counts}`" @click="r.take()"> Take </BoxedButton>
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
        Turns by Willis’s formula: (sun − arm)/(ring − arm) = −{{ set.value.ring }}/{{ set.value.sun }}. Equal
        planets need ({{ set.value.sun }} + {{ set.value.ring }})/{{ planets }} whole.
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
  </DialogBox>
</template>

<style scoped>
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
