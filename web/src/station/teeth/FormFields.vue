<script setup lang="ts">
import { kept } from '../../parts/kept-items';
import { BLOCK_MAGNETS, type MagnetSize, ROUND_MAGNETS } from '@tesseron/core/bought';
import { type Toothing, LIMITS } from '@tesseron/core/machine';
import { setToothing, setHelix, setDoubleHelix } from '@tesseron/core/change';
import { reducerParts } from '@tesseron/core/sets';
import { PEG_ALLOWANCE, PEG_REACH, pegModule } from '@tesseron/core/mesh';
import { fixed } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import TickBox from '../../parts/TickBox.vue';

const props = defineProps<{ toothing: Toothing }>();
const { machine, derived, change } = useOpen();
type Form = Toothing['form'];
type Kind<K extends Form['kind']> = Extract<Form, { kind: K }>;
const of = <K extends Form['kind']>(kind: K): Kind<K> | undefined =>
  props.toothing.form.kind === kind ? (props.toothing.form as Kind<K>) : undefined;
const involute = computed(() => of('involute'));
const clock = computed(() => of('cycloidal'));
const pegs = computed(() => of('pegs'));
const reducer = computed(() => of('reducer'));
const magnets = computed(() => of('magnetic'));
const set = (label: string, value: Partial<Omit<Toothing, 'id'>>): void =>
  change(label, setToothing(props.toothing.id, value));
const setForm = (value: Partial<Form>): void =>
  set('Change the tooth form', { form: { ...props.toothing.form, ...value } as Form });

/** A reducer that is whole is changed as one, in a panel of its own. */
const whole = computed(() =>
  machine.value.wheels.some(w => w.toothing === props.toothing.id && reducerParts(machine.value, w.id)),
);

const TIPS = ['eased', 'round', 'medium ogive', 'high ogive'] as const;
const DRIVES = [
  { value: 'wheel', title: 'the wheel' },
  { value: 'pinion', title: 'the pinion' },
  { value: 'both', title: 'either' },
] as const;
const EDGES = [
  { value: 'none', title: 'sharp' },
  { value: 'chamfer', title: 'chamfered' },
  { value: 'round', title: 'rounded' },
] as const;

function setEdge(chosen: string): void {
  const kind = EDGES.find(e => e.value === chosen)?.value ?? 'none';
  const { form } = props.toothing;
  if (form.kind !== 'involute') return;
  const { tip, ...plain } = form;
  set('Change the tip corners', {
    form: kind === 'none' ? plain : { ...plain, tip: { kind, size: tip?.size ?? 0.1 } },
  });
}

function lean(deg: number): void {
  change(`Helix of ${props.toothing.name}`, setHelix(props.toothing.id, deg));
}

function leanBoth(on: boolean): void {
  change(`Double helix of ${props.toothing.name}`, setDoubleHelix(props.toothing.id, on));
}

/** Leaves as thick as is usual for their number again. */
function usualLeaf(): void {
  const { form } = props.toothing;
  if (form.kind !== 'cycloidal') return;
  const { leaf: _, ...plain } = form;
  set('Usual leaves', { form: plain });
}

/** The module at which pegs of that size have the usual play, reckoned thicker by the allowance for wood. */
function fitModule(allowance: number): void {
  const form = pegs.value;
  if (form)
    set('Set the module by the pegs', {
      size: { by: 'module', module: Number(pegModule(form.pegDiameter + allowance).toFixed(4)) },
      form: { ...form, pegLength: Number((PEG_REACH * (form.pegDiameter + allowance)).toFixed(2)) },
    });
}

/** Factors in modules. */
const modules = (
  label: string,
  value: number | undefined,
  limits: readonly [number, number],
  set: (value: number) => void,
  more = {},
): NumberSpec => number(label, value, limits, set, { unit: 'm', ...more });
const play = computed(() =>
  length(
    form.value.kind === 'lantern' ? 'Play' : 'Play, by thinning',
    props.toothing.play,
    LIMITS.play,
    x => set('Set the play', { play: x }),
    { test: 'play' },
  ),
);

/** The numbers that a form is made from. */
const fields = computed(() => fieldsOf(props.toothing.form));
const form = computed(() => props.toothing.form);

