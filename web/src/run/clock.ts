import { advance, AT_REST, type DriveTurns, turnsAsNumber } from '@tesseron/core/motion';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';

/** Speeds of the time strip, in turns of the drive a second. */
export const SPEEDS = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10] as const;
const LONGEST_FRAME = 0.25;

/** How far the drive has turned, and whether it runs. The one clock of all stations. */
export const useClock = defineStore('clock', () => {
  const turns = shallowRef<DriveTurns>(AT_REST);
  const running = ref(false);
  const speed = ref(0.05);
  const backwards = ref(false);
  const stepSize = ref(0.01);
  let last = 0;
  let frame = 0;

  function tick(now: number): void {
    const seconds = Math.min(LONGEST_FRAME, (now - last) / 1000);
    last = now;
    turns.value = advance(turns.value, seconds * speed.value * (backwards.value ? -1 : 1));
    frame = requestAnimationFrame(tick);
  }

  function run(): void {
    if (running.value) return;
    running.value = true;
    last = performance.now();
    frame = requestAnimationFrame(tick);
  }

  function stop(): void {
    running.value = false;
    cancelAnimationFrame(frame);
  }

  return {
    turns,
    running,
    speed,
    backwards,
    stepSize,
    total: computed(() => turnsAsNumber(turns.value)),
    run,
    stop,
    toggle: () => (running.value ? stop() : run()),
    step: (way: 1 | -1) => {
      stop();
      turns.value = advance(turns.value, way * stepSize.value);
    },
    set: (to: DriveTurns) => (turns.value = to),
    turnBy: (by: number) => (turns.value = advance(turns.value, by)),
    reset: () => {
      stop();
      turns.value = AT_REST;
    },
  };
});
