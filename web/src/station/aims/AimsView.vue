<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { type Aim, arbors, driveWay, type Machine, newAim } from '@tesseron/core/machine';
import {
  addAim,
  removeAim,
  renameMember,
  setDriveWay,
  chooseDrive,
  renameMachine,
  setDriveSpeed,
  setStart,
  setDriveTravel,
  setDriveBy,
  setAllSenses,
} from '@tesseron/core/change';
import { ok, type Result } from '@tesseron/core/result';
import { parsePeriod, parseTravel, sayPeriod } from '@tesseron/core/units';
import { computed, ref } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import AddMany from './AddMany.vue';
import AimEditor from './AimEditor.vue';
import { readStart } from './read-start';

const { machine, derived, change } = useOpen();

const drive = computed(() => machine.value.members.find(m => m.id === machine.value.drive?.member));
const period = computed(() =>
  machine.value.drive?.speed.kind === 'period' ? machine.value.drive.speed.text : '',
);
const free = computed(() => machine.value.drive?.speed.kind === 'free');
const reads = computed(() =>
  derived.value.driveSeconds ? `one turn in ${sayPeriod(derived.value.driveSeconds)}` : 'only ratios matter',
);
const marks = computed(() =>
  machine.value.aims.flatMap(a => (a.member === undefined ? [] : [{ member: a.member, text: a.name }])),
);
const summary = computed(
  () =>
    `Plan of ${machine.value.name}: ${machine.value.wheels.length} wheels, ${machine.value.aims.length} outputs`,
);

const arborItems = computed(() => arbors(machine.value).map(a => ({ title: a.name || a.id, value: a.id })));
const driveFrom = (member: string): void => change('Choose the drive', chooseDrive(member));
const rename = (name: string): void => change('Name the machine', renameMachine(name));
const setSpeed = (speed: NonNullable<Machine['drive']>['speed']): void =>
  change('Set the drive', setDriveSpeed(speed));
function putStart(text: string): void {
  const read = readStart(text);
  change('Set the start', setStart(read.ok && read.value !== '' ? read.value : undefined));
}

const setTravel = (text: string): void => change('Set how far the drive rolls', setDriveTravel(text));
/** What turns the drive: a hand is warned of above about 100 turns a minute. */
const TURNED_BY = [
  { title: 'not said', value: '' },
  { title: 'a hand', value: 'hand' },
  { title: 'a motor', value: 'motor' },
  { title: 'clockwork', value: 'clockwork' },
] as const;
const setBy = (value: string): void =>
  change('Say what turns the drive', setDriveBy(TURNED_BY.find(t => t.value === value)?.value || undefined));
const travel = (text: string): Result<unknown> => (text === '' ? ok('') : parseTravel(text));
const stands = computed(() =>
  derived.value.standsFor ? `; a turn of it stands for ${sayPeriod(derived.value.standsFor)}` : '',
);

const many = ref(false);
/** Editors stand open while there are few outputs; of many, those that are asked for. */
const FEW = 3;
const asked = ref<ReadonlyMap<string, boolean>>(new Map());
const isOpen = (id: string): boolean => asked.value.get(id) ?? machine.value.aims.length <= FEW;
const toggle = (id: string): void => void (asked.value = new Map([...asked.value, [id, !isOpen(id)]]));

const WAYS = [
  { value: false, title: 'counter-clockwise' },
  { value: true, title: 'clockwise' },
];
const SENSES = ['with the drive', 'against the drive', 'either'] as const;
const common = computed(() => {
  const [first, ...rest] = machine.value.aims.map(a => a.sense);
  return rest.every(s => s === first) ? first : undefined;
});
const setAll = (sense: Aim['sense']): void => change(`All outputs turn ${sense}`, setAllSenses(sense));

function add(): void {
  const name = `Output ${machine.value.aims.length + 1}`;
  const aim = newAim(machine.value, name, free.value ? '1/2' : '24 h');
  asked.value = new Map([...asked.value, [aim.id, true]]);
  change('Add an output', addAim(aim));
}
</script>

