<script setup lang="ts">
import { blankAims, blanksOf, type BlankFill, withCounts } from '@tesseron/core/open-counts';
import { ppm } from '@tesseron/core/period';
import { toNumber } from '@tesseron/core/rational';
import { ok, type Result } from '@tesseron/core/result';
import { parseStock, type StockWheel } from '@tesseron/core/search';
import CheckedField from '../../parts/CheckedField.vue';
import { figure } from '@tesseron/core/units';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useSearch } from '../../worker/use-search';
import type { Hand } from './use-hand';
import WorkBar from '../../parts/WorkBar.vue';
import TickBox from '../../parts/TickBox.vue';

/** Open counts, and the search that fills them towards the outputs. */
const props = defineProps<{ hand: Hand }>();
const { machine, derived } = props.hand;
const search = useSearch<'blanks'>();
const blanks = computed(() => blanksOf(machine.value));
const aims = computed(() => blankAims(derived.value));
const left = ref<string[]>([]);
const towards = computed(() => aims.value.filter(a => !left.value.includes(a.id)));
watch(machine, () => search.clear());
/** What was typed for one output serves open counts too. */
const typed = machine.value.searches.at(-1);
const stock = ref(machine.value.plans.at(-1)?.stock ?? typed?.stock ?? '');
const forbidden = ref(typed?.forbidden ?? '');
const readStock = (text: string): Result<readonly StockWheel[]> =>
  text.trim() === '' ? ok([]) : parseStock(text);

function fill(): void {
  const [inStock, never] = [readStock(stock.value), readStock(forbidden.value)];
  const limits = {
    ...(inStock.ok && inStock.value.length > 0 && { stock: inStock.value }),
    ...(never.ok && never.value.length > 0 && { forbidden: never.value.map(s => s.count) }),
  };
  search.start({ kind: 'blanks', machine: machine.value, aims: towards.value, top: 12, limits });
}
const answer = computed(() => search.answer.value);
const groups = computed(() => (answer.value?.ok ? answer.value.value : []));
const named = (w: string): string => machine.value.wheels.find(x => x.id === w)?.name ?? w;
const off = (f: BlankFill, aim: string): string =>
  figure(toNumber(ppm(f.errors[aim] ?? { num: 0n, den: 1n })), 3);
const take = (f: BlankFill): boolean =>
  props.hand.act('Fill the blanks', m => ({ ok: true, value: withCounts(m, f.counts) }));
function toggle(id: string, on: boolean): void {
  left.value = on ? left.value.filter(x => x !== id) : [...left.value, id];
}
</script>

<template>
  <section v-if="blanks.length > 0" data-test="blanks">
    <h3>{{ blanks.length }} open {{ blanks.length === 1 ? 'count' : 'counts' }}</h3>
    <p v-if="aims.length === 0" class="quiet">
      Let an arbor serve an output; then the counts can be found towards it.
    </p>
    <template v-else>
      <TickBox
        v-for="a in aims"
        :key="a.id"
        :model-value="!left.includes(a.id)"
        :label="`towards ${nameOf(machine, a.id)}`"
        @update:model-value="toggle(a.id, $event)"
      />
      <CheckedField
        v-model="stock"
        label="Only counts in stock"
        :read="readStock"
        hint="such as 12, 20-30, 48×2 for two pieces"
        data-test="blanks-stock"
      />
      <CheckedField
        v-model="forbidden"
        label="Never"
        :read="readStock"
        hint="such as 41, 61"
        data-test="blanks-forbidden"
      />
      <p class="acts">
        <v-btn
          :disabled="towards.length === 0 || search.searching.value"
          data-test="fill-blanks"
          @click="fill"
          >Fill the blanks</v-btn
        >
      </p>
      <WorkBar :work="search" label="Filling" />
    </template>
    <p v-if="answer && !answer.ok" class="error-text" role="alert" data-test="blanks-problem">
      {{ sayProblem(answer.problem) }}
    </p>
    <template v-for="g in groups" :key="g.aims.join()">
      <table class="ruled" data-test="fills">
        <thead>
          <tr>
            <th scope="col">{{ g.wheels.map(named).join(', ') }}</th>
            <th v-for="a in g.aims" :key="a" scope="col" class="figure">{{ nameOf(machine, a) }}, ppm</th>
            <th scope="col"><span class="visually-hidden">take</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="f in g.fills" :key="g.wheels.map(w => f.counts[w]).join()">
            <td class="figure left">{{ g.wheels.map(w => f.counts[w]).join(', ') }}</td>
            <td v-for="a in g.aims" :key="a" class="figure">{{ off(f, a) }}</td>
            <td>
              <BoxedButton :aria-label="`Take ${g.wheels.map(w => f.counts[w]).join(', ')}`" @click="take(f)">
                Take
              </BoxedButton>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        {{
          g.proven
            ? g.whole
              ? 'All ways within the ranges were weighed.'
              : 'Nothing within the ranges is better than the first.'
            : 'Not all ways were weighed; better ones may exist.'
        }}
        Sums between the same lines are kept.
      </p>
    </template>
  </section>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 6px 0;
}

td.left {
  text-align: left;
  white-space: normal;
}
</style>
