<script setup lang="ts">
import { setWheel, type Wheel } from '@tesseron/core/machine';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';

const props = defineProps<{ wheel: Wheel }>();
const { change } = useOpen();
type Bore = NonNullable<Wheel['bore']>;
type Body = NonNullable<Wheel['body']>;
const bore = computed<Bore>(() => props.wheel.bore ?? { kind: 'none' });
const PLAIN: Body = { web: { kind: 'solid' }, mark: false, engraved: false };
const body = computed<Body>(() => props.wheel.body ?? PLAIN);
const BORES = [
  { value: 'none', title: 'none' },
  { value: 'round', title: 'round' },
  { value: 'hex', title: 'hexagon' },
  { value: 'square', title: 'square' },
  { value: 'D', title: 'round with a flat' },
  { value: 'keyed', title: 'round with a key' },
] as const;
const FITS = [
  { value: 'own', title: 'as said' },
  { value: 'press', title: 'press' },
  { value: 'sliding', title: 'sliding' },
  { value: 'free', title: 'free' },
] as const;
const WEBS = [
  { value: 'solid', title: 'solid' },
  { value: 'spokes', title: 'spokes' },
  { value: 'curved spokes', title: 'curved spokes' },
  { value: 'holes', title: 'holes' },
] as const;
const set = (what: string, value: Partial<Omit<Wheel, 'id'>>): void =>
  change(`${what} of ${props.wheel.name}`, setWheel(props.wheel.id, value));
const setBore = (value: Bore): void => set('Bore', { bore: value });
const setBody = (what: string, value: Partial<Body>): void =>
  set(what, { body: { ...body.value, ...value } });
/** A measure that follows from the teeth again. */
function usual(what: 'hubDiameter' | 'rim'): void {
  const { [what]: _, ...plain } = body.value;
  set(what === 'rim' ? 'Rim' : 'Hub', { body: plain });
}
/** How large the bore is across, kept when its shape changes. */
const across = computed(() => {
  const b = bore.value;
  return b.kind === 'none' ? 4 : 'across' in b ? b.across : b.diameter;
});

function setShape(kind: Bore['kind']): void {
  const d = across.value;
  const shapes: Readonly<Record<Bore['kind'], Bore>> = {
    none: { kind: 'none' },
    round: { kind: 'round', diameter: d },
    hex: { kind: 'hex', across: d },
    square: { kind: 'square', across: d },
    D: { kind: 'D', diameter: d, flat: Number((0.85 * d).toFixed(2)) },
    keyed: {
      kind: 'keyed',
      diameter: d,
      width: Number((0.3 * d).toFixed(2)),
      depth: Number((0.15 * d).toFixed(2)),
    },
  };
  const fit = 'fit' in bore.value && bore.value.fit ? { fit: bore.value.fit } : {};
  setBore(kind === 'none' ? shapes.none : ({ ...shapes[kind], ...fit } as Bore));
}

function setFit(fit: string): void {
  if (bore.value.kind === 'none') return;
  const { fit: _, ...plain } = bore.value;
  const known = FITS.find(f => f.value === fit)?.value ?? 'own';
  setBore(known === 'own' ? plain : { ...plain, fit: known });
}

function setWeb(kind: Body['web']['kind']): void {
  const number = 'number' in body.value.web ? body.value.web.number : 5;
  const webs: Readonly<Record<Body['web']['kind'], Body['web']>> = {
    solid: { kind: 'solid' },
    spokes: { kind: 'spokes', number },
    'curved spokes': { kind: 'curved spokes', number, sweepDeg: 30 },
    holes: { kind: 'holes', number },
  };
  setBody('Web', { web: webs[kind] });
}
const flag = (event: Event): boolean => (event.target as HTMLInputElement).checked;
</script>

<template>
  <div class="grid">
    <v-select
      :model-value="bore.kind"
      :items="[...BORES]"
      label="Bore"
      data-test="bore-shape"
      @update:model-value="setShape"
    />
    <NumberField
      v-if="bore.kind !== 'none'"
      :model-value="across"
      :label="'across' in bore ? 'Across flats' : 'Bore Ø'"
      unit="mm"
      :least="0.1"
      :most="1000"
      data-test="bore"
      @update:model-value="
        setBore(('across' in bore ? { ...bore, across: $event } : { ...bore, diameter: $event }) as Bore)
      "
    />
    <v-select
      v-if="bore.kind !== 'none'"
      :model-value="bore.fit ?? 'own'"
      :items="[...FITS]"
      label="Fit"
      data-test="fit"
      @update:model-value="setFit"
    />
    <NumberField
      v-if="bore.kind === 'D'"
      :model-value="bore.flat"
      label="Across the flat"
      unit="mm"
      :least="0.1"
      :most="1000"
      @update:model-value="setBore({ ...bore, flat: $event } as Bore)"
    />
    <template v-if="bore.kind === 'keyed'">
      <NumberField
        :model-value="bore.width"
        label="Key width"
        unit="mm"
        :least="0.1"
        :most="1000"
        @update:model-value="setBore({ ...bore, width: $event } as Bore)"
      />
      <NumberField
        :model-value="bore.depth"
        label="Key depth"
        unit="mm"
        :least="0.1"
        :most="1000"
        @update:model-value="setBore({ ...bore, depth: $event } as Bore)"
      />
    </template>
    <v-select
      :model-value="body.web.kind"
      :items="[...WEBS]"
      label="Web"
      data-test="web"
      @update:model-value="setWeb"
    />
    <NumberField
      v-if="'number' in body.web"
      :model-value="body.web.number"
      label="How many"
      :least="2"
      :most="24"
      whole
      data-test="web-number"
      @update:model-value="setBody('Web', { web: { ...body.web, number: $event } as Body['web'] })"
    />
    <NumberField
      v-if="'sweepDeg' in body.web"
      :model-value="body.web.sweepDeg"
      label="Swept"
      unit="°"
      :least="-90"
      :most="90"
      @update:model-value="setBody('Web', { web: { ...body.web, sweepDeg: $event } as Body['web'] })"
    />
    <NumberField
      v-if="body.web.kind !== 'solid'"
      :model-value="body.hubDiameter"
      label="Hub Ø"
      unit="mm"
      :least="0.1"
      :most="2000"
      optional
      hint="left empty: twice the bore"
      @update:model-value="setBody('Hub', { hubDiameter: $event })"
      @clear="usual('hubDiameter')"
    />
    <NumberField
      v-if="body.web.kind !== 'solid'"
      :model-value="body.rim"
      label="Rim"
      unit="mm"
      :least="0.1"
      :most="500"
      optional
      hint="left empty: 2.5 modules"
      @update:model-value="setBody('Rim', { rim: $event })"
      @clear="usual('rim')"
    />
    <label class="check"
      ><input
        type="checkbox"
        :checked="body.mark"
        data-test="mark"
        @change="setBody('Mark', { mark: flag($event) })"
      />
      mark at tooth 0</label
    >
    <label class="check"
      ><input
        type="checkbox"
        :checked="body.engraved"
        @change="setBody('Engraving', { engraved: flag($event) })"
      />
      engrave count and name</label
    >
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2px 16px;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  font-size: 13px;
}
</style>
