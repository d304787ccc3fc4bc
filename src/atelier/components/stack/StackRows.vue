<script setup lang="ts">
/** Objects that hang in the same group, or in none, in the order in which they cover each other. */
import { VueDraggable } from 'vue-draggable-plus';
import type { EffectObject, ObjectId } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import ObjectRow from './ObjectRow.vue';

const props = defineProps<{
  objects: readonly EffectObject[];
  tree: ReadonlyMap<ObjectId | null, readonly EffectObject[]>;
  stage: string;
  /** Groups that are folded up. */
  folded: ReadonlySet<ObjectId>;
}>();
const emit = defineEmits<{ reorder: [ids: readonly ObjectId[]]; fold: [id: ObjectId] }>();
const desk = useDeskStore();
const childrenOf = (object: EffectObject): readonly EffectObject[] =>
  object.kind === 'group' && !props.folded.has(object.id) ? (props.tree.get(object.id) ?? []) : [];
const shift = (object: EffectObject, by: number): void => {
  const ids = props.objects.map((o) => o.id);
  const at = ids.indexOf(object.id);
  const to = at + by;
  if (to < 0 || to >= ids.length) return;
  ids.splice(to, 0, ...ids.splice(at, 1));
  emit('reorder', ids);
};
</script>

<template>
  <VueDraggable
    :model-value="[...objects]"
    :animation="100"
    handle=".grip"
    tag="ul"
    class="rows"
    @update:model-value="
      (list: EffectObject[]) =>
        emit(
          'reorder',
          list.map((o) => o.id),
        )
    "
  >
    <li v-for="object in objects" :key="object.id">
      <ObjectRow
        :object="object"
        :stage="stage"
        :open="object.id === desk.selected"
        :members="object.kind === 'group' ? (tree.get(object.id)?.length ?? 0) : null"
        :folded="folded.has(object.id)"
        @shift="(by) => shift(object, by)"
        @fold="emit('fold', object.id)"
      />
      <StackRows
        v-if="childrenOf(object).length > 0"
        class="inner"
        :objects="childrenOf(object)"
        :tree="tree"
        :stage="stage"
        :folded="folded"
        @reorder="(ids) => emit('reorder', ids)"
        @fold="(id) => emit('fold', id)"
      />
    </li>
  </VueDraggable>
</template>

<style scoped>
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.inner {
  margin-left: 16px;
  border-left: 1px solid var(--line2);
}
</style>
