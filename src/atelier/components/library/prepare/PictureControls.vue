<script setup lang="ts">
/** Size and encoding of a picture. */
import { picturePrepSchema, type PictureAsset, type PicturePrep } from '../../../../core/document/schema';
import { propertiesIn } from '../../../../core/schema/properties';
import NumberField from '../../common/NumberField.vue';
import PropertyInput from '../../common/PropertyInput.vue';
import './controls.css';
import ChipButton from '../../common/ChipButton.vue';

defineProps<{ asset: PictureAsset }>();
const prep = defineModel<PicturePrep>({ required: true });
const set = (change: Partial<PicturePrep>): void => {
  prep.value = { ...prep.value, ...change };
};
const SIDES = [256, 512, 1024, 2048];
const DESCRIBED = propertiesIn(picturePrepSchema, {});
</script>

<template>
  <div class="controls">
    <div class="line">
      <span>Longest side</span>
      <NumberField
        :value="prep.longest ?? 0"
        label="Longest side, pixels"
        :digits="0"
        :min="0"
        :max="16384"
        @change="(v) => set({ longest: v > 0 ? Math.round(v) : null })"
      />
    </div>
    <div class="chips">
      <ChipButton
        v-for="side in SIDES"
        :key="side"
        :aria-pressed="prep.longest === side"
        @click="set({ longest: side })"
      >
        {{ side }}
      </ChipButton>
      <ChipButton :aria-pressed="prep.longest === null" @click="set({ longest: null })">
        As it is
      </ChipButton>
    </div>
    <div class="line">
      <span>Format</span>
      <PropertyInput
        :property="DESCRIBED['format']!"
        :value="prep.format"
        @change="(format) => set({ format: format as PicturePrep['format'] })"
      />
    </div>
    <PropertyInput
      v-if="prep.format !== 'png'"
      as="row"
      :property="DESCRIBED['quality']!"
      :value="prep.quality"
      @change="(quality) => set({ quality: quality as number })"
    />
    <p class="soft">
      What is transparent stays transparent{{
        prep.format === 'jpeg' ? '; a picture that needs it becomes WebP' : ''
      }}. A face fills about 1,000 pixels on a phone.
    </p>
  </div>
</template>
