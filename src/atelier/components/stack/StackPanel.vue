<script setup lang="ts">
/** The Stack: the effect's objects by what they stick to; the selected one opens where it stands. */
import { computed, ref } from 'vue';
import { addObject, reorderObjects } from '../../../core/document/edits';
import { newGroup, newOccluder } from '../../../core/document/defaults';
import { orderOnTop, stackTree } from '../../../core/document/queries';
import type { ObjectId } from '../../../core/document/schema';
import { newObjectId } from '../../api/ids';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import StackRows from './StackRows.vue';

defineProps<{ stage: string }>();
const emit = defineEmits<{ choose: [] }>();
const document = useEffectStore();
const desk = useDeskStore();

const tree = computed(() => stackTree(document.effect));
const objects = computed(() => tree.value.get(null)!);
/** One lane an anchor; faces apart. */
const lanes = computed(() => {
  const faces = [...new Set(objects.value.map((o) => o.anchor.face))].sort();
  return faces.map((face) => ({
    face,
    label: `Head · face ${face}`,
    objects: objects.value.filter((o) => o.anchor.face === face),
  }));
});
/** Ids of a lane or group in their new order; the other lanes keep theirs. */
const reorder = (ids: readonly ObjectId[]): void => {
  const moved = new Set(ids);
  const inLane = lanes.value.some((l) => l.objects.some((o) => moved.has(o.id)));
  if (!inLane) return document.edit(reorderObjects(ids));
  const all = lanes.value.flatMap((l) =>
    l.objects.some((o) => moved.has(o.id)) ? ids : l.objects.map((o) => o.id),
  );
  document.edit(reorderObjects(all));
};
const folded = ref<ReadonlySet<ObjectId>>(new Set());
const fold = (id: ObjectId): void => {
  const next = new Set(folded.value);
  if (!next.delete(id)) next.add(id);
  folded.value = next;
};
const hasOccluder = computed(() => Object.values(document.effect.objects).some((o) => o.kind === 'occluder'));
const addOccluder = (): void => {
  const occluder = newOccluder(newObjectId(), orderOnTop(document.effect));
  document.edit(addObject(occluder));
  desk.selected = occluder.id;
};
const onMenu = ({ key }: { key: string | number }): void => {
  if (key === 'picture') emit('choose');
  if (key === 'occluder') addOccluder();
  if (key === 'group') addGroup();
  if (key === 'library') desk.openLibrary();
  if (key === 'stock') desk.openLibrary({ tab: 'stock' });
};
const addGroup = (): void => {
  const group = newGroup(newObjectId(), 'Group', orderOnTop(document.effect));
  document.edit(addObject(group));
  desk.selected = group.id;
};
</script>

<template>
  <section class="stack" aria-label="Stack">
    <div class="head">
      <h2>Stack</h2>
      <a-dropdown :trigger="['click']" placement="bottomRight">
        <button class="word" type="button">+ Add object</button>
        <template #overlay>
          <a-menu @click="onMenu">
            <a-menu-item key="picture">Files: pictures, artwork, models...</a-menu-item>
            <a-menu-item key="library">Something from the library</a-menu-item>
            <a-menu-item key="stock">Something from the stock</a-menu-item>
            <a-menu-item key="group">Empty group</a-menu-item>
            <a-menu-item key="occluder" :disabled="hasOccluder"
              >Head occluder: hides what is behind the head</a-menu-item
            >
          </a-menu>
        </template>
      </a-dropdown>
    </div>
    <div class="list">
      <div v-if="objects.length === 0" class="empty soft">
        <p>Nothing is on the face yet.</p>
        <p>
          Drop pictures, layered artwork or models here, or
          <button class="word" type="button" @click="$emit('choose')">choose a file</button>. A picture
          becomes a card on the forehead, a model sits on the head; then move it where you want it.
        </p>
      </div>
      <div v-for="lane in lanes" :key="lane.face">
        <div class="lane">{{ lane.label }}</div>
        <StackRows
          :objects="lane.objects"
          :tree="tree"
          :stage="stage"
          :folded="folded"
          @reorder="reorder"
          @fold="fold"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.stack {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--sheet);
  border-right: 1px solid var(--line);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 12px 16px 6px;
}
.list {
  overflow: auto;
  flex: 1;
  padding-bottom: 24px;
}
.lane {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 8px 16px 4px;
  font: 600 11.5px var(--text);
  color: var(--soft);
}
.lane::after {
  content: '';
  flex: 1;
  border-top: 1px solid var(--line2);
}
.empty {
  margin: 12px 16px;
  padding: 20px 16px;
  border: 1px dashed var(--line);
  border-radius: 8px;
  display: grid;
  gap: 6px;
}
</style>
