<script setup lang="ts">
import { useRouter } from 'vue-router';
import { useMachine } from '../machine/store';

const store = useMachine();
const router = useRouter();

async function keepBoth(): Promise<void> {
  const id = crypto.randomUUID();
  await store.keepOurs(id);
  await router.push({ name: 'aims', params: { id } });
}
</script>

<template>
  <div v-if="store.keepState === 'overtaken'" class="notice stop" role="alert" data-test="overtaken">
    <p>
      Another tab changed this machine at the same moment, so your last change was not written over it. Keep
      yours as a machine of its own, or go on with theirs.
    </p>
    <v-btn data-test="keep-ours" @click="keepBoth">Keep mine as a copy</v-btn>
    <v-btn @click="store.takeTheirs()">Go on with theirs</v-btn>
  </div>
  <div v-else-if="store.keepState === 'failed'" class="notice stop" role="alert">
    <p>
      This browser did not keep the last change: its storage is full, private or shut. Save the machine as a
      file at Make.
    </p>
  </div>
  <div v-else-if="store.refused" class="notice stop" role="alert" data-test="refused">
    <p>{{ store.refused }}</p>
    <v-btn @click="store.dismissRefused()">Understood</v-btn>
  </div>
  <div v-else-if="store.notice" class="notice" role="status" data-test="notice">
    <p>{{ store.notice }}</p>
    <v-btn @click="store.dismissNotice()">Understood</v-btn>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 8px 16px;
  border-bottom: var(--line);
  background: var(--panel);
  flex: none !important;
}

.notice p {
  margin: 0;
  max-width: 60em;
}

.notice.stop {
  border-left: 4px solid var(--stop);
}
</style>
