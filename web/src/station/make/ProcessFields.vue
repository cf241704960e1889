<script setup lang="ts">
import { type Process, LIMITS } from '@tesseron/core/machine';
import { changeProcess } from '@tesseron/core/change';
import { fitAllowance } from '@tesseron/core/body';
import { bedOf, gapOf, rateOf } from '@tesseron/core/process';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';

/**
 * What is measured of a way of making: how wide it cuts, how far its prints are off, what its fits leave, how fast
 * it is.
 */
const props = defineProps<{ process: Process }>();
const { change } = useOpen();
type Measure =
  | 'kerf'
  | 'nozzle'
  | 'cutter'
  | 'outlineGrowth'
  | 'holeShrink'
  | 'leastFeature'
  | 'layer'
  | 'flare'
  | 'gap'
  | 'rate';

const set = (key: Measure, value: number | undefined): void =>
  change('Change how parts are made', changeProcess(props.process.id, { [key]: value }));
type Row = readonly [key: Measure, label: string, least: number, most: number, hint: string];
const OF: Readonly<Record<Process['kind'], readonly Row[]>> = {
  laser: [['kerf', 'Kerf', 0, 3, 'width of what it burns away']],
  saw: [['kerf', 'Kerf', 0, 5, 'width of the blade’s cut']],
  router: [['cutter', 'Cutter', 0.05, 30, 'its diameter']],
  printer: [
    ['nozzle', 'Nozzle', 0.05, 3, ''],
    ['layer', 'Layer', 0.02, 5, 'height of one'],
    ['outlineGrowth', 'Outlines print wider by', -2, 2, 'on each side'],
    ['holeShrink', 'Holes print smaller by', -2, 2, 'across'],
    ['flare', 'First layer spreads by', 0, 2, 'on each side'],
  ],
};
const field = ([key, label, least, most, hint]: Row): NumberSpec =>
  length(label, props.process[key], [least, most], v => set(key, v), {
    clear: () => set(key, undefined),
    hint,
    test: `process-${key}`,
  });
const measured = computed(() => [
  ...OF[props.process.kind].map(field),
  field(['leastFeature', 'Least feature', 0.01, 30, 'thinner walls are told']),
]);
const FITS = [
  ['press', 'To press'],
  ['sliding', 'To slide'],
  ['free', 'To turn'],
] as const;
const fits = computed(() =>
  FITS.map(([fit, label]) => {
    const put = (value: number | undefined): void => {
      const { [fit]: _, ...rest } = props.process.fits ?? {};
      const next = value === undefined ? rest : { ...rest, [fit]: value };
      change(
        'Change a fit',
        changeProcess(props.process.id, { fits: Object.keys(next).length > 0 ? next : undefined }),
      );
    };
    return length(label, props.process.fits?.[fit], LIMITS.processFit, put, {
      clear: () => put(undefined),
      hint: `usually ${fitAllowance(fit)}`,
      test: `fit-${fit}`,
    });
  }),
);
const pad = computed(() =>
  props.process.kind === 'printer'
    ? []
    : [
        number(
          'Sheets in a pad',
          props.process.pad,
          LIMITS.padSheets,
          v => change('Cut in pads', changeProcess(props.process.id, { pad: v })),
          {
            whole: true,
            clear: () => change('Cut single sheets', changeProcess(props.process.id, { pad: undefined })),
            hint: 'nailed or taped, cut as one',
            test: 'process-pad',
          },
        ),
      ],
);
const pace = computed(() => [
  field(['gap', 'Left between parts', 0, 100, `usually ${gapOf({ ...props.process, gap: undefined })}`]),
  number(
    props.process.kind === 'printer' ? 'Lays' : 'Cuts',
    props.process.rate,
    LIMITS.rate,
    v => set('rate', v),
    {
      clear: () => set('rate', undefined),
      unit: props.process.kind === 'printer' ? 'mm³/s' : 'mm/s',
      hint: `usually ${rateOf({ ...props.process, rate: undefined })}`,
      test: 'process-rate',
    },
  ),
]);
const bed = computed(() => {
  const is = bedOf(props.process);
  const put = (more: Partial<typeof is>): void =>
    change('Change the bed', changeProcess(props.process.id, { bed: { ...is, ...more } }));
  return [
    length('Bed, width', props.process.bed?.width, LIMITS.bedWidth, v => put({ width: v }), {
      hint: `else ${is.width}`,
      test: 'bed-width',
    }),
    length('Bed, depth', props.process.bed?.depth, LIMITS.bedDepth, v => put({ depth: v }), {
      hint: `else ${is.depth}`,
      test: 'bed-depth',
    }),
    length('Height', props.process.bed?.height, LIMITS.bedHeight, v => put({ height: v }), {
      hint: `else ${is.height}`,
      test: 'bed-height',
    }),
  ];
});
</script>

<template>
  <div class="fields"><NumberFields :fields="measured" /></div>
  <h3>A hole is larger than what goes in it</h3>
  <div class="fields three"><NumberFields :fields="fits" /></div>
  <div class="fields"><NumberFields :fields="[...pace, ...pad]" /></div>
  <div v-if="process.kind === 'printer'" class="fields three"><NumberFields :fields="bed" /></div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.three {
  grid-template-columns: 1fr 1fr 1fr;
}
</style>
