<script setup lang="ts">
/** One rehearsal: what it is called, what it came to; opened, what is played, what is expected and what came. */
import { computed } from 'vue';
import { ChevronDown, ChevronRight, CircleCheck, CircleDashed, CircleX, Play, Trash2 } from '@lucide/vue';
import { MOST_REHEARSED, type PerformanceId, type Rehearsal } from '../../../../../core/document/schema';
import { useRehearsalsStore } from '../../../../stores/rehearsals';
import { useTakesStore } from '../../../../stores/takes';
import IconButton from '../../../common/IconButton.vue';
import SelectField from '../../../common/SelectField.vue';
import TextField from '../../../common/TextField.vue';
import ExpectationList from './ExpectationList.vue';
import RehearsalResult from './RehearsalResult.vue';

const props = defineProps<{ rehearsal: Rehearsal }>();
const rehearsals = useRehearsalsStore();
const takes = useTakesStore();

const isOpen = computed(() => rehearsals.open === props.rehearsal.id);
const state = computed(() => rehearsals.stateOf(props.rehearsal));
const ICONS = {
  passed: CircleCheck,
  failed: CircleX,
  'not run': CircleDashed,
  'changed since': CircleDashed,
} as const;
const WORDS = {
  passed: 'passed',
  failed: 'failed',
  'not run': 'not run yet',
  'changed since': 'the effect has changed since',
} as const;
const came = computed(() => rehearsals.played.get(props.rehearsal.id) ?? []);
const change = (more: Partial<Rehearsal>, gesture: string | null = null): void =>
  rehearsals.change(
    { ...props.rehearsal, ...more },
    undefined,
    gesture && `${gesture}-${props.rehearsal.id}`,
  );

const NOTHING = '';
const performances = computed(() => [
  { value: NOTHING, label: 'Nothing' },
  ...rehearsals.performances.map(({ id, name }) => ({ value: id as string, label: name })),
]);
const takeOptions = computed(() => {
  const known = takes.all.map(({ id, name }) => ({ value: id, label: name }));
  // One that somebody else plays, or that is gone, is named as well as it can be.
  const others = props.rehearsal.takes
    .filter((id) => !known.some(({ value }) => value === id))
    .map((id) => ({ value: id, label: takes.byId(id)?.name ?? 'A take that is gone' }));
  return [...others, ...known];
});
</script>

<template>
  <section class="card" :class="state.replace(' ', '-')" :aria-label="`Rehearsal ${rehearsal.name}`">
    <header>
      <button
        type="button"
        class="head"
        :aria-expanded="isOpen"
        @click="rehearsals.open = isOpen ? null : rehearsal.id"
      >
        <component :is="isOpen ? ChevronDown : ChevronRight" :size="14" />
        <component :is="ICONS[state]" :size="15" class="state" />
        <b v-name>{{ rehearsal.name }}</b>
        <span class="soft">{{ WORDS[state] }}</span>
      </button>
      <IconButton
        :aria-label="`Run ${rehearsal.name}`"
        :disabled="rehearsals.progress !== null"
        @click="rehearsals.run([rehearsal.id])"
      >
        <Play :size="14" />
      </IconButton>
      <IconButton :aria-label="`Delete ${rehearsal.name}`" @click="rehearsals.remove(rehearsal.id)">
        <Trash2 :size="14" />
      </IconButton>
    </header>
    <RehearsalResult
      v-for="one in came"
      :key="one.takeId"
      :rehearsal="rehearsal"
      :came="one"
      :is-open="isOpen"
    />
    <div v-if="isOpen" class="fields">
      <label
        ><span class="soft">Name</span
        ><TextField
          :value="rehearsal.name"
          :label="`Name of ${rehearsal.name}`"
          :most="80"
          @change="(name: string) => name.trim() && change({ name: name.trim() })"
      /></label>
      <label
        ><span class="soft">The viewer does</span
        ><SelectField
          :name="`What the viewer does in ${rehearsal.name}`"
          :value="rehearsal.performance ?? NOTHING"
          :options="performances"
          @change="(id: unknown) => change({ performance: id === NOTHING ? null : (id as PerformanceId) })"
      /></label>
      <label
        ><span class="soft">On</span
        ><SelectField
          :name="`Takes of ${rehearsal.name}`"
          mode="multiple"
          placeholder="Choose takes"
          show-search
          option-filter-prop="label"
          :value="rehearsal.takes"
          :options="takeOptions"
          @change="(ids: unknown) => change({ takes: (ids as string[]).slice(0, MOST_REHEARSED) })"
      /></label>
      <ExpectationList
        :rehearsal="rehearsal"
        @change="(expectations, gesture) => change({ expectations }, gesture)"
      />
    </div>
  </section>
</template>

<style scoped>
.card {
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--sheet);
}
header {
  display: flex;
  align-items: center;
  padding: 4px 8px 4px 4px;
}
.head {
  flex: 1;
  min-width: 0;
  display: flex;
  gap: 6px;
  align-items: center;
  padding: 5px 4px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.head b {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.head svg {
  flex: none;
}
.passed .state {
  color: var(--accent);
}
.failed .state {
  color: var(--madder);
}
.fields {
  display: grid;
  gap: 8px;
  padding: 8px 12px 12px;
  border-top: 1px solid var(--line);
}
label {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
}
</style>
