<script setup lang="ts">
import type { MeshState } from '@tesseron/core/state';
import type { RollResult, WhatIf } from '@tesseron/core/mesh';
import { fixed, mm } from '@tesseron/core/units';
import { computed } from 'vue';

const props = defineProps<{
  state: MeshState;
  result: RollResult | undefined;
  tried: WhatIf;
  lever: number;
  /** What the helix adds to the contact ratio. */
  overlap: number;
}>();
const asMade = computed(() => props.tried.apart === 0 && props.tried.thicker === 0);
const said = (x: number | undefined, say: (v: number) => string): string => (x === undefined ? '–' : say(x));
const seconds = (error: number): string =>
  props.lever > 1 ? `${fixed((error / props.lever) * 206265, 0)}″` : '';
const rows = computed(() => {
  const r = props.result;
  const s = props.state;
  return [
    {
      name: 'contact ratio',
      rolled: said(r?.contactRatio, v => fixed(v, 2)),
      formula: said(s.contactRatio, v => fixed(v, 2)),
    },
    ...(props.overlap === 0
      ? []
      : [
          {
            name: 'with the helix',
            rolled: said(r?.contactRatio, v => fixed(v + props.overlap, 2)),
            formula: said(s.contactRatio, v => fixed(v + props.overlap, 2)),
          },
        ]),
    {
      name: 'play',
      rolled: r ? `${fixed(r.leastPlay, 3)} to ${mm(r.mostPlay, 3)}` : '–',
      formula: asMade.value && s.play !== 0 ? mm(s.play, 3) : '–',
    },
    { name: 'deepest overlap', rolled: said(r?.deepestOverlap, v => mm(v, 4)), formula: '' },
    { name: 'least gap, centred', rolled: said(r?.leastGap, v => mm(v, 3)), formula: '' },
    {
      name: 'uneven by',
      rolled: said(r?.transmissionError, v => mm(v, 4)),
      formula: r ? seconds(r.transmissionError) : '',
    },
    { name: 'knock at take-over', rolled: said(r?.shock, v => `${fixed(100 * v, 1)} %`), formula: '' },
  ];
});
</script>

<template>
  <table class="ruled" data-test="roll-figures">
    <thead>
      <tr>
        <td />
        <th class="figure">rolled</th>
        <th class="figure">by formula</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name">
        <th>{{ row.name }}</th>
        <td class="figure">{{ row.rolled }}</td>
        <td class="figure">{{ row.formula }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
tbody th {
  white-space: nowrap;
}

td.figure {
  font-size: 13px;
  padding-left: 6px;
}
</style>
