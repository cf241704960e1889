<script setup lang="ts">
import { USUAL_CLEARANCE } from '@tesseron/core/layout';
import { byId, freeId, type Layout, type Region, LIMITS } from '@tesseron/core/machine';
import { hasLinks, LINK_LOOKS } from '@tesseron/core/motion';
import { setLayout } from '@tesseron/core/change';
import { fixed } from '@tesseron/core/units';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import RegionFields from './RegionFields.vue';
import TickBox from '../../parts/TickBox.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** The room there is, the room that is kept free, and how near things come to each other. */
const emit = defineEmits<{ select: [member: string] }>();
const { machine, derived, change } = useOpen();
const SHOWN = 24;
const layout = computed(() => machine.value.layout);
const least = computed(() => layout.value.clearance ?? USUAL_CLEARANCE);
const layers = computed(() => {
  const { lowest, highest } = derived.value.layout.stack;
  return Array.from({ length: highest - lowest + 1 }, (_, i) => ({
    value: lowest + i,
    title: `${lowest + i + 1}`,
  }));
});
const rows = computed(() =>
  derived.value.layout.clearances.slice(0, SHOWN).map(c => ({
    key: `${c.kind} ${c.a} ${c.b} ${c.at ?? ''}`,
    what:
      `${nameOf(machine.value, c.a)} – ` +
      `${c.kind === 'neighbours' ? 'its neighbour' : nameOf(machine.value, c.b)}${arborOf(c.kind, c.b)}`,
    gap: fixed(c.gap, 2),
    bad: c.gap < 0,
    close: c.gap >= 0 && c.gap < least.value,
    swept: c.swept,
    member: byId(machine.value.wheels, c.a)?.member ?? c.a,
  })),
);
const arborOf = (kind: string, id: string): string =>
  kind === 'wheel and arbor' && byId(machine.value.members, id) ? ', arbor' : '';
const linked = computed(() => hasLinks(machine.value));
const unknown = computed(() => machine.value.wheels.filter(w => !derived.value.extents[w.id]));

const set = (what: string, more: { [K in keyof Layout]?: Layout[K] | undefined }): void =>
  change(what, setLayout(more));
function around(): Region {
  const at = Object.values(derived.value.positions.at);
  const far = Math.max(20, ...at.map(p => Math.hypot(p.x, p.y)));
  return { kind: 'circle', x: 0, y: 0, diameter: Math.ceil((far * 2.6) / 10) * 10 };
}
const toggle = (on: boolean): void =>
  set(on ? 'Give an envelope' : 'Take the envelope away', {
    envelope: on ? { region: around() } : undefined,
  });
const setRegion = (region: Region): void =>
  set('Change the envelope', { envelope: { ...layout.value.envelope, region } });
function setHeight(height: number | undefined): void {
  const { envelope } = layout.value;
  if (!envelope) return;
  const { height: _, ...rest } = envelope;
  set('Change the height of the envelope', { envelope: height === undefined ? rest : { ...rest, height } });
}
type KeepOut = Layout['keepOuts'][number];
const setKeepOuts = (what: string, keepOuts: readonly KeepOut[]): void =>
  set(what, { keepOuts: [...keepOuts] });
function addKeepOut(): void {
  const id = freeId(machine.value, 'keepout');
  const region: Region = { kind: 'circle', x: 0, y: 0, diameter: 20 };
  setKeepOuts('Keep room free', [
    ...layout.value.keepOuts,
    { id, name: `Kept free ${layout.value.keepOuts.length + 1}`, region },
  ]);
}
const setKeepOut = (id: string, more: Partial<KeepOut>): void =>
  setKeepOuts(
    'Change the room kept free',
    layout.value.keepOuts.map(k => (k.id === id ? { ...k, ...more } : k)),
  );
function setSpan(k: KeepOut, end: 'least' | 'most', value: number): void {
  const now = k.layers ?? {
    least: derived.value.layout.stack.lowest,
    most: derived.value.layout.stack.highest,
  };
  setKeepOut(k.id, { layers: { ...now, [end]: value } });
}
const roomRows = useRows(() => rows.value);
</script>

