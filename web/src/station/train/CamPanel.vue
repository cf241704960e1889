<script setup lang="ts">
import {
  camFacts,
  type CamJoint,
  type CamMotion,
  leastRadius,
  leavesAt,
  rollCam,
  turnsPerMinute,
} from '@tesseron/core/cam';
import { camLiftTable, camPointTable, fileName } from '@tesseron/core/drawings';
import {
  CAM_MOTIONS,
  motionAs,
  motionFromDrawing,
  motionFromTable,
  motionRange,
  withStroke,
} from '@tesseron/core/edit';
import { setJoint } from '@tesseron/core/change';
import { byId, LIMITS } from '@tesseron/core/machine';
import { camFigures } from '@tesseron/core/motion';
import type { Result } from '@tesseron/core/result';
import { degrees, figure, mm, radians } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref } from 'vue';
import { isTable, openDrawing, readDrawing, saveFile } from '../../keep';
import DialogBox from '../../parts/DialogBox.vue';
import NumberField from '../../parts/NumberField.vue';
import SlideField from '../../parts/SlideField.vue';
import { useLater } from '../../parts/use-later';
import { camDrawing } from './cam-drawing';
import CamChart from './CamChart.vue';
import CamRows from './CamRows.vue';
import type { Hand } from './use-hand';

/** The designer of a cam: its motion, what comes of it, and its follower rolled over it. */
const props = defineProps<{ hand: Hand; joint: CamJoint; row: readonly string[] }>();
const open = defineModel<boolean>({ required: true });
const { machine, derived } = props.hand;
const motion = computed(() => props.joint.motion);
const swings = computed(() => byId(machine.value.members, props.joint.follower)?.kind === 'arbor');
const unit = computed(() => (swings.value ? '°' : 'mm'));
const turned = ref(0);
const refusal = ref('');
const kinds = CAM_MOTIONS.map(k => ({ title: k.called, value: k.kind }));
const set = (next: CamMotion, label = 'Motion of a cam'): boolean =>
  props.hand.act(props.row.length > 1 ? `${label}, ${props.row.length} alike` : label, m => ({
    ok: true,
    value: props.row.reduce((now, id) => setJoint(id, 'cam', { motion: next })(now), m),
  }));
const cam = computed(() => camFigures(derived.value.moving).find(c => c.joint.id === props.joint.id));
const drawn = computed(() => cam.value && camDrawing(cam.value, radians(turned.value)));
const range = computed(() => motionRange(motion.value));
const rolled = useLater(
  () => cam.value?.shape,
  function* (shape) {
    if (!shape) return undefined;
    yield;
    return rollCam(shape, 72);
  },
);
const figures = computed(() => {
  const shape = cam.value?.shape;
  if (!shape) return [];
  const facts = camFacts(shape);
  const groove = props.joint.kept.kind === 'groove';
  const [least, leaves] = [leastRadius(shape, groove), leavesAt(props.joint.kept, shape, facts)];
  const rows: [string, string][] = [
    ['lift from – to', `${figure(range.value.least, 4)} – ${figure(range.value.most, 4)} ${unit.value}`],
    [
      'greatest pressure angle',
      `${figure(degrees(facts.pressure), 3)}° at ${figure(degrees(facts.pressureAt), 3)}°`,
    ],
    [
      shape.flat ? 'sharpest place of the cam' : 'sharpest way of the roller’s middle',
      `${mm(facts.bulge, 2)} at ${figure(degrees(facts.bulgeAt), 3)}°`,
    ],
    ['least radius at no lift', least === undefined ? 'none that serves' : mm(least, 1)],
  ];
  if (shape.flat && shape.way.kind === 'slide')
    rows.push(['face needed', `${mm(facts.fastest, 2)} and ${mm(-facts.slowest, 2)} beside the line`]);
  if (leaves !== undefined)
    rows.push(['leaves it from, a guess', `${figure(turnsPerMinute(leaves), 3)} turns a minute`]);
  rows.push([
    'rolled over its outline',
    rolled.value ? `within ${mm(rolled.value.error, 4)} of its motion` : 'rolling…',
  ]);
  return rows;
});

