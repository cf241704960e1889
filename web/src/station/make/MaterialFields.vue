<script setup lang="ts">
import {
  addMaterial,
  byId,
  changeMaterial,
  changeProcess,
  type Material,
  type Process,
  removeMaterial,
  LIMITS,
} from '@tesseron/core/machine';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import CheckedField from '../../parts/CheckedField.vue';
import { length, number } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import { anyText } from './any-text';

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
  <label class="take">
    <span class="quiet">It takes</span>
    <select
      :value="process.material ?? ''"
      data-test="material"
      @change="take(($event.target as HTMLSelectElement).value)"
    >
      <option value="">not said</option>
      <option v-for="m in machine.materials" :key="m.id" :value="m.id">{{ m.name || m.id }}</option>
      <option value="new">a new one</option>
    </select>
  </label>
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
      <label class="tick">
        <input
          type="checkbox"
          :checked="material.grain === true"
          data-test="material-grain"
          @change="put({ grain: material.grain ? undefined : true })"
        />
        it has a grain along its width
      </label>
      <div v-for="(s, i) in sheets" :key="i" class="sheet">
        <NumberFields :fields="s" />
        <button type="button" class="boxed" :aria-label="`Remove sheet ${i + 1}`" @click="dropSheet(i)">
          remove
        </button>
      </div>
      <button
        type="button"
        class="boxed"
        data-test="add-sheet"
        @click="put({ sheets: [...material.sheets, { width: 600, height: 400 }] })"
      >
        Add a sheet
      </button>
    </template>
    <button
      type="button"
      class="boxed"
      data-test="remove-material"
      @click="change('Remove a material', removeMaterial(material.id))"
    >
      Remove this material
    </button>
  </template>
</template>

<style scoped>
.take {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}

select {
  font: inherit;
  color: var(--ink);
  background: var(--panel);
  border: var(--line);
  padding: 3px 6px;
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
