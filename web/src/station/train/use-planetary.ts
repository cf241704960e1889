import { plantPlanetary, plantTwoRing } from '@tesseron/core/build';
import {
  assemblyOf,
  type Central,
  CENTRALS,
  drivenOf,
  planetaryUses,
  ringMargins,
  searchPlanetary,
  setFrom,
  tipsPass,
  twoRingFits,
  twoRingFrom,
  twoRingGap,
  twoRingRate,
} from '@tesseron/core/planetary';
import {
  absolute,
  div,
  mul,
  neg,
  ONE,
  parseDecimal,
  parseRational,
  type Rational,
  sub,
  toNumber,
} from '@tesseron/core/rational';
import { fixed, mm } from '@tesseron/core/units';
import type { AimState } from '@tesseron/core/derive';
import { ok, type Result } from '@tesseron/core/result';
import { sayProblem } from '@tesseron/core/words';
import { computed, ref, watch } from 'vue';
import { useOpen } from '../../machine/use-open';
import { useSearch } from '../../worker/use-search';

/** A set that was found, as a row: its counts, its error, and how it is taken. */
interface Row {
  readonly key: string;
  readonly counts: string;
  readonly planets: number;
  readonly error: Rational;
  readonly take: () => void;
}
/** A rate multiplied by itself so many times. */
const power = (r: Rational, n: number): Rational =>
  Array.from({ length: n }).reduce<Rational>(p => mul(p, r), ONE);

/**
 * A planetary set as it is being chosen: from counts or for an output's rate, simple or with two rings, stacked;
 * what it turns, whether it goes together and clears itself, and its building. `close` is called once it is built.
 */
