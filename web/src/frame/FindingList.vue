<script setup lang="ts">
import { fixesThatMend, mend, type TriedFix } from '@tesseron/core/edit';
import type { Machine } from '@tesseron/core/machine';
import type { Finding, Fix } from '@tesseron/core/result';
import { sayFinding, sayFix } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { useOpen } from '../machine/use-open';
import { STATIONS } from '../station/stations';
import { useLater } from '../parts/use-later';
import { useRows } from '../parts/use-rows';
import MoreRows from '../parts/MoreRows.vue';

/** Findings in words; `of`: the machine of which they are true, where that is not the one that is open. */
const props = defineProps<{ findings: readonly Finding[]; places?: boolean; of?: Machine | undefined }>();
const emit = defineEmits<{ gone: [] }>();
const { machine: open, derived, attempt } = useOpen();
const machine = computed(() => props.of ?? open.value);

const SAID = { stop: 'mend', warn: 'look', note: 'note' } as const;
const rows = computed(() =>
  props.findings.map((finding, i) => ({
    key: `${finding.code} ${finding.subjects.join(' ')} ${i}`,
    finding,
    words: sayFinding(finding, machine.value),
    station: STATIONS.find(s => s.name === finding.station),
  })),
);
const problem = ref({ key: '', text: '' });

function apply(key: string, fix: Fix): void {
  problem.value = { key, text: attempt(sayFix(fix, machine.value), mend(fix)) };
}
const findingRows = useRows(() => rows.value);

/** Fixes of the rows that are drawn, tried on the machine: only what mends is offered. */
const tried = useLater(
  () => ({
    derived: derived.value.machine === machine.value ? derived.value : undefined,
    found: findingRows.shown.value.map(r => r.finding).filter(f => f.fixes.length > 0),
  }),
  function* ({ derived: now, found }) {
    const good = new Map<Finding, readonly TriedFix[]>();
    if (now) for (const f of found) good.set(f, yield* fixesThatMend(now, f));
    return good;
  },
);
const offered = (f: Finding): readonly TriedFix[] => tried.value?.get(f) ?? [];
/** What a fix would leave behind, in a few words. */
const then = (t: TriedFix): string =>
  t.leaves.length === 0 ? '' : `then: ${t.leaves.map(f => sayFinding(f, machine.value).title).join('; ')}`;
</script>

<template>
  <p v-if="rows.length === 0" class="quiet none">Nothing to mend.</p>
  <ul v-else class="findings">
    <li
      v-for="row in findingRows.shown.value"
      :key="row.key"
      :class="row.finding.severity"
      :data-test="`finding-${row.finding.code}`"
    >
      <span class="severity">{{ SAID[row.finding.severity] }}</span>
      <div>
        <strong>{{ row.words.title }}</strong>
        <p>
          {{ row.words.why }} <template v-if="row.words.advice">{{ row.words.advice }}</template>
        </p>
        <p v-if="problem.key === row.key && problem.text" class="error-text" role="alert">
          {{ problem.text }}
        </p>
        <p v-if="row.finding.fixes.length > 0 || places" class="acts">
          <span v-if="row.finding.fixes.length > 0 && !tried" class="quiet">trying what would mend it…</span>
          <span v-else-if="row.finding.fixes.length > 0 && offered(row.finding).length === 0" class="quiet">
            What was tried would not mend it, or would put another fault in its place.
          </span>
          <template v-for="t in offered(row.finding)" :key="`${t.fix.code} ${t.fix.subject} ${t.fix.value}`">
            <v-btn data-test="fix" @click="apply(row.key, t.fix)">{{ sayFix(t.fix, machine) }}</v-btn>
            <span v-if="t.leaves.length > 0" class="quiet">{{ then(t) }}</span>
          </template>
          <RouterLink v-if="places && row.station" :to="{ name: row.station.name }" @click="emit('gone')">
            to {{ row.station.title }}
          </RouterLink>
        </p>
      </div>
    </li>
  </ul>
  <MoreRows :left="findingRows.left.value" :more="findingRows.more" />
</template>

<style scoped>
.findings {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 46px 1fr;
  gap: 8px;
  padding: 7px 0;
  border-bottom: var(--line);
  font-size: 14px;
}

p {
  margin: 1px 0 0;
  color: var(--muted);
}

.acts {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 5px;
}

.acts a {
  color: inherit;
}

.severity {
  font-size: 12px;
  padding-top: 2px;
}

.stop .severity {
  color: var(--stop);
  font-weight: 700;
}

.warn .severity {
  color: var(--warn);
  font-weight: 700;
}

.note .severity,
.none {
  color: var(--muted);
}
</style>
