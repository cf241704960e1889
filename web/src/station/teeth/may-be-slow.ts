import { refDebounced } from '@vueuse/core';
import type { Ref } from 'vue';

/** True once work has gone on for long enough to be worth a progress bar. */
export const mayBeSlow = (working: Readonly<Ref<boolean>>): Readonly<Ref<boolean>> =>
  refDebounced(working, 300);
