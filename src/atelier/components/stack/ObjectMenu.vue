<script setup lang="ts">
/** What else can be done to what is selected. */
import { computed } from 'vue';
import { kindOf } from '../../../core/kinds/objects/objects';
import { putPartsBack } from '../../commands/part-commands';
import { materialIdsOf } from '../../../core/document/material-queries';
import { sceneOrder } from '../../../core/document/queries';
import type { FaceChoice, SceneId } from '../../../core/document/schema';
import {
  changeSelected,
  copySelectedToFace,
  duplicateSelected,
  groupSelected,
  mirrorCopySelected,
  mirrorSelected,
  selectedObjects,
  toggleIsolated,
  ungroupSelected,
} from '../../commands/object-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { useStackActions } from './stack-actions';

const desk = useDeskStore();
const effectStore = useEffectStore();
const objects = computed(() => selectedObjects());
const onFace = computed(() =>
  objects.value.some((o) => o.anchor.kind === 'head' || o.anchor.kind === 'skin'),
);
const parts = computed(() => objects.value.filter((o) => kindOf(o).isPart));
const scenes = computed(() => sceneOrder(effectStore.effect));

const stack = useStackActions();
const shift = (by: 1 | -1): void => {
  const [object] = objects.value;
  if (object) stack.shift(object.id, by);
};
const ACTIONS: Record<string, () => void> = {
  up: () => shift(-1),
  down: () => shift(1),
  own: () => duplicateSelected('own'),
  none: () => duplicateSelected('none'),
  material: () => duplicateSelected('shared', 'own'),
  group: groupSelected,
  putBack: () => putPartsBack(parts.value.map((o) => o.id)),
  ungroup: ungroupSelected,
  mirror: mirrorSelected,
  mirrorCopy: mirrorCopySelected,
  isolate: toggleIsolated,
  spread: () => (desk.place.tool = 'spread'),
  arrange: () => (desk.place.tool = 'arrange'),
};
const run = ({ key }: { key: string | number }): void => {
  const [kind, detail] = String(key).split(' ');
  if (kind === 'face') copySelectedToFace((Number(detail) || detail) as FaceChoice);
  else if (kind === 'scene')
    changeSelected(() => ({ scene: detail === 'all' ? null : (detail as SceneId) }), 'Put into a scene');
  else ACTIONS[kind!]?.();
};
</script>

<template>
  <a-dropdown :trigger="['click']" placement="topLeft">
    <slot />
    <template #overlay>
      <a-menu @click="run">
        <template v-if="objects.length === 1">
          <a-menu-item key="up">One row up <small class="keys">Alt ↑</small></a-menu-item>
          <a-menu-item key="down">One row down <small class="keys">Alt ↓</small></a-menu-item>
          <a-menu-divider />
        </template>
        <template v-if="parts.length === 0">
          <a-menu-item key="own">Duplicate with cues of its own</a-menu-item>
          <a-menu-item key="none">Duplicate without cues</a-menu-item>
          <a-menu-item v-if="objects.some((o) => materialIdsOf(o).length > 0)" key="material"
            >Duplicate with materials of its own</a-menu-item
          >
          <a-menu-divider />
          <a-menu-item key="spread">Spread copies...</a-menu-item>
        </template>
        <template v-else>
          <a-menu-item key="putBack">Put back into the model</a-menu-item>
          <a-menu-item disabled>A model has each part once: copy the model</a-menu-item>
          <a-menu-divider />
        </template>
        <a-menu-item v-if="objects.length > 1" key="arrange">Align and distribute...</a-menu-item>
        <a-menu-item key="mirror">Mirror left and right</a-menu-item>
        <template v-if="parts.length === 0">
          <a-menu-item key="mirrorCopy">Mirrored copy on the other side</a-menu-item>
          <a-menu-item v-for="n in onFace ? [1, 2, 3, 4] : []" :key="`face ${n}`"
            >Copy to face {{ n }}</a-menu-item
          >
          <a-menu-divider />
          <a-menu-item key="group">Group</a-menu-item>
        </template>
        <a-menu-item v-if="objects.some((o) => o.kind === 'group')" key="ungroup"
          >Take the group apart</a-menu-item
        >
        <a-menu-item key="isolate">{{ desk.isolated ? 'See everything again' : 'See it alone' }}</a-menu-item>
        <template v-if="scenes.length > 0">
          <a-menu-divider />
          <a-menu-item v-for="s in scenes" :key="`scene ${s.id}`">Only in {{ s.name }}</a-menu-item>
          <a-menu-item key="scene all">In every scene</a-menu-item>
        </template>
      </a-menu>
    </template>
  </a-dropdown>
</template>
