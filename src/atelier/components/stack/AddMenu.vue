<script setup lang="ts">
/** All that can be added to the Stack, to an anchor or beside what is selected. */
import { computed } from 'vue';
import type { Anchor, FaceChoice, PictureAsset } from '../../../core/document/schema';
import { CAMERA_PARTS, SOLID_SHAPES } from '../../../core/document/schema';
import { CUTOUT_PARTS, type CutoutPart } from '../../../core/face/cutout-parts';
import { addCutout, addMorph } from '../../commands/morph-commands';
import { addLayer, addNew, NEW_KINDS, type NewKind } from '../../commands/place-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { CUTOUT_WORDS } from '../../morph-words';
import { LIGHT_WORDS } from '../../../core/kinds/objects/light';
import { SOLID_WORDS } from '../../../core/kinds/objects/solid';
import { CAMERA_WORDS } from '../../words';
import { useStackActions } from './stack-actions';

const props = withDefaults(defineProps<{ anchor?: Anchor | null }>(), { anchor: null });
const desk = useDeskStore();
const effectStore = useEffectStore();
const actions = useStackActions();

const pictures = computed(() =>
  Object.values(effectStore.effect.assets).filter((a): a is PictureAsset => a.kind === 'picture'),
);
const face = computed<FaceChoice>(() => (props.anchor && 'face' in props.anchor ? props.anchor.face : 1));
const LIGHTS = ['directional', 'point', 'ambient', 'surroundings'] as const;
const run = ({ key }: { key: string | number }): void => {
  const what = String(key);
  if ((NEW_KINDS as readonly string[]).includes(what)) {
    if (props.anchor) addNew(what as NewKind, actions.forNew(props.anchor));
    else addNew(what as NewKind);
  } else if (what === 'files') actions.chooseFiles(props.anchor);
  else if (what === 'library') desk.openLibrary();
  else if (what === 'stock') desk.openLibrary({ tab: 'stock' });
  else if (what === 'scene') actions.addScene();
  else if (what.startsWith('lane ')) actions.openLane(what.slice(5));
  else if (what === 'morph') addMorph(face.value);
  else if (what.startsWith('cutout ')) addCutout(what.slice(7) as CutoutPart, face.value);
  else if (what.startsWith('layer ')) {
    const picture = pictures.value.find((p) => p.id === what.slice(6));
    if (picture) addLayer(picture, props.anchor ?? undefined);
  }
};
</script>

<template>
  <a-dropdown :trigger="['click']" placement="bottomRight" overlay-class-name="add-menu">
    <slot />
    <template #overlay>
      <a-menu @click="run">
        <a-menu-item key="files">Files: pictures, videos, artwork, models...</a-menu-item>
        <a-menu-item key="library">Something from the library</a-menu-item>
        <a-menu-item key="stock">Something from the stock</a-menu-item>
        <a-menu-divider />
        <a-menu-item key="text">Text</a-menu-item>
        <a-sub-menu key="solids" title="Solid">
          <a-menu-item v-for="shape in SOLID_SHAPES" :key="shape">{{ SOLID_WORDS[shape] }}</a-menu-item>
        </a-sub-menu>
        <a-sub-menu key="layers" title="Face layer: a picture over the whole face">
          <a-menu-item v-for="p in pictures" :key="`layer ${p.id}`">{{ p.name }}</a-menu-item>
          <a-menu-item key="stock">Masks from the stock</a-menu-item>
        </a-sub-menu>
        <a-menu-item key="morph">Face morph: another shape of the face</a-menu-item>
        <a-sub-menu key="cutouts" title="Cutout: a live part of the face">
          <a-menu-item v-for="part in CUTOUT_PARTS" :key="`cutout ${part}`">
            {{ CUTOUT_WORDS[part] }}
          </a-menu-item>
        </a-sub-menu>
        <a-sub-menu key="camera" title="Camera picture on a card">
          <a-menu-item v-for="part in CAMERA_PARTS" :key="part">{{ CAMERA_WORDS[part] }}</a-menu-item>
        </a-sub-menu>
        <a-menu-item key="fountain">Fountain: bubbles, sparks, snow</a-menu-item>
        <a-menu-item key="sound">Sound</a-menu-item>
        <a-menu-item key="fill">Colour or gradient</a-menu-item>
        <a-menu-item key="group">Empty group</a-menu-item>
        <a-sub-menu key="lights" title="Light">
          <a-menu-item v-for="light in LIGHTS" :key="light">{{ LIGHT_WORDS[light] }}</a-menu-item>
        </a-sub-menu>
        <a-menu-item key="contactShadow">Contact shadow: a soft oval below a thing</a-menu-item>
        <a-menu-item key="shadowCatcher">Shadow catcher: shows shadows that fall on it</a-menu-item>
        <a-menu-item key="headOccluder">Head occluder: hides what is behind the head</a-menu-item>
        <a-menu-item key="peopleOccluder">People occluder: hides what is behind people</a-menu-item>
        <a-menu-item key="handOccluder">Hand occluder: hides what is behind a hand</a-menu-item>
        <template v-if="!anchor">
          <a-menu-item key="grade">Grade: colours of the finished picture</a-menu-item>
          <a-menu-divider />
          <a-sub-menu key="lanes" title="Something else to stick to">
            <a-menu-item key="lane head 2">Head of face 2</a-menu-item>
            <a-menu-item key="lane head every">Head of every face</a-menu-item>
            <a-menu-item key="lane skin 1">Skin of face 1</a-menu-item>
            <a-menu-item key="lane hand any">Hand</a-menu-item>
            <a-menu-item key="lane hand every">Every hand</a-menu-item>
            <a-menu-item key="lane world floor">World: floor</a-menu-item>
            <a-menu-item key="lane world table">World: table</a-menu-item>
            <a-menu-item key="lane world wall">World: wall</a-menu-item>
            <a-menu-item key="lane picture">A printed picture</a-menu-item>
            <a-menu-item key="lane screen">Screen</a-menu-item>
            <a-menu-item key="lane backdrop">Backdrop</a-menu-item>
          </a-sub-menu>
          <a-menu-item key="scene">Another scene</a-menu-item>
        </template>
      </a-menu>
    </template>
  </a-dropdown>
</template>