<template>
  <TickBox
    :model-value="layout.envelope !== undefined"
    label="All must stay in an envelope"
    data-test="envelope"
    @update:model-value="toggle($event)"
  />
  <template v-if="layout.envelope">
    <RegionFields
      :model-value="layout.envelope.region"
      data-test="envelope-region"
      @update:model-value="setRegion"
    />
    <NumberField
      :model-value="layout.envelope.height"
      label="height, if limited"
      unit="mm"
      :limits="LIMITS.envelopeHeight"
      optional
      data-test="envelope-height"
      @update:model-value="setHeight"
      @clear="setHeight(undefined)"
    />
  </template>
  <details v-for="k in layout.keepOuts" :key="k.id" class="keep" data-test="keep-out">
    <summary>{{ k.name }}</summary>
    <v-text-field
      :model-value="k.name"
      label="Name"
      maxlength="120"
      @change="setKeepOut(k.id, { name: ($event.target as HTMLInputElement).value })"
    />
    <RegionFields :model-value="k.region" @update:model-value="setKeepOut(k.id, { region: $event })" />
    <div class="two">
      <v-select
        :model-value="k.layers?.least"
        :items="layers"
        label="from layer"
        placeholder="all"
        @update:model-value="setSpan(k, 'least', $event)"
      />
      <v-select
        :model-value="k.layers?.most"
        :items="layers"
        label="to layer"
        placeholder="all"
        @update:model-value="setSpan(k, 'most', $event)"
      />
    </div>
    <PlainButton
      @click="
        setKeepOuts(
          'Give room back',
          layout.keepOuts.filter(x => x.id !== k.id),
        )
      "
    >
      take away
    </PlainButton>
  </details>
  <p><v-btn data-test="add-keep-out" @click="addKeepOut">Keep some room free</v-btn></p>
  <h3>Clearances through the whole motion</h3>
  <NumberField
    :model-value="least"
    label="wanted at the least"
    unit="mm"
    :limits="LIMITS.clearanceAround"
    data-test="clearance"
    @update:model-value="set('Want more or less clearance', { clearance: $event })"
  />
  <p v-if="rows.length === 0" class="quiet">Nothing comes near anything else.</p>
  <table v-else class="ruled" data-test="clearances">
    <thead>
      <tr>
        <th scope="col">between</th>
        <th scope="col" class="figure">gap, mm</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in roomRows.shown.value" :key="r.key" :class="{ bad: r.bad, close: r.close }">
        <td>
          <PlainButton @click="emit('select', r.member)">{{ r.what }}</PlainButton>
          <span v-if="r.swept" class="quiet"> swept</span>
        </td>
        <td class="figure">{{ r.gap }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="roomRows.left.value" :more="roomRows.more" />
  <p v-if="derived.layout.clearances.length > SHOWN" class="quiet small">
    The {{ SHOWN }} tightest of {{ derived.layout.clearances.length }}.
  </p>
  <p class="quiet small">
    <em>Swept</em>: held against all the room that arms of different rates sweep; they may never meet there.
  </p>
  <p v-if="linked" class="quiet small" data-test="link-looks">
    Rods, arms, slides and cams are looked at in {{ LINK_LOOKS.turn }} positions for a turn of what moves
    them, in {{ LINK_LOOKS.most }} at most, and closer where they come nearest; those within
    {{ LINK_LOOKS.within }} mm stand here.
  </p>
  <p v-if="unknown.length > 0" class="quiet small" data-test="not-held">
    Not held against anything, as they stand out of the plan: {{ unknown.map(w => w.name).join(', ') }}.
  </p>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 12px;
}

.keep {
  border-top: var(--line);
  padding: 4px 0;
}

.keep summary {
  cursor: pointer;
}

.bad td {
  color: var(--stop);
  font-weight: 600;
}

.close td.figure {
  color: var(--warn);
}

.small {
  font-size: 13px;
}
</style>