function fieldsOf(f: Toothing['form']): NumberSpec[] {
  switch (f.kind) {
    case 'involute':
      return [
        number(
          'Pressure angle',
          f.pressureAngleDeg,
          LIMITS.pressureAngleDeg,
          x => setForm({ pressureAngleDeg: x }),
          {
            unit: '°',
            test: 'pressure-angle',
          },
        ),
        play.value,
        modules('Root fillet', f.fillet, LIMITS.fillet, x => setForm({ fillet: x }), { test: 'fillet' }),
        modules('Addendum', f.addendum, LIMITS.addendum, x => setForm({ addendum: x }), { test: 'addendum' }),
        modules('Dedendum', f.dedendum, LIMITS.dedendum, x => setForm({ dedendum: x }), { test: 'dedendum' }),
        number('Helix', props.toothing.helixDeg ?? 0, LIMITS.helixDeg, lean, {
          unit: '°',
          test: 'helix',
        }),
        ...(f.tip
          ? [
              modules(
                'Taken off',
                f.tip.size,
                LIMITS.tipSize,
                x => setForm({ tip: { kind: f.tip?.kind ?? 'round', size: x } }),
                { test: 'tip-size' },
              ),
            ]
          : []),
      ];
    case 'cycloidal':
      return [
        play.value,
        number('Addendum, of theory', f.practical, LIMITS.practical, x => setForm({ practical: x }), {
          test: 'practical',
        }),
        modules('Leaf thickness', f.leaf, LIMITS.leaf, x => setForm({ leaf: x }), {
          clear: usualLeaf,
          hint: '1.05 to ten leaves, 1.25 above',
          test: 'leaf',
        }),
        modules('Root clearance', f.clearance, LIMITS.rootClearance, x => setForm({ clearance: x })),
      ];
    case 'lantern':
      return [
        length('Pin Ø', f.pinDiameter, LIMITS.pinDiameter, x => setForm({ pinDiameter: x }), { test: 'pin' }),
        play.value,
        number('Addendum, of theory', f.practical, LIMITS.practical, x => setForm({ practical: x }), {
          test: 'practical',
        }),
        modules('Root clearance', f.clearance, LIMITS.pinClearance, x => setForm({ clearance: x })),
      ];
    case 'pegs':
      return [
        length('Peg Ø', f.pegDiameter, LIMITS.pegDiameter, x => setForm({ pegDiameter: x }), { test: 'peg' }),
        length('Pegs reach past', f.pegLength, LIMITS.pegLength, x => setForm({ pegLength: x }), {
          test: 'peg-length',
        }),
        number('Friction', f.friction, LIMITS.friction, x => setForm({ friction: x }), {
          hint: 'wood on wood 0.25 to 0.5',
          test: 'friction',
        }),
      ];
    case 'reducer':
      if (whole.value) return [];
      return [
        length('Pin Ø', f.pinDiameter, LIMITS.pinDiameter, x => setForm({ pinDiameter: x }), { test: 'pin' }),
        length('Eccentricity', f.eccentricity, LIMITS.eccentricity, x => setForm({ eccentricity: x }), {
          test: 'eccentricity',
        }),
        length('Disc stands back', f.offset, LIMITS.offset, x => setForm({ offset: x }), { test: 'offset' }),
      ];
    case 'magnetic':
      return [
        ...magnetFields(f),
        length('Gap of air', f.gap, LIMITS.airGap, x => setForm({ gap: x }), { test: 'air-gap' }),
        ...(f.eccentricity === undefined
          ? []
          : [length('Eccentricity', f.eccentricity, LIMITS.eccentricity, x => setForm({ eccentricity: x }))]),
        length('Wall', f.wall, LIMITS.magnetWall, x => setForm({ wall: x })),
      ];
    case 'sprocket':
    case 'spiral':
      return [];
  }
}

/** Sizes in which magnets are sold, of the shape that is taken. */
const sizeName = (m: MagnetSize): string =>
  m.shape === 'round' ? `Ø ${m.diameter} mm` : `${m.width} × ${m.depth} mm`;
