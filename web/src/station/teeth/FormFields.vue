<script setup lang="ts">
import { opposedDiscDeg } from '@tesseron/core/derive';
import { setToothing, type Toothing } from '@tesseron/core/machine';
import { PEG_ALLOWANCE, PEG_REACH, pegModule } from '@tesseron/core/mesh';
import { fixed } from '@tesseron/core/units';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ toothing: Toothing }>();
const { machine, derived, change } = useOpen();
type Form = Toothing['form'];
type Kind<K extends Form['kind']> = Extract<Form, { kind: K }>;
const of = <K extends Form['kind']>(kind: K): Kind<K> | undefined =>
  props.toothing.form.kind === kind ? (props.toothing.form as Kind<K>) : undefined;
const involute = computed(() => of('involute'));
const clock = computed(() => of('cycloidal'));
const lantern = computed(() => of('lantern'));
const pegs = computed(() => of('pegs'));
const reducer = computed(() => of('reducer'));
const magnets = computed(() => of('magnetic'));
const set = (label: string, value: Partial<Omit<Toothing, 'id'>>): void =>
  change(label, setToothing(props.toothing.id, value));
const setForm = (value: Partial<Form>): void =>
  set('Change the tooth form', { form: { ...props.toothing.form, ...value } as Form });

const disc = computed(() => {
  const own = machine.value.wheels.filter(w => w.toothing === props.toothing.id);
  const teeth = own.map(w => derived.value.wheels[w.id]?.teeth).find(t => t?.family === 'reducer disc');
  return teeth?.family === 'reducer disc'
    ? { turned: opposedDiscDeg(teeth.spec.lobes, teeth.spec.pins) }
    : undefined;
});

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

function setHelix(deg: number): void {
  change(`Helix of ${props.toothing.name}`, m => ({
    ...m,
    toothings: m.toothings.map(t => {
      if (t.id !== props.toothing.id) return t;
      const { helixDeg: _, ...plain } = t;
      return deg === 0 ? plain : { ...plain, helixDeg: deg };
    }),
  }));
}

