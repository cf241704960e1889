<script setup lang="ts">
import { byId, circleCount, meshes, renameMember, setWheel } from '@tesseron/core/machine';
import { sign, toFraction, toNumber } from '@tesseron/core/rational';
import { figure, sayPeriod, periodOf } from '@tesseron/core/units';
import { absolute } from '@tesseron/core/rational';
import { nameOf } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { pathFromDrive } from './path-from-drive';
import ElevationDrawing from './ElevationDrawing.vue';
import PlanetaryPanel from './PlanetaryPanel.vue';

const { machine, derived, change } = useOpen();
const working = useRatioWorking();
const selected = ref<string>();
const planetary = ref(false);
const shown = computed(() => selected.value ?? machine.value.members[0]?.id);

const arbors = computed(() =>
  machine.value.members
    .filter(m => m.kind === 'arbor')
    .map(m => {
      const rate = derived.value.train.rates[m.id];
      const period = rate && periodOf(absolute(rate), derived.value.driveSeconds);
      return {
        id: m.id,
        name: m.name,
        rate: rate ? toFraction(rate).replace('-', '−') : 'not fixed',
        decimal: rate ? figure(toNumber(rate), 7) : '',
        period: period ? sayPeriod(period, 6) : '',
        sense: !rate || sign(rate) === 0 ? '–' : sign(rate) > 0 ? '↺' : '↻',
      };
    }),
);
const wheels = computed(() =>
  machine.value.wheels
    .filter(w => w.member === shown.value)
    .map(w => ({
      wheel: w,
      count: circleCount(w),
      mates: meshes(machine.value)
        .filter(j => j.a === w.id || j.b === w.id)
        .map(j => nameOf(machine.value, j.a === w.id ? j.b : j.a))
        .join(', '),
    })),
);
const shownArbor = computed(() => byId(machine.value.members, shown.value));
const aim = computed(() => machine.value.aims.find(a => a.member === shown.value));
const path = computed(() =>
  shown.value === undefined ? undefined : pathFromDrive(machine.value, shown.value),
);
</script>

<template>
  <StationLayout station="train">
    <template #table>
      <ElevationDrawing v-if="machine.wheels.length > 0" :selected="selected" @select="selected = $event" />
      <p v-else class="empty">No wheels yet. Choose counts for an output first.</p>
    </template>
    <template #ledger>
      <v-btn v-if="machine.drive" data-test="add-planetary" @click="planetary = true">Planetary set…</v-btn>
      <PlanetaryPanel v-if="planetary" v-model="planetary" />
      <h3>Arbors, in turns per turn of the drive</h3>
      <table class="ruled" data-test="rates">
        <thead>
          <tr>
            <th scope="col">arbor</th>
            <th scope="col" class="figure">exact rate</th>
            <th scope="col" class="figure">one turn in</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="a in arbors" :key="a.id" :class="{ chosen: a.id === shown }">
            <td>
              <button type="button" class="plain" @click="selected = a.id">{{ a.name }}</button>
            </td>
            <td class="figure" :title="a.decimal">{{ a.sense }} {{ a.rate }}</td>
            <td class="figure">{{ a.period }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="shownArbor">
        <h3>{{ shownArbor.name }}</h3>
        <v-text-field
          :model-value="shownArbor.name"
          label="Name"
          maxlength="120"
          @change="
            change('Name an arbor', renameMember(shownArbor.id, ($event.target as HTMLInputElement).value))
          "
        />
        <div v-for="w in wheels" :key="w.wheel.id" class="wheel">
          <NumberField
            :model-value="w.count"
            :label="`Teeth of ${w.wheel.name}`"
            :least="4"
            :most="1000"
            whole
            :hint="w.mates ? `in mesh with ${w.mates}` : 'in mesh with nothing'"
            :data-test="`count-${w.wheel.id}`"
            @update:model-value="
              change(
                `Teeth of ${w.wheel.name}`,
                setWheel(w.wheel.id, { teeth: { kind: 'count', count: $event } }),
              )
            "
          />
          <NumberField
            :model-value="w.wheel.layer + 1"
            label="Layer"
            :least="-99"
            :most="999"
            whole
            @update:model-value="
              change(`Layer of ${w.wheel.name}`, setWheel(w.wheel.id, { layer: $event - 1 }))
            "
          />
        </div>
        <v-btn v-if="aim && path" class="work" data-test="show-working" @click="working.show(aim.id, path)"
          >Show working</v-btn
        >
      </template>
    </template>
  </StationLayout>
</template>

<style scoped>
.empty {
  height: 100%;
  display: grid;
  place-content: center;
}

.wheel {
  display: grid;
  grid-template-columns: 1fr 80px;
  gap: 14px;
}

.work {
  margin-top: 10px;
}
</style>
