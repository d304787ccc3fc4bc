<script setup lang="ts">
/** Text and stickers for the face: written or chosen here, placed on the layout or on the face, then set. */
import { computed } from 'vue';
import { Sticker, Type } from '@lucide/vue';
import { pictureOf } from '../../../../painter/pictures';
import type { Asset, FontAsset, PictureAsset } from '../../../../../core/document/schema';
import { useAssetsStore } from '../../../../stores/assets';
import { useEffectStore } from '../../../../stores/effect';
import { usePainterStore } from '../../../../stores/painter';
import ColourField from '../../../common/ColourField.vue';
import SliderField from '../../../common/SliderField.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';

const painter = usePainterStore();
const effectStore = useEffectStore();
const assets = useAssetsStore();
const isA =
  <K extends Asset['kind']>(kind: K) =>
  (asset: Asset): asset is Extract<Asset, { kind: K }> =>
    asset.kind === kind;
const fonts = computed<FontAsset[]>(() => Object.values(effectStore.effect.assets).filter(isA('font')));
const pictures = computed<PictureAsset[]>(() =>
  Object.values(effectStore.effect.assets).filter(isA('picture')),
);
const base = { at: [0.3, 0.6] as const, turn: 0, opacity: 1, picture: null };
const write = async (): Promise<void> => {
  await assets.stores.fonts.loadOwn();
  painter.beginStamp({
    ...base,
    kind: 'text',
    text: 'low tide',
    family: assets.stores.fonts.get(null) ?? 'sans-serif',
    colour: painter.on?.part === 'mask' ? '#ffffff' : '#1d3a4a',
    size: 0.05,
  });
};
const setFont = async (id: string): Promise<void> => {
  const font = fonts.value.find((f) => f.id === id);
  if (font) await assets.stores.fonts.load(font);
  painter.place({ family: assets.stores.fonts.get(font ?? null) ?? 'sans-serif' });
};
const stick = async (id: string): Promise<void> => {
  const asset = pictures.value.find((p) => p.id === id);
  if (!asset) return;
  const picture = await pictureOf(asset, assets.source);
  painter.beginStamp({
    ...base,
    kind: 'sticker',
    text: '',
    family: '',
    colour: '#ffffff',
    picture,
    size: 0.12,
  });
};
const stamp = computed(() => painter.stamp);
</script>

<template>
  <div v-if="!stamp" class="begin">
    <ChipButton @click="write"><Type :size="13" /> Text</ChipButton>
    <SelectField
      v-if="pictures.length > 0"
      name="Sticker to place"
      class="choose"
      placeholder="Sticker"
      :value="null as unknown as undefined"
      :options="pictures.map((p) => ({ value: p.id, label: p.name }))"
      @change="(v: unknown) => stick(String(v))"
    />
    <span v-else class="soft"><Sticker :size="13" /> Pictures brought in can be stuck on.</span>
  </div>
  <div v-else class="stamp" role="group" aria-label="What is placed">
    <template v-if="stamp.kind === 'text'">
      <a-textarea
        :value="stamp.text"
        aria-label="Words on the face"
        :rows="1"
        auto-size
        :maxlength="120"
        @input="(e: Event) => painter.place({ text: (e.target as HTMLTextAreaElement).value })"
      />
      <SelectField
        v-if="fonts.length > 0"
        name="Font of the words"
        :default-value="''"
        :options="[
          { value: '', label: 'Hanken Grotesk' },
          ...fonts.map((f) => ({ value: f.id, label: f.family })),
        ]"
        @change="(v: unknown) => setFont(String(v))"
      />
      <ColourField name="Colour" :value="stamp.colour" @change="(colour) => painter.place({ colour })" />
    </template>
    <SliderField
      name="Size"
      unit="%"
      :digits="1"
      :step="0.5"
      :value="stamp.size * 100"
      :min="1"
      :max="100"
      @change="(v) => painter.place({ size: v / 100 })"
    />
    <SliderField
      name="Turned"
      unit="°"
      :value="stamp.turn"
      :min="-180"
      :max="180"
      @change="(turn) => painter.place({ turn })"
    />
    <SliderField
      name="Opacity"
      unit="%"
      :value="stamp.opacity * 100"
      :min="0"
      :max="100"
      @change="(v) => painter.place({ opacity: v / 100 })"
    />
    <p class="soft">Click or drag on the layout, or on the face, to place it.</p>
    <div class="begin">
      <a-button type="primary" size="small" @click="painter.setStamp()">Set it</a-button>
      <a-button size="small" @click="painter.cancelStamp()">Cancel</a-button>
    </div>
  </div>
</template>

<style scoped>
.begin {
  display: flex;
  gap: 6px;
  align-items: center;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.choose {
  flex: 1;
  min-width: 0;
}
.stamp {
  display: grid;
  gap: 4px;
  --label: 66px;
}
</style>
