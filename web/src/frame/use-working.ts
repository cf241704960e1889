import type { Working } from '@tesseron/core/working';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';

/** The one panel that shows how a figure came about. */
export const useWorking = defineStore('working', () => {
  const shown = shallowRef<Working>();
  return {
    shown,
    show: (working: Working) => (shown.value = working),
    hide: () => (shown.value = undefined),
  };
});
