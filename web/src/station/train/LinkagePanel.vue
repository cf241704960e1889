<script setup lang="ts">
import {
  linkageFrom,
  pairsFromText,
  pairsText,
  pathFromDrawing,
  pathFromTable,
  stepPath,
  turnsClockwise,
  type WantedLine,
} from '@tesseron/core/edit';
import { type LinkageFound, type LinkageQuery, lengthsOf, type WantedMotion } from '@tesseron/core/linkage';
import type { Point } from '@tesseron/core/geometry';
import { type Arbor, LIMITS } from '@tesseron/core/machine';
import { ok, type Result } from '@tesseron/core/result';
import { figure, fixed, mm, radians } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import DialogBox from '../../parts/DialogBox.vue';
import SlideField from '../../parts/SlideField.vue';
import NumberField from '../../parts/NumberField.vue';
import TickBox from '../../parts/TickBox.vue';
import WorkBar from '../../parts/WorkBar.vue';
import { isTable, openDrawing, readDrawing } from '../../keep';
import { useSearch } from '../../worker/use-search';
import LinkagePad from './LinkagePad.vue';
import type { Hand } from './use-hand';

/** A four-bar that moves as wanted is searched for, looked at and made. */
const props = defineProps<{ hand: Hand; arbor: Arbor }>();
const open = defineModel<boolean>({ required: true });
const KINDS = [
  { title: 'a point along a path', value: 'path' },
  { title: 'an arm to angles', value: 'angles' },
  { title: 'an arm to and fro, in its time', value: 'swing' },
] as const;
/** How often the search begins anew: some fifteen seconds. */
const ROUNDS = 16;
const TOP = 12;

const kind = ref<WantedMotion['kind']>('path');
const pathText = ref(pairsText(stepPath().map(p => [p.x, p.y])));
const angleText = ref('0, 0\n60, 15\n120, 40');
const closed = ref(true);
const placed = ref(false);
const apart = ref(80);
const swingDeg = ref(45);
const timeRatio = ref(1.25);
const transmission = ref(40);
const [width, height] = [ref<number>(), ref<number>()];
const angle = ref(0);
const problem = ref('');
/** The linkage that is looked at; the list grows and changes while the search goes on. */
const chosen = ref('');
const keyOf = (f: LinkageFound): string => JSON.stringify(f.linkage);

const search = useSearch<'linkage'>();
const found = computed((): readonly LinkageFound[] => {
  const answer = search.answer.value;
  return (answer?.ok ? answer.value : undefined) ?? search.news.value?.linkages ?? [];
});
const failed = computed(() => {
  const answer = search.answer.value;
  return answer && !answer.ok ? sayProblem(answer.problem) : '';
});
const shown = computed(() => found.value.find(f => keyOf(f) === chosen.value) ?? found.value[0]);
const typedPath = computed(() => pairsFromText(pathText.value));
const points = computed((): readonly Point[] =>
  typedPath.value.ok ? typedPath.value.value.map(([x, y]) => ({ x, y })) : [],
);
const unread = computed(() => {
  const read = kind.value === 'path' ? typedPath.value : pairsFromText(angleText.value);
  return kind.value === 'swing' || read.ok ? '' : sayProblem(read.problem);
});

function setPoints(next: readonly Point[]): void {
  pathText.value = pairsText(next.map(p => [p.x, p.y]));
}
/** What was found answers what was asked: it goes when anything else is asked. */
watch(
  [kind, pathText, angleText, closed, placed, apart, swingDeg, timeRatio, transmission, width, height],
  () => {
    search.clear();
    problem.value = '';
  },
);
function wanted(): Result<WantedMotion> {
  if (kind.value === 'swing')
    return ok({
      ...{ kind: 'swing', swingDeg: swingDeg.value, timeRatio: timeRatio.value, apart: apart.value },
    });
  const read = pairsFromText(kind.value === 'path' ? pathText.value : angleText.value);
  if (!read.ok) return read;
  return ok(
    kind.value === 'path'
      ? {
          ...{ kind: 'path', points: read.value.map(([x, y]) => ({ x, y })) },
          ...{ closed: closed.value, placed: placed.value },
        }
      : { kind: 'angles', pairs: read.value, apart: apart.value },
  );
}
function start(): void {
  const motion = wanted();
  problem.value = motion.ok ? '' : sayProblem(motion.problem);
  if (!motion.ok) return;
  chosen.value = '';
  search.clear();
  const room: LinkageQuery['room'] =
    width.value === undefined && height.value === undefined
      ? undefined
      : { width: width.value ?? Infinity, height: height.value ?? Infinity };
  search.start({
    kind: 'linkage',
    query: {
      ...{ wanted: motion.value, leastTransmissionDeg: transmission.value, top: TOP, rounds: ROUNDS },
      ...(room && { room }),
    },
  });
}
async function read(): Promise<void> {
  const file = await openDrawing();
  if (!file) return;
  const made = await pathFrom(file);
  problem.value = made.ok ? '' : `${file.name}: ${sayProblem(made.problem)}`;
  if (!made.ok) return;
  closed.value = made.value.closed;
  setPoints(made.value.points);
}
async function pathFrom(file: { name: string; text: string }): Promise<Result<WantedLine>> {
  if (isTable(file.name)) return pathFromTable(file.text);
  const drawing = await readDrawing(file);
  return drawing.ok ? pathFromDrawing(drawing.value) : drawing;
}
function make(): void {
  const linkage = shown.value;
  if (!linkage) return;
  const { arbor, hand } = props;
  const clockwise = turnsClockwise(hand.machine.value, hand.derived.value.train.rates, arbor.id);
  if (hand.make(`A linkage from ${arbor.name}`, 'joint', linkageFrom(arbor.id, linkage, clockwise)))
    open.value = false;
}
function sizes({ linkage }: LinkageFound): string {
  const { crank, coupler, rocker, ground } = lengthsOf(linkage);
  return [crank, coupler, rocker, ground].map(x => fixed(x, 1)).join(', ');
}
const off = (f: LinkageFound): string => (kind.value === 'path' ? mm(f.off, 3) : `${figure(f.off, 3)}°`);
</script>

