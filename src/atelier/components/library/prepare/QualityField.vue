<script setup lang="ts">
/** A quality in per cent, dragged or typed. */
import NumberField from '../../common/NumberField.vue';
import './controls.css';

withDefaults(defineProps<{ label?: string }>(), { label: 'Quality' });
const quality = defineModel<number>({ required: true });
</script>

<template>
  <div class="line">
    <span>Quality</span>
    <span class="pair">
      <a-slider
        v-name="label"
        :value="quality"
        :min="10"
        :max="100"
        :tooltip-open="false"
        @change="(v) => (quality = Number(v))"
      />
      <NumberField
        :value="quality"
        :label="`${label}, per cent`"
        :digits="0"
        unit="%"
        :min="1"
        :max="100"
        @change="(v) => (quality = Math.round(v))"
      />
    </span>
  </div>
</template>
