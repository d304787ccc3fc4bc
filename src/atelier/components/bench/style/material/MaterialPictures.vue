<script setup lang="ts">
/** The pictures of a material: a set dropped at once, or one by one; the mask, and how all of them lie. */
import { ref } from 'vue';
import { ImagePlus } from '@lucide/vue';
import {
  MAP_SLOTS,
  materialSchema,
  type Material,
  type MaterialMask,
  type PictureAsset,
  type PictureSource,
} from '../../../../../core/document/schema';
import { propertiesIn, valueAt, withValueAt } from '../../../../../core/schema/properties';
import { layPictures, setWords } from '../../../../commands/material-commands';
import type { DropSpot } from '../../../../intake/drop-spots';
import { filesOfInput } from '../../../../intake/dropped';
import { MAP_WORDS } from '../../../../material-words';
import { useImportsStore } from '../../../../stores/imports';
import PropertyInput from '../../../common/PropertyInput.vue';
import PictureChoice from './PictureChoice.vue';
import { useMaterial } from './use-material';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ material: Material | null }>();
const imports = useImportsStore();
const { set, done, slot } = useMaterial();
const picker = ref<HTMLInputElement | null>(null);
/** Lays what came in on the material by its names. */
const setSpot: DropSpot = {
  kinds: ['picture'],
  isSet: true,
  says: 'A set of pictures: each finds its place in the material by its name.',
  put: (assets) => {
    const pictures = assets as readonly PictureAsset[];
    return setWords(pictures, layPictures(pictures, props.material?.id ?? null, slot.value));
  },
};
const chosen = (event: Event): void => {
  const input = event.target as HTMLInputElement;
  const files = filesOfInput(input);
  input.value = '';
  if (files.length > 0) void imports.bringInFiles(files, { place: false, spot: setSpot });
};
const setMap = (
  slotName: (typeof MAP_SLOTS)[number],
  picture: PictureSource | null,
  gesture?: string,
): void => {
  if (!props.material) return;
  const { material } = props;
  set(
    {
      maps: { ...material.maps, [slotName]: picture },
      ...(slotName === 'glow' && picture && material.glow === '#000000' ? { glow: '#ffffff' } : {}),
    },
    gesture ? slotName + gesture : null,
  );
};
const setMask = (picture: PictureSource | null, gesture?: string): void => {
  if (!props.material) return;
  const { mask, alpha } = props.material;
  set(
    {
      mask: picture ? { by: mask?.by ?? 'grey', invert: mask?.invert ?? false, picture } : null,
      ...(picture && alpha === 'opaque' ? { alpha: 'blend' } : {}),
    },
    gesture ? `mask${gesture}` : null,
  );
};
const changeMask = (change: Partial<MaterialMask>): void => {
  if (props.material?.mask) set({ mask: { ...props.material.mask, ...change } });
};
/** Only what is seen as colour or light can come from the camera. */
const fromCamera = (slotName: (typeof MAP_SLOTS)[number]): boolean =>
  slotName === 'base' || slotName === 'glow';
/** How pictures lie: what stands before each of its numbers. */
const UV = [
  { name: 'Moved', paths: ['uv.offset.0', 'uv.offset.1'] },
  { name: 'Repeats', paths: ['uv.repeat.0', 'uv.repeat.1'] },
  { name: 'Turned', paths: ['uv.turn'] },
] as const;
const DESCRIBED = propertiesIn(materialSchema, {});
const put = (path: string, to: unknown): void => {
  if (props.material) set({ uv: withValueAt(props.material, path, to).uv }, path);
};
</script>

<template>
  <section aria-label="Pictures of the material">
    <div v-takes="setSpot" class="drop" data-drop="texture-set">
      <ImagePlus :size="15" />
      <span v-if="imports.busy">Reading the pictures</span>
      <span v-else>
        Drop a set of pictures here:
        <i class="soft">shell_basecolor, shell_normal, shell_orm, shell_emissive</i> find their places by
        their names.
      </span>
      <ChipButton :disabled="imports.busy" @click="picker?.click()">Choose</ChipButton>
      <input
        ref="picker"
        class="hidden-text"
        type="file"
        multiple
        accept="image/*,.zip"
        tabindex="-1"
        aria-label="Choose a set of pictures"
        @change="chosen"
      />
    </div>
    <template v-if="material">
      <PictureChoice
        v-for="one in MAP_SLOTS"
        :key="one"
        :label="MAP_WORDS[one]"
        :value="material.maps[one]"
        :camera="fromCamera(one)"
        @change="(v, gesture) => setMap(one, v, gesture)"
        @done="done"
      />
      <PictureChoice
        :label="MAP_WORDS.mask"
        :value="material.mask?.picture ?? null"
        @change="setMask"
        @done="done"
      />
      <div v-if="material.mask" class="mask" role="group" aria-label="How the mask counts">
        <ChipButton :aria-pressed="material.mask.by === 'grey'" @click="changeMask({ by: 'grey' })">
          By its grey
        </ChipButton>
        <ChipButton :aria-pressed="material.mask.by === 'alpha'" @click="changeMask({ by: 'alpha' })">
          By its transparency
        </ChipButton>
        <ChipButton
          :aria-pressed="material.mask.invert"
          @click="changeMask({ invert: !material.mask.invert })"
        >
          Turned over
        </ChipButton>
      </div>
      <div class="uv" role="group" aria-label="How pictures lie on it">
        <template v-for="{ name, paths } in UV" :key="name">
          <span class="soft">{{ name }}</span>
          <PropertyInput
            v-for="path in paths"
            :key="path"
            :property="DESCRIBED[path]!"
            :value="valueAt(material, path)"
            @change="(to) => put(path, to)"
            @done="done"
          />
        </template>
      </div>
    </template>
  </section>
</template>

<style scoped>
.drop {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 10px;
  align-items: center;
  margin: 8px 0;
  padding: 8px 10px;
  border: 1.5px dashed var(--line);
  border-radius: 6px;
  font-size: 12.5px;
}
.line {
  display: block;
}
.mask {
  display: flex;
  gap: 6px;
  margin: 2px 0 6px 152px;
}
.uv {
  display: grid;
  grid-template-columns: 52px 74px 74px 52px 74px 74px;
  gap: 6px 8px;
  align-items: center;
  margin-top: 8px;
}
</style>
