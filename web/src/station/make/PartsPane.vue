<script setup lang="ts">
import { writeDxf } from '@tesseron/core/format/dxf';
import { writeStep } from '@tesseron/core/format/step';
import { writeSvg } from '@tesseron/core/format/svg';
import type { Drawing } from '@tesseron/core/drawing';
import { byId, circleCount, processOf } from '@tesseron/core/machine';
import { markAll, setMaking } from '@tesseron/core/change';
import { growthOf, leavesAsIs, leftUncut, uncutCorners } from '@tesseron/core/process';
import { compensationName, fileName, fileNotes } from '@tesseron/core/drawings';
import { ok, type Result } from '@tesseron/core/result';
import { printGrowth, solidParts } from '@tesseron/core/solid';
import { figure } from '@tesseron/core/units';
import { sayProblem } from '@tesseron/core/words';
import { type FlatPart, flatParts, partDrawing } from '@tesseron/core/workshop';
import { computed, ref, watch } from 'vue';
import WorkBar from '../../parts/WorkBar.vue';
import { saveFile } from '../../keep';
import { useOpen } from '../../machine/use-open';
import { useMake } from '../../worker/use-make';
import { useLooked } from './use-looked';
import TickBox from '../../parts/TickBox.vue';
import SmallChoice from '../../parts/SmallChoice.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Every part: by which tool it is made, how many, and its own files. */
const { machine, derived, change } = useOpen();
const { look } = useLooked();
const maker = useMake();
const flat = computed(() => new Map(flatParts(derived.value).parts.map(p => [p.id, p])));
const parts = computed(() => solidParts(derived.value));
const looked = ref<string>();
const compensate = ref(true);
const problem = ref('');
const ownable = (id: string): boolean => flat.value.has(id) || byId(machine.value.wheels, id) !== undefined;
const forFile = (id: string): ReturnType<typeof processOf> =>
  compensate.value ? processOf(machine.value, id) : undefined;

const drawingOf = (part: FlatPart): Result<Drawing> => partDrawing(derived.value, part, forFile(part.id));
/**
 * The same with the finished part dashed within it where the file differs from it, and what a cutter leaves in
 * corners.
 */
function shown(part: FlatPart): Result<Drawing> {
  const made = drawingOf(part);
  const process = forFile(part.id);
  if (!made.ok || !process || leavesAsIs(growthOf(process))) return made;
  const finished = { name: 'finished', role: 'reference' as const, paths: [part.outline, ...part.holes] };
  const cutter = process.kind === 'router' ? (process.cutter ?? 0) / 2 : 0;
  const left = {
    name: 'not reached',
    role: 'drill' as const,
    paths: uncutCorners(part.outline, cutter, 0.02),
  };
  return ok({
    ...made.value,
    groups: made.value.groups.map(g => ({ ...g, shapes: [...g.shapes, finished, left] })),
  });
}
/** What a router’s cutter cannot reach. */
function uncut(part: FlatPart): string {
  const process = processOf(machine.value, part.id);
  const cutter = process?.kind === 'router' ? process.cutter : undefined;
  if (!cutter) return '';
  const left = leftUncut(part.outline, cutter / 2, derived.value.chordError);
  return left < 0.01
    ? ''
    : `A cutter of ${cutter} mm leaves ${figure(left, 3)} mm² uncut in inside corners. Take ` +
        'a smaller one, or give the teeth a larger fillet.';
}
const show = (): void => {
  const part = flat.value.get(looked.value ?? '');
  if (part)
    look({
      drawing: shown(part),
      label: `${part.name}, as its file is written`,
      note: fileNotes(derived.value, forFile(part.id))[1] ?? '',
      warning: uncut(part),
      lettered: true,
      filled: true,
    });
};
watch([looked, compensate, derived], show);

async function save(id: string, kind: 'svg' | 'dxf' | 'step'): Promise<void> {
  const part = flat.value.get(id);
  if (!part) return;
  const made = drawingOf(part);
  problem.value = made.ok ? '' : sayProblem(made.problem);
  if (!made.ok) return;
  if (kind === 'step') {
    const text = writeStep({
      name: part.name,
      outline: part.outline,
      holes: part.holes,
      height: part.thickness,
    });
    await saveFile(text, fileName([machine.value.name, part.name], 'step'));
    return;
  }
  const name = fileName([machine.value.name, part.name, ...compensationName(forFile(id))], kind);
  await saveFile(kind === 'svg' ? writeSvg(made.value) : writeDxf(made.value), name);
}
async function saveStl(part: { id: string; name: string }): Promise<void> {
  problem.value = '';
  const made = await maker.make({ task: 'solid', machine: machine.value, part: part.id });
  if (!made) return;
  problem.value = made.left.map(l => `${l.name}: ${sayProblem(l.problem)}`).join(' ');
  const { process } = printGrowth(derived.value, part);
  if (made.file)
    await saveFile(made.file, fileName([machine.value.name, part.name, ...compensationName(process)], 'stl'));
}
const tools = computed(() => machine.value.processes.map(t => ({ value: t.id, title: t.name || t.kind })));
const setBy = (id: string, process: string): void =>
  change(
    'Choose how a part is made',
    setMaking(id, { process: process === machine.value.process ? undefined : process }),
  );