<template>
  <DialogBox v-model="open" :title="`Find a linkage from ${arbor.name}`" :width="1120" test="linkage-panel">
    <div class="panes">
      <section>
        <v-select v-model="kind" :items="[...KINDS]" label="It is to lead" data-test="linkage-kind" />
        <template v-if="kind === 'path'">
          <v-textarea
            v-model="pathText"
            label="Points in their order: x, y in mm"
            rows="6"
            no-resize
            spellcheck="false"
            data-test="linkage-points"
          />
          <div class="two">
            <TickBox v-model="closed" label="comes back to the first" data-test="linkage-closed" />
            <TickBox v-model="placed" label="said from the crank’s axis" data-test="linkage-placed" />
          </div>
          <p><v-btn data-test="linkage-read" @click="read">Path from a file…</v-btn></p>
        </template>
        <v-textarea
          v-else-if="kind === 'angles'"
          v-model="angleText"
          label="A line for each place: crank °, arm °"
          rows="5"
          no-resize
          hint="three to five places, both angles from the first"
          persistent-hint
          spellcheck="false"
          data-test="linkage-angles"
        />
        <div v-else class="two">
          <NumberField
            v-model="swingDeg"
            label="Swing"
            :limits="LIMITS.swingDeg"
            unit="°"
            data-test="linkage-swing"
          />
          <NumberField
            v-model="timeRatio"
            label="Longer way : shorter, in time"
            :limits="LIMITS.timeRatio"
            data-test="linkage-time"
          />
        </div>
        <div class="two">
          <NumberField
            v-if="kind !== 'path'"
            v-model="apart"
            label="Axes apart"
            :limits="LIMITS.linkageApart"
            unit="mm"
            data-test="linkage-apart"
          />
          <NumberField
            v-model="transmission"
            label="Transmission angle at least"
            :limits="LIMITS.transmissionDeg"
            unit="°"
            data-test="linkage-transmission"
          />
          <NumberField
            v-model="width"
            label="Room, wide"
            :limits="LIMITS.linkageRoom"
            unit="mm"
            optional
            data-test="linkage-width"
            @clear="width = undefined"
          />
          <NumberField
            v-model="height"
            label="Room, high"
            :limits="LIMITS.linkageRoom"
            unit="mm"
            optional
            data-test="linkage-height"
            @clear="height = undefined"
          />
        </div>
        <p v-if="unread || problem" class="error-text" role="alert" data-test="linkage-problem">
          {{ unread || problem }}
        </p>
        <p class="acts">
          <v-btn data-test="linkage-search" :disabled="unread !== ''" @click="start">Search</v-btn>
          <WorkBar :work="search" label="Search for linkages" cancel-test="linkage-stop" />
        </p>
      </section>
      <section>
        <LinkagePad
          :points="kind === 'path' ? points : []"
          :closed="closed"
          :found="shown"
          :angle="radians(angle)"
          @set="setPoints"
        />
        <SlideField
          v-if="shown"
          v-model="angle"
          label="Crank"
          :least="0"
          :most="360"
          :step="1"
          :says="`${angle}°`"
          data-test="linkage-turn"
        />
        <p v-if="kind === 'path' && !shown" class="quiet">
          Pull a point; double-click sets another, Delete takes one away.
        </p>
        <p v-if="failed" class="error-text" role="alert" data-test="linkage-failed">{{ failed }}</p>
        <div v-if="found.length > 0" class="list" tabindex="0" role="region" aria-label="Linkages found">
          <table class="ruled" data-test="linkage-found">
            <thead>
              <tr>
                <th scope="col" class="figure">off by</th>
                <th scope="col" class="figure">least transmission</th>
                <th scope="col" class="figure">crank, coupler, rocker, ground mm</th>
                <th scope="col" class="figure">room mm</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(f, i) in found" :key="i" :class="{ chosen: f === shown }">
                <td class="figure">
                  <PlainButton :data-test="`linkage-row-${i}`" @click="chosen = keyOf(f)">{{
                    off(f)
                  }}</PlainButton>
                </td>
                <td class="figure">{{ figure(f.transmissionDeg, 3) }}°</td>
                <td class="figure">
                  {{ sizes(f) }}
                </td>
                <td class="figure">{{ fixed(f.room.width, 0) }} × {{ fixed(f.room.height, 0) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="hand.refusal.value" class="error-text" role="alert">{{ hand.refusal.value }}</p>
        <p class="acts">
          <v-btn data-test="linkage-make" :disabled="!shown" @click="make">Make it</v-btn>
          <v-btn @click="open = false">Leave it</v-btn>
        </p>
      </section>
    </div>
  </DialogBox>
</template>

<style scoped>
.panes {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
  gap: 24px;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}

.acts {
  display: flex;
  gap: 8px;
  align-items: center;
}

.list {
  max-height: 190px;
  overflow: auto;
}

@media (width <= 700px) {
  .panes {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
