import { usePreferredDark, useStorage } from '@vueuse/core';
import { computed, type ComputedRef, watchEffect } from 'vue';
import { useTheme as useVuetifyTheme } from 'vuetify';
import { DAY, NIGHT, type Tokens } from './tokens';

const choice = useStorage<'day' | 'night' | 'system'>('tesseron-light', 'system');

/** Day or night: the maker's choice, or the system's. */
export function useTheme(): { tokens: ComputedRef<Tokens>; night: ComputedRef<boolean>; toggle: () => void } {
  const dark = usePreferredDark();
  const theme = useVuetifyTheme();
  const night = computed(() => (choice.value === 'system' ? dark.value : choice.value === 'night'));
  watchEffect(() => theme.change(night.value ? 'night' : 'day'));
  return {
    tokens: computed(() => (night.value ? NIGHT : DAY)),
    night,
    toggle: () => (choice.value = night.value ? 'day' : 'night'),
  };
}
