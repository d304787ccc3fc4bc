<script setup lang="ts">
/** The Stack: the effect's objects by what they stick to; the selected one opens where it stands. */
import { computed, nextTick, onBeforeUnmount, onMounted, provide, ref, watch } from 'vue';
import { Search } from '@lucide/vue';
import { useVirtualizer } from '@tanstack/vue-virtual';
import { monitorForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
import { autoScrollForElements } from '@atlaskit/pragmatic-drag-and-drop-auto-scroll/element';
import { handAnchor, headAnchor, onWholeFace } from '../../../core/kinds/objects/placed';
import { addScene } from '../../../core/edits/scene-edits';
import type { Anchor, HandChoice, ObjectId, SceneId, SurfaceKind } from '../../../core/document/schema';
import { clearSamples, samplesIn } from '../../../core/edits/sample-edits';
import { laneOf, stackRows, type StackRow } from '../../../core/document/stack-rows';
import { newSceneId } from '../../api/ids';
import { addPrintedPicture, destination, sceneNow } from '../../commands/place-commands';
import { EMPTY_WORDS } from '../../words';
import type { DropSpot } from '../../intake/drop-spots';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import AddMenu from './AddMenu.vue';
import LaneRow from './LaneRow.vue';
import ManySelected from './ManySelected.vue';
import ObjectRow from './ObjectRow.vue';
import SceneBar from './SceneBar.vue';
import { STACK_ACTIONS } from './stack-actions';
import TargetFields from './TargetFields.vue';
import { whereOf, type RowData } from './use-row-drag';
import { forNew, useStackMoves } from './use-stack-moves';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

defineProps<{ stage: string }>();
const emit = defineEmits<{ choose: [anchor: Anchor | null]; chooseFor: [spot: DropSpot] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();

const folded = ref<ReadonlySet<ObjectId>>(new Set());
const fold = (id: ObjectId): void => {
  const next = new Set(folded.value);
  if (!next.delete(id)) next.add(id);
  folded.value = next;
};
const openLanes = ref<readonly Anchor[]>([]);
const finding = ref(false);
const find = ref('');
const settings = ref<string | null>(null);
const rows = computed(() =>
  stackRows(effectStore.effect, {
    scene: sceneNow(),
    folded: folded.value,
    open: openLanes.value,
    find: finding.value ? find.value : '',
  }),
);
const isEmpty = computed(
  () => Object.keys(effectStore.effect.objects).length === 0 && rows.value.length === 0,
);
const samples = computed(() => samplesIn(effectStore.effect).length);
/** What the effect was begun for, where new things go while nothing is selected. */
const landing = computed(() => destination(null, null, null).anchor);

const list = ref<HTMLElement | null>(null);
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => list.value,
    estimateSize: () => 30,
    overscan: 10,
    getItemKey: (i: number) => rows.value[i]?.key ?? i,
  })),
);
const measure = (element: unknown): void => {
  if (element instanceof Element) virtual.value.measureElement(element);
};
/** What is selected elsewhere is brought into sight. */
const reveal = async (id: ObjectId): Promise<void> => {
  await nextTick();
  const at = rows.value.findIndex((r) => r.kind === 'object' && r.object.id === id);
  const box = list.value?.querySelector(`[data-object="${id}"]`)?.getBoundingClientRect();
  const frame = list.value?.getBoundingClientRect();
  if (at >= 0 && (!box || !frame || box.bottom < frame.top + 8 || box.top > frame.bottom - 60))
    virtual.value.scrollToIndex(at, { align: 'auto' });
};
watch(
  () => desk.selected,
  (id) => {
    if (!id) return;
    // A group that is folded up opens for what is selected in it.
    const unfolded = new Set(folded.value);
    for (let o = effectStore.effect.objects[id]; o?.parent; o = effectStore.effect.objects[o.parent])
      unfolded.delete(o.parent);
    if (unfolded.size !== folded.value.size) folded.value = unfolded;
    void reveal(id);
  },
  { immediate: true },
);

const objectRows = computed(() => rows.value.filter((r) => r.kind === 'object'));
const choose = (event: MouseEvent, row: Extract<StackRow, { kind: 'object' }>): void => {
  const { id } = row.object;
  if (event.ctrlKey || event.metaKey) return desk.toggleSelected(id);
  if (event.shiftKey && desk.selected) {
    const ids = objectRows.value.map((r) => r.object.id);
    const [a, b] = [ids.indexOf(desk.selected), ids.indexOf(id)];
    if (a >= 0) {
      const range = ids.slice(Math.min(a, b), Math.max(a, b) + 1);
      // The one that was clicked is the one that is asked about.
      desk.selection = [...range.filter((one) => one !== id), id];
      return;
    }
  }
  desk.selected = id;
};
const go = async (row: Extract<StackRow, { kind: 'object' }>, by: number): Promise<void> => {
  const at = objectRows.value.findIndex((r) => r.object.id === row.object.id);
  const next = objectRows.value[at + by];
  if (!next) return;
  desk.selected = next.object.id;
  await reveal(next.object.id);
  await nextTick();
  list.value?.querySelector<HTMLElement>(`[data-object="${next.object.id}"]`)?.focus();
};

const { shift, dropOn } = useStackMoves(rows, folded);

