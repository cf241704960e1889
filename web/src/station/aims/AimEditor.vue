<script setup lang="ts">
import { type Aim, setAim } from '@tesseron/core/machine';
import { PERIODS } from '@tesseron/core/period';
import { toFraction, toNumber, toSignificant } from '@tesseron/core/rational';
import { parseDecimal } from '@tesseron/core/rational';
import { fail, type Result } from '@tesseron/core/result';
import { figure, parseSpan, parseWanted } from '@tesseron/core/units';
import { sayDrift, sayProblem } from '@tesseron/core/words';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import { pathFromDrive } from '../train/path-from-drive';
import CheckedField from '../../parts/CheckedField.vue';

const props = defineProps<{ aim: Aim }>();
const emit = defineEmits<{ remove: [] }>();
const { machine, derived, change } = useOpen();
const working = useRatioWorking();
const path = computed(() =>
  props.aim.member === undefined ? undefined : pathFromDrive(machine.value, props.aim.member),
);

const state = computed(() => derived.value.aims[props.aim.id]);
const SENSES = ['with the drive', 'against the drive', 'either'] as const;
const known = PERIODS.map(p => ({ title: `${p.name}: ${p.text}`, value: p.text }));
const reads = computed(() => {
  const wanted = state.value?.wanted;
  if (!wanted) return state.value?.problem ? sayProblem(state.value.problem) : '';
  const whole = toFraction(wanted);
  return `${whole.length <= 12 ? `${whole} = ` : ''}${toSignificant(wanted, 9)} turns per turn of the drive`;
});
const verdict = computed(() => {
  const s = state.value;
  if (!s) return '';
  const drift = s.error && s.wanted ? sayDrift(s.error, s.wanted, derived.value.driveSeconds) : '';
  const amount = s.drift ? `${figure(Math.abs(toNumber(s.drift)), 3)}° in ${props.aim.tolerance.over}` : '';
  switch (s.status) {
    case 'no train':
      return 'no train yet';
    case 'no rate':
      return 'its train gives no rate';
    case 'wrong sense':
      return 'turns the wrong way';
    default:
      return `${s.status}: ${drift}${amount ? `; ${amount}` : ''}`;
  }
});

const set = (label: string, value: Partial<Omit<Aim, 'id'>>): void =>
  change(`${label} of ${props.aim.name}`, setAim(props.aim.id, value));
const positive = (text: string): Result<unknown> => {
  const read = parseDecimal(text);
  return read.ok && read.value.num <= 0n ? fail('tolerance-zero') : read;
};
</script>

<template>
  <fieldset class="aim" :data-test="`aim-${aim.id}`">
    <legend class="visually-hidden">{{ aim.name }}</legend>
    <div class="row">
      <v-text-field
        :model-value="aim.name"
        label="Output"
        maxlength="120"
        data-test="aim-name"
        @change="set('Name', { name: ($event.target as HTMLInputElement).value })"
      />
      <CheckedField
        :model-value="aim.wanted"
        label="Wanted period or ratio"
        :read="parseWanted"
        :hint="reads"
        data-test="aim-wanted"
        @update:model-value="set('Wanted', { wanted: $event })"
      />
      <v-select
        :model-value="null"
        :items="known"
        label="or known"
        data-test="aim-known"
        @update:model-value="$event && set('Wanted', { wanted: $event })"
      />
    </div>
    <div class="row second">
      <v-select
        :model-value="aim.sense"
        :items="[...SENSES]"
        label="Sense"
        data-test="aim-sense"
        @update:model-value="set('Sense', { sense: $event })"
      />
      <CheckedField
        :model-value="aim.tolerance.degrees"
        label="May drift, degrees"
        :read="positive"
        data-test="aim-degrees"
        @update:model-value="set('Tolerance', { tolerance: { ...aim.tolerance, degrees: $event } })"
      />
      <CheckedField
        :model-value="aim.tolerance.over"
        label="in"
        :read="parseSpan"
        data-test="aim-over"
        @update:model-value="set('Tolerance', { tolerance: { ...aim.tolerance, over: $event } })"
      />
    </div>
    <p class="verdict">
      <span :class="['status', state?.status.replace(' ', '-')]" data-test="aim-verdict">{{ verdict }}</span>
      <button
        v-if="path"
        type="button"
        class="plain"
        data-test="aim-working"
        @click="working.show(aim.id, path)"
      >
        working
      </button>
      <RouterLink :to="{ name: 'counts', query: { aim: aim.id } }">find counts</RouterLink>
      <button type="button" class="plain" :aria-label="`Remove ${aim.name}`" @click="emit('remove')">
        remove
      </button>
    </p>
  </fieldset>
</template>

<style scoped>
.aim {
  border: 0;
  border-top: var(--line);
  padding: 8px 0 10px;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1.6fr 0.7fr;
  gap: 2px 16px;
  align-items: start;
}

.verdict {
  display: flex;
  align-items: baseline;
  gap: 14px;
  margin: 6px 0 0;
  font-size: 14px;
}

.verdict a {
  color: inherit;
}

.status {
  flex: 1;
  font-weight: 600;
}

.met {
  color: var(--fine);
}

.missed {
  color: var(--warn);
}

.wrong-sense,
.no-rate {
  color: var(--stop);
}

@media (max-width: 600px) {
  .row {
    grid-template-columns: 1fr;
  }
}
</style>
