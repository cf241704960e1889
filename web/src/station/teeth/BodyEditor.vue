<script setup lang="ts">
import { divisionsOf, usualBolts } from '@tesseron/core/body';
import { FIXING_SCREWS } from '@tesseron/core/bought';
import { dividesFlat, takesHub } from '@tesseron/core/judge';
import { kept } from '../../parts/kept-items';
import { circleCount, LIMITS, teethOutside, type Wheel } from '@tesseron/core/machine';
import { setBody as changeBody, setProud, setWheel } from '@tesseron/core/change';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { length, number, type NumberSpec } from '../../parts/number-spec';
import NumberFields from '../../parts/NumberFields.vue';
import TickBox from '../../parts/TickBox.vue';

const props = defineProps<{ wheel: Wheel }>();
const { derived, change } = useOpen();
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
  change(`${what} of ${props.wheel.name}`, changeBody(props.wheel.id, value));
/** A measure that follows from the teeth again. */
function usual(what: 'hubDiameter' | 'rim'): void {
  const { [what]: _, ...plain } = body.value;
  set(what === 'rim' ? 'Rim' : 'Hub', { body: plain });
}
/** Pieces that are alike, and what it has now. */
const divisions = computed(() => {
  const state = derived.value.wheels[props.wheel.id];
  if (!props.wheel.divided && !(state && dividesFlat(state))) return [];
  const outside = teethOutside(derived.value.machine, props.wheel);
  const like = divisionsOf(props.wheel, outside && circleCount(outside));
  const all = [...new Set([...like, props.wheel.divided?.pieces ?? 0])];
  const some = all.filter(n => n > 1).sort((a, b) => a - b);
  return [{ title: 'whole', value: 1 }, ...some.map(n => ({ title: `in ${n} equal pieces`, value: n }))];
});
const divide = (pieces: number): void =>
  set('Pieces', {
    divided: pieces > 1 ? { by: props.wheel.divided?.by ?? 'dovetails', pieces } : undefined,
  } as Partial<Wheel>);
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
/** The measures of the bore, across first. */
const boreFields = computed((): NumberSpec[] => {
  const b = bore.value;
  if (b.kind === 'none') return [];
  const size = LIMITS.webSize;
  const put = (more: object): void => setBore({ ...b, ...more } as Bore);
  const across_ =
    'across' in b
      ? length('Across flats', b.across, size, x => put({ across: x }), { test: 'bore' })
      : length('Bore Ø', b.diameter, size, x => put({ diameter: x }), { test: 'bore' });
  const flat = b.kind === 'D' ? [length('Across the flat', b.flat, size, x => put({ flat: x }))] : [];
  const key =
    b.kind === 'keyed'
      ? [
          length('Key width', b.width, size, x => put({ width: x })),
          length('Key depth', b.depth, size, x => put({ depth: x })),
        ]
      : [];
  return [across_, ...flat, ...key];
});
/** A hub can stand out of it, or one was asked before. */
const hubbed = computed(() => {
  const state = derived.value.wheels[props.wheel.id];
  return props.wheel.body?.proud !== undefined || (state !== undefined && takesHub(props.wheel, state));
});
const HUBS = [
  { value: 'flush', title: 'flush' },
  { value: 'front', title: 'in front' },
  { value: 'back', title: 'behind' },
] as const;
/** How far a hub stands out that is asked for without a figure, mm. */
const USUAL_PROUD = 5;
function setHub(side: string): void {
  const height = body.value.proud?.height ?? USUAL_PROUD;
  const out = HUBS.find(h => h.value === side)?.value ?? 'flush';
  const proud = out === 'flush' ? undefined : { side: out, height };
  change(`Hub of ${props.wheel.name}`, setProud(props.wheel.id, proud));
}
const hubFields = computed((): NumberSpec[] => {
  const { proud, hubDiameter, web } = body.value;
  if (!proud) return [];
  const high = (height: number): void => setBody('Hub', { proud: { ...proud, height } });
  const across = length('Hub Ø', hubDiameter, LIMITS.hubDiameter, x => setBody('Hub', { hubDiameter: x }), {
    ...{ hint: 'left empty: twice the bore', clear: () => usual('hubDiameter'), test: 'hub-across' },
  });
  return [
    length('Stands out by', proud.height, LIMITS.hubHeight, high, { test: 'hub-height' }),
    ...(web.kind === 'solid' ? [across] : []),
  ];
});
/** A bolt circle; left empty there is none. */
const boltFields = computed((): NumberSpec[] => {
  const { bolts } = body.value;
  const put = (to: Partial<NonNullable<Body['bolts']>>): void =>
    setBody('Bolt circle', { bolts: { ...boltsBegin.value, ...bolts, ...to } });
  return [
    number('Bolts', bolts?.number, LIMITS.bolts, x => put({ number: x }), {
      ...{ whole: true, test: 'bolts', hint: 'left empty: none' },
      clear: () => setBody('Bolt circle', { bolts: undefined }),
    }),
    ...(bolts
      ? [
          length('on a circle Ø', bolts.circle, LIMITS.largestOutside, x => put({ circle: x }), {
            test: 'bolt-circle',
          }),
        ]
      : []),
  ];
});
const boltsBegin = computed(() => {
  const rootRadius = derived.value.wheels[props.wheel.id]?.dimensions.rootRadius ?? 0;
  return usualBolts({ rootRadius, boreRadius: across.value / 2 });
});
const webFields = computed((): NumberSpec[] => {
  const { web, hubDiameter, rim } = body.value;
  if (web.kind === 'solid') return [];
  const put = (more: object): void => setBody('Web', { web: { ...web, ...more } as Body['web'] });
  const usually = (what: string): string => `left empty: ${what}`;
  return [
    number('How many', web.number, LIMITS.webNumber, x => put({ number: x }), {
      whole: true,
      test: 'web-number',
    }),
    ...(web.kind === 'curved spokes'
      ? [number('Swept', web.sweepDeg, LIMITS.sweepDeg, x => put({ sweepDeg: x }), { unit: '°' })]
      : []),
    length('Hub Ø', hubDiameter, LIMITS.hubDiameter, x => setBody('Hub', { hubDiameter: x }), {
      hint: usually('twice the bore'),
      clear: () => usual('hubDiameter'),
    }),
    length('Rim', rim, LIMITS.rim, x => setBody('Rim', { rim: x }), {
      hint: usually('2.5 modules'),
      clear: () => usual('rim'),
    }),
  ];
});
</script>

