import { plantPlanetary, plantTwoRing } from '@tesseron/core/planting';
import {
  cannotBeBuilt,
  type Central,
  CENTRALS,
  factsOfChoice,
  type PlanetaryChoice,
  planetaryUses,
  SET_GAP,
  SET_LEAST,
  SET_MOST,
  setFrom,
  setsForRate,
  twoRingFrom,
} from '@tesseron/core/planetary';
import { absolute, neg, type Rational } from '@tesseron/core/rational';
import { mm, parseRatio } from '@tesseron/core/units';
import type { AimState } from '@tesseron/core/state';
import { ok, type Result } from '@tesseron/core/result';
import { sayProblem, sayRingTrouble, sayTogether } from '@tesseron/core/words';
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
  const readRatio = (text: string): Result<unknown> => (text === '' ? ok('') : parseRatio(text));
  const state = computed((): Pick<AimState, 'wanted' | 'sense'> | undefined => {
    const aim = derived.value.aims[aimId.value];
    if (aim) return aim;
    const typed = parseRatio(typedRatio.value);
    if (!typed.ok || typed.value.num === 0n) return undefined;
    return { wanted: absolute(typed.value), sense: typed.value.num < 0n ? 'against the drive' : 'either' };
  });
  /** Numbers of planets to search for: three to six, or only as many as are stated. */
  const onlyStated = ref(false);
  const ringProblem = ref('');
  /** The ring is given: the planet follows from sun and ring. */
  function takeRing(ring: number): void {
    const made = setFrom({ sun: sun.value, ring }, planets.value);
    ringProblem.value = made.ok ? '' : sayProblem(made.problem);
    if (made.ok) planet.value = made.value.planet;
  }
  watch([sun, planet], () => (ringProblem.value = ''));
  const choice = computed((): PlanetaryChoice => ({
    ...{ rings: rings.value, sun: sun.value, planet: planet.value, second: second.value },
    ...{ planets: planets.value, stages: stages.value, held: held.value, driver: driver.value },
  }));
  const set = computed(() => setFrom({ sun: sun.value, planet: planet.value }, planets.value));
  const pair = computed(() => twoRingFrom(sun.value, planet.value, second.value, planets.value));
  const facts = computed(() => factsOfChoice(choice.value));
  const known = computed(() => (facts.value.ok ? facts.value.value : undefined));
  const problem = computed(() => (facts.value.ok ? '' : sayProblem(facts.value.problem)));
  const uses = computed(() => (set.value.ok ? planetaryUses(set.value.value) : []));
  watch(held, h => {
    if (driver.value === h) driver.value = CENTRALS.find(c => c !== h) ?? 'sun';
  });

  /** The sets nearest to the aim’s rate, by the members that are chosen; turned the way the aim asks where they can. */
  const found = computed(() => {
    const wanted = state.value?.wanted;
    if (!wanted || two.value) return undefined;
    return setsForRate(choice.value, wanted, {
      planets: onlyStated.value ? [planets.value] : [3, 4, 5, 6],
      ...{ module: module.value, outside: outside.value },
    });
  });
  watch([two, state, module, outside, onlyStated, planets], () => {
    search.clear();
    const wanted = state.value?.wanted;
    if (!two.value || !wanted) return;
    search.start({
      kind: 'two rings',
      query: {
        target: state.value?.sense === 'against the drive' ? neg(wanted) : wanted,
        ...{ least: SET_LEAST, most: SET_MOST, gap: SET_GAP, module: module.value, top: 8 },
        planets: onlyStated.value ? [planets.value] : [3, 4],
        ...(outside.value !== undefined && { outside: outside.value }),
      },
    });
  });

  const rows = computed((): Row[] => {
    const simple = found.value?.ok ? found.value.value : [];
    const twin = two.value && search.answer.value?.ok ? search.answer.value.value : [];
    return [
      ...simple.map(f => ({
        key: `${f.set.sun} ${f.set.planet} ${f.set.planets}`,
        counts: `${f.set.sun}, ${f.set.planet}, ${f.set.ring}`,
        planets: f.set.planets,
        error: f.error,
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
  const inRings = computed(() =>
    (known.value?.inRings ?? []).map(t => ({ stop: t.kind === 'tips strike', says: sayRingTrouble(t) })),
  );

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
      const asked = { set: one.value, held: held.value, driver: driver.value, stages: stages.value };
      change('Add a planetary set', m => plantPlanetary(m, { ...asked, ...common }));
    }
    close();
  }
  return {
    ...{ aims, build, driver, held, inRings, aimId, module, onlyStated, outside, pair, planet, planets },
    ...{ problem, readRatio, ringProblem, rings, rows, search, searchProblem, second, set, stages, sun },
    ...{ takeRing, two, typedRatio, uses },
    ofOutput: computed(() => known.value?.output ?? ''),
    rate: computed(() => known.value?.rate),
    size: computed(() => mm((known.value?.across ?? 0) * module.value, 1)),
    together: computed(() => (known.value ? sayTogether(known.value, planets.value, module.value) : '')),
    unfit: computed(() => (known.value ? cannotBeBuilt(known.value) : false)),
  };
}
