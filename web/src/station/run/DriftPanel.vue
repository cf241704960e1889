<script setup lang="ts">
import type { DriftCourse } from '@tesseron/core/derive';
import { toNumber } from '@tesseron/core/rational';
import { figure, sayTime } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { dateAfter } from '../../run/readings';

/** When each output leaves its tolerance, and how often it is worth resetting. */
const props = defineProps<{ courses: readonly { id: string; name: string; course: DriftCourse }[] }>();
const years = defineModel<number>({ required: true });
const { machine } = useOpen();
const rows = computed(() =>
  props.courses.map(({ id, name, course }) => ({
    id,
    name,
    perYear: `${figure(toNumber(course.perDay) * 365.25, 3)}°`,
    allowed: `${figure(toNumber(course.allowed), 3)}°`,
    after: course.leavesAfter ? sayTime(toNumber(course.leavesAfter)) : 'never',
    date: course.leavesAfter ? dateAfter(machine.value, course.leavesAfter) : undefined,
    reset: course.resetEvery === undefined ? '' : sayTime(course.resetEvery).replace(/\.0+ /, ' '),
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
    :least="0.01"
    :most="10000"
    data-test="drift-years"
  />
  <p v-if="rows.length === 0" class="quiet">
    No output with a train, a tolerance and a drive that keeps time.
  </p>
  <section v-for="r in rows" :key="r.id" class="row" :data-test="`drift-${r.id}`">
    <h3>{{ r.name }}</h3>
    <p>
      <span class="figure">{{ r.perYear }}</span> a Julian year; of
      <span class="figure">{{ r.allowed }}</span> allowed all is used up after
      <span class="figure">{{ r.after }}</span><template v-if="r.date"
        >, on {{ r.date.slice(0, 10) }}</template
      >.
      <template v-if="r.reset">Reset it every {{ r.reset }}.</template>
    </p>
    <p v-if="r.good" class="quiet small">
      As good as the figure is known: it is uncertain by {{ r.unsure }} a year itself.
    </p>
  </section>
  <p class="quiet small">
    Straight lines, as a train runs uniformly. What runs unevenly in the sky or on the sundial, such as the
    equation of time, no uniform train can follow.
  </p>
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