function setNumber(id: string, text: string): void {
  const n = Number(text);
  if (text.trim() === '') change('Change how many are made', setMaking(id, { number: undefined }));
  else if (Number.isInteger(n) && n >= 0 && n <= 1000)
    change('Change how many are made', setMaking(id, { number: n }));
  else
    problem.value =
      `“${text.slice(0, 20)}” is no number of pieces. Write a whole number ` +
      'from 0 to 1000, or nothing for as many as are needed.';
}
const teeth = (id: string): string => {
  const wheel = byId(machine.value.wheels, id);
  return wheel ? ` (${circleCount(wheel) ?? 'open'})` : '';
};
const moves = computed(() => machine.value.processes.some(p => !leavesAsIs(growthOf(p))));
const partRows = useRows(() => parts.value);
</script>

<template>
  <TickBox
    v-if="moves"
    v-model="compensate"
    label="compensate the files of single parts, once, for the tool"
    data-test="compensate"
  />
  <p class="quiet small">
    Do not compensate again in the cutter’s or printer’s own program. STEP shows parts as they should measure.
  </p>
  <WorkBar :work="maker" label="Body made" />
  <p v-if="problem" class="error-text" role="alert">{{ problem }}</p>
  <ul class="parts" data-test="parts">
    <li v-for="p in partRows.shown.value" :key="p.id" :class="{ chosen: looked === p.id }">
      <div class="top">
        <PlainButton v-if="ownable(p.id)" data-test="part" @click="looked = p.id">
          {{ p.name }}{{ teeth(p.id) }}
        </PlainButton>
        <span v-else>{{ p.name }}</span>
        <template v-if="ownable(p.id) && looked === p.id">
          <v-text-field
            class="number figure"
            :model-value="p.number"
            :aria-label="`How many of ${p.name}`"
            inputmode="numeric"
            data-test="part-number"
            @change="setNumber(p.id, ($event.target as HTMLInputElement).value)"
          />
          <SmallChoice
            :model-value="processOf(machine, p.id)?.id"
            :items="tools"
            :aria-label="`Tool for ${p.name}`"
            data-test="part-process"
            @update:model-value="setBy(p.id, $event ?? '')"
          />
        </template>
        <span v-else class="quiet made">
          {{ p.number > 1 ? `${p.number} of it` : '' }}
          {{ ownable(p.id) ? (processOf(machine, p.id)?.name ?? '') : '' }}
        </span>
      </div>
      <div class="files">
        <template v-if="flat.has(p.id) && p.kind !== 'one piece'">
          <BoxedButton
            :aria-label="`Save ${p.name} as SVG`"
            data-test="save-wheel"
            @click="save(p.id, 'svg')"
          >
            SVG
          </BoxedButton>
          <BoxedButton
            :aria-label="`Save ${p.name} as DXF`"
            data-test="save-wheel-dxf"
            @click="save(p.id, 'dxf')"
          >
            DXF
          </BoxedButton>
          <BoxedButton
            :aria-label="`Save ${p.name} as STEP`"
            data-test="save-step"
            @click="save(p.id, 'step')"
          >
            STEP
          </BoxedButton>
        </template>
        <BoxedButton
          :disabled="maker.making.value"
          :aria-label="`Save ${p.name} as STL`"
          data-test="save-stl"
          @click="saveStl(p)"
        >
          STL
        </BoxedButton>
      </div>
    </li>
  </ul>
  <MoreRows :left="partRows.left.value" :more="partRows.more" />
  <TickBox
    :model-value="machine.wheels.length > 0 && machine.wheels.every(w => w.body?.mark)"
    label="a mark at tooth 0 of every wheel"
    data-test="mark-all"
    @update:model-value="change('Mark every wheel', markAll('mark', $event === true))"
  />
  <TickBox
    :model-value="machine.wheels.length > 0 && machine.wheels.every(w => w.body?.engraved)"
    label="count and name engraved on every wheel"
    data-test="engrave-all"
    @update:model-value="change('Engrave every wheel', markAll('engraved', $event === true))"
  />
</template>

<style scoped>
.parts {
  list-style: none;
  padding: 0;
  margin: 8px 0;
}

.parts li {
  border-bottom: var(--line);
  padding: 5px 4px;
  font-size: 14px;
}

.parts .chosen {
  background: color-mix(in srgb, var(--accent) 12%, transparent);
}

.top,
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}

.top > :first-child {
  flex: 1;
  text-align: left;
}

.files {
  margin-top: 3px;
}

.files .boxed {
  padding: 1px 8px;
  font-size: 13px;
}

.made {
  font-size: 13px;
}

.number {
  width: 46px;
}

.small {
  font-size: 13px;
}
</style>
