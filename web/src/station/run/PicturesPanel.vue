<script setup lang="ts">
import { LIMITS } from '@tesseron/core/machine';
import {
  type DriveTurns,
  advance,
  filmCloses,
  MOST_TEETH_A_FRAME,
  quickestTeeth,
  recurrenceOf,
} from '@tesseron/core/motion';
import { poseTurns } from '@tesseron/core/edit';
import { writeSvg } from '@tesseron/core/format/svg';
import { fileName, planDrawing, sideDrawing, type SideView } from '@tesseron/core/drawings';
import { figure } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useFilm } from '../../film/use-film';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { length, number } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { useClock } from '../../run/clock';
import WorkBar from '../../parts/WorkBar.vue';

/** Pictures of the view as it stands or at a pose, and a short film of it turning. */
const props = defineProps<{
  /** What the view is called in file names. */
  view: string;
  /** From where it is seen, when it is from the side. */
  side: SideView | undefined;
  shape: () => { readonly width: number; readonly height: number };
  /** Draws the view after some turns of the drive upon a canvas. */
  draw: (turns: DriveTurns, on: CanvasRenderingContext2D) => void;
}>();
const { machine, derived } = useOpen();
const clock = useClock();
const film = useFilm();
const problem = ref('');
const pose = ref('');
const PICTURE_WIDTH = 1600;
const poses = computed(() => [
  { value: '', title: 'as it stands now' },
  ...machine.value.poses.map(p => ({ value: p.id, title: p.name })),
]);
const at = computed(() => {
  const chosen = machine.value.poses.find(p => p.id === pose.value);
  return chosen ? { turns: poseTurns(chosen), name: chosen.name } : { turns: clock.turns, name: '' };
});
const named = (ending: string): string =>
  fileName([machine.value.name, props.view, ...(at.value.name ? [at.value.name] : [])], ending);

/** A canvas so many pixels wide, of the view’s proportions. */
function sheet(width: number): CanvasRenderingContext2D {
  const shape = props.shape();
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = Math.max(2, Math.round((width * shape.height) / Math.max(1, shape.width)));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('sheet: no canvas');
  return context;
}
async function savePng(): Promise<void> {
  const on = sheet(PICTURE_WIDTH);
  props.draw(at.value.turns, on);
  const blob = await new Promise<Blob | null>(resolve => on.canvas.toBlob(resolve, 'image/png'));
  if (blob) await saveFile(blob, named('png'));
}
async function saveSvg(): Promise<void> {
  const { turns } = at.value;
  const drawing = props.side
    ? sideDrawing(derived.value, props.side, turns)
    : planDrawing(derived.value, turns, true);
  problem.value = drawing.ok ? '' : sayProblem(drawing.problem);
  if (drawing.ok) await saveFile(writeSvg(drawing.value), named('svg'));
}

const turns = ref(1);
const seconds = ref(4);
const rate = ref(12);
const width = ref(640);
const fields = computed(() => [
  number('Turns of the drive', turns.value, LIMITS.filmTurns, v => (turns.value = v), { test: 'film-turns' }),
  number('Lasting', seconds.value, LIMITS.filmSeconds, v => (seconds.value = v), {
    unit: 's',
    test: 'film-seconds',
  }),
  number('Frames a second', rate.value, LIMITS.filmRate, v => (rate.value = v), {
    whole: true,
    test: 'film-rate',
  }),
  {
    ...length('Wide', width.value, LIMITS.filmWidth, v => (width.value = v), {
      whole: true,
      test: 'film-width',
    }),
    unit: 'pixels',
  },
]);
const frames = computed(() => Math.max(2, Math.round(seconds.value * rate.value)));
/** After how many turns the film would go on into its own beginning. */
const whole = computed(() => recurrenceOf(machine.value, derived.value.train.rates).whole);
const closes = computed(() => filmCloses(turns.value, whole.value));
const blurred = computed(() => {
  const quick = quickestTeeth(machine.value, derived.value.train.rates);
  const teeth = quick ? (quick.teeth * turns.value) / frames.value : 0;
  return quick && teeth > MOST_TEETH_A_FRAME
    ? { name: nameOf(machine.value, quick.wheel), teeth: figure(teeth, 2) }
    : undefined;
});
async function make(): Promise<void> {
  const on = sheet(width.value);
  const from = at.value.turns;
  const count = frames.value;
  const by = turns.value;
  problem.value = '';
  try {
    const blob = await film.make({
      ...{ frames: count, width: on.canvas.width, height: on.canvas.height },
      delayMs: Math.round(1000 / rate.value),
      draw: i => {
        props.draw(advance(from, (by * i) / count), on);
        return on.getImageData(0, 0, on.canvas.width, on.canvas.height);
      },
    });
    if (blob) await saveFile(blob, named('gif'));
  } catch (error) {
    film.cancel();
    problem.value =
      'The film could not be made ' +
      `(${error instanceof Error ? error.message : String(error)}). Make it ` +
      'smaller or shorter.';
  }
}
// A film is of one view from its beginning to its end.
watch([() => props.view, () => props.side], () => film.cancel());
</script>

<template>
  <p class="quiet small">Of the view that is shown: choose plan, side or cut above the drawing.</p>
  <v-select v-model="pose" :items="poses" label="Position" data-test="picture-pose" />
  <p class="acts">
    <v-btn data-test="save-png" @click="savePng">PNG</v-btn>
    <v-btn data-test="save-pose-svg" @click="saveSvg">SVG</v-btn>
  </p>
  <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
  <h3>Film</h3>
  <div class="fields"><NumberFields :fields="fields" /></div>
  <p class="quiet small">
    {{ frames }} frames.
    <template v-if="closes">Its end goes on into its beginning.</template>
    <template v-else-if="whole !== undefined">
      Its end jumps back to its beginning: all stands as it did only after {{ whole }} turns.
    </template>
  </p>
  <p v-if="blurred" class="quiet small" data-test="film-blurred">
    From one frame to the next {{ blurred.name }} moves on by {{ blurred.teeth }} teeth and would seem to
    stand or turn back. Take fewer turns, or more seconds.
  </p>
  <WorkBar :work="film" label="Film" cancel-test="film-cancel" />
  <p v-if="!film.working.value" class="acts">
    <v-btn data-test="film-make" @click="make">Make a film, GIF</v-btn>
  </p>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.acts {
  display: flex;
  gap: 8px;
  align-items: center;
  margin: 8px 0;
}

.small {
  font-size: 13px;
  margin: 6px 0;
}
</style>