const magnetsSold = computed((): MagnetSize[] =>
  magnets.value?.magnet.shape === 'block'
    ? BLOCK_MAGNETS.map(([width, depth]) => ({ shape: 'block', width, depth }))
    : ROUND_MAGNETS.map(({ diameter }) => ({ shape: 'round', diameter })),
);
const magnetSizes = computed(() => magnetsSold.value.map(sizeName));
function takeMagnet(name: string): void {
  const magnet = magnetsSold.value.find(m => sizeName(m) === name);
  if (magnet) setForm({ magnet });
}

function magnetFields({ magnet }: Kind<'magnetic'>): NumberSpec[] {
  if (magnet.shape === 'round')
    return [
      length(
        'Magnet Ø',
        magnet.diameter,
        LIMITS.magnetSize,
        x => setForm({ magnet: { shape: 'round', diameter: x } }),
        { test: 'magnet' },
      ),
    ];
  return [
    length('Width', magnet.width, LIMITS.magnetSize, x => setForm({ magnet: { ...magnet, width: x } })),
    length('Depth', magnet.depth, LIMITS.magnetSize, x => setForm({ magnet: { ...magnet, depth: x } })),
  ];
}
</script>

<template>
  <div class="grid three">
    <template v-if="involute">
      <v-select
        :model-value="involute.tip?.kind ?? 'none'"
        :items="kept(EDGES)"
        label="Tip corners"
        data-test="tip-edge"
        @update:model-value="setEdge"
      />
      <TickBox
        v-if="toothing.helixDeg"
        :model-value="toothing.double === true"
        label="double helix"
        data-test="double"
        @update:model-value="leanBoth($event)"
      />
    </template>
    <template v-if="clock">
      <v-select
        :model-value="clock.drives"
        :items="kept(DRIVES)"
        label="Driven by"
        data-test="clock-drives"
        @update:model-value="setForm({ drives: $event })"
      />
      <v-select
        :model-value="clock.tip"
        :items="kept(TIPS)"
        label="Tips of leaves"
        data-test="clock-tip"
        @update:model-value="setForm({ tip: $event })"
      />
    </template>
    <template v-if="reducer && !whole">
      <v-select
        :model-value="reducer.ring"
        :items="['pins', 'lobes']"
        label="Ring of"
        data-test="ring-of"
        @update:model-value="setForm({ ring: $event })"
      />
    </template>
    <template v-if="magnets">
      <v-select
        :model-value="magnets.magnet.shape"
        :items="['round', 'block']"
        label="Magnets"
        data-test="magnet-shape"
        @update:model-value="
          setForm({
            magnet:
              $event === 'round' ? { shape: 'round', diameter: 5 } : { shape: 'block', width: 5, depth: 2 },
          })
        "
      />
      <v-select
        :model-value="sizeName(magnets.magnet)"
        :items="magnetSizes"
        label="As sold"
        data-test="magnet-sold"
        @update:model-value="takeMagnet"
      />
    </template>
    <NumberFields :fields="fields" />
  </div>
  <p v-if="involute" class="quiet small">
    {{ fixed(involute.pressureAngleDeg, 1) }}° rack, ISO 53 profile A: 1, 1.25, 0.38
  </p>
  <p v-if="clock && clock.tip !== 'eased'" class="quiet small">
    Arcs from the pitch circle strike a little early; eased ones roll more evenly.
  </p>
  <p v-if="pegs" class="acts">
    <PlainButton data-test="fit-pegs" @click="fitModule(0)"> Rings for these pegs, 3 % play </PlainButton>
    <PlainButton data-test="fit-wood" @click="fitModule(PEG_ALLOWANCE)">
      The same for wood: reckoned {{ PEG_ALLOWANCE }} mm thicker
    </PlainButton>
    <span class="quiet small"
      >module now {{ fixed(derived.modules[toothing.id] ?? 0, 3) }} mm (common practice)</span
    >
  </p>
</template>

<style scoped>
.grid {
  display: grid;
  gap: 2px 16px;
}

.three {
  grid-template-columns: 1fr 1fr 1fr;
}

.small {
  font-size: 12px;
  margin: 4px 0 0;
}

.acts {
  display: grid;
  gap: 4px;
  justify-items: start;
  font-size: 13px;
}
</style>
