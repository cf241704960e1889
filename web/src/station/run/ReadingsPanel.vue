<script setup lang="ts">
import { indicatorFacts } from '@tesseron/core/ask';
import { readIndicator } from '@tesseron/core/indicator';
import { driveWay, GROUND } from '@tesseron/core/machine';
import { quickestTeeth, trueSpeed } from '@tesseron/core/motion';
import { compare, type Rational, sign, toFraction } from '@tesseron/core/rational';
import { groundRate } from '@tesseron/core/train';
import { figure } from '@tesseron/core/units';
import { nameOf, sayReading } from '@tesseron/core/words';
import { computed } from 'vue';
import { useOpen } from '../../machine/use-open';
import { SPEEDS, useClock } from '../../run/clock';
import { readingOf } from '../../run/readings';

/** What every output shows now. */
const { machine, derived } = useOpen();
const clock = useClock();
const say = (rate: Rational): string => toFraction(rate).replace('-', '−');
/** The rate against the ground, where an arm carries the output and it is another. */
function carried(member: string | undefined): string {
  const own = member === undefined ? undefined : derived.value.train.rates[member];
  const ground =
    own && member !== undefined ? groundRate(machine.value, derived.value.train.rates, member) : undefined;
  return ground && own && compare(ground, own) !== 0 ? say(ground) : '';
}
const outputs = computed(() =>
  machine.value.aims.map(aim => {
    const rate = aim.member === undefined ? undefined : derived.value.train.rates[aim.member];
    return {
      aim,
      rate: rate ? say(rate) : '',
      ground: carried(aim.member),
      sense: !rate || sign(rate) === 0 ? '' : sign(rate) === driveWay(machine.value) ? '↺' : '↻',
      // A hand on it says where it stands; how far it is into its period would say the same otherwise.
      read: machine.value.indicators.some(i => i.member === aim.member && i.reads),
      reading: readingOf(aim, derived.value, clock.turns),
    };
  }),
);
/** What hands, dials, globes and bodies read, in words. */
const dials = computed(() => {
  const facts = indicatorFacts(derived.value);
  return machine.value.indicators.flatMap(i => {
    const reading =
      i.kind === 'dial' && i.member === GROUND ? undefined : readIndicator(facts, i, clock.turns);
    return reading ? [{ id: i.id, name: i.name || i.kind, reads: sayReading(reading) }] : [];
  });
});
/** A wheel whose teeth pass too quickly for frames to show which way it turns. */
const blurred = computed(() => {
  const quick = quickestTeeth(machine.value, derived.value.train.rates);
  if (!quick || clock.speed <= trueSpeed(quick.teeth)) return undefined;
  const slower = [...SPEEDS].reverse().find(s => s <= trueSpeed(quick.teeth));
  return { name: nameOf(machine.value, quick.wheel), most: trueSpeed(quick.teeth), slower };
});
</script>

<template>
  <p v-if="blurred" class="quiet small" data-test="blurred">
    At this speed frames would show {{ blurred.name }} standing or turning back; up to
    {{ figure(blurred.most, 2) }} turns a second every wheel is seen to turn as it does.
    <PlainButton v-if="blurred.slower" data-test="slower" @click="clock.speed = blurred.slower">
      slow to {{ blurred.slower }}
    </PlainButton>
  </p>
  <dl v-if="dials.length > 0" class="dials" data-test="dial-readings">
    <div v-for="d in dials" :key="d.id">
      <dt>{{ d.name }}</dt>
      <dd class="figure">{{ d.reads }}</dd>
    </div>
  </dl>
  <p v-if="outputs.length === 0" class="quiet">No outputs yet. Name them at Aims.</p>
  <div v-for="o in outputs" :key="o.aim.id" class="output" :data-test="`reading-${o.aim.id}`">
    <h3>{{ o.aim.name }}</h3>
    <dl v-if="o.reading">
      <div v-if="o.reading.inPeriod && !o.read" class="main">
        <dt>since nought</dt>
        <dd class="figure">{{ o.reading.inPeriod }}</dd>
      </div>
      <div>
        <dt>turns</dt>
        <dd class="figure" data-test="turns">{{ o.reading.turns }}</dd>
      </div>
      <div>
        <dt>points to</dt>
        <dd class="figure">{{ o.reading.degrees }}</dd>
      </div>
      <div>
        <dt>rate</dt>
        <dd class="figure">{{ o.sense }} {{ o.rate }}</dd>
      </div>
      <div v-if="o.ground">
        <dt>against the ground</dt>
        <dd class="figure">{{ o.ground }}</dd>
      </div>
    </dl>
    <p v-else class="quiet">does not turn yet</p>
  </div>
</template>

<style scoped>
.output {
  border-bottom: var(--line);
  padding-bottom: 8px;
}

.small {
  font-size: 13px;
}

.dials {
  border-bottom: 1px solid var(--ink);
  padding-bottom: 8px;
}

.dials dd {
  font-size: 19px;
}

h3 {
  color: var(--ink);
  font-size: 15px;
  margin-top: 10px;
}

dl {
  margin: 4px 0 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}

dt {
  font-size: 12px;
  color: var(--muted);
}

dd {
  margin: 0;
}

.main {
  grid-column: 1 / -1;
}

.main dd {
  font-size: 21px;
}
</style>
