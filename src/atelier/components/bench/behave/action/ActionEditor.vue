<script setup lang="ts">
/** One action, opened: what happens to what, how much, in what time, and how its objects differ. */
import { computed, ref } from 'vue';
import { Trash2 } from '@lucide/vue';
import {
  ACTIONS_BY_GROUP,
  actionKind,
  actsOnObjects,
  newAction,
} from '../../../../../core/kinds/actions/actions';
import type { Action, ActionKind, Beat, ObjectId } from '../../../../../core/document/schema';
import { useDeskStore } from '../../../../stores/desk';
import ChoiceField from '../../../common/ChoiceField.vue';
import { useChoices } from '../../../common/choices';
import ActionAmount from './ActionAmount.vue';
import TimingFields from './TimingFields.vue';
import VaryFields from './VaryFields.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';
import IconButton from '../../../common/IconButton.vue';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{
  action: Action;
  /** The beat it is in, where that can begin before the one before has ended. */
  beat: Beat | null;
}>();
const emit = defineEmits<{
  change: [action: Action, gesture: string | null];
  begins: [share: number];
  remove: [];
}>();
const desk = useDeskStore();
const choices = useChoices();
const kinds = ACTIONS_BY_GROUP.map(([label, list]) => ({
  label,
  options: list.map((value) => ({ value: value as string, label: actionKind(value).name })),
}));
const varies = ref(props.action.vary !== null);

const set = (change: object, gesture: string | null = null): void =>
  emit('change', { ...props.action, ...change } as Action, gesture && `${gesture}-${props.action.id}`);
/** What has nothing to do with the kind stays as it was. */
const setKind = (kind: ActionKind): void => {
  const { id, targets, delay, vary } = props.action;
  const fresh = newAction(id, kind, targets[0] ?? null);
  emit('change', { ...fresh, delay, vary, ...(actsOnObjects(kind) ? { targets } : {}) } as Action, null);
};
const onObjects = computed(() => actsOnObjects(props.action.kind));
const selection = computed(() => desk.selection.filter((id) => !props.action.targets.includes(id)));
const addSelected = (): void => set({ targets: [...props.action.targets, ...selection.value] });
</script>

<template>
  <div class="editor">
    <div class="line">
      <ChoiceField
        label="What happens"
        :value="action.kind"
        :options="kinds"
        @change="(v) => setKind(v as ActionKind)"
      />
      <SelectField
        v-if="onObjects"
        name="Target"
        mode="multiple"
        class="targets"
        option-filter-prop="label"
        :max-tag-count="3"
        :dropdown-match-select-width="false"
        :value="action.targets as unknown as string[]"
        :options="choices.objects.value as never"
        placeholder="Choose what"
        :status="action.targets.length > 0 ? undefined : 'error'"
        not-found-content="Nothing yet: place something first"
        @change="(v: unknown) => set({ targets: v as ObjectId[] })"
      />
      <WordButton v-if="onObjects && selection.length > 0" @click="addSelected">
        + {{ selection.length === 1 ? 'what is selected' : `${selection.length} selected` }}
      </WordButton>
      <span class="grow" />
      <IconButton aria-label="Remove action" @click="emit('remove')">
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <ActionAmount :action="action" @change="(change, gesture) => set(change, gesture)" />
    <TimingFields
      :action="action"
      :begins="beat ? beat.begins : null"
      @change="(change, gesture) => set(change, gesture)"
      @begins="(share) => emit('begins', share)"
    />
    <template v-if="onObjects && action.targets.length > 1">
      <ChipButton
        :aria-pressed="action.vary !== null"
        @click="
          varies = action.vary === null;
          set({ vary: varies ? { seed: 1, delay: 0.6, speed: 0.2, amount: 0.2 } : null });
        "
      >
        Vary: each a little otherwise
      </ChipButton>
      <VaryFields
        v-if="action.vary"
        :vary="action.vary"
        @change="(vary, gesture) => set({ vary }, gesture)"
      />
    </template>
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 8px;
  justify-items: start;
  width: 100%;
  padding: 8px;
  margin-bottom: 4px;
  border: 1px solid var(--line2);
  border-radius: 6px;
  background: var(--sheet);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  width: 100%;
}
.targets {
  min-width: 150px;
  max-width: 300px;
}
</style>
