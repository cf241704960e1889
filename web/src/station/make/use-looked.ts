import type { Drawing } from '@tesseron/core/drawing';
import type { Result } from '@tesseron/core/result';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';

/** What lies on the table of Make: a drawing with a word about it, or the machine in space. */
export interface Looked {
  readonly drawing: Result<Drawing>;
  readonly label: string;
  readonly note?: string;
  readonly warning?: string;
  readonly lettered?: boolean;
  readonly filled?: boolean;
}

export const useLooked = defineStore('make-looked', () => {
  const looked = shallowRef<Looked>();
  return { looked, look: (at: Looked | undefined) => void (looked.value = at) };
});
