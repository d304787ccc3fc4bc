<script setup lang="ts">
/** What can happen, in groups; what cannot happen to those it is for says why. */
import { computed } from 'vue';
import type { ActionKind, ObjectId } from '../../../../../core/document/schema';
import { reachedBy } from '../../../../../core/document/behaviour-queries';
import { ACTIONS_BY_GROUP, actionKind, newAction, unsuited } from '../../../../../core/kinds/actions/actions';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import WordButton from '../../../common/WordButton.vue';

const props = defineProps<{
  label: string;
  /** What it will act on; none yet leaves everything open. */
  targets: readonly ObjectId[];
}>();
const emit = defineEmits<{ choose: [kind: ActionKind, targets: readonly ObjectId[]] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();

/** Why a kind can do nothing to any of them; null where it can, or nobody can say yet. */
const whyNot = (kind: ActionKind, ids: readonly ObjectId[]): string | null => {
  const { effect } = effectStore;
  const objects = ids.flatMap((id) => effect.objects[id] ?? []);
  const action = { ...newAction('menu', kind, null), targets: objects.map((o) => o.id) };
  const [first] = objects;
  // A sound that has no file yet can get one.
  const isOpen = objects.some((o) => o.kind === 'sound' && o.asset === null);
  if (!first || isOpen || actionKind(kind).actsOn === 'effect') return null;
  if (reachedBy(effect, action).some((o) => unsuited(action, o, effect.assets) === null)) return null;
  return `${first.name} ${unsuited(action, first, effect.assets) ?? 'holds nothing that can do this'}`;
};
/** What they cannot do, what is selected may. */
const offer = (kind: ActionKind) => {
  const { name } = actionKind(kind);
  const why = whyNot(kind, props.targets);
  const selected = desk.selection;
  if (why === null || selected.length === 0 || whyNot(kind, selected) !== null)
    return { kind, name, why, note: why, targets: props.targets };
  const who =
    selected.length > 1 ? `${selected.length} objects` : effectStore.effect.objects[selected[0]!]?.name;
  return { kind, name, why: null, note: `for ${who}`, targets: selected };
};
const groups = computed(() => ACTIONS_BY_GROUP.map(([title, kinds]) => ({ title, kinds: kinds.map(offer) })));
const choose = (kind: ActionKind): void => emit('choose', kind, offer(kind).targets);
</script>

<template>
  <a-dropdown :trigger="['click']">
    <WordButton>{{ label }}</WordButton>
    <template #overlay>
      <a-menu class="menu" @click="({ key }: { key: string | number }) => choose(key as ActionKind)">
        <a-menu-item-group v-for="group in groups" :key="group.title" :title="group.title">
          <a-menu-item v-for="{ kind, name, why, note } in group.kinds" :key="kind" :disabled="why !== null">
            {{ name }}{{ ' ' }}<small v-if="note" class="why">{{ note }}</small>
          </a-menu-item>
        </a-menu-item-group>
      </a-menu>
    </template>
  </a-dropdown>
</template>

<style scoped>
.menu {
  max-height: 380px;
  max-width: 320px;
  overflow: auto;
}
.why {
  display: block;
  white-space: normal;
}
</style>