<template>
  <StationLayout station="aims" wide>
    <template #table>
      <PlanCanvas v-if="machine.wheels.length > 0" :label="summary" :marks="marks" />
      <div v-else class="empty">
        <p>Nothing turns yet.</p>
        <p class="quiet">
          Name the outputs and their periods here; then find tooth counts for each at Counts.
        </p>
      </div>
    </template>
    <template #ledger>
      <div class="pair">
        <v-text-field
          :model-value="machine.name"
          label="Machine"
          maxlength="120"
          data-test="machine-name"
          @change="rename(($event.target as HTMLInputElement).value)"
        />
        <v-select
          v-if="!drive"
          :model-value="null"
          :items="arborItems"
          label="Drive: choose the arbor that is turned"
          @update:model-value="$event && driveFrom($event)"
        />
        <v-text-field
          v-else
          :model-value="drive.name"
          label="Drive: the arbor that is turned"
          maxlength="120"
          data-test="drive-name"
          @change="
            drive &&
            change('Name the drive', renameMember(drive.id, ($event.target as HTMLInputElement).value))
          "
        />
      </div>
      <div class="pair">
        <CheckedField
          v-if="!free"
          :model-value="period"
          label="One turn of the drive, or its speed"
          :read="parsePeriod"
          :hint="reads"
          data-test="drive-period"
          @update:model-value="setSpeed({ kind: 'period', text: $event })"
        />
        <p v-else class="quiet">
          The drive has no period of its own, like a hand crank: only ratios between outputs matter{{
            stands
          }}.
        </p>
        <v-select
          v-if="drive"
          :model-value="driveWay(machine) < 0"
          :items="WAYS"
          label="Seen from the front it turns"
          data-test="drive-way"
          @update:model-value="change('Turn the drive the other way', setDriveWay($event))"
        />
        <v-select
          v-if="drive"
          :model-value="machine.drive?.by ?? ''"
          :items="TURNED_BY"
          label="Turned by"
          data-test="drive-by"
          @update:model-value="setBy"
        />
      </div>
      <div class="pair three">
        <v-checkbox
          :model-value="free"
          label="at any speed"
          data-test="drive-free"
          @update:model-value="setSpeed($event ? { kind: 'free' } : { kind: 'period', text: '12 h' })"
        />
        <CheckedField
          :model-value="machine.start ?? ''"
          label="Starts at (UTC), if it is a clock"
          :read="readStart"
          hint="such as 2026-01-01 00:00"
          @update:model-value="putStart"
        />
        <CheckedField
          :model-value="machine.drive?.travel ?? ''"
          label="Rolls in a turn"
          :read="travel"
          hint="of a road wheel: 0.4 m round"
          data-test="drive-travel"
          @update:model-value="setTravel"
        />
      </div>
      <div class="heading">
        <h3>Outputs</h3>
        <v-select
          v-if="machine.aims.length > 1"
          :model-value="common ?? null"
          :items="kept(SENSES)"
          label="all turn"
          data-test="all-sense"
          @update:model-value="$event && setAll($event)"
        />
      </div>
      <AimEditor
        v-for="aim in machine.aims"
        :key="aim.id"
        :aim="aim"
        :open="isOpen(aim.id)"
        @toggle="toggle(aim.id)"
        @remove="change(`Remove ${aim.name}`, removeAim(aim.id))"
      />
      <p class="add">
        <v-btn data-test="add-aim" @click="add">Add an output</v-btn>
        <v-btn data-test="add-many" @click="many = true">Add several…</v-btn>
      </p>
      <AddMany v-if="many" v-model="many" />
    </template>
  </StationLayout>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 18px;
  align-items: start;
}

.pair.three {
  grid-template-columns: 0.8fr 1.2fr 1fr;
}

.pair p {
  font-size: 14px;
  margin: 12px 0;
}

.empty {
  height: 100%;
  display: grid;
  place-content: center;
  text-align: center;
  padding: 20px;
}

.empty p {
  margin: 2px;
  font-size: 17px;
}

.add {
  margin-top: 12px;
  display: flex;
  gap: 12px;
}

.heading {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}

.heading .v-select {
  max-width: 200px;
}

@media (max-width: 600px) {
  .pair,
  .pair.three {
    grid-template-columns: 1fr;
  }
}
</style>
