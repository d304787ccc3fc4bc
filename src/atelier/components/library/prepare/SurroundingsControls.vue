<script setup lang="ts">
/** How large light surroundings are. */
import type { SurroundingsAsset, SurroundingsPrep } from '../../../../core/document/schema';
import './controls.css';
import ChipButton from '../../common/ChipButton.vue';

defineProps<{ asset: SurroundingsAsset }>();
const prep = defineModel<SurroundingsPrep>({ required: true });
const WIDTHS = [128, 256, 512, 1024, 2048];
</script>

<template>
  <div class="controls">
    <div class="line"><span>Width</span><span class="num">{{ prep.width }} pixels</span></div>
    <div class="chips">
      <ChipButton v-for="w in WIDTHS" :key="w" :aria-pressed="prep.width === w" @click="prep = { width: w }">
        {{ w }}
      </ChipButton>
    </div>
    <p class="soft">Light needs few pixels: 512 are enough for skin and matt things, 1,024 for chrome.</p>
  </div>
</template>
