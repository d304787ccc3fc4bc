<script setup lang="ts">
/** One object in the Stack: a row, or open with the fields of the stage. */
import { computed, ref } from 'vue';
import {
  ChevronDown,
  ChevronRight,
  Copy,
  Ellipsis,
  Eye,
  EyeOff,
  Lock,
  LockOpen,
  Trash2,
  TriangleAlert,
} from '@lucide/vue';
import { changeObject } from '../../../core/edits/object-edits';
import { showOn, standInKinds } from '../../../core/edits/show-on';
import { anchorOf, cuesActingOn, lostAssetsOf, parentOf } from '../../../core/document/queries';
import { layerOver } from '../../../core/document/layer-order';
import { kindOf } from '../../../core/kinds/objects/objects';
import type { StackRow } from '../../../core/document/stack-rows';
import {
  duplicateSelected,
  removeSelected,
  toggleLocked,
  toggleVisible,
} from '../../commands/object-commands';
import { iconOf, shownAs } from '../../kinds/object-kinds';
import type { DropSpot } from '../../intake/drop-spots';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { pointOf } from '../../words';
import { whenWords } from '../../behave-words';
import PlaceFields from './PlaceFields.vue';
import StyleFields from './StyleFields.vue';
import BehaveFields from './BehaveFields.vue';
import ObjectMenu from './ObjectMenu.vue';
import { useStackActions } from './stack-actions';
import { useRowDrag } from './use-row-drag';
import TextField from '../common/TextField.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{
  row: Extract<StackRow, { kind: 'object' }>;
  stage: string;
  open: boolean;
  selected: boolean;
  folded: boolean;
}>();
const emit = defineEmits<{
  shift: [by: number];
  go: [by: number];
  fold: [];
  choose: [event: MouseEvent];
}>();
const effectStore = useEffectStore();
const actions = useStackActions();
const naming = ref(false);
const line = ref<HTMLElement | null>(null);
const { over } = useRowDrag(line, () => props.row);
const object = computed(() => props.row.object);
/** Beside a wall of takes numbers go on being set, while all of them follow. */
const isByWall = computed(() => props.stage === 'try' && useDeskStore().trySection === 'wall');

const asset = computed(() =>
  object.value.kind === 'card' ? effectStore.effect.assets[object.value.asset] : undefined,
);
/** Something it is made of was deleted. */
const incomplete = computed(() => lostAssetsOf(effectStore.effect, object.value).length > 0);
const icon = computed(() => iconOf(object.value, asset.value));
const place = computed(() => {
  const { aside } = shownAs(object.value.kind);
  if (aside) return props.open && object.value.kind === 'occluder' ? '' : aside;
  const members = props.row.members === null ? '' : `${props.row.members} in it`;
  if (kindOf(object.value).isPart) return members || 'a part';
  // Make-up is put on in an order: what is new says where it lies.
  if (object.value.kind === 'layer') {
    const over = layerOver(effectStore.effect, object.value);
    return over ? `under ${over.name}` : 'on top';
  }
  return parentOf(effectStore.effect, object.value) ? members : members || pointOf(object.value.anchor);
});
const aside = computed(() => {
  if (incomplete.value) return 'its asset is gone';
  if (object.value.sample) return 'sample';
  if (props.open) return place.value;
  const cue = cuesActingOn(effectStore.effect, object.value.id)[0];
  return cue ? `when ${whenWords(effectStore.effect, cue)}` : place.value;
});

/** A file dropped on the row, or on its fields, is shown by it. */
const spot = computed<DropSpot | null>(() => {
  const { id, name, sample } = object.value;
  const kinds = standInKinds(object.value);
  return kinds.length === 0
    ? null
    : {
        kinds,
        says: sample ? `It takes the place of the sample ${name}.` : `${name} is made of it.`,
        put: ([asset]) => void effectStore.edit(showOn(effectStore.effect, id, asset!)),
      };
});
const rename = (text: string): void => {
  const name = text.trim();
  if (name && name !== object.value.name)
    effectStore.edit(changeObject(effectStore.effect, object.value.id, { name }, 'Rename'));
};
</script>

