<script setup lang="ts">
import type { Machine } from '@tesseron/core/machine';
import type { Result } from '@tesseron/core/result';
import { computed, defineAsyncComponent, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { useTheme } from '../../draw/theme';
import { database } from '../../keep/database';
import type { KeptMachine } from '../../keep/db';
import { addMachine, listMachines, setRemoved } from '../../keep/shelf';
import { STARTERS } from '../../keep/starter-list';
import type * as Reading from './shelf-core';

type Core = typeof Reading;
const MachinePreview = defineAsyncComponent(() => import('./MachinePreview.vue'));

const router = useRouter();
const { night, toggle } = useTheme();
const kept = shallowRef<KeptMachine[]>([]);
/** What reads machines; it comes a moment after the shelf itself. */
const core = shallowRef<Core>();
const loading = import('./shelf-core').then(loaded => (core.value = loaded));
const starters = shallowRef<readonly (Machine | undefined)[]>([]);
const name = ref('');
const problem = ref('');

const shelf = computed(() =>
  kept.value
    .filter(k => k.removedAt === undefined)
    .map(k => {
      const read = core.value?.machineFrom(k.document);
      return { ...k, read, last: read && !read.ok ? core.value?.lastReadable(k) : undefined };
    }),
);
const removed = computed(() => kept.value.filter(k => k.removedAt !== undefined));
const date = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

async function refresh(): Promise<void> {
  kept.value = await listMachines(database);
}

async function start(machine: Machine): Promise<void> {
  const id = crypto.randomUUID();
  await addMachine(database, id, machine, Date.now());
  await router.push({ name: 'aims', params: { id } });
}

async function begin(): Promise<void> {
  const { newMachine } = await loading;
  await start(newMachine(name.value.trim() || 'Untitled machine'));
}

async function startFrom(index: number): Promise<void> {
  const { loadStarter } = await loading;
  const starter = STARTERS[index];
  if (starter) await start(starters.value[index] ?? (await loadStarter(starter)));
}

async function take(read: Result<Machine> | undefined): Promise<void> {
  const { sayProblem } = await loading;
  problem.value = read && !read.ok ? sayProblem(read.problem) : '';
  if (read?.ok) await start(read.value);
}

async function openFile(): Promise<void> {
  const { openMachineFile } = await loading;
  await take(await openMachineFile());
}

async function drop(event: DragEvent): Promise<void> {
  const file = event.dataTransfer?.files[0];
  if (!file) return;
  const { readMachineFile } = await loading;
  await take(await readMachineFile(file));
}

async function remove(id: string, at: number | undefined): Promise<void> {
  await setRemoved(database, id, at);
  await refresh();
}

async function saveDamaged(k: KeptMachine): Promise<void> {
  const { saveFile } = await loading;
  await saveFile(JSON.stringify(k.document, null, 2), 'machine-as-kept.json');
}

onMounted(async () => {
  await refresh();
  const { loadStarter } = await loading;
  starters.value = await Promise.all(STARTERS.map(loadStarter));
});
</script>

<template>
  <main class="shelf" data-test="shelf" @dragover.prevent @drop.prevent="drop">
    <header>
      <h1>Tesseron</h1>
      <p>Say what must turn and how fast. Leave with parts that fit, run the right way, and keep time.</p>
      <v-btn class="light" @click="toggle">{{ night ? 'Day' : 'Night' }}</v-btn>
    </header>

    <section aria-labelledby="new-title" class="begin">
      <h2 id="new-title">New machine</h2>
      <form @submit.prevent="begin">
        <v-text-field v-model="name" label="Name" maxlength="120" data-test="new-name" />
        <v-btn type="submit" variant="flat" data-test="new-machine">Make it</v-btn>
      </form>
      <p class="or">
        <v-btn data-test="open-file" @click="openFile">Open a file</v-btn>
        <span class="quiet">or drop one here</span>
      </p>
      <p v-if="problem" class="error-text" role="alert" data-test="file-problem">{{ problem }}</p>
    </section>

    <section aria-labelledby="mine-title" class="mine">
      <h2 id="mine-title">Your machines</h2>
      <p v-if="shelf.length === 0" class="quiet">None yet. Make one, or start from a starter.</p>
      <ul v-else>
        <li v-for="k in shelf" :key="k.id">
          <MachinePreview v-if="k.read?.ok" :machine="k.read.value" />
          <span v-else class="blank" />
          <div>
            <RouterLink
              v-if="k.read?.ok !== false"
              :to="{ name: 'aims', params: { id: k.id } }"
              class="open"
              >{{ k.name || 'Untitled machine' }}</RouterLink
            >
            <template v-else>
              <strong>{{ k.name }}</strong>
              <p class="error-text">{{ core?.sayProblem(k.read.problem) }}</p>
              <v-btn data-test="save-damaged" @click="saveDamaged(k)">Save it as it is</v-btn>
              <v-btn v-if="k.last" data-test="open-last" @click="start(k.last)"
                >Open it as it could last be read</v-btn
              >
            </template>
            <p class="quiet">changed {{ date.format(k.changedAt) }}</p>
          </div>
          <v-btn :aria-label="`Take ${k.name} off the shelf`" @click="remove(k.id, Date.now())"
            >Take off</v-btn
          >
        </li>
      </ul>
      <details v-if="removed.length > 0">
        <summary>Taken off the shelf: {{ removed.length }}</summary>
        <p v-for="k in removed" :key="k.id" class="removed">
          {{ k.name }}
          <v-btn :aria-label="`Put ${k.name} back`" @click="remove(k.id, undefined)">Put back</v-btn>
        </p>
      </details>
    </section>

    <section aria-labelledby="starters-title" class="starters">
      <h2 id="starters-title">Starters</h2>
      <ul>
        <li v-for="(s, i) in STARTERS" :key="s.id">
          <MachinePreview v-if="starters[i]" :machine="starters[i]" large />
          <span v-else class="blank" />
          <div>
            <strong>{{ s.name }}</strong>
            <p class="quiet">{{ s.about }}</p>
          </div>
          <v-btn :data-test="`starter-${s.id}`" :aria-label="`Start from ${s.name}`" @click="startFrom(i)"
            >Start from this</v-btn
          >
        </li>
      </ul>
    </section>
  </main>
</template>

<style scoped>
.shelf {
  height: 100dvh;
  overflow: auto;
  padding: 28px 40px 40px;
  display: grid;
  grid-template: auto auto 1fr / minmax(240px, 320px) minmax(0, 1fr);
  gap: 22px 48px;
  align-content: start;
}

header {
  grid-column: 1 / -1;
  display: flex;
  align-items: baseline;
  gap: 22px;
  border-bottom: 1px solid var(--ink);
  padding-bottom: 12px;
}

h1 {
  font-size: 30px;
}

header p {
  flex: 1;
  margin: 0;
  color: var(--muted);
}

.light {
  margin-left: auto;
}

.mine {
  grid-row: 2 / 4;
  grid-column: 2;
}

form {
  display: flex;
  gap: 12px;
  align-items: end;
}

.or {
  display: flex;
  gap: 12px;
  align-items: center;
  margin: 16px 0 6px;
}

ul {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
  border-top: var(--line);
}

li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 18px;
  align-items: center;
  padding: 10px 0;
  border-bottom: var(--line);
}

.starters li {
  grid-template-columns: 1fr;
  gap: 8px;
  justify-items: start;
}

li p {
  margin: 0;
  font-size: 14px;
}

.open {
  color: inherit;
  font-weight: 600;
  font-size: 17px;
  text-underline-offset: 3px;
  text-decoration-color: rgb(var(--v-theme-hairline));
}

.blank {
  width: 84px;
}

details {
  margin-top: 14px;
}

.removed {
  margin: 6px 0;
}

@media (max-width: 800px) {
  .shelf {
    grid-template: none / minmax(0, 1fr);
    padding: 16px;
  }

  .mine {
    grid-row: auto;
    grid-column: 1;
  }

  header {
    flex-wrap: wrap;
    gap: 6px 14px;
  }
}
</style>
