<script setup lang="ts">
import type { borderFrom, BorderWishes } from '@tesseron/core/format/border';
import type { DrawnLines } from '@tesseron/core/format/drawn-lines';
import type { Region } from '@tesseron/core/machine';
import type { Problem } from '@tesseron/core/result';
import { sayProblem } from '@tesseron/core/words';
import { ref, shallowRef } from 'vue';
import { openDrawing, readDrawing } from '../../keep';

/** Reads a border from a DXF or SVG file; what is wrong with it is said, and mended only as asked. */
const emit = defineEmits<{ read: [region: Region] }>();
const problem = shallowRef<Problem>();
const name = ref('');
let drawn: DrawnLines | undefined;
let wishes: BorderWishes = {};
/** Comes with the readers, when a file is opened. */
let borderOf: typeof borderFrom | undefined;

async function open(): Promise<void> {
  const file = await openDrawing();
  if (!file) return;
  name.value = file.name;
  wishes = {};
  const [read, border] = await Promise.all([readDrawing(file), import('@tesseron/core/format/border')]);
  borderOf = border.borderFrom;
  drawn = read.ok ? read.value : undefined;
  problem.value = read.ok ? undefined : read.problem;
  if (read.ok) take({});
}

function take(more: BorderWishes): void {
  if (!drawn || !borderOf) return;
  wishes = { ...wishes, ...more };
  const border = borderOf(drawn, wishes);
  problem.value = border.ok ? undefined : border.problem;
  if (!border.ok) return;
  const round = (x: number): number => Number(x.toFixed(4));
  const points = border.value.map((p): [number, number] => [round(p.x), round(p.y)]);
  emit('read', { kind: 'outline', name: name.value.slice(0, 120), points });
}
</script>

<template>
  <div data-test="border-import">
    <BoxedButton data-test="open-border" @click="open">From a DXF or SVG file…</BoxedButton>
    <div v-if="problem" role="alert">
      <p class="error-text" data-test="border-problem">{{ name }}: {{ sayProblem(problem) }}</p>
      <p class="acts">
        <template v-if="problem.code === 'outline-units'">
          <v-btn data-test="units-mm" @click="take({ millimetres: 1 })">Millimetres</v-btn>
          <v-btn data-test="units-inch" @click="take({ millimetres: 25.4 })">Inches</v-btn>
        </template>
        <v-btn v-if="problem.code === 'outline-open'" data-test="join-border" @click="take({ join: true })"
          >Join them</v-btn
        >
        <v-btn
          v-if="problem.code === 'outline-doubled'"
          data-test="drop-doubles"
          @click="take({ dropDoubles: true })"
          >Drop the doubles</v-btn
        >
      </p>
    </div>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
</style>