function setDouble(on: boolean): void {
  change(`Double helix of ${props.toothing.name}`, m => ({
    ...m,
    toothings: m.toothings.map(t => {
      if (t.id !== props.toothing.id) return t;
      const { double: _, ...plain } = t;
      return on ? { ...plain, double: true as const } : plain;
    }),
  }));
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
</script>

<template>
  <div class="grid three">
    <template v-if="involute">
      <NumberField
        :model-value="involute.pressureAngleDeg"
        label="Pressure angle"
        unit="°"
        :least="10"
        :most="35"
        data-test="pressure-angle"
        @update:model-value="setForm({ pressureAngleDeg: $event })"
      />
      <NumberField
        :model-value="toothing.play"
        label="Play, by thinning"
        unit="mm"
        :least="0"
        :most="10"
        data-test="play"
        @update:model-value="set('Set the play', { play: $event })"
      />
      <NumberField
        :model-value="involute.fillet"
        label="Root fillet"
        unit="m"
        :least="0"
        :most="1"
        data-test="fillet"
        @update:model-value="setForm({ fillet: $event })"
      />
      <NumberField
        :model-value="involute.addendum"
        label="Addendum"
        unit="m"
        :least="0.2"
        :most="2"
        data-test="addendum"
        @update:model-value="setForm({ addendum: $event })"
      />
      <NumberField
        :model-value="involute.dedendum"
        label="Dedendum"
        unit="m"
        :least="0.2"
        :most="2.5"
        data-test="dedendum"
        @update:model-value="setForm({ dedendum: $event })"
      />
      <NumberField
        :model-value="toothing.helixDeg ?? 0"
        label="Helix"
        unit="°"
        :least="0"
        :most="60"
        data-test="helix"
        @update:model-value="setHelix"
      />
      <v-select
        :model-value="involute.tip?.kind ?? 'none'"
        :items="[...EDGES]"
        label="Tip corners"
        data-test="tip-edge"
        @update:model-value="setEdge"
      />
      <NumberField
        v-if="involute.tip"
        :model-value="involute.tip.size"
        label="Taken off"
        unit="m"
        :least="0.01"
        :most="0.5"
        data-test="tip-size"
        @update:model-value="setForm({ tip: { kind: involute.tip.kind, size: $event } })"
      />
      <label v-if="toothing.helixDeg" class="check">
        <input
          type="checkbox"
          :checked="toothing.double === true"
          data-test="double"
          @change="setDouble(($event.target as HTMLInputElement).checked)"
        />
        double helix
      </label>
    </template>
    <template v-if="clock">
      <v-select
        :model-value="clock.drives"
        :items="[...DRIVES]"
        label="Driven by"
        data-test="clock-drives"
        @update:model-value="setForm({ drives: $event })"
      />
      <v-select
        :model-value="clock.tip"
        :items="[...TIPS]"
        label="Tips of leaves"
        data-test="clock-tip"
        @update:model-value="setForm({ tip: $event })"
      />
      <NumberField
        :model-value="toothing.play"
        label="Play, by thinning"
        unit="mm"
        :least="0"
        :most="10"
        data-test="play"
        @update:model-value="set('Set the play', { play: $event })"
      />
      <NumberField
        :model-value="clock.practical"
        label="Addendum, of theory"
        :least="0.5"
        :most="1"
        data-test="practical"
        @update:model-value="setForm({ practical: $event })"
      />
      <NumberField
        :model-value="clock.leaf"
        label="Leaf thickness"
        unit="m"
        :least="0.5"
        :most="1.6"
        optional
        hint="1.05 to ten leaves, 1.25 above"
        data-test="leaf"
        @update:model-value="setForm({ leaf: $event })"
        @clear="usualLeaf"
      />
      <NumberField
        :model-value="clock.clearance"
        label="Root clearance"
        unit="m"
        :least="0.05"
        :most="1"
        @update:model-value="setForm({ clearance: $event })"
      />
    </template>
    <template v-if="lantern">
      <NumberField
        :model-value="lantern.pinDiameter"
        label="Pin Ø"
        unit="mm"
        :least="0.1"
        :most="200"
        data-test="pin"
        @update:model-value="setForm({ pinDiameter: $event })"
      />
      <NumberField
        :model-value="toothing.play"
        label="Play"
        unit="mm"
        :least="0"
        :most="10"
        data-test="play"
        @update:model-value="set('Set the play', { play: $event })"
      />
      <NumberField
        :model-value="lantern.practical"
        label="Addendum, of theory"
        :least="0.5"
        :most="1"
        data-test="practical"
        @update:model-value="setForm({ practical: $event })"
      />
      <NumberField
        :model-value="lantern.clearance"
        label="Root clearance"
        unit="m"
        :least="0"
        :most="1"
        @update:model-value="setForm({ clearance: $event })"
      />
    </template>
    <template v-if="pegs">
      <NumberField
        :model-value="pegs.pegDiameter"
        label="Peg Ø"
        unit="mm"
        :least="0.1"
        :most="200"
        data-test="peg"
        @update:model-value="setForm({ pegDiameter: $event })"
      />
      <NumberField
        :model-value="pegs.pegLength"
        label="Pegs reach past"
        unit="mm"
        :least="0.1"
        :most="200"
        data-test="peg-length"
        @update:model-value="setForm({ pegLength: $event })"
      />
      <NumberField
        :model-value="pegs.friction"
        label="Friction"
        :least="0.01"
        :most="1.5"
        hint="wood on wood 0.25 to 0.5"
        data-test="friction"
        @update:model-value="setForm({ friction: $event })"
      />
    </template>
    <template v-if="reducer">
      <NumberField
        :model-value="reducer.pinDiameter"
        label="Pin Ø"
        unit="mm"
        :least="0.1"
        :most="200"
        data-test="pin"
        @update:model-value="setForm({ pinDiameter: $event })"
      />
      <NumberField
        :model-value="reducer.eccentricity"
        label="Eccentricity"
        unit="mm"
        :least="0.05"
        :most="100"
        data-test="eccentricity"
        @update:model-value="setForm({ eccentricity: $event })"
      />
      <NumberField
        :model-value="reducer.offset"
        label="Disc stands back"
        unit="mm"
        :least="0"
        :most="2"
        data-test="offset"
        @update:model-value="setForm({ offset: $event })"
      />
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
      <NumberField
        v-if="magnets.magnet.shape === 'round'"
        :model-value="magnets.magnet.diameter"
        label="Magnet Ø"
        unit="mm"
        :least="0.5"
        :most="100"
        data-test="magnet"
        @update:model-value="setForm({ magnet: { shape: 'round', diameter: $event } })"
      />
      <template v-if="magnets.magnet.shape === 'block'">
        <NumberField
          :model-value="magnets.magnet.width"
          label="Width"
          unit="mm"
          :least="0.5"
          :most="100"
          @update:model-value="setForm({ magnet: { ...magnets.magnet, width: $event } as never })"
        />
        <NumberField
          :model-value="magnets.magnet.depth"
          label="Depth"
          unit="mm"
          :least="0.5"
          :most="100"
          @update:model-value="setForm({ magnet: { ...magnets.magnet, depth: $event } as never })"
        />
      </template>
      <NumberField
        :model-value="magnets.gap"
        label="Gap of air"
        unit="mm"
        :least="0"
        :most="20"
        data-test="air-gap"
        @update:model-value="setForm({ gap: $event })"
      />
      <NumberField
        v-if="magnets.eccentricity !== undefined"
        :model-value="magnets.eccentricity"
        label="Eccentricity"
        unit="mm"
        :least="0.05"
        :most="100"
        @update:model-value="setForm({ eccentricity: $event })"
      />
      <NumberField
        :model-value="magnets.wall"
        label="Wall"
        unit="mm"
        :least="0"
        :most="20"
        @update:model-value="setForm({ wall: $event })"
      />
    </template>
  </div>
  <p v-if="involute" class="quiet small">
    {{ fixed(involute.pressureAngleDeg, 1) }}° rack, ISO 53 profile A: 1, 1.25, 0.38
  </p>
  <p v-if="clock && clock.tip !== 'eased'" class="quiet small">
    Arcs from the pitch circle strike a little early; eased ones roll more evenly.
  </p>
  <p v-if="reducer && disc" class="quiet small" data-test="second-disc">
    A second disc opposite the first is
    {{
      disc.turned === 0
        ? 'the same part, turned half round.'
        : `another part: its lobes stand ${fixed(disc.turned, 2)}° further round against its holes.`
    }}
  </p>
  <p v-if="pegs" class="acts">
    <button type="button" class="plain" data-test="fit-pegs" @click="fitModule(0)">
      Rings for these pegs, 3 % play
    </button>
    <button type="button" class="plain" data-test="fit-wood" @click="fitModule(PEG_ALLOWANCE)">
      The same for wood: reckoned {{ PEG_ALLOWANCE }} mm thicker
    </button>
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

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 14px;
}

.acts {
  display: grid;
  gap: 4px;
  justify-items: start;
  font-size: 13px;
}
</style>