<template>
  <div
    v-takes="spot"
    class="object"
    :data-anchor="JSON.stringify(anchorOf(effectStore.effect, object))"
    :data-of="object.id"
    :class="{ open, selected, off: !object.visible, [`drop-${over}`]: over !== null }"
    :style="{ '--depth': row.depth }"
  >
    <div ref="line" class="line">
      <span class="grip" aria-hidden="true" title="Drag to reorder, into a group or onto another anchor"
        ><component :is="icon" :size="13"
      /></span>
      <IconButton
        v-if="row.members !== null"
        class="fold"
        :aria-label="folded ? `Unfold ${object.name}` : `Fold ${object.name}`"
        :aria-expanded="!folded"
        @click="emit('fold')"
      >
        <ChevronRight v-if="folded" :size="14" /><ChevronDown v-else :size="14" />
      </IconButton>
      <TextField
        v-if="naming"
        class="grow"
        label="Name of the object"
        chosen
        :value="object.name"
        :most="80"
        @change="rename"
        @done="naming = false"
      />
      <button
        v-else
        class="name cut"
        type="button"
        :data-object="object.id"
        :aria-expanded="open"
        :aria-pressed="selected"
        :title="open ? 'Double-click to rename' : object.name"
        @click="emit('choose', $event)"
        @dblclick="naming = true"
        @keydown.f2="naming = true"
        @keydown.alt.up.prevent="emit('shift', -1)"
        @keydown.alt.down.prevent="emit('shift', 1)"
        @keydown.exact.up.prevent="emit('go', -1)"
        @keydown.exact.down.prevent="emit('go', 1)"
      >
        {{ object.name }}
      </button>
      <TriangleAlert v-if="incomplete" class="bad" :size="13" aria-label="Its asset was deleted" />
      <em class="cut" :class="{ accent: open, bad: incomplete, sample: object.sample }">{{ aside }}</em>
      <IconButton
        v-if="object.locked || open"
        :aria-label="object.locked ? `Unlock ${object.name}` : `Lock ${object.name}`"
        :aria-pressed="object.locked"
        @click="toggleLocked(object.id)"
      >
        <Lock v-if="object.locked" :size="13" /><LockOpen v-else :size="13" />
      </IconButton>
      <IconButton
        :aria-label="object.visible ? `Hide ${object.name}` : `Show ${object.name}`"
        :aria-pressed="!object.visible"
        @click="toggleVisible(object.id)"
      >
        <Eye v-if="object.visible" :size="14" /><EyeOff v-else :size="14" />
      </IconButton>
    </div>
    <template v-if="open">
      <p v-if="object.sample && spot" class="replace">
        <WordButton @click="actions.chooseFor(spot)">Replace with mine</WordButton>
        <span class="soft">or drop it here: place, size, touch and cues stay.</span>
      </p>
      <PlaceFields v-if="stage === 'place' || (isByWall && !kindOf(object).onFace)" :object="object" />
      <StyleFields v-if="stage === 'style' || (isByWall && kindOf(object).onFace)" :object="object" />
      <BehaveFields v-if="stage === 'behave'" :object="object" />
      <div class="tools">
        <WordButton @click="naming = true">Rename</WordButton>
        <WordButton v-if="!kindOf(object).isPart" @click="duplicateSelected()"
          ><Copy :size="12" /> Duplicate</WordButton
        >
        <ObjectMenu
          ><WordButton aria-label="More for what is selected">
            <Ellipsis :size="13" /> More
          </WordButton></ObjectMenu
        >
        <WordButton class="bad" @click="removeSelected"><Trash2 :size="12" /> Delete</WordButton>
      </div>
    </template>
  </div>
</template>

<style scoped>
.object {
  --step: calc(var(--depth) * 16px);
}
.line {
  position: relative;
  display: flex;
  align-items: center;
  gap: 8px;
  height: 30px;
  padding: 0 12px 0 calc(24px + var(--step));
}
.selected:not(.open) .line {
  background: var(--wash);
}
.drop-before .line::before,
.drop-after .line::before {
  content: '';
  position: absolute;
  inset: -1px 8px auto calc(20px + var(--step));
  border-top: 2px solid var(--accent);
}
.drop-after .line::before {
  inset: auto 8px -1px calc(20px + var(--step));
}
.drop-into .line {
  outline: 2px solid var(--accent);
  outline-offset: -2px;
  border-radius: 6px;
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
}
.line {
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
em {
  flex: 0 8 auto;
  min-width: 0;
  font-style: normal;
  font-size: 11.5px;
  color: var(--faint);
}
em.sample {
  flex: none;
  padding: 0 7px;
  border: 1px dashed var(--line);
  border-radius: 10px;
}
.replace {
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
  margin: 0 0 6px;
  font-size: 12px;
}
.fold {
  margin: 0 -6px 0 -4px;
}
.off .name {
  color: var(--faint);
}
.open {
  margin: 4px 10px 6px calc(10px + var(--step));
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
