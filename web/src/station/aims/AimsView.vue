<script setup lang="ts">
import { addAim, arbors, freeId, type Machine, removeAim, renameMember } from '@tesseron/core/machine';
import { parsePeriod, sayPeriod } from '@tesseron/core/units';
import { computed } from 'vue';
import PlanCanvas from '../../draw/PlanCanvas.vue';
import StationLayout from '../../frame/StationLayout.vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
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
const chooseDrive = (member: string): void =>
  change('Choose the drive', m => ({ ...m, drive: { member, speed: { kind: 'free' } } }));
const rename = (name: string): void => change('Name the machine', m => ({ ...m, name }));
const setSpeed = (speed: NonNullable<Machine['drive']>['speed']): void =>
  change('Set the drive', m => (m.drive ? { ...m, drive: { ...m.drive, speed } } : m));
const setStart = (text: string): void =>
  change('Set the start', m => {
    const { start: _, ...rest } = m;
    const read = readStart(text);
    return read.ok && read.value !== '' ? { ...rest, start: read.value } : rest;
  });

function add(): void {
  const id = freeId(machine.value, 'aim');
  const aim = {
    id,
    name: `Output ${machine.value.aims.length + 1}`,
    wanted: free.value ? '1/2' : '24 h',
    sense: 'with the drive' as const,
    tolerance: { degrees: '1', over: free.value ? '100 turns' : '1 Julian year' },
    frame: 'ground',
  };
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
          @update:model-value="$event && chooseDrive($event)"
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
          The drive has no period of its own, like a hand crank: only ratios between outputs matter.
        </p>
        <CheckedField
          :model-value="machine.start ?? ''"
          label="Starts at (UTC), if it is a clock"
          :read="readStart"
          hint="such as 2026-01-01 00:00"
          @update:model-value="setStart"
        />
      </div>
      <v-checkbox
        :model-value="free"
        label="turned by hand, at any speed"
        @update:model-value="setSpeed($event ? { kind: 'free' } : { kind: 'period', text: '12 h' })"
      />
      <h3>Outputs</h3>
      <AimEditor
        v-for="aim in machine.aims"
        :key="aim.id"
        :aim="aim"
        @remove="change(`Remove ${aim.name}`, removeAim(aim.id))"
      />
      <v-btn class="add" data-test="add-aim" @click="add">Add an output</v-btn>
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
}

@media (max-width: 600px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
</style>
