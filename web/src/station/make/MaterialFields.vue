<script setup lang="ts">
import { byId, type Material, type Process, LIMITS } from '@tesseron/core/machine';
import { addMaterial, changeMaterial, changeProcess, removeMaterial } from '@tesseron/core/change';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import { length, number } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { anyText } from './any-text';
import TickBox from '../../parts/TickBox.vue';

/** What a tool takes: stock as it was measured, its sheets, what it weighs and costs. */
const props = defineProps<{ process: Process }>();
const { machine, change } = useOpen();
const material = computed(() => byId(machine.value.materials, props.process.material));
const printed = computed(() => props.process.kind === 'printer');
const put = (more: Partial<{ [K in keyof Omit<Material, 'id'>]: Material[K] | undefined }>): void => {
  if (material.value) change('Change a material', changeMaterial(material.value.id, more));
};
const take = (id: string): void =>
  id === 'new'
    ? change(
        'Add a material',
        addMaterial({ name: printed.value ? 'Filament' : 'Sheet', sheets: [] }, props.process.id),
      )
    : change('Choose a material', changeProcess(props.process.id, { material: id === '' ? undefined : id }));
const materials = computed(() => [
  { value: '', title: 'not said' },
  ...machine.value.materials.map(m => ({ value: m.id, title: m.name || m.id })),
  { value: 'new', title: 'a new one' },
]);
const figures = computed(() => {
  const m = material.value;
  if (!m) return [];
  const thickness = length('Thickness', m.thickness, LIMITS.materialThickness, v => put({ thickness: v }), {
    hint: 'as measured',
    clear: () => put({ thickness: undefined }),
    test: 'material-thickness',
  });
  const density = number('Density', m.density, LIMITS.density, v => put({ density: v }), {
    clear: () => put({ density: undefined }),
    unit: 'g/cm³',
    test: 'material-density',
  });
  const per = m.price?.per ?? (printed.value ? 'kg' : 'sheet');
  const price = number(
    `Price a ${per}`,
    m.price?.amount,
    LIMITS.price,
    v => put({ price: { amount: v, per } }),
    {
      clear: () => put({ price: undefined }),
      hint: 'in your own money',
      test: 'material-price',
    },
  );
  return printed.value ? [density, price] : [thickness, density, price];
});
const sheets = computed(() =>
  (material.value?.sheets ?? []).map((s, i) => {
    const set = (more: Partial<typeof s>): void => {
      const list = material.value?.sheets ?? [];
      put({ sheets: list.map((x, n) => (n === i ? { ...x, ...more } : x)) });
    };
    return [
      length('Sheet, width', s.width, LIMITS.sheetWidth, v => set({ width: v }), {
        test: `sheet-${i}-width`,
      }),
      length('height', s.height, LIMITS.sheetHeight, v => set({ height: v }), { test: `sheet-${i}-height` }),
      number('how many', s.number, LIMITS.sheetsAtHand, v => set({ number: v }), {
        clear: () => set({ number: undefined }),
        whole: true,
        hint: 'empty: any',
        test: `sheet-${i}-number`,
      }),
    ];
  }),
);
const dropSheet = (i: number): void =>
  put({ sheets: (material.value?.sheets ?? []).filter((_, n) => n !== i) });
</script>

<template>
  <h3>Material</h3>
  <v-select
    :model-value="process.material ?? ''"
    :items="materials"
    label="It takes"
    data-test="material"
    @update:model-value="take"
  />
  <template v-if="material">
    <CheckedField
      :model-value="material.name"
      label="Name of the material"
      :read="anyText"
      data-test="material-name"
      @update:model-value="put({ name: $event })"
    />
    <div class="fields"><NumberFields :fields="figures" /></div>
    <template v-if="!printed">
      <TickBox
        :model-value="material.grain === true"
        label="it has a grain along its width"
        data-test="material-grain"
        @update:model-value="put({ grain: material.grain ? undefined : true })"
      />
      <div v-for="(s, i) in sheets" :key="i" class="sheet">
        <NumberFields :fields="s" />
        <BoxedButton :aria-label="`Remove sheet ${i + 1}`" @click="dropSheet(i)"> remove </BoxedButton>
      </div>
      <BoxedButton
        data-test="add-sheet"
        @click="put({ sheets: [...material.sheets, { width: 600, height: 400 }] })"
      >
        Add a sheet
      </BoxedButton>
    </template>
    <BoxedButton
      data-test="remove-material"
      @click="change('Remove a material', removeMaterial(material.id))"
    >
      Remove this material
    </BoxedButton>
  </template>
</template>

<style scoped>
.take {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}

.fields {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
}

.sheet {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr auto;
  gap: 8px;
  align-items: start;
  margin-top: 6px;
}

.boxed {
  margin: 4px 8px 4px 0;
}
</style>
