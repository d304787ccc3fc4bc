<script setup lang="ts">
/** One object in the Stack: a row, or open with the fields of the stage. */
import { computed, nextTick, ref } from 'vue';
import {
  Box,
  ChevronDown,
  ChevronRight,
  Copy,
  Eye,
  EyeOff,
  Film,
  Group,
  Image,
  ScanFace,
  Trash2,
  TriangleAlert,
} from '@lucide/vue';
import { changeObject } from '../../../core/document/edits';
import { cuesActingOn, isShowing, parentOf } from '../../../core/document/queries';
import type { EffectObject } from '../../../core/document/schema';
import { duplicateSelected, removeSelected, toggleVisible } from '../../commands/object-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { POINT_WORDS, TRIGGER_WORDS } from '../../words';
import PlaceFields from './PlaceFields.vue';
import StyleFields from './StyleFields.vue';
import BehaveFields from './BehaveFields.vue';

const props = defineProps<{
  object: EffectObject;
  stage: string;
  open: boolean;
  /** How many objects hang in it; null when it is no group. */
  members: number | null;
  folded: boolean;
}>();
const emit = defineEmits<{ shift: [by: number]; fold: [] }>();
const document = useEffectStore();
const desk = useDeskStore();
const naming = ref(false);
const input = ref<HTMLInputElement | null>(null);

/** The asset of an object that shows one; null when it was deleted. */
const asset = computed(() =>
  isShowing(props.object) ? (document.effect.assets[props.object.asset] ?? null) : undefined,
);
const icon = computed(() => {
  if (props.object.kind === 'card') return asset.value?.kind === 'sequence' ? Film : Image;
  return { model: Box, group: Group, occluder: ScanFace }[props.object.kind];
});
const place = computed(() => {
  if (props.object.kind === 'occluder') return props.open ? '' : 'hides what is behind';
  const members = props.members === null ? '' : `${props.members} in it`;
  return parentOf(document.effect, props.object)
    ? members
    : members || POINT_WORDS[props.object.anchor.point];
});
const aside = computed(() => {
  if (asset.value === null) return 'its asset is gone';
  if (props.open) return place.value;
  const cue = cuesActingOn(document.effect, props.object.id)[0];
  return cue ? `when ${TRIGGER_WORDS[cue.trigger.kind]}` : place.value;
});

const startNaming = async (): Promise<void> => {
  naming.value = true;
  await nextTick();
  input.value?.select();
};
const rename = (event: Event): void => {
  if (!naming.value) return;
  naming.value = false;
  const name = (event.target as HTMLInputElement).value.trim();
  if (name && name !== props.object.name)
    document.edit(changeObject(document.effect, props.object.id, { name }, 'Rename'));
};
</script>

<template>
  <div class="object" :class="{ open, off: !object.visible }">
    <div class="line">
      <span class="grip" aria-hidden="true" :title="`Drag to reorder`"
        ><component :is="icon" :size="13"
      /></span>
      <button
        v-if="members !== null"
        class="icon-button fold"
        type="button"
        :aria-label="folded ? `Unfold ${object.name}` : `Fold ${object.name}`"
        :aria-expanded="!folded"
        @click="emit('fold')"
      >
        <ChevronRight v-if="folded" :size="14" /><ChevronDown v-else :size="14" />
      </button>
      <input
        v-if="naming"
        ref="input"
        class="rename"
        :value="object.name"
        maxlength="80"
        aria-label="Name of the object"
        @blur="rename"
        @keydown.enter="rename"
        @keydown.escape="naming = false"
      />
      <button
        v-else
        class="name cut"
        type="button"
        :aria-expanded="open"
        :title="open ? 'Double-click to rename' : object.name"
        @click="desk.selected = object.id"
        @dblclick="startNaming"
        @keydown.f2="startNaming"
        @keydown.alt.up.prevent="emit('shift', -1)"
        @keydown.alt.down.prevent="emit('shift', 1)"
      >
        {{ object.name }}
      </button>
      <TriangleAlert v-if="asset === null" class="bad" :size="13" aria-label="Its asset was deleted" />
      <em class="cut" :class="{ accent: open, bad: asset === null }">{{ aside }}</em>
      <button
        class="icon-button"
        type="button"
        :aria-label="object.visible ? `Hide ${object.name}` : `Show ${object.name}`"
        :aria-pressed="!object.visible"
        @click="toggleVisible(object.id)"
      >
        <Eye v-if="object.visible" :size="14" /><EyeOff v-else :size="14" />
      </button>
    </div>
    <template v-if="open">
      <PlaceFields v-if="stage === 'place'" :object="object" />
      <StyleFields v-else-if="stage === 'style'" :object="object" />
      <BehaveFields v-else-if="stage === 'behave'" :object="object" />
      <div class="tools">
        <button class="word" type="button" @click="startNaming">Rename</button>
        <button class="word" type="button" @click="duplicateSelected"><Copy :size="12" /> Duplicate</button>
        <button class="word bad" type="button" @click="removeSelected"><Trash2 :size="12" /> Delete</button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 30px;
  padding: 0 12px 0 24px;
}
.grip {
  display: grid;
  place-items: center;
  flex: none;
  width: 22px;
  height: 22px;
  border-radius: 5px;
  background: var(--line2);
  color: var(--soft);
  cursor: grab;
}
.name {
  flex: 1 1 auto;
  min-width: 60px;
  text-align: left;
  border: 0;
  background: none;
  padding: 4px 2px;
  color: inherit;
  font: 500 13px var(--text);
  cursor: pointer;
}
.rename {
  flex: 1;
  min-width: 0;
  font: 600 13px var(--text);
  padding: 2px 4px;
  border: 1px solid var(--accent);
  border-radius: 4px;
  background: var(--sheet);
  color: inherit;
}
em {
  flex: 0 1 auto;
  font-style: normal;
  font-size: 11.5px;
  color: var(--faint);
}
.fold {
  margin: 0 -6px 0 -4px;
}
.off .name {
  color: var(--faint);
}
.open {
  margin: 4px 10px 6px;
  padding: 6px 12px 8px;
  border: 1.5px solid var(--accent);
  border-radius: 8px;
  background: var(--paper);
}
.open .line {
  padding: 0;
}
.open .name {
  font-weight: 650;
}
.open .grip {
  background: var(--wash);
  color: var(--accent);
}
.accent {
  color: var(--accent);
  font-weight: 600;
}
.tools {
  display: flex;
  gap: 12px;
  margin-top: 8px;
  padding-top: 6px;
  border-top: 1px solid var(--line2);
}
.tools .word {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.tools .bad {
  margin-left: auto;
  color: var(--madder);
}
</style>
