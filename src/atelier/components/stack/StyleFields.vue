<script setup lang="ts">
/** How a card looks: opacity, tint, blend mode, back side. */
import { computed } from 'vue';
import { styleCard } from '../../../core/document/edits';
import { BLEND_MODES, type BlendMode, type Card, type EffectObject } from '../../../core/document/schema';
import { useEffectStore } from '../../stores/effect';
import { BLEND_WORDS } from '../../words';
import NumberField from '../common/NumberField.vue';

const props = defineProps<{ object: EffectObject }>();
const document = useEffectStore();
const card = computed<Card | null>(() => (props.object.kind === 'card' ? props.object : null));
const blends = BLEND_MODES.map((value) => ({ value, label: BLEND_WORDS[value] }));

const style = (change: Parameters<typeof styleCard>[2], gesture: string | null = null): void =>
  document.edit(styleCard(document.effect, props.object.id, change), gesture);
const setTint = (text: string, gesture: string | null): void => {
  const hex = text.trim().toLowerCase();
  if (/^#[0-9a-f]{6}$/.test(hex)) style({ tint: hex }, gesture);
};
</script>

<template>
  <div v-if="card" class="fields">
    <div class="line">
      <span>Opacity</span>
      <a-slider
        v-name="'Opacity'"
        class="slider"
        :value="card.opacity * 100"
        :min="0"
        :max="100"
        :tooltip-open="false"
        @change="(v) => style({ opacity: Number(v) / 100 }, 'opacity')"
        @after-change="document.endGesture()"
      />
      <NumberField
        :value="card.opacity * 100"
        label="Opacity, per cent"
        unit="%"
        :min="0"
        :max="100"
        :digits="0"
        @change="(v) => style({ opacity: Math.min(1, Math.max(0, v / 100)) }, 'opacity')"
        @done="document.endGesture()"
      />
    </div>
    <div class="line">
      <span>Tint</span>
      <span class="tint">
        <input
          type="color"
          :value="card.tint"
          aria-label="Tint"
          @input="setTint(($event.target as HTMLInputElement).value, 'tint')"
          @change="document.endGesture()"
        />
        <a-input
          class="hex"
          size="small"
          :value="card.tint"
          aria-label="Tint as hex"
          @change="(e: Event) => setTint((e.target as HTMLInputElement).value, 'tint')"
          @blur="document.endGesture()"
        />
      </span>
      <button
        class="word"
        type="button"
        :disabled="card.tint === '#ffffff'"
        @click="style({ tint: '#ffffff' })"
      >
        None
      </button>
    </div>
    <div class="line">
      <span>Blend</span>
      <a-select
        v-name="'Blend mode'"
        class="wide"
        size="small"
        :value="card.blend"
        :options="blends"
        @change="(v: unknown) => style({ blend: v as BlendMode })"
      />
    </div>
    <div class="chips">
      <button
        class="chip"
        type="button"
        :aria-pressed="card.doubleSided"
        @click="style({ doubleSided: !card.doubleSided })"
      >
        Double-sided
      </button>
    </div>
  </div>
  <p v-else class="soft note">
    An occluder draws nothing, so it has no style. It only hides what is behind it.
  </p>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 6px;
  margin-top: 4px;
}
.line {
  display: grid;
  grid-template-columns: 56px 1fr 64px;
  gap: 8px;
  align-items: center;
  color: var(--soft);
}
.slider {
  margin: 4px 6px;
}
.wide {
  grid-column: 2 / -1;
}
.tint {
  display: flex;
  gap: 6px;
}
.hex {
  font: 500 11.5px var(--mono);
}
input[type='color'] {
  width: 34px;
  height: 24px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 5px;
  background: none;
}
.chips {
  display: flex;
  gap: 5px;
}
.note {
  margin: 6px 0 0;
}
</style>