<template>
  <div class="grid">
    <v-select
      :model-value="bore.kind"
      :items="kept(BORES)"
      label="Bore"
      data-test="bore-shape"
      @update:model-value="setShape"
    />
    <NumberFields :fields="boreFields" />
    <v-select
      v-if="bore.kind !== 'none'"
      :model-value="bore.fit ?? 'own'"
      :items="kept(FITS)"
      label="Fit"
      data-test="fit"
      @update:model-value="setFit"
    />
    <v-select
      :model-value="body.web.kind"
      :items="kept(WEBS)"
      label="Web"
      data-test="web"
      @update:model-value="setWeb"
    />
    <NumberFields :fields="webFields" />
    <v-select
      v-if="bore.kind !== 'none' && hubbed"
      :model-value="body.proud?.side ?? 'flush'"
      :items="kept(HUBS)"
      label="Hub"
      data-test="hub"
      @update:model-value="setHub"
    />
    <NumberFields :fields="hubFields" />
    <NumberFields v-if="wheel.role === 'wheel'" :fields="boltFields" />
    <v-select
      v-if="body.bolts"
      :model-value="body.bolts.screw"
      :items="FIXING_SCREWS.map(s => s.name)"
      label="Bolts of"
      @update:model-value="body.bolts && setBody('Bolt circle', { bolts: { ...body.bolts, screw: $event } })"
    />
    <v-select
      v-if="divisions.length > 1"
      :model-value="wheel.divided?.pieces ?? 1"
      :items="divisions"
      label="Made"
      data-test="pieces"
      @update:model-value="divide"
    />
    <v-select
      v-if="wheel.divided"
      :model-value="wheel.divided.by"
      :items="['dovetails', 'pegs']"
      label="Joined by"
      data-test="joined-by"
      @update:model-value="
        wheel.divided && $event && set('Joints', { divided: { ...wheel.divided, by: $event } })
      "
    />
    <TickBox
      :model-value="body.mark"
      label="mark at tooth 0"
      data-test="mark"
      @update:model-value="setBody('Mark', { mark: $event })"
    />
    <TickBox
      :model-value="body.engraved"
      label="engrave count and name"
      @update:model-value="setBody('Engraving', { engraved: $event })"
    />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 2px 16px;
}
</style>
