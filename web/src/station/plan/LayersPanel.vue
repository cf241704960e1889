<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { layoutOf } from '@tesseron/core/derive';
import {
  barredArms,
  findLayers,
  fitBores,
  holdOf,
  outputPlates,
  USUAL_SHAKE,
  USUAL_TUBES,
  USUAL_WASHER,
  wallLayer,
  withLayers,
} from '@tesseron/core/layout';
import { arbors, byId, type Layout, type Machine, LIMITS } from '@tesseron/core/machine';
import { setArbor, setLayout, setWheel, setStack, shapeArbor } from '@tesseron/core/change';
import { fixed, mm } from '@tesseron/core/units';
import { heightWorking } from '@tesseron/core/working';
import { nameOf, sayProblem } from '@tesseron/core/words';
import { computed, ref, shallowRef } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import { length, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import DrawnLater from '../../parts/DrawnLater.vue';
import SmallChoice from '../../parts/SmallChoice.vue';
import TickBox from '../../parts/TickBox.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Layers, tubes and what holds every wheel; layers can be found. */
const { machine, derived, change } = useOpen();
const working = useWorking();
/** What was found, said of the machine as it then was. */
const said = shallowRef<{ of: Machine; text: string }>();
const stack = computed(() => derived.value.layout.stack);
const tell = (text: string): void => {
  said.value = { of: machine.value, text };
};

function find(): void {
  const found = findLayers(layoutOf(derived.value));
  if (!found.ok) {
    tell(sayProblem(found.problem));
    return;
  }
  const { layers, least } = found.value;
  const laid = withLayers(machine.value, found.value);
  change('Find layers', () => laid);
  const proof = layers === least ? 'no fewer will do' : `at least ${least} are needed`;
  tell(`${layers} layers, and ${proof}; ${mm(stack.value.height, 1)} high.`);
}

const layers = computed(() =>
  [...stack.value.layers].reverse().map(([layer, band]) => ({
    layer,
    band: `${fixed(band.from, 1)} – ${fixed(band.to, 1)}`,
    wheels: machine.value.wheels.filter(w => w.layer === layer).map(w => nameOf(machine.value, w.id)),
    arms: arbors(machine.value)
      .filter(a => a.arm?.layer === layer)
      .map(a => `bar of ${a.name}`),
    plates: [
      ...machine.value.wheels.filter(w => wallLayer(w) === layer).map(w => `wall of ${w.name}`),
      ...outputPlates(machine.value)
        .filter(p => p.layer === layer)
        .map(p => `output plate of ${p.discs.map(d => d.name).join(', ')}`),
    ],
  })),
);
const tubes = computed(() => layout.value.tubes ?? USUAL_TUBES);
const layout = computed(() => machine.value.layout);
const lines = computed(() =>
  [...derived.value.layout.sizes.values()].flatMap(t => {
    const span = derived.value.layout.spans.of.get(t.arbor);
    const arbor = byId(arbors(machine.value), t.arbor);
    if (!span || !arbor) return [];
    return [
      {
        ...{ arbor, tube: t, said: t.said },
        bore: t.bore === undefined ? '' : fixed(t.bore, 2),
        outside: fixed(t.diameter, 2),
        running: t.running === undefined ? '' : fixed(t.running, 2),
        length: fixed(span.whole.to - span.whole.from, 1),
        on: span.stands === 'on another' && t.within ? `on ${nameOf(machine.value, t.within)}` : span.stands,
      },
    ];
  }),
);
const chosen = ref<string>();
const arbor = computed(() => byId(arbors(machine.value), chosen.value));
const size = computed(() => derived.value.layout.sizes.get(chosen.value ?? ''));
const HOLDS = [
  { value: '', title: 'by its bore' },
  ...(['press', 'glue', 'grub screw', 'cross pin', 'one piece', 'loose'] as const).map(h => ({
    value: h,
    title: h,
  })),
];
const HOW = { shape: 'shape of the bore', nothing: 'nothing', unsaid: 'not said' } as const;
const held = computed(() =>
  machine.value.wheels.map(w => {
    const { how } = holdOf(machine.value, w.id);
    return { wheel: w, how: how in HOW ? HOW[how as keyof typeof HOW] : how };
  }),
);
type Reach = 'usual' | 'front' | 'back' | 'neither';
const REACH: readonly { value: Reach; title: string }[] = [
  { value: 'usual', title: 'as usual: outputs to the front' },
  { value: 'front', title: 'beyond the front' },
  { value: 'back', title: 'beyond the back' },
  { value: 'neither', title: 'neither' },
];
const SUPPORT: readonly { value: 'both' | 'front' | 'back'; title: string }[] = [
  { value: 'both', title: 'on both sides' },
  { value: 'front', title: 'at the front only' },
  { value: 'back', title: 'at the back only' },
];
const set = (what: string, more: { [K in keyof Layout]?: Layout[K] | undefined }): void =>
  change(what, setLayout(more));
const setTubes = (more: Partial<NonNullable<Layout['tubes']>>): void =>
  set('Size the tubes', { tubes: { ...tubes.value, ...more } });
const setStackOf = (more: Partial<Machine['stack']>): void => change('Change the stock', setStack(more));
type Hold = Machine['wheels'][number]['hold'];
type Arbor = NonNullable<typeof arbor.value>;
const setOne = (what: string, more: { [K in keyof Arbor]?: Arbor[K] | undefined }): void => {
  if (chosen.value !== undefined) change(what, setArbor(chosen.value, more));
};
function setReach(to: string | null): void {
  const reach = REACH.find(r => r.value === to)?.value;
  setOne('Let an arbor reach further', { reach: reach === 'usual' ? undefined : reach });
}
function setSection(outside: number | undefined, bore: number | undefined): void {
  const section =
    outside === undefined
      ? undefined
      : bore === undefined
        ? ({ kind: 'rod', diameter: outside } as const)
        : ({ kind: 'tube', bore, diameter: Math.max(outside, bore + 0.1) } as const);
  setOne('Size an arbor', { section });
}
const SHAPES = [
  { value: 'usual', title: 'round, as it follows' },
  { value: 'rod', title: 'round rod' },
  { value: 'tube', title: 'tube' },
  { value: 'hex', title: 'hexagon' },
  { value: 'square', title: 'square' },
  { value: 'flat', title: 'round with a flat' },
  { value: 'keyed', title: 'round with a key' },
] as const;
type Section = NonNullable<Arbor['section']>;
/** A section of about the size that the arbor has. */
function takeShape(to: string | null): void {
  const kind = SHAPES.find(s => s.value === to)?.value ?? 'usual';
  const id = chosen.value;
  const d = Number((size.value?.diameter ?? tubes.value.rod).toFixed(2));
  const part = (x: number): number => Number((x * d).toFixed(2));
  if (id === undefined) return;
  const shapes: Readonly<Record<Exclude<typeof kind, 'usual'>, Section>> = {
    rod: { kind: 'rod', diameter: d },
    tube: { kind: 'tube', bore: size.value?.bore ?? part(0.6), diameter: d },
    hex: { kind: 'hex', across: d },
    square: { kind: 'square', across: d },
    flat: { kind: 'flat', diameter: d, across: part(0.85) },
    keyed: { kind: 'keyed', diameter: d, keyWidth: part(0.3), keyDepth: part(0.15) },
  };
  if (kind === 'usual') setOne('Size an arbor', { section: undefined });
  else change('Shape an arbor', shapeArbor(id, shapes[kind]));
}
const setHold = (id: string, how: string): void =>
  change(
    'Hold a wheel',
    setWheel(id, { hold: HOLDS.find(h => h.value === how && how !== '')?.value as Hold }),
  );

const sizes = computed((): NumberSpec[] => [
  length('stock', machine.value.stack.thickness, LIMITS.stackThickness, x => setStackOf({ thickness: x }), {
    test: 'stock',
  }),
  length('air between', machine.value.stack.gap, LIMITS.stackGap, x => setStackOf({ gap: x }), {
    test: 'air',
  }),
  length('washers', layout.value.washer ?? USUAL_WASHER, LIMITS.washer, x =>
    set('Choose washers', { washer: x }),
  ),
  length('end play', layout.value.endShake ?? USUAL_SHAKE, LIMITS.endShake, x =>
    set('Choose the end play', { endShake: x }),
  ),
  length('innermost rod', tubes.value.rod, LIMITS.innerRod, x => setTubes({ rod: x }), { test: 'rod' }),
  length('tube walls', tubes.value.wall, LIMITS.tubeWall, x => setTubes({ wall: x }), { test: 'wall' }),
  length('running play', tubes.value.running, LIMITS.runningPlay, x => setTubes({ running: x }), {
    test: 'running',
  }),
]);
/** Another size of the section that it has. */
function setAcross(x: number): void {
  const { section, id } = arbor.value ?? {};
  if (!section || !id || section.kind === 'rod' || section.kind === 'tube') setSection(x, size.value?.bore);
  else if (section.kind === 'hex' || section.kind === 'square')
    change('Size an arbor', shapeArbor(id, { ...section, across: x }));
  else change('Size an arbor', shapeArbor(id, { ...section, diameter: x }));
}
const ownSizes = computed((): NumberSpec[] => {
  const { section } = arbor.value ?? {};
  const across = section && ('diameter' in section ? section.diameter : section.across);
  const hint = size.value?.said ? '' : `follows: ${mm(size.value?.diameter ?? 0)}`;
  const limits = LIMITS.armWidth;
  return [
    length('across', across, limits, setAcross, {
      hint,
      clear: () => setSection(undefined, undefined),
    }),
    length(
      'bore',
      section?.kind === 'tube' ? section.bore : undefined,
      limits,
      x => setSection(size.value?.diameter, x),
      { clear: () => setSection(size.value?.diameter, undefined) },
    ),
  ];
});
const lineRows = useRows(() => lines.value);
const barred = computed(() => new Set(barredArms(machine.value)));
const heldRows = useRows(() => held.value);
const holdsOpen = ref(false);
</script>

<template>
  <p class="acts">
    <v-btn variant="flat" data-test="find-layers" @click="find">Find layers</v-btn>
    <v-btn data-test="fit-bores" @click="change('Fit bores to arbors', fitBores)">Fit all bores</v-btn>
    <PlainButton
      class="figure"
      data-test="height"
      title="Show working"
      @click="working.show(heightWorking(derived))"
    >
      {{ mm(stack.height, 1) }} high
    </PlainButton>
  </p>
  <p v-if="said?.of === machine" role="status" data-test="layers-said">{{ said.text }}</p>
  <DrawnLater>
    <div class="three"><NumberFields :fields="sizes" /></div>
  </DrawnLater>
  <DrawnLater>
    <h3>Layers from the top</h3>
    <table class="ruled" data-test="layer-table">
      <thead>
        <tr>
          <th scope="col">layer</th>
          <th scope="col">in it</th>
          <th scope="col" class="figure">height, mm</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in layers" :key="l.layer">
          <td class="figure left">{{ l.layer + 1 }}</td>
          <td>{{ [...l.wheels, ...l.arms, ...l.plates].join(', ') || '–' }}</td>
          <td class="figure">{{ l.band }}</td>
        </tr>
      </tbody>
    </table>
  </DrawnLater>
  <h3>Rods and tubes, mm</h3>
  <table class="ruled" data-test="tubes">
    <thead>
      <tr>
        <th scope="col">arbor</th>
        <th scope="col" class="figure">bore</th>
        <th scope="col" class="figure">across</th>
        <th scope="col" class="figure">play</th>
        <th scope="col" class="figure">long</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="l in lineRows.shown.value" :key="l.arbor.id" :class="{ chosen: chosen === l.arbor.id }">
        <td>
          <PlainButton @click="chosen = l.arbor.id">{{ l.arbor.name }}</PlainButton>
          <span class="quiet on">{{ l.on }}</span>
        </td>
        <td class="figure">{{ l.bore }}</td>
        <td class="figure">{{ l.outside }}</td>
        <td class="figure">{{ l.running }}</td>
        <td class="figure">{{ l.length }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="lineRows.left.value" :more="lineRows.more" />
  <section v-if="arbor" data-test="arbor-section">
    <h3>{{ arbor.name }}</h3>
    <div class="three">
      <NumberFields :fields="ownSizes" />
    </div>
    <v-select
      :model-value="arbor.section?.kind ?? 'usual'"
      :items="kept(SHAPES)"
      label="section, and the bores of all its wheels"
      data-test="section"
      @update:model-value="takeShape"
    />
    <v-select
      :model-value="arbor.support ?? 'both'"
      :items="kept(SUPPORT)"
      label="held"
      data-test="support"
      @update:model-value="setOne('Hold an arbor', { support: $event === 'both' ? undefined : $event })"
    />
    <v-select
      :model-value="arbor.reach ?? 'usual'"
      :items="kept(REACH)"
      label="reaches"
      data-test="reach"
      @update:model-value="setReach"
    />
    <TickBox
      v-if="barred.has(arbor.id)"
      :model-value="arbor.onePiece === true"
      label="its arm is printed as one piece with it"
      data-test="arm-one-piece"
      @update:model-value="setOne('One piece of an arm', { onePiece: $event === true ? true : undefined })"
    />
  </section>
  <details data-test="holds" @toggle="holdsOpen = ($event.target as HTMLDetailsElement).open">
    <summary>What holds each wheel on its arbor</summary>
    <template v-if="holdsOpen"
      ><table class="ruled">
        <tbody>
          <tr v-for="h in heldRows.shown.value" :key="h.wheel.id">
            <td>{{ nameOf(machine, h.wheel.id) }}</td>
            <td class="quiet">{{ h.how }}</td>
            <td>
              <SmallChoice
                :model-value="h.wheel.hold ?? ''"
                :items="HOLDS"
                :aria-label="`What holds ${h.wheel.name}`"
                @update:model-value="setHold(h.wheel.id, $event ?? '')"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <MoreRows :left="heldRows.left.value" :more="heldRows.more"
    /></template>
  </details>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
}

.three {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 0 12px;
}

.on {
  display: block;
  font-size: 13px;
}

td.left {
  text-align: left;
}

summary {
  cursor: pointer;
  margin: 12px 0 4px;
  color: var(--muted);
  font-size: 13px;
}
</style>