function stroke(value: number): void {
  set(withStroke(motion.value, value), 'Stroke of a cam');
}

/** Reads a table of angles and lifts, or a line of a drawing. */
async function read(): Promise<void> {
  const file = await openDrawing();
  if (!file) return;
  const made = await motionFrom(file);
  refusal.value = made.ok ? '' : `${file.name}: ${sayProblem(made.problem)}`;
  if (made.ok) set(made.value, 'Motion of a cam from a file');
}

async function motionFrom(file: { name: string; text: string }): Promise<Result<CamMotion>> {
  if (isTable(file.name)) return motionFromTable(file.text);
  const drawing = await readDrawing(file);
  return drawing.ok ? motionFromDrawing(drawing.value) : drawing;
}

async function save(kind: 'lift' | 'points'): Promise<void> {
  const shape = cam.value?.shape;
  if (!shape) return;
  const { writeCsv } = await import('@tesseron/core/format/csv');
  const table = kind === 'lift' ? camLiftTable(props.joint, swings.value) : camPointTable(shape);
  await saveFile(writeCsv(table), fileName([machine.value.name, 'cam', kind], 'csv'));
}
</script>

<template>
  <DialogBox v-model="open" title="Cam" :width="1100" test="cam-panel">
    <div class="panes">
      <section>
        <div class="row">
          <v-select
            :model-value="motion.kind"
            :items="kinds"
            label="Motion"
            data-test="cam-motion"
            @update:model-value="set(motionAs($event, motion))"
          />
          <NumberField
            :model-value="Number((range.most - range.least).toPrecision(6))"
            label="Stroke"
            :limits="LIMITS.camRadius"
            :unit="unit"
            data-test="cam-stroke"
            @update:model-value="stroke"
          />
        </div>
        <CamChart :motion="motion" :unit="unit" :turned="turned" @set="set" />
        <CamRows :motion="motion" :unit="unit" @set="set" />
      </section>
      <section>
        <svg
          v-if="drawn"
          :viewBox="drawn.view"
          role="img"
          aria-label="The cam and its follower"
          data-test="cam-drawing"
        >
          <path v-for="(d, i) in drawn.lines" :key="i" :d="d" class="cam" />
          <circle :r="drawn.width / 90" class="axis" />
          <path :d="drawn.normal" class="normal" />
          <path :d="drawn.rod" class="rod" />
          <circle
            v-if="drawn.roller"
            :cx="drawn.roller.x"
            :cy="drawn.roller.y"
            :r="drawn.roller.r"
            class="roller"
          />
        </svg>
        <p v-else class="quiet">Its follower has no place yet, so no cam can be drawn.</p>
        <SlideField v-model="turned" label="Turned" :least="0" :most="360" :step="1" :says="`${turned}°`" />
        <table class="ruled" data-test="cam-figures">
          <tbody>
            <tr v-for="[what, says] in figures" :key="what">
              <th scope="row">{{ what }}</th>
              <td class="figure">{{ says }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="refusal" class="error-text" role="alert">{{ refusal }}</p>
        <p class="acts">
          <v-btn data-test="cam-read" @click="read">Motion from a file…</v-btn>
          <v-btn data-test="cam-save-lift" @click="save('lift')">Lift as CSV</v-btn>
          <v-btn data-test="cam-save-points" @click="save('points')">Outline as CSV</v-btn>
          <v-btn @click="open = false">Close</v-btn>
        </p>
        <p class="quiet">
          A file of angles and lifts (CSV), or a line drawn from left to right (SVG, DXF): its width is the
          turn.
        </p>
      </section>
    </div>
  </DialogBox>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(0, 1fr);
  gap: 20px;
}

.row,
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}

.row > * {
  flex: 1;
}

svg {
  width: 100%;
  height: 250px;
}

path,
circle {
  vector-effect: non-scaling-stroke;
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.3;
}

.cam {
  fill: color-mix(in srgb, var(--ink) 9%, transparent);
  fill-rule: evenodd;
}

.axis,
.normal {
  stroke: var(--accent);
}

.roller {
  fill: var(--panel);
}

th {
  font-weight: inherit;
}

@media (width < 760px) {
  .panes {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
