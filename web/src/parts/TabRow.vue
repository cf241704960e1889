<script setup lang="ts" generic="T extends string">
import { nextTick, useTemplateRef } from 'vue';

/** A row of tabs; the one chosen shows its pane, whose id is the prefix and `-pane`. */
const props = defineProps<{ prefix: string; label: string; panes: readonly { id: T; title: string }[] }>();
const chosen = defineModel<T>({ required: true });
const row = useTemplateRef<HTMLElement>('row');

/** Arrows go along the row, Home and End to its ends; only the chosen tab is reached by Tab. */
async function onKey(event: KeyboardEvent): Promise<void> {
  const at = props.panes.findIndex(p => p.id === chosen.value);
  const last = props.panes.length - 1;
  const to = { ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: last }[event.key];
  const next = to === undefined ? undefined : props.panes[to < 0 ? last : to > last ? 0 : to];
  if (!next) return;
  event.preventDefault();
  event.stopPropagation();
  chosen.value = next.id;
  await nextTick();
  row.value?.querySelector<HTMLElement>('[aria-selected=true]')?.focus();
}
</script>

<template>
  <div ref="row" class="tabs" role="tablist" :aria-label="label" @keydown="onKey">
    <v-btn
      v-for="p in panes"
      :id="`${prefix}-tab-${p.id}`"
      :key="p.id"
      variant="text"
      role="tab"
      :aria-selected="chosen === p.id"
      :tabindex="chosen === p.id ? 0 : -1"
      :aria-controls="`${prefix}-pane`"
      :data-test="`${prefix}-${p.id}`"
      @click="chosen = p.id"
    >
      {{ p.title }}
    </v-btn>
  </div>
</template>
