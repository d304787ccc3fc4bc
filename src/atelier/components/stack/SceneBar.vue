<script setup lang="ts">
/** The scenes of an effect: which one is worked on, and which one opens it. */
import { computed, ref } from 'vue';
import { DoorOpen, Ellipsis } from '@lucide/vue';
import { sceneOrder } from '../../../core/document/queries';
import { changeScene, openWith, removeScene } from '../../../core/edits/scene-edits';
import type { EffectScene } from '../../../core/document/schema';
import { sceneNow } from '../../commands/place-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { useStackActions } from './stack-actions';
import { cutText } from '../../../core/text';
import TextField from '../common/TextField.vue';
import ChipButton from '../common/ChipButton.vue';
import IconButton from '../common/IconButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const actions = useStackActions();
const scenes = computed(() => sceneOrder(effectStore.effect));
const current = computed(() => sceneNow());
const naming = ref<string | null>(null);
const opens = (scene: EffectScene): boolean => effectStore.effect.openingScene === scene.id;

const rename = (scene: EffectScene, text: string): void => {
  const name = cutText(text.trim(), 80);
  if (name && name !== scene.name) effectStore.edit(changeScene(scene.id, { name }));
};
const run = (scene: EffectScene, key: string | number): void => {
  if (key === 'open') effectStore.edit(openWith(scene.id));
  if (key === 'rename') naming.value = scene.id;
  if (key === 'add') actions.addScene();
  if (key === 'delete') {
    effectStore.edit(removeScene(effectStore.effect, scene.id));
    desk.scene = null;
  }
};
</script>

<template>
  <div v-if="scenes.length > 0" class="scenes" role="group" aria-label="Scenes">
    <template v-for="scene in scenes" :key="scene.id">
      <TextField
        v-if="naming === scene.id"
        class="rename"
        label="Name of the scene"
        chosen
        :value="scene.name"
        :most="80"
        @change="(text) => rename(scene, text)"
        @done="naming = null"
      />
      <ChipButton
        v-else
        :aria-pressed="current === scene.id"
        @click="desk.scene = scene.id"
        @dblclick="naming = scene.id"
      >
        <DoorOpen v-if="opens(scene)" :size="12" aria-label="Opening scene" /> {{ scene.name }}
      </ChipButton>
      <a-dropdown v-if="current === scene.id" :trigger="['click']">
        <IconButton :aria-label="`More for ${scene.name}`">
          <Ellipsis :size="13" />
        </IconButton>
        <template #overlay>
          <a-menu @click="({ key }: { key: string | number }) => run(scene, key)">
            <a-menu-item key="open" :disabled="opens(scene)">The effect opens with it</a-menu-item>
            <a-menu-item key="rename">Rename</a-menu-item>
            <a-menu-item key="add">Another scene</a-menu-item>
            <a-menu-item key="delete">Delete it and what is only in it</a-menu-item>
          </a-menu>
        </template>
      </a-dropdown>
    </template>
  </div>
</template>

<style scoped>
.scenes {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
  padding: 0 16px 6px;
}
.chip svg {
  vertical-align: -2px;
}
.ant-input.rename {
  width: 110px;
}
</style>