let stop = (): void => {};
onMounted(() => {
  const stopMonitor = monitorForElements({
    canMonitor: ({ source }) => 'row' in source.data,
    onDrop: ({ source, location }) => {
      const target = location.current.dropTargets[0];
      const where = target ? whereOf(target.data) : null;
      const dragged = (source.data as RowData).row;
      if (!target || !where || dragged.kind !== 'object') return;
      const { id } = dragged.object;
      const ids = desk.selection.includes(id) ? desk.selection : [id];
      dropOn(ids, (target.data as RowData).row, where);
    },
  });
  const stopScroll = autoScrollForElements({ element: list.value! });
  stop = () => {
    stopMonitor();
    stopScroll();
  };
});
onBeforeUnmount(() => stop());

const openLane = (key: string): void => {
  const [kind, detail] = key.split(' ');
  if (kind === 'picture') {
    settings.value = `lane picture ${addPrintedPicture()}`;
    return;
  }
  const face = detail === 'every' ? 'every' : Number(detail);
  const anchor: Anchor =
    kind === 'head'
      ? headAnchor('forehead', face)
      : kind === 'skin'
        ? onWholeFace(face)
        : kind === 'hand'
          ? handAnchor('palm', detail as HandChoice)
          : kind === 'world'
            ? { kind: 'world', surface: detail as SurfaceKind }
            : kind === 'screen'
              ? { kind: 'screen', pin: 'centre' }
              : { kind: 'backdrop' };
  openLanes.value = [...openLanes.value.filter((a) => laneOf(a) !== laneOf(anchor)), anchor];
};
provide(STACK_ACTIONS, {
  chooseFiles: (anchor) => emit('choose', anchor),
  shift,
  chooseFor: (spot) => emit('chooseFor', spot),
  addScene: () => {
    const made: SceneId[] = [];
    if (effectStore.edit(addScene(effectStore.effect, newSceneId, made))) desk.scene = made[0] ?? null;
  },
  openLane,
  forNew,
});
const targetOf = (anchor: Anchor) =>
  anchor.kind === 'picture' ? effectStore.effect.targets[anchor.target] : undefined;
</script>

<template>
  <section class="stack" aria-label="Stack">
    <div class="head">
      <h2>Stack</h2>
      <IconButton aria-label="Find in the Stack" :aria-pressed="finding" @click="finding = !finding">
        <Search :size="14" />
      </IconButton>
      <AddMenu><WordButton>+ Add object</WordButton></AddMenu>
    </div>
    <SceneBar />
    <div v-if="finding" class="find">
      <a-input
        v-model:value="find"
        size="small"
        placeholder="Find by name"
        aria-label="Find by name"
        allow-clear
        autofocus
      />
    </div>
    <div v-if="samples > 0" class="samples">
      <span class="soft"
        >{{ samples }} {{ samples === 1 ? 'sample is' : 'samples are' }} there to be replaced.</span
      >
      <WordButton @click="effectStore.edit(clearSamples(effectStore.effect))"> Clear the samples </WordButton>
    </div>
    <div ref="list" class="list">
      <div v-if="isEmpty" class="empty soft">
        <p>{{ EMPTY_WORDS[landing.kind].nothing }}</p>
        <p>
          Drop pictures, layered artwork or models here, or
          <WordButton @click="$emit('choose', null)">choose a file</WordButton>.
          {{ EMPTY_WORDS[landing.kind].then }}
        </p>
      </div>
      <p v-else-if="rows.length === 0" class="none soft">No object is called that.</p>
      <div class="rows" role="list" :style="{ height: `${virtual.getTotalSize()}px` }">
        <div
          v-for="item in virtual.getVirtualItems()"
          :key="String(item.key)"
          :ref="measure as never"
          role="listitem"
          class="row-place"
          :data-index="item.index"
          :style="{ transform: `translateY(${item.start}px)` }"
        >
          <template v-for="row in [rows[item.index]!]" :key="row.key">
            <ObjectRow
              v-if="row.kind === 'object'"
              :row="row"
              :stage="stage"
              :open="desk.selection.length === 1 && row.object.id === desk.selected"
              :selected="desk.selection.includes(row.object.id)"
              :folded="folded.has(row.object.id)"
              @shift="(by) => shift(row.object.id, by)"
              @go="(by) => go(row, by)"
              @fold="fold(row.object.id)"
              @choose="(event) => choose(event, row)"
            />
            <template v-else>
              <LaneRow
                :row="row"
                :settings-open="settings === row.key"
                @settings="settings = settings === row.key ? null : row.key"
              />
              <TargetFields
                v-if="settings === row.key && targetOf(row.anchor)"
                :target="targetOf(row.anchor)!"
                @close="settings = null"
              />
            </template>
          </template>
        </div>
      </div>
    </div>
    <ManySelected v-if="desk.selection.length > 1" />
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
  align-items: center;
  gap: 8px;
  padding: 12px 16px 6px;
}
.head h2 {
  flex: 1;
}
.find,
.samples {
  padding: 0 16px 6px;
}
.samples {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  font-size: 12px;
}
.list {
  overflow: auto;
  flex: 1;
  padding-bottom: 24px;
}
.rows {
  position: relative;
}
.row-place {
  position: absolute;
  inset: 0 0 auto;
}
.none {
  margin: 12px 16px;
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
