<script setup lang="ts" generic="T extends string">
/** A row of tabs; the one chosen shows its pane, whose id is the prefix and `-pane`. */
defineProps<{ prefix: string; label: string; panes: readonly { id: T; title: string }[] }>();
const chosen = defineModel<T>({ required: true });
</script>

<template>
  <div class="tabs" role="tablist" :aria-label="label">
    <button
      v-for="p in panes"
      :id="`${prefix}-tab-${p.id}`"
      :key="p.id"
      type="button"
      role="tab"
      :aria-selected="chosen === p.id"
      :aria-controls="`${prefix}-pane`"
      :data-test="`${prefix}-${p.id}`"
      @click="chosen = p.id"
    >
      {{ p.title }}
    </button>
  </div>
</template>
