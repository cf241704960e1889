<script setup lang="ts">
import type { PegCheck, PegPair } from '@tesseron/core/mesh';
import { degrees, fixed, mm } from '@tesseron/core/units';

defineProps<{ pair: PegPair; checks: readonly { name: string; check: PegCheck }[] }>();
const SAYS = { none: 'runs', binds: 'binds', jams: 'jams', 'lets go': 'lets go' } as const;
const deg = (rad: number): string => `${fixed(degrees(rad), 1)}°`;
</script>

<template>
  <table data-test="peg-figures">
    <thead>
      <tr>
        <th>driven by</th>
        <th v-for="c in checks" :key="c.name">{{ c.name }}</th>
      </tr>
    </thead>
    <tbody class="figure">
      <tr>
        <th>verdict</th>
        <td v-for="c in checks" :key="c.name" :class="{ bad: c.check.fault !== 'none' }">
          {{ SAYS[c.check.fault] }}
        </td>
      </tr>
      <tr>
        <th>binds at friction of</th>
        <td v-for="c in checks" :key="c.name">{{ deg(c.check.bindingAngle) }}</td>
      </tr>
      <tr>
        <th>friction of the pegs</th>
        <td v-for="c in checks" :key="c.name">{{ deg(c.check.frictionAngle) }}</td>
      </tr>
      <tr>
        <th>least play</th>
        <td v-for="c in checks" :key="c.name">
          {{ Number.isFinite(c.check.leastPlay) ? mm(c.check.leastPlay, 3) : '–' }}
        </td>
      </tr>
      <tr>
        <th>uneven by</th>
        <td v-for="c in checks" :key="c.name">{{ mm(c.check.transmissionError, 2) }}</td>
      </tr>
    </tbody>
  </table>
  <p class="quiet small">
    Rings {{ mm(2 * pair.radii[0]) }} and {{ mm(2 * pair.radii[1]) }} across. Cylinders passing between
    cylinders, computed in space; what leans out of the driven wheel’s plane is taken to rub at its peg
    circle.
  </p>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}

th {
  text-align: left;
  font-weight: 400;
  color: var(--muted);
  font-family: var(--text);
}

td {
  text-align: right;
}

thead th:not(:first-child) {
  text-align: right;
  color: var(--ink);
}

tr {
  border-bottom: var(--line);
}

.bad {
  color: var(--stop);
}

.small {
  font-size: 12px;
}
</style>
