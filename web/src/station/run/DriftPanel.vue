<script setup lang="ts">
import { type DriftCourse, driftShare, sharesOf, unevenSky } from '@tesseron/core/ask';
import { byId, LIMITS } from '@tesseron/core/machine';
import { SUNDIAL } from '@tesseron/core/sky';
import { nameOf } from '@tesseron/core/words';
import { toNumber } from '@tesseron/core/rational';
import { figure, sayTime } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { dateAfter } from '../../run/readings';

/** When each output leaves its tolerance, and how often it is worth resetting. */
const props = defineProps<{ courses: readonly { id: string; name: string; course: DriftCourse }[] }>();
const years = defineModel<number>({ required: true });
const { machine, derived } = useOpen();
/** Where an output is driven from another: what it takes over from there, and what its own train adds. */
function shareOf(id: string, perYear: number): { from: string; before: string; own: string } | undefined {
  const share = driftShare(machine.value, derived.value.aims, derived.value.flow, id);
  if (!share) return undefined;
  const parts = sharesOf(share, perYear);
  return {
    from: nameOf(machine.value, share.from),
    before: `${figure(parts.before, 3)}°`,
    own: `${figure(parts.own, 3)}°`,
  };
}
function uneven(id: string): string {
  const aim = byId(machine.value.aims, id);
  const what = aim && unevenSky(aim);
  if (!what) return '';
  return what.kind === 'body'
    ? `${what.name} itself swings up to ${what.swing}° about this straight line.`
    : `A sundial runs up to ${SUNDIAL.ahead} min ahead of it and ${SUNDIAL.behind} min behind within every year.`;
}
const rows = computed(() =>
  props.courses.map(({ id, name, course }) => ({
    id,
    name,
    perYear: `${figure(toNumber(course.perDay) * 365.25, 3)}°`,
    allowed: `${figure(toNumber(course.allowed), 3)}°`,
    after: course.leavesAfter ? sayTime(toNumber(course.leavesAfter)) : 'never',
    date: course.leavesAfter ? dateAfter(machine.value, course.leavesAfter) : undefined,
    reset: course.resetEvery === undefined ? '' : sayTime(course.resetEvery).replace(/\.0+ /, ' '),
    share: shareOf(id, toNumber(course.perDay) * 365.25),
    uneven: uneven(id),
    good: course.asGoodAsKnown,
    unsure: course.unsurePerDay && `${figure(toNumber(course.unsurePerDay) * 365.25, 2)}°`,
  })),
);
</script>

<template>
  <NumberField
    v-model="years"
    label="Over"
    unit="Julian years"
    :limits="LIMITS.years"
    data-test="drift-years"
  />
  <p v-if="rows.length === 0" class="quiet">
    No output with a train, a tolerance and a drive that keeps time.
  </p>
  <section v-for="r in rows" :key="r.id" class="row" :data-test="`drift-${r.id}`">
    <h3>{{ r.name }}</h3>
    <p>
      <span class="figure">{{ r.perYear }}</span> a Julian year; of
      <span class="figure">{{ r.allowed }}</span> allowed
      <template v-if="r.after === 'never'">nothing is ever used up</template
      ><template v-else
        >all is used up after <span class="figure">{{ r.after }}</span></template
      ><template v-if="r.date">, on {{ r.date.slice(0, 10) }}</template
      >.
      <template v-if="r.reset">Reset it every {{ r.reset }}.</template>
    </p>
    <p v-if="r.share" class="small" data-test="drift-share">
      Driven from {{ r.share.from }}: <span class="figure">{{ r.share.before }}</span> a year is its error,
      <span class="figure">{{ r.share.own }}</span> is added by this train.
    </p>
    <p v-if="r.uneven" class="quiet small">{{ r.uneven }} No uniform train follows that.</p>
    <p v-if="r.good" class="quiet small">
      As good as the figure is known: it is uncertain by {{ r.unsure }} a year itself.
    </p>
  </section>
  <p class="quiet small">Straight lines, as a train runs uniformly.</p>
</template>

<style scoped>
.row {
  border-bottom: var(--line);
}

h3 {
  color: var(--ink);
  font-size: 15px;
  margin-top: 10px;
}

p {
  margin: 4px 0 8px;
}

.small {
  font-size: 13px;
}
</style>
