<script setup lang="ts">
import type { StationName } from '@tesseron/core/result';
import { computed } from 'vue';
import { useMachine } from '../machine/store';
import { STATIONS } from '../station/stations';
import FindingList from './FindingList.vue';

const props = defineProps<{ station: StationName; wide?: boolean }>();
const store = useMachine();
const station = computed(() => STATIONS.find(s => s.name === props.station));
const findings = computed(() => store.judged?.findings.filter(f => f.station === props.station) ?? []);
</script>

<template>
  <main class="layout" :class="{ wide }" :data-test="`station-${props.station}`">
    <section class="table" aria-label="Table"><slot name="table" /></section>
    <section class="ledger" aria-label="Ledger">
      <h2>
        {{ station?.title }} <span class="quiet does">{{ station?.does }}</span>
      </h2>
      <slot name="ledger" />
      <template v-if="findings.length > 0">
        <h3>Findings here<template v-if="store.judging">, being judged…</template></h3>
        <FindingList :findings="findings" :of="store.judged?.machine" />
      </template>
    </section>
  </main>
</template>

<style scoped>
.layout {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 388px;
  height: 100%;
  min-height: 0;
}

.layout.wide {
  grid-template-columns: minmax(0, 1fr) 560px;
}

.table {
  position: relative;
  min-width: 0;
  min-height: 0;
  background: var(--ground);
  overflow: hidden;
}

.ledger {
  background: var(--panel);
  border-left: 1px solid var(--ink);
  padding: 14px 18px 20px;
  overflow: auto;
  min-height: 0;
}

.does {
  font-size: 13px;
  font-weight: 400;
  margin-left: 6px;
}

@media (max-width: 900px) {
  .layout,
  .layout.wide {
    grid-template: minmax(260px, 46vh) auto / minmax(0, 1fr);
    overflow: auto;
    height: auto;
  }

  .ledger {
    border-left: 0;
    border-top: 1px solid var(--ink);
    overflow: visible;
  }
}
</style>
