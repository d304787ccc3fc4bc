<script setup lang="ts">
/** The Stack: the effect's objects by what they stick to; the selected one opens where it stands. */
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { addObject, reorderObjects } from '../../../core/document/edits';
import { newOccluder } from '../../../core/document/defaults';
import { orderOnTop, stackOrder } from '../../../core/document/queries';
import type { EffectObject } from '../../../core/document/schema';
import { newObjectId } from '../../api/ids';
import { useAssetsStore } from '../../stores/assets';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import ObjectRow from './ObjectRow.vue';

defineProps<{ stage: string }>();
const emit = defineEmits<{ choose: [] }>();
const document = useEffectStore();
const desk = useDeskStore();
const assets = useAssetsStore();

const objects = computed(() => stackOrder(document.effect));
/** One lane an anchor; faces apart. */
const lanes = computed(() => {
  const faces = [...new Set(objects.value.map((o) => o.anchor.face))].sort();
  return faces.map((face) => ({
    face,
    label: `Head · face ${face}`,
    objects: objects.value.filter((o) => o.anchor.face === face),
  }));
});
const reorder = (lane: { face: number }, list: EffectObject[]): void => {
  const ids = lanes.value.flatMap((l) => (l.face === lane.face ? list : l.objects)).map((o) => o.id);
  document.edit(reorderObjects(ids));
};
const shift = (object: EffectObject, by: number): void => {
  const ids = objects.value.map((o) => o.id);
  const at = ids.indexOf(object.id);
  const to = at + by;
  if (to < 0 || to >= ids.length) return;
  ids.splice(to, 0, ...ids.splice(at, 1));
  document.edit(reorderObjects(ids));
};
const hasOccluder = computed(() => objects.value.some((o) => o.kind === 'occluder'));
const addOccluder = (): void => {
  const occluder = newOccluder(newObjectId(), orderOnTop(document.effect));
  document.edit(addObject(occluder));
  desk.selected = occluder.id;
};
const onMenu = ({ key }: { key: string | number }): void => {
  if (key === 'picture') emit('choose');
  if (key === 'occluder') addOccluder();
};
const drop = async (event: DragEvent): Promise<void> => {
  const files = event.dataTransfer?.files;
  if (!files?.length) return;
  const last = await assets.bringInAsCards(files);
  if (last) desk.selected = last;
};
</script>

<template>
  <section class="stack" aria-label="Stack" @dragover.prevent @drop.prevent="drop">
    <div class="head">
      <h2>Stack</h2>
      <a-dropdown :trigger="['click']" placement="bottomRight">
        <button class="word" type="button">+ Add object</button>
        <template #overlay>
          <a-menu @click="onMenu">
            <a-menu-item key="picture">Picture on the face</a-menu-item>
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
          Drop a PNG, JPEG or WebP here, or
          <button class="word" type="button" @click="$emit('choose')">choose a picture</button>. It becomes a
          card on the forehead; then move it where you want it.
        </p>
      </div>
      <div v-for="lane in lanes" :key="lane.face">
        <div class="lane">{{ lane.label }}</div>
        <VueDraggable
          :model-value="lane.objects"
          :animation="100"
          handle=".grip"
          tag="ul"
          class="rows"
          @update:model-value="(list: EffectObject[]) => reorder(lane, list)"
        >
          <li v-for="object in lane.objects" :key="object.id">
            <ObjectRow
              :object="object"
              :stage="stage"
              :open="object.id === desk.selected"
              @shift="(by) => shift(object, by)"
            />
          </li>
        </VueDraggable>
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
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
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
