<script setup lang="ts">
import { byId, meshes, LIMITS } from '@tesseron/core/machine';
import { setSpread, spreadAll } from '@tesseron/core/change';
import { figure, fixed, sayTime } from '@tesseron/core/units';
import { lostMotionWorking } from '@tesseron/core/working';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import { useWorking } from '../../frame/use-working';
import { useOpen } from '../../machine/use-open';
import NumberField from '../../parts/NumberField.vue';
import { useRows } from '../../parts/use-rows';
import MoreRows from '../../parts/MoreRows.vue';

/** Play of every mesh as its centres stand, and what it comes to at the outputs. */
const { machine, derived, change } = useOpen();
const working = useWorking();
const rows = computed(() =>
  meshes(machine.value).flatMap(j => {
    const s = derived.value.meshes[j.id];
    return s
      ? [
          {
            id: j.id,
            name: nameOf(machine.value, j.id),
            spread: j.spread ?? 0,
            play: fixed(s.play, 3),
            contact: s.contactRatio === undefined ? '' : fixed(s.contactRatio, 2),
          },
        ]
      : [];
  }),
);
const outputs = computed(() =>
  machine.value.aims.flatMap(a => {
    const slack = a.member === undefined ? undefined : derived.value.slack[a.member];
    if (!slack) return [];
    return [
      {
        id: a.id,
        name: a.name,
        total: `${figure(slack.total, 3)}°`,
        own: [
          slack.seconds === undefined ? '' : sayTime(slack.seconds),
          slack.metres === undefined ? '' : `${figure(slack.metres, 3)} m counted`,
        ]
          .filter(Boolean)
          .join(', '),
        meshes: slack.meshes.map(m => ({
          id: m.mesh,
          name: nameOf(machine.value, m.mesh),
          degrees: figure(m.degrees, 3),
        })),
      },
    ];
  }),
);
function show(id: string): void {
  const member = byId(machine.value.aims, id)?.member;
  const slack = member === undefined ? undefined : derived.value.slack[member];
  if (member !== undefined && slack)
    working.show(lostMotionWorking(derived.value, slack, mesh => nameOf(machine.value, mesh)));
}
const every = computed(() => {
  const spreads = new Set(meshes(machine.value).map(j => j.spread ?? 0));
  return spreads.size === 1 ? [...spreads][0] : undefined;
});
const spreadEvery = (by: number): void =>
  change('Spread all centres', spreadAll(new Set(Object.keys(derived.value.meshes)), by));
const spread = (id: string, by: number): void => {
  if (byId(meshes(machine.value), id)) change('Spread the centres', setSpread(id, by));
};
const playRows = useRows(() => rows.value);
</script>

<template>
  <p class="quiet small">
    Wood and prints want their centres a little further apart than theory. Play grows with it, contact
    shrinks, and every output loses that much motion when the drive turns back.
  </p>
  <NumberField
    :model-value="every"
    label="Spread all centres by"
    unit="mm"
    :limits="LIMITS.spread"
    optional
    data-test="spread-all"
    @update:model-value="spreadEvery"
  />
  <h3>Lost motion at the outputs</h3>
  <p v-if="outputs.length === 0" class="quiet">No output is driven yet.</p>
  <details v-for="o in outputs" :key="o.id" data-test="lost" open>
    <summary>
      {{ o.name }} <strong class="figure">{{ o.total }}</strong> <span class="figure">{{ o.own }}</span>
    </summary>
    <PlainButton data-test="lost-working" @click="show(o.id)">working</PlainButton>
    <table class="ruled">
      <tbody>
        <tr v-for="m in o.meshes" :key="m.id">
          <td>{{ m.name }}</td>
          <td class="figure">{{ m.degrees }}°</td>
        </tr>
      </tbody>
    </table>
  </details>
  <h3>Meshes</h3>
  <table class="ruled" data-test="play">
    <thead>
      <tr>
        <th scope="col">mesh</th>
        <th scope="col" class="figure">apart, mm</th>
        <th scope="col" class="figure">play, mm</th>
        <th scope="col" class="figure">contact</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in playRows.shown.value" :key="r.id">
        <td>{{ r.name }}</td>
        <td class="narrow">
          <NumberField
            :model-value="r.spread"
            :label="`apart`"
            :limits="LIMITS.spread"
            @update:model-value="spread(r.id, $event)"
          />
        </td>
        <td class="figure">{{ r.play }}</td>
        <td class="figure">{{ r.contact }}</td>
      </tr>
    </tbody>
  </table>
  <MoreRows :left="playRows.left.value" :more="playRows.more" />
</template>

<style scoped>
.small {
  font-size: 13px;
}

summary {
  cursor: pointer;
  padding: 4px 0;
}

summary .figure {
  margin-left: 8px;
}

.narrow {
  width: 92px;
}
</style>
