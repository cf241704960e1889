<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import { useTheme } from '../draw/theme';
import { useMachine } from '../machine/store';
import { STATIONS } from '../station/stations';
import { begun, countBySeverity, quiet } from './station-state';

const emit = defineEmits<{ findings: []; help: []; history: [] }>();
const store = useMachine();
const route = useRoute();
const { night, toggle } = useTheme();

const stops = computed(() =>
  STATIONS.map(s => {
    const derived = store.derived;
    const findings = store.judged?.findings.filter(f => f.station === s.name) ?? [];
    const counts = countBySeverity(findings);
    const started = derived !== undefined && begun(s.name, derived);
    // What is judged is all made by now; before that nothing is asked, so that nothing is made for the sake of it.
    const calm = derived && !store.judging ? quiet(s.name, derived) : 'not begun';
    const verdict = findings.length > 0 ? counts.text : calm;
    const state = store.judging && started ? 'judging…' : verdict;
    return { ...s, state, worst: findings.length > 0 ? counts.worst : calm === 'fine' ? 'fine' : 'none' };
  }),
);
const KEPT = {
  kept: 'kept in this browser',
  writing: 'keeping…',
  overtaken: 'not kept: two tabs',
  failed: 'not kept',
};
</script>

<template>
  <nav class="rail" aria-label="Route">
    <header>
      <RouterLink to="/" class="mark">Tesseron</RouterLink>
      <h1 class="name" :title="store.machine?.name">{{ store.machine?.name }}</h1>
      <p class="kept" :class="store.keepState" role="status" data-test="kept">{{ KEPT[store.keepState] }}</p>
    </header>
    <ol>
      <li v-for="stop in stops" :key="stop.name" :class="[stop.worst, { here: route.name === stop.name }]">
        <RouterLink :to="{ name: stop.name }" :aria-current="route.name === stop.name ? 'page' : undefined">
          <span class="key figure" aria-hidden="true">{{ stop.key }}</span>
          <span class="text">
            <span class="title">{{ stop.title }}</span>
            <span class="state">{{ stop.state }}</span>
          </span>
        </RouterLink>
      </li>
    </ol>
    <footer>
      <PlainButton
        :disabled="!store.undoLabel"
        :title="store.undoLabel"
        data-test="undo"
        @click="store.undo()"
      >
        Undo
      </PlainButton>
      <PlainButton
        :disabled="!store.redoLabel"
        :title="store.redoLabel"
        data-test="redo"
        @click="store.redo()"
      >
        Redo
      </PlainButton>
      <PlainButton data-test="findings" @click="emit('findings')">
        Findings&nbsp;<span class="figure">{{ store.judged?.findings.length ?? 0 }}</span>
      </PlainButton>
      <PlainButton data-test="history" @click="emit('history')">History</PlainButton>
      <PlainButton @click="emit('help')">Keys</PlainButton>
      <PlainButton @click="toggle">{{ night ? 'Day' : 'Night' }}</PlainButton>
    </footer>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  background: var(--panel);
  border-right: 1px solid var(--ink);
  min-height: 0;
  overflow: auto;
}

header {
  padding: 12px 14px 10px;
}

.mark {
  font-size: 12px;
  color: var(--muted);
  text-decoration: none;
  letter-spacing: 0.14em;
  text-transform: uppercase;
}

.name {
  font-size: 18px;
  overflow-wrap: anywhere;
}

.kept {
  margin: 2px 0 0;
  font-size: 12px;
  color: var(--muted);
}

.kept.overtaken,
.kept.failed {
  color: var(--stop);
}

ol {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: var(--line);
}

li a {
  display: grid;
  grid-template-columns: 40px 1fr;
  align-items: center;
  min-height: 50px;
  color: inherit;
  text-decoration: none;
  border-bottom: var(--line);
}

.key {
  align-self: stretch;
  display: grid;
  place-items: center;
  font-size: 17px;
  color: var(--muted);
  border-right: 3px solid transparent;
}

.text {
  padding-left: 10px;
  line-height: 1.2;
}

.title {
  display: block;
  font-weight: 600;
}

.state {
  font-size: 12px;
  color: var(--muted);
}

.fine .key {
  border-right-color: var(--fine);
}

.warn .key {
  border-right-color: var(--warn);
}

.warn .state {
  color: var(--warn);
}

.stop .key {
  border-right-color: var(--stop);
}

.stop .state {
  color: var(--stop);
}

.note .key {
  border-right-color: var(--muted);
}

.none .key {
  border-right: 3px dotted rgb(var(--v-theme-hairline));
}

li.here a {
  background: var(--ink);
  color: var(--panel);
}

li.here .state,
li.here .key {
  color: inherit;
}

footer {
  margin-top: auto;
  padding: 10px 14px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  font-size: 14px;
}

@media (max-width: 900px) {
  .rail {
    border-right: 0;
    border-bottom: 1px solid var(--ink);
    overflow: visible;
  }

  header {
    display: flex;
    gap: 10px;
    align-items: baseline;
    padding: 6px 10px;
    flex-wrap: wrap;
  }

  .name {
    font-size: 15px;
  }

  .kept {
    margin-left: auto;
  }

  ol {
    display: flex;
    overflow-x: auto;
  }

  li a {
    grid-template-columns: 26px auto;
    padding-right: 10px;
    min-height: 44px;
    border-bottom: 0;
    border-right: var(--line);
  }

  .state {
    white-space: nowrap;
  }

  footer {
    display: flex;
    gap: 16px;
    padding: 4px 10px;
    border-top: var(--line);
  }
}
</style>
