<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import type { Aim } from '@tesseron/core/machine';
import { setAim } from '@tesseron/core/change';
import { absolute, compare, toFraction, toNumber, toSignificant } from '@tesseron/core/rational';
import type { Result } from '@tesseron/core/result';
import { driftStated } from '@tesseron/core/state';
import {
  amountFigure,
  figure,
  parseAmount,
  parseSpan,
  parseWanted,
  sayAmount,
  whatCounts,
} from '@tesseron/core/units';
import { sayDrift, sayProblem, sayReduction } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useRatioWorking } from '../../frame/use-ratio-working';
import { useOpen } from '../../machine/use-open';
import { pathFromDrive } from '@tesseron/core/working';
import CheckedField from '../../parts/CheckedField.vue';
import ArmFields from './ArmFields.vue';
import PeriodLibrary from './PeriodLibrary.vue';

const props = defineProps<{ aim: Aim; open: boolean }>();
const emit = defineEmits<{ remove: []; toggle: [] }>();
const library = ref(false);
const { machine, derived, change } = useOpen();
const working = useRatioWorking();
const path = computed(() =>
  props.aim.member === undefined ? undefined : pathFromDrive(machine.value, props.aim.member),
);

const state = computed(() => derived.value.aims[props.aim.id]);
const SENSES = ['with the drive', 'against the drive', 'either'] as const;
const reads = computed(() => {
  const wanted = state.value?.wanted;
  if (!wanted) return state.value?.problem ? sayProblem(state.value.problem) : '';
  const whole = toFraction(wanted);
  if (state.value?.frame) return '';
  const limit = state.value?.limit ? (state.value.limit === 'most' ? 'at most ' : 'at least ') : '';
  return `${limit}${whole.length <= 12 ? `${whole} = ` : ''}${toSignificant(wanted, 9)} turns per turn of the drive`;
});
/** Turns of the drive to turns of the output: a reduction is n : 1 (conventions 1). */
const short = computed(() => (state.value?.wanted ? sayReduction(state.value.wanted, 7) : ''));
const seconds = computed(() => derived.value.driveSeconds ?? derived.value.standsFor);
const verdict = computed(() => {
  const s = state.value;
  if (!s) return '';
  const known = s.error && s.uncertainty && compare(absolute(s.error), s.uncertainty) <= 0;
  const drift = s.error && s.wanted && !s.limit ? sayDrift(s.error, s.wanted, seconds.value) : '';
  const out = driftStated(s);
  const amount = out
    ? `${sayAmount(out.kind, Math.abs(amountFigure(out)))} in ${props.aim.tolerance.over}`
    : '';
  switch (s.status) {
    case 'no train':
      return 'no train yet';
    case 'no rate':
      return 'its train gives no rate';
    case 'wrong sense':
      return 'turns the wrong way';
    case 'met':
    case 'missed':
      if (s.limit) return s.status === 'met' ? 'met: within the limit' : 'missed: beyond the limit';
      return `${s.status}: ${drift}${amount ? `; ${amount}` : ''}${known ? '; as good as the figure is known' : ''}`;
  }
  return s.status satisfies never;
});

const FORMS = [
  ['29d 12h 44m 2.9s', 'a period; units s, min, h, d, week, named years'],
  ['29.530589 d ± 0.2 s', 'a period, and how well it is known'],
  ['235/19', 'turns of the output for one of the drive'],
  ['60:1 or 60 to 1', 'turns of the drive to turns of the output'],
  ['5 rpm or 2 Hz', 'a speed'],
  ['under 12 rpm', 'a speed that is not to be passed; or over'],
  ['1 per 100 m', 'turns for a distance; say how far the drive rolls'],
  ['3600 beats per hour with 30 teeth', 'an escape wheel; or a minute, a second, 2 Hz'],
  ['still', 'no turning at all, on an arm that turns'],
] as const;
const set = (label: string, value: Partial<Omit<Aim, 'id'>>): void =>
  change(`${label} of ${props.aim.name}`, setAim(props.aim.id, value));