// eslint-disable-next-line @typescript-eslint/explicit-function-return-type
export function usePlanetary(close: () => void) {
  const { machine, derived, change } = useOpen();
  const search = useSearch<'two rings'>();
  const rings = ref<'one' | 'two'>('one');
  const sun = ref(24);
  const planet = ref(18);
  const second = ref(17);
  const planets = ref(3);
  const stages = ref(1);
  const held = ref<Central>('ring');
  const driver = ref<Central>('sun');
  const aimId = ref<string>('');
  const outside = ref<number>();
  const module = ref(Number((Object.values(derived.value.modules)[0] ?? 1.5).toFixed(4)));
  const two = computed(() => rings.value === 'two');
  const aims = computed(() => [
    { title: 'none yet', value: '' },
    ...machine.value.aims.map(a => ({ title: a.name, value: a.id })),
  ]);
  /** The rate that is asked for: the output's, or one that is typed. */
  const typedRatio = ref('');
  const readRatio = (text: string): Result<unknown> => (text === '' ? ok('') : parseRational(text));
  const state = computed((): Pick<AimState, 'wanted' | 'sense'> | undefined => {
    const aim = derived.value.aims[aimId.value];
    if (aim) return aim;
    const typed = parseRational(typedRatio.value);
    if (!typed.ok || typed.value.num === 0n) return undefined;
    return { wanted: absolute(typed.value), sense: typed.value.num < 0n ? 'against the drive' : 'either' };
  });
  /** Numbers of planets to search for: three to six, or only as many as are stated. */
  const onlyStated = ref(false);
  const numbers = computed(() => (onlyStated.value ? [planets.value] : [3, 4, 5, 6]));
  const ringProblem = ref('');
  /** The ring is given: the planet follows from sun and ring. */
  function takeRing(ring: number): void {
    const made = setFrom({ sun: sun.value, ring }, planets.value);
    ringProblem.value = made.ok ? '' : sayProblem(made.problem);
    if (made.ok) planet.value = made.value.planet;
  }
  watch([sun, planet], () => (ringProblem.value = ''));
  const set = computed(() => setFrom({ sun: sun.value, planet: planet.value }, planets.value));
  const pair = computed(() => twoRingFrom(sun.value, planet.value, second.value, planets.value));
  const problem = computed(() => {
    const now = two.value ? pair.value : set.value;
    return now.ok ? '' : sayProblem(now.problem);
  });
  const uses = computed(() => (set.value.ok ? planetaryUses(set.value.value) : []));
  const assembly = computed(() => (set.value.ok ? assemblyOf(set.value.value) : undefined));
  watch(held, h => {
    if (driver.value === h) driver.value = CENTRALS.find(c => c !== h) ?? 'sun';
  });
  const rate = computed(() => {
    if (two.value) return pair.value.ok ? twoRingRate(pair.value.value) : undefined;
    const one = uses.value.find(u => u.held === held.value && u.driver === driver.value)?.rate;
    return one && power(one, stages.value);
  });
  const ofOutput = computed(() => (two.value ? 'second ring' : drivenOf(held.value, driver.value)));

  /** The rate that one stage must have: the wanted one, or its root where stages are stacked. */
  const perStage = computed(() => {
    const wanted = state.value?.wanted;
    if (!wanted || stages.value === 1) return wanted;
    const root = parseDecimal(Math.pow(toNumber(wanted), 1 / stages.value).toFixed(15));
    return root.ok ? root.value : undefined;
  });
  /** The sets nearest to the aim’s rate, by the members that are chosen; turned the way the aim asks where they can. */
  const found = computed(() => {
    const wanted = perStage.value;
    if (!wanted || two.value) return undefined;
    const backwards = held.value === 'arm';
    return searchPlanetary({
      target: backwards ? neg(wanted) : wanted,
      ...{ held: held.value, driver: driver.value, least: 12, most: 120 },
      ...{ planets: numbers.value, equalOnly: true, gap: 0.3, module: module.value, top: 8 },
      ...(outside.value !== undefined && { outside: outside.value }),
    });
  });
  watch([two, state, module, outside, numbers], () => {
    search.clear();
    const wanted = state.value?.wanted;
    if (!two.value || !wanted) return;
    search.start({
      kind: 'two rings',
      query: {
        target: state.value?.sense === 'against the drive' ? neg(wanted) : wanted,
        ...{
          least: 12,
          most: 120,
          planets: onlyStated.value ? [planets.value] : [3, 4],
          gap: 0.3,
          module: module.value,
          top: 8,
        },
        ...(outside.value !== undefined && { outside: outside.value }),
      },
    });
  });

  const rows = computed((): Row[] => {
    const wanted = state.value?.wanted;
    const simple = found.value?.ok ? found.value.value : [];
    const twin = two.value && search.answer.value?.ok ? search.answer.value.value : [];
    return [
      ...simple.map(f => ({
        key: `${f.set.sun} ${f.set.planet} ${f.set.planets}`,
        counts: `${f.set.sun}, ${f.set.planet}, ${f.set.ring}`,
        planets: f.set.planets,
        error: wanted ? sub(div(absolute(power(f.rate, stages.value)), wanted), ONE) : f.error,
        take: () => take(f.set),
      })),
      ...twin.map(f => ({
        key: `${f.set.sun} ${f.set.planet} ${f.set.second} ${f.set.planets}`,
        counts: `${f.set.sun}, ${f.set.planet} + ${f.set.second}, ${f.set.ring}, ${f.set.secondRing}`,
        planets: f.set.planets,
        error: f.error,
        take: () => {
          take(f.set);
          second.value = f.set.second;
        },
      })),
    ];
  });
  const searchProblem = computed(() => {
    const answer = two.value ? search.answer.value : found.value;
    return answer && !answer.ok ? sayProblem(answer.problem) : '';
  });
  const places = computed(() => assembly.value?.anglesDeg.map(a => `${fixed(a, 2)}°`).join(', ') ?? '');
  const gap = computed(() => {
    if (two.value) return pair.value.ok ? twoRingGap(pair.value.value) : 1;
    return assembly.value?.gap ?? 1;
  });
  const together = computed(() => {
    const equal = two.value ? pair.value.ok && twoRingFits(pair.value.value) : assembly.value?.equal;
    const where = equal
      ? 'goes together equally spaced'
      : two.value
        ? `${planets.value} planets do not go together equally spaced`
        : `does not go together equally spaced; the nearest places are ${places.value}`;
    const clear =
      gap.value > 0
        ? `tips of planets clear each other by ${mm(gap.value * module.value)}`
        : 'neighbouring planets strike';
    return planets.value > 1 ? `${where}; ${clear}` : where;
  });
  /** Wheels in their rings: where tips strike, or where a ring’s tips reach below the base circle. */
  const inRings = computed(() => {
    const all: [number, number][] = two.value
      ? pair.value.ok
        ? [
            [pair.value.value.planet, pair.value.value.ring],
            [pair.value.value.second, pair.value.value.secondRing],
          ]
        : []
      : set.value.ok
        ? [[set.value.value.planet, set.value.value.ring]]
        : [];
    return all.flatMap(([p, r]) => {
      if (!tipsPass(p, r))
        return [
          {
            stop: true,
            says: `Tips of ${p} strike those of the ring of ${r} (20°, full teeth): take fewer teeth or stub teeth.`,
          },
        ];
      if (ringMargins(p, r).involute < 0)
        return [
          {
            stop: false,
            says:
              `Tips of the ring of ${r} reach below the base circle of ${p} (20°, full ` +
              'teeth): shorten the ring’s teeth a little.',
          },
        ];
      return [];
    });
  });
  const unfit = computed(() => gap.value <= 0 || inRings.value.some(x => x.stop));
  const size = computed(() => {
    const ring = two.value
      ? pair.value.ok
        ? Math.max(pair.value.value.ring, pair.value.value.secondRing)
        : 0
      : set.value.ok
        ? set.value.value.ring
        : 0;
    return mm((ring + 6) * module.value, 1);
  });

  function take(s: { sun: number; planet: number; planets: number }): void {
    sun.value = s.sun;
    planet.value = s.planet;
    planets.value = s.planets;
  }
  function build(): void {
    const aim = aimId.value === '' ? {} : { aim: aimId.value };
    const common = { module: module.value, ...aim };
    const twin = pair.value;
    const one = set.value;
    if (two.value && twin.ok)
      change('Add a set with two rings', m => plantTwoRing(m, { set: twin.value, ...common }));
    if (!two.value && one.ok) {
      const choice = { set: one.value, held: held.value, driver: driver.value, stages: stages.value };
      change('Add a planetary set', m => plantPlanetary(m, { ...choice, ...common }));
    }
    close();
  }
  return {
    aims,
    build,
    driver,
    held,
    inRings,
    aimId,
    module,
    ofOutput,
    onlyStated,
    outside,
    pair,
    planet,
    planets,
    problem,
    rate,
    readRatio,
    ringProblem,
    rings,
    rows,
    search,
    searchProblem,
    second,
    set,
    size,
    stages,
    sun,
    takeRing,
    together,
    two,
    typedRatio,
    unfit,
    uses,
  };
}
