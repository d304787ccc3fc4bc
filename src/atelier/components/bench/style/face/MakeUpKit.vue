<script setup lang="ts">
/** Pieces of make-up that go on the face at a click, and colours for the one that is worked on. */
import { computed, watch } from 'vue';
import {
  Check,
  Droplets,
  Eye,
  EyeClosed,
  MoonStar,
  Scissors,
  Smile,
  SmilePlus,
  Sparkles,
  Sun,
} from '@lucide/vue';
import type { FaceChoice, Layer, ObjectId } from '../../../../../core/document/schema';
import { KIT, KIT_GROUPS, type KitPiece } from '../../../../../core/makeup/kit';
import { coloursGroup } from '../../../../../core/makeup/colours';
import { extraOn, FACE_EXTRAS, pieceOn, putExtra, putOn } from '../../../../commands/face-commands';
import { addCutout, addMorph, cutoutThings, morphsOn } from '../../../../commands/morph-commands';
import { EXTRA_WORDS, KIT_WORDS } from '../../../../face-words';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { CUTOUT_PARTS } from '../../../../../core/face/cutout-parts';
import { CUTOUT_WORDS } from '../../../../morph-words';
import ColourSwatches from './ColourSwatches.vue';
import RegionPicture from './RegionPicture.vue';
import ChipButton from '../../../common/ChipButton.vue';
import SelectField from '../../../common/SelectField.vue';

const props = defineProps<{ face: FaceChoice }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const groups = computed(() =>
  KIT_GROUPS.map((group) => ({
    group,
    pieces: KIT.filter((p) => p.group === group).map((piece) => ({
      piece,
      layer: pieceOn(piece, props.face),
    })),
  })),
);
const EXTRA_ICONS = {
  smooth: Sparkles,
  underEyes: MoonStar,
  eyes: Sun,
  teeth: Smile,
  hair: Droplets,
  iris: Eye,
  lashes: EyeClosed,
} as const;
const morph = computed(() => morphsOn(props.face)[0]);
const reshapeFace = (): void => {
  if (morph.value) desk.selected = morph.value.id;
  else addMorph(props.face);
};
/** Cards and models that cutouts may be laid on; the one that was selected last is offered. */
const things = computed(() => cutoutThings(props.face).map((o) => ({ value: o.id, label: `on ${o.name}` })));
const onto = computed(() =>
  things.value.some((o) => o.value === desk.style.cutOnto) ? desk.style.cutOnto : null,
);
watch(
  () => desk.selected,
  (id) => {
    if (id && things.value.some((o) => o.value === id)) desk.style.cutOnto = id;
  },
  { immediate: true },
);
const selected = computed(() => (desk.selected ? effectStore.effect.objects[desk.selected] : undefined));
/** Where the selected object's own colours stand: beside the heading of its group. */
const group = computed(() => (selected.value ? coloursGroup(selected.value) : null));
const shown = (piece: KitPiece, layer: Layer | undefined): string => {
  const tint = layer?.tint ?? piece.layer.tint ?? '#ffffff';
  // What only shines has no colour of its own.
  return tint === '#ffffff' ? '#fdf6ea' : tint;
};
</script>

<template>
  <div>
    <section v-for="{ group: each, pieces } in groups" :key="each" :aria-label="KIT_WORDS[each]">
      <div class="head">
        <h2>{{ KIT_WORDS[each] }}</h2>
        <ColourSwatches v-if="selected && group === each" :object="selected" />
      </div>
      <div class="tiles" :class="each">
        <button
          v-for="{ piece, layer } in pieces"
          :key="piece.id"
          type="button"
          class="tile"
          :class="{ on: layer, chosen: layer && desk.selected === layer.id }"
          :aria-pressed="layer !== undefined"
          :title="
            layer ? `${piece.layer.name} is on the face: show it` : `Put ${piece.layer.name} on the face`
          "
          @click="putOn(piece, face)"
        >
          <span class="picture">
            <RegionPicture
              :region="piece.layer.region"
              :colour="shown(piece, layer)"
              :opacity="0.85"
              :group="each"
            />
            <Check v-if="layer" class="check" :size="13" />
          </span>
          <span class="cut">{{ piece.layer.name }}</span>
        </button>
      </div>
    </section>
    <section aria-label="More on the face">
      <div class="head">
        <h2>More</h2>
        <ColourSwatches v-if="selected && group === 'more'" :object="selected" />
      </div>
      <div class="extras">
        <ChipButton
          v-for="kind in FACE_EXTRAS"
          :key="kind"
          :aria-pressed="extraOn(kind, face) !== undefined"
          @click="putExtra(kind, face)"
        >
          <component :is="EXTRA_ICONS[kind]" :size="13" /> {{ EXTRA_WORDS[kind] }}
        </ChipButton>
        <ChipButton :aria-pressed="morph !== undefined" @click="reshapeFace">
          <SmilePlus :size="13" /> Shape of the face
        </ChipButton>
      </div>
    </section>
    <section aria-label="Cut out of the face">
      <div class="head">
        <h2>Cut out, live</h2>
        <SelectField
          v-if="things.length > 0"
          name="What cutouts are laid on"
          :value="onto ?? ''"
          :options="[{ value: '', label: 'on the face itself' }, ...things]"
          @change="(v: unknown) => (desk.style.cutOnto = (v as ObjectId) || null)"
        />
      </div>
      <div class="extras">
        <ChipButton
          v-for="part in CUTOUT_PARTS"
          :key="part"
          title="A live copy of it, to be put anywhere"
          @click="addCutout(part, face, onto)"
        >
          <Scissors :size="13" /> {{ CUTOUT_WORDS[part] }}
        </ChipButton>
      </div>
    </section>
  </div>
</template>

<style scoped>
section + section {
  margin-top: 12px;
}
h2 {
  margin: 0 0 5px;
}
/* As high as the swatches: nothing moves when they come. */
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  height: 27px;
}
.head h2 {
  margin: 0;
}
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(80px, 1fr));
  gap: 6px;
}
.tile {
  display: grid;
  gap: 2px;
  min-width: 0;
  padding: 3px 3px 2px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 11.5px;
  text-align: left;
  cursor: pointer;
}
.tile:hover,
.tile.chosen {
  border-color: var(--accent);
}
.picture {
  position: relative;
  height: 40px;
  overflow: hidden;
  border-radius: 4px;
  background: #f4efe8;
}
.face .picture {
  height: 58px;
}
.check {
  position: absolute;
  top: 2px;
  right: 2px;
  padding: 1px;
  border-radius: 50%;
  background: var(--accent);
  color: #fff;
}
.extras {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chip {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
</style>
