<script setup lang="ts">
import { toNumber } from '@tesseron/core/rational';
import { figure, sayPeriod, sayTime } from '@tesseron/core/units';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useOpen } from '../machine/use-open';
import { SPEEDS, useClock } from '../run/clock';
import { dateAt, secondsRun } from '../run/readings';

const clock = useClock();
const { derived, machine } = useOpen();
const ruler = useTemplateRef<HTMLDivElement>('ruler');
const { width } = useElementSize(ruler);
const PIXELS_PER_TURN = 90;

/** The speeds to choose from, and the machine’s own where its drive is a clock’s or a motor’s. */
const speeds = computed(() => {
  const own = derived.value.driveSeconds && 1 / toNumber(derived.value.driveSeconds);
  const all = SPEEDS.map(value => ({ value: Number(value), title: `${value} /s` }));
  if (own === undefined || all.some(s => s.value === own)) return all;
  return [...all, { value: own, title: 'as it is' }].sort((a, b) => a.value - b.value);
});
const steps = computed(() => {
  const all = [0.001, 0.01, 0.1, 1].map(value => ({ value, title: String(value) }));
  const { stepSize } = clock;
  return all.some(s => s.value === stepSize)
    ? all
    : [...all, { value: stepSize, title: figure(stepSize, 3) }];
});
const ticks = computed(() => {
  const half = width.value / 2 / PIXELS_PER_TURN;
  const first = Math.ceil((clock.total - half) * 10);
  const last = Math.floor((clock.total + half) * 10);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => {
    const tenth = first + i;
    return {
      tenth,
      x: width.value / 2 + (tenth / 10 - clock.total) * PIXELS_PER_TURN,
      whole: tenth % 10 === 0,
    };
  });
});
const date = computed(() => dateAt(machine.value, derived.value.driveSeconds, clock.turns));
const elapsed = computed(() => {
  const seconds = secondsRun(derived.value.driveSeconds, clock.turns);
  return seconds === undefined ? undefined : sayTime(seconds, 4);
});
const speedText = computed(() => {
  const drive = derived.value.driveSeconds;
  if (!drive) return '';
  return `one turn is ${sayPeriod(drive, 5)}`;
});
let from: number | undefined;

function scrub(event: PointerEvent): void {
  if (from === undefined) return;
  clock.turnBy((from - event.clientX) / PIXELS_PER_TURN);
  from = event.clientX;
}

function grab(event: PointerEvent): void {
  clock.stop();
  from = event.clientX;
  ruler.value?.setPointerCapture(event.pointerId);
}
</script>

<template>
  <footer class="strip" aria-label="Time strip">
    <div class="buttons">
      <v-btn
        class="run"
        :class="{ on: clock.running }"
        data-test="run"
        :aria-pressed="clock.running"
        @click="clock.toggle()"
      >
        {{ clock.running ? 'Stop' : 'Run' }}
      </v-btn>
      <v-btn aria-label="One step back" data-test="step-back" @click="clock.step(-1)">‹ step</v-btn>
      <v-btn aria-label="One step forward" data-test="step-on" @click="clock.step(1)">step ›</v-btn>
      <v-btn data-test="reset" @click="clock.reset()">To 0</v-btn>
    </div>
    <div class="settings">
      <v-select v-model="clock.speed" :items="speeds" label="Turns a second" data-test="speed" />
      <v-select v-model="clock.stepSize" :items="steps" label="Step, turns" />
      <v-checkbox v-model="clock.backwards" label="back" />
    </div>
    <div
      ref="ruler"
      class="ruler"
      role="slider"
      tabindex="0"
      aria-label="Turns of the drive: drag, or use the arrow keys"
      :aria-valuenow="Number(clock.total.toFixed(3))"
      :aria-valuetext="`${clock.total.toFixed(3)} turns`"
      @pointerdown="grab"
      @pointermove="scrub"
      @pointerup="from = undefined"
      @pointercancel="from = undefined"
      @keydown.left.prevent="clock.step(-1)"
      @keydown.right.prevent="clock.step(1)"
    >
      <svg aria-hidden="true" focusable="false">
        <g v-for="tick in ticks" :key="tick.tenth">
          <line :x1="tick.x" :x2="tick.x" y1="0" :y2="tick.whole ? 16 : 8" class="tick" />
          <text v-if="tick.whole" :x="tick.x + 4" y="17" class="mark">{{ tick.tenth / 10 }}</text>
        </g>
        <line :x1="width / 2" :x2="width / 2" y1="0" y2="40" class="now" />
      </svg>
    </div>
    <dl class="readings">
      <div>
        <dt>drive</dt>
        <dd class="figure" data-test="drive-turns">{{ clock.total.toFixed(3) }} turns</dd>
      </div>
      <div v-if="elapsed">
        <dt :title="speedText">elapsed</dt>
        <dd class="figure">{{ elapsed }}</dd>
      </div>
      <div v-if="date">
        <dt>date, UTC</dt>
        <dd class="figure" data-test="date">{{ date }}</dd>
      </div>
    </dl>
  </footer>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: auto auto minmax(80px, 1fr) 396px;
  gap: 16px;
  align-items: center;
  padding: 4px 14px;
  border-top: 1px solid var(--ink);
  background: var(--panel);
}

.buttons {
  display: flex;
}

.buttons .v-btn + .v-btn {
  border-left: 0;
}

.run {
  min-width: 64px;
  border-color: var(--accent);
  color: var(--accent);
  font-weight: 700;
}

.run.on {
  background: var(--accent);
  color: var(--panel);
}

.settings {
  display: flex;
  gap: 12px;
  align-items: end;
}

.settings .v-select {
  width: 92px;
}

.ruler {
  height: 40px;
  cursor: ew-resize;
  touch-action: none;
  border-left: var(--line);
  border-right: var(--line);
}

.ruler svg {
  display: block;
  width: 100%;
  height: 100%;
  overflow: hidden;
}

.tick {
  stroke: var(--muted);
  stroke-width: 1;
}

.mark {
  font: 12px var(--figures);
  fill: var(--muted);
}

.now {
  stroke: var(--accent);
  stroke-width: 2;
}

.readings {
  display: grid;
  grid-template-columns: 104px 116px 1fr;
  gap: 14px;
  font-size: 14px;
}

.readings dt {
  font-size: 12px;
  color: var(--muted);
  line-height: 1.2;
}

.readings dd {
  margin: 0;
  white-space: nowrap;
}

@media (max-width: 1200px) {
  .strip {
    grid-template-columns: auto 1fr;
    gap: 6px 14px;
  }

  .readings {
    grid-template-columns: repeat(3, auto);
  }
}

@media (max-width: 700px) {
  .strip {
    padding: 6px 10px;
    grid-template-columns: 1fr;
  }

  .ruler {
    height: 30px;
  }

  .readings {
    gap: 2px 14px;
    font-size: 13px;
  }
}
</style>
