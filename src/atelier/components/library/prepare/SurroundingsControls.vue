<script setup lang="ts">
/** How large light surroundings are. */
import type { SurroundingsAsset, SurroundingsPrep } from '../../../../core/document/schema';
import './controls.css';

defineProps<{ asset: SurroundingsAsset }>();
const prep = defineModel<SurroundingsPrep>({ required: true });
const WIDTHS = [128, 256, 512, 1024, 2048];
</script>

<template>
  <div class="controls">
    <div class="line"><span>Width</span><span class="num">{{ prep.width }} pixels</span></div>
    <div class="chips">
      <a-button
        v-for="w in WIDTHS"
        :key="w"
        class="chip"
        size="small"
        shape="round"
        :aria-pressed="prep.width === w"
        @click="prep = { width: w }"
      >
        {{ w }}
      </a-button>
    </div>
    <p class="soft">Light needs few pixels: 512 are enough for skin and matt things, 1,024 for chrome.</p>
  </div>
</template>
