<script setup lang="ts">
import { patch, type Process } from '@tesseron/core/machine';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { length } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';

/** What is measured of a way of making: how wide it cuts, or how far its prints are off. */
const props = defineProps<{ process: Process }>();
const { change } = useOpen();
type Measure = 'kerf' | 'nozzle' | 'cutter' | 'outlineGrowth' | 'holeShrink' | 'leastFeature';

function set(key: Measure, value: number | undefined): void {
  change(
    'Change how parts are made',
    patch('processes', props.process.id, p => {
      const { [key]: _, ...rest } = p;
      return (value === undefined ? rest : { ...rest, [key]: value }) as Process;
    }),
  );
}
const OF: Readonly<Record<Process['kind'], readonly (readonly [Measure, string, number, number, string])[]>> =
  {
    laser: [['kerf', 'Kerf', 0, 3, 'width of what it burns away']],
    saw: [['kerf', 'Kerf', 0, 5, 'width of the blade’s cut']],
    router: [['cutter', 'Cutter', 0.05, 30, 'its diameter']],
    printer: [
      ['nozzle', 'Nozzle', 0.05, 3, ''],
      ['outlineGrowth', 'Outlines print wider by', -2, 2, 'on each side'],
      ['holeShrink', 'Holes print smaller by', -2, 2, 'across'],
    ],
  };
const fields = computed(() => [
  ...OF[props.process.kind].map(([key, label, least, most, hint]) =>
    length(label, props.process[key], [least, most], v => set(key, v), {
      clear: () => set(key, undefined),
      hint,
      test: `process-${key}`,
    }),
  ),
  length('Least feature', props.process.leastFeature, [0.01, 30], v => set('leastFeature', v), {
    clear: () => set('leastFeature', undefined),
    hint: 'finer teeth are told',
    test: 'process-leastFeature',
  }),
]);
</script>

<template>
  <div class="fields"><NumberFields :fields="fields" /></div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}
</style>
