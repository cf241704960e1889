<script setup lang="ts">
import {
  addMode,
  holdInMode,
  joinInMode,
  modeParts,
  removeMode,
  renameMode,
  setModeDrive,
} from '@tesseron/core/edit';
import { type Edit, setMode } from '@tesseron/core/change';
import { arbors, byId, factsOf } from '@tesseron/core/machine';
import { nameOf } from '@tesseron/core/words';
import { computed } from 'vue';
import DialogBox from '../../parts/DialogBox.vue';
import TickBox from '../../parts/TickBox.vue';
import type { Hand } from './use-hand';

/** The modes of a machine: in each, what drives, which joints are joined, what is held. */
const props = defineProps<{ hand: Hand }>();
const open = defineModel<boolean>({ required: true });
const { machine } = props.hand;
const NONE = '';
const mode = computed(() => byId(machine.value.modes, machine.value.mode));
const parts = computed(() => mode.value && modeParts(machine.value, mode.value));
const choices = computed(() => [
  { title: 'all joined', value: NONE },
  ...machine.value.modes.map(m => ({ title: m.name, value: m.id })),
]);
const drives = computed(() => [
  { title: 'the drive as it is', value: NONE },
  ...arbors(machine.value).map(a => ({ title: a.name, value: a.id })),
]);
const act = (label: string, edit: Edit): boolean =>
  props.hand.act(label, m => ({ ok: true, value: edit(m) }));
const add = (): boolean =>
  props.hand.act('Add a mode', m => {
    const made = addMode(m);
    return made.ok ? { ok: true, value: made.value.machine } : made;
  });
const take = (id: string): boolean => act('Stand in a mode', setMode(id));
function rename(text: string): void {
  const name = text.trim().slice(0, 120);
  if (mode.value && name !== '' && name !== mode.value.name)
    act(`Call a mode ${name}`, renameMode(mode.value.id, name));
}
const called = (id: string): string => {
  const joint = byId(machine.value.joints, id);
  return joint ? `${factsOf(joint).called}, ${nameOf(machine.value, id)}` : id;
};
</script>

<template>
  <DialogBox v-model="open" title="Modes" :width="620" test="modes">
    <v-select
      :model-value="machine.mode ?? NONE"
      :items="choices"
      label="Stands in the mode"
      data-test="modes-stands"
      @update:model-value="take($event ?? NONE)"
    />
    <p><v-btn data-test="modes-add" @click="add">Add a mode</v-btn></p>
    <template v-if="mode && parts">
      <v-text-field
        :key="mode.id"
        :model-value="mode.name"
        label="Name"
        data-test="modes-name"
        @change="rename(($event.target as HTMLInputElement).value)"
      />
      <v-select
        :model-value="mode.drive ?? NONE"
        :items="drives"
        label="Driven by"
        data-test="modes-drive"
        @update:model-value="act('What drives in a mode', setModeDrive(mode.id, $event || undefined))"
      />
      <div class="two">
        <section>
          <h3>Joined</h3>
          <TickBox
            v-for="j in parts.joints"
            :key="j.id"
            :model-value="j.joined"
            :label="called(j.id)"
            :data-test="`modes-join-${j.id}`"
            @update:model-value="
              act($event ? 'Join in a mode' : 'Let go in a mode', joinInMode(mode.id, j.id, $event))
            "
          />
        </section>
        <section>
          <h3>Held</h3>
          <TickBox
            v-for="m in parts.members"
            :key="m.id"
            :model-value="m.held"
            :label="nameOf(machine, m.id)"
            :data-test="`modes-hold-${m.id}`"
            @update:model-value="
              act($event ? 'Hold in a mode' : 'Free in a mode', holdInMode(mode.id, m.id, $event))
            "
          />
        </section>
      </div>
      <p>
        <v-btn data-test="modes-remove" @click="act('Take a mode away', removeMode(mode.id))"
          >Take this mode away</v-btn
        >
      </p>
    </template>
    <p v-else class="quiet">
      In a mode another arbor can drive, joints are let go, and members held: for setting, for letting down,
      for lifting a pinion out.
    </p>
    <p v-if="hand.refusal.value" class="error-text" role="alert">{{ hand.refusal.value }}</p>
    <p><v-btn @click="open = false">Close</v-btn></p>
  </DialogBox>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 20px;
  max-height: 40vh;
  overflow-y: auto;
}
</style>
