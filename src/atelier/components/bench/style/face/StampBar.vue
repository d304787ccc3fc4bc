<script setup lang="ts">
/** Text and stickers for the face: written or chosen here, placed on the layout or on the face, then set. */
import { computed, onMounted, ref } from 'vue';
import { Sticker, Type, Upload } from '@lucide/vue';
import { sentence } from '../../../../../core/errors';
import { pictureOf } from '../../../../painter/pictures';
import { ownFamily, shippedFamily } from '../../../../painter/typefaces';
import { masksOf } from '../../../../../core/document/asset-uses';
import type { Asset, FontAsset, PictureAsset } from '../../../../../core/document/schema';
import { useAssetsStore } from '../../../../stores/assets';
import { useEffectStore } from '../../../../stores/effect';
import { usePainterStore } from '../../../../stores/painter';
import { useStockStore } from '../../../../stores/stock';
import InlineNotice from '../../../common/InlineNotice.vue';
import ColourField from '../../../common/ColourField.vue';
import SliderField from '../../../common/SliderField.vue';
import SelectField from '../../../common/SelectField.vue';
import ChipButton from '../../../common/ChipButton.vue';

const painter = usePainterStore();
const effectStore = useEffectStore();
const assets = useAssetsStore();
const stock = useStockStore();
const isA =
  <K extends Asset['kind']>(kind: K) =>
  (asset: Asset): asset is Extract<Asset, { kind: K }> =>
    asset.kind === kind;
const fonts = computed<FontAsset[]>(() => Object.values(effectStore.effect.assets).filter(isA('font')));
/** What can be stuck on: pictures that are no masks, and not the one that is painted on. */
const pictures = computed<PictureAsset[]>(() => {
  const masks = masksOf(effectStore.effect);
  const own = painter.layer?.asset;
  return Object.values(effectStore.effect.assets)
    .filter(isA('picture'))
    .filter((p) => !masks.has(p.id) && p.id !== own);
});
const base = { at: [0.3, 0.6] as const, turn: 0, opacity: 1, picture: null };
const write = async (): Promise<void> => {
  await assets.stores.fonts.loadOwn();
  chosen.value = '';
  painter.beginStamp({
    ...base,
    kind: 'text',
    text: 'low tide',
    family: assets.stores.fonts.get(null) ?? 'sans-serif',
    colour: painter.on?.part === 'mask' ? '#ffffff' : '#1d3a4a',
    size: 0.05,
  });
};
/** Fonts that ship, and files that were brought here: they go no further than this page, as words become pixels. */
const SHIPPED = 'stock ';
const brought = ref<readonly { readonly value: string; readonly label: string }[]>([]);
const chosen = ref('');
const typefaces = computed(() => [
  { value: '', label: 'Hanken Grotesk' },
  ...fonts.value.map((f) => ({ value: f.id as string, label: f.family })),
  ...brought.value,
  ...stock.items
    .filter((item) => item.group === 'Fonts' && item.name !== 'Hanken Grotesk')
    .map((item) => ({ value: `${SHIPPED}${item.id}`, label: item.name })),
]);
const familyOf = async (value: string): Promise<string> => {
  if (brought.value.some((b) => b.value === value)) return value;
  const item = stock.items.find((i) => `${SHIPPED}${i.id}` === value);
  if (item) return shippedFamily(item);
  const font = fonts.value.find((f) => f.id === value);
  if (font) await assets.stores.fonts.load(font);
  return assets.stores.fonts.get(font ?? null) ?? 'sans-serif';
};
const trouble = ref<string | null>(null);
const trying = async (work: () => Promise<void>): Promise<void> => {
  trouble.value = null;
  try {
    await work();
  } catch (error) {
    trouble.value = sentence(error);
  }
};
const setFont = (value: string): Promise<void> =>
  trying(async () => {
    painter.place({ family: await familyOf(value) });
    chosen.value = value;
  });
const fontFile = ref<HTMLInputElement | null>(null);
const bringFont = (): Promise<void> =>
  trying(async () => {
    const file = fontFile.value?.files?.[0];
    if (fontFile.value) fontFile.value.value = '';
    if (!file) return;
    const family = await ownFamily(file);
    if (!brought.value.some((b) => b.value === family))
      brought.value = [...brought.value, { value: family, label: file.name.replace(/\.[^.]+$/, '') }];
    painter.place({ family });
    chosen.value = family;
  });
onMounted(() => void stock.load());
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
      <div class="begin">
        <SelectField
          name="Font of the words"
          class="choose"
          :value="chosen"
          :options="typefaces"
          :dropdown-match-select-width="false"
          @change="(v: unknown) => setFont(String(v))"
        />
        <ChipButton title="A font file of your own" @click="fontFile?.click()">
          <Upload :size="13" /> Own
        </ChipButton>
        <input
          ref="fontFile"
          type="file"
          hidden
          accept=".ttf,.otf,.woff,.woff2"
          aria-label="Font file for the words"
          @change="bringFont"
        />
      </div>
      <InlineNotice v-if="trouble" closable @close="trouble = null">{{ trouble }}</InlineNotice>
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
