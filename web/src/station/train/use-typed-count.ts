import { computed, nextTick, ref, useTemplateRef } from 'vue';
import type { Bar } from './elevation';

/** Where wheels are drawn, and what becomes of a count that was typed. */
interface Typed {
  readonly bar: (wheel: string) => Bar | undefined;
  readonly at: (bar: Bar) => { readonly x: number; readonly y: number };
  readonly take: (wheel: string, text: string) => void;
  readonly after: (wheel: string) => void;
}

/** A count that is typed into a wheel where it is drawn: the field of the name `field` stands over it meanwhile. */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function useTypedCount({ bar, at, take, after }: Typed) {
  const typing = ref<{ wheel: string; text: string }>();
  const field = useTemplateRef<{ focus(): void; select(): void }>('field');
  async function startTyping(wheel: string, text?: string): Promise<void> {
    const found = bar(wheel);
    if (!found) return;
    typing.value = { wheel, text: text ?? found.text };
    await nextTick();
    field.value?.focus();
    if (text === undefined) field.value?.select();
  }
  function endTyping(taken: boolean): void {
    const now = typing.value;
    if (!now) return;
    typing.value = undefined;
    if (taken) take(now.wheel, now.text);
    after(now.wheel);
  }
  const typingAt = computed(() => {
    const found = typing.value && bar(typing.value.wheel);
    if (!found) return undefined;
    const { x, y } = at(found);
    return { left: `${x - 34}px`, top: `${y - 14}px` };
  });
  return { typing, typingAt, startTyping, endTyping };
}
