import { advance, AT_REST, type DriveTurns, inLoop, type Loop, turnsAsNumber } from '@tesseron/core/motion';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';

/** Speeds of the time strip, in turns of the drive a second. */
export const SPEEDS = [0.001, 0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10] as const;
const LONGEST_FRAME = 0.25;

/** How far the drive has turned, and whether it runs. The one clock of all stations. */
export const useClock = defineStore('clock', () => {
  const turns = shallowRef<DriveTurns>(AT_REST);
  const running = ref(false);
  const speed = ref(0.05);
  const backwards = ref(false);
  const stepSize = ref(0.01);
  /** A stretch that is run over and over; the whole way when there is none. */
  const loop = shallowRef<Loop>();
  /** The machine that it runs; another begins at nought. */
  let machine: string | undefined;
  let last = 0;
  let frame = 0;

  function tick(now: number): void {
    const seconds = Math.min(LONGEST_FRAME, (now - last) / 1000);
    last = now;
    const next = advance(turns.value, seconds * speed.value * (backwards.value ? -1 : 1));
    turns.value = loop.value ? inLoop(next, loop.value) : next;
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

  function reset(): void {
    stop();
    turns.value = AT_REST;
    loop.value = undefined;
  }

  return {
    turns,
    running,
    speed,
    backwards,
    stepSize,
    loop,
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
    reset,
    /** Says which machine is on the table. */
    runs: (id: string) => {
      if (machine !== id) reset();
      machine = id;
    },
  };
});