const counts = computed(() => whatCounts(parseWanted(props.aim.wanted)));
const readAmount = (text: string): Result<unknown> => parseAmount(text, counts.value);
const readSpan = (text: string): Result<unknown> => parseSpan(text, counts.value);
/** What the tolerance was understood as, where it is more than a number of degrees. */
const allows = computed(() => {
  const s = state.value;
  if (!s?.tolerance) return '';
  const said = sayAmount(s.tolerance.kind, amountFigure(s.tolerance));
  if (s.tolerance.kind === 'angle') return said;
  return s.toleranceDegrees
    ? `${said} = ${figure(toNumber(s.toleranceDegrees), 3)}°`
    : `${said}: this output counts no such thing`;
});
</script>

<template>
  <fieldset class="aim" :data-test="`aim-${aim.id}`">
    <legend class="visually-hidden">{{ aim.name }}</legend>
    <PlainButton
      class="head"
      :aria-expanded="open"
      :aria-controls="`fields-${aim.id}`"
      :data-test="`open-${aim.id}`"
      @click="emit('toggle')"
    >
      <span class="turn" aria-hidden="true">{{ open ? '▾' : '▸' }}</span>
      <span class="name">{{ aim.name }}</span>
      <span class="figure">{{ aim.wanted }}</span>
      <span class="figure">{{ short }}</span>
    </PlainButton>
    <div v-show="open" :id="`fields-${aim.id}`">
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
          label="Wanted"
          :read="parseWanted"
          :hint="reads"
          data-test="aim-wanted"
          @update:model-value="set('Wanted', { wanted: $event })"
        />
        <v-btn class="known" data-test="aim-known" @click="library = true">Periods…</v-btn>
      </div>
      <details class="forms">
        <summary>How to write it</summary>
        <table class="ruled">
          <tbody>
            <tr v-for="[text, means] in FORMS" :key="text">
              <td class="figure">{{ text }}</td>
              <td>{{ means }}</td>
            </tr>
          </tbody>
        </table>
      </details>
      <div class="row second">
        <v-select
          :model-value="aim.sense"
          :items="kept(SENSES)"
          label="Sense"
          data-test="aim-sense"
          @update:model-value="set('Sense', { sense: $event })"
        />
        <CheckedField
          :model-value="aim.tolerance.amount"
          label="May drift"
          :read="readAmount"
          :hint="allows"
          data-test="aim-amount"
          @update:model-value="set('Tolerance', { tolerance: { ...aim.tolerance, amount: $event } })"
        />
        <CheckedField
          :model-value="aim.tolerance.over"
          label="in"
          :read="readSpan"
          data-test="aim-over"
          @update:model-value="set('Tolerance', { tolerance: { ...aim.tolerance, over: $event } })"
        />
      </div>
      <ArmFields :aim="aim" :frame="state?.frame" />
    </div>
    <PeriodLibrary v-if="library" v-model="library" @pick="text => set('Wanted', { wanted: text })" />
    <p class="verdict">
      <span :class="['status', state?.status.replace(' ', '-')]" data-test="aim-verdict">{{ verdict }}</span>
      <PlainButton v-if="path" data-test="aim-working" @click="working.show(aim.id, path)">
        working
      </PlainButton>
      <RouterLink :to="{ name: 'counts', query: { aim: aim.id } }">find counts</RouterLink>
      <PlainButton :aria-label="`Remove ${aim.name}`" @click="emit('remove')"> remove </PlainButton>
    </p>
  </fieldset>
</template>

<style scoped>
.head,
.head :deep(.v-btn__content) {
  width: 100%;
}

.head :deep(.v-btn__content) {
  display: grid;
  grid-template-columns: 14px minmax(0, 1fr) auto minmax(130px, auto);
  gap: 10px;
  align-items: baseline;
  text-decoration: none;
  font-size: 14px;
}

.aim {
  border: 0;
  border-top: var(--line);
  padding: 8px 0 10px;
}

.head .name {
  font-weight: 600;
}

.head .figure:last-child {
  text-align: right;
}

.forms {
  font-size: 13px;
  margin: 2px 0;
}

.forms summary {
  cursor: pointer;
  color: var(--muted);
}

.known {
  margin-top: 12px;
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
