<script setup lang="ts">
/** What a material is like, by numbers and colours. */
import type { Material } from '../../../../../core/document/schema';
import { ALPHAS, SHADINGS } from '../../../../../core/document/schema';
import { ALPHA_WORDS, SHADING_WORDS } from '../../../../material-words';
import SliderField from '../../../common/SliderField.vue';
import { useMaterial } from './use-material';

const props = defineProps<{ material: Material }>();
const { set, done } = useMaterial();
type Plain = {
  [K in keyof Material]: Material[K] extends number ? K : never;
}[keyof Material];
interface Slide {
  readonly field: Plain;
  readonly name: string;
  readonly max?: number;
  readonly min?: number;
  readonly unit?: string;
  readonly digits?: number;
  readonly step?: number;
}
const part = (field: Plain, name: string): Slide => ({ field, name });
const SURFACE: readonly Slide[] = [part('roughness', 'Roughness'), part('metalness', 'Metalness')];
const COAT: readonly Slide[] = [
  part('clearcoat', 'Clear coat'),
  part('clearcoatRoughness', 'Coat roughness'),
];
const THROUGH: readonly Slide[] = [
  part('transmission', 'Goes through'),
  { field: 'ior', name: 'Bends light', min: 1, max: 2.333, digits: 2, step: 0.01, unit: '' },
  { field: 'thickness', name: 'Thickness', max: 0.2, digits: 3, step: 0.001, unit: ' m' },
];
const isShare = (slide: Slide): boolean => slide.unit === undefined;
const shownOf = (slide: Slide): number => props.material[slide.field] * (isShare(slide) ? 100 : 1);
const setSlide = (slide: Slide, value: number): void =>
  set({ [slide.field]: isShare(slide) ? value / 100 : value }, slide.field);
const setOpacity = (percent: number): void =>
  set(
    {
      opacity: percent / 100,
      ...(percent < 100 && props.material.alpha === 'opaque' ? { alpha: 'blend' as const } : {}),
    },
    'opacity',
  );
const colourOf = (event: Event): string => (event.target as HTMLInputElement).value;
</script>

<template>
  <section aria-label="Look of the material">
    <div class="field">
      <span class="soft">Lit</span>
      <div class="chips" role="group" aria-label="What lights it">
        <button
          v-for="one in SHADINGS"
          :key="one"
          class="chip"
          type="button"
          :aria-pressed="material.shading === one"
          @click="set({ shading: one })"
        >
          {{ SHADING_WORDS[one] }}
        </button>
      </div>
    </div>
    <div class="field">
      <span class="soft">Colour</span>
      <input
        type="color"
        :value="material.colour"
        aria-label="Colour of the material"
        @input="(e) => set({ colour: colourOf(e) }, 'colour')"
        @change="done"
      />
    </div>
    <SliderField
      name="Opacity"
      label="Opacity of the material"
      unit="%"
      :value="material.alpha === 'opaque' ? 100 : material.opacity * 100"
      :min="0"
      :max="100"
      @change="setOpacity"
      @done="done"
    />
    <div class="field">
      <span class="soft">Clear parts</span>
      <div class="chips" role="group" aria-label="What transparency does">
        <button
          v-for="one in ALPHAS"
          :key="one"
          class="chip"
          type="button"
          :aria-pressed="material.alpha === one"
          @click="set({ alpha: one })"
        >
          {{ ALPHA_WORDS[one] }}
        </button>
        <button
          class="chip"
          type="button"
          :aria-pressed="material.doubleSided"
          @click="set({ doubleSided: !material.doubleSided })"
        >
          Both sides
        </button>
      </div>
    </div>
    <SliderField
      v-if="material.alpha === 'cutoff'"
      name="Cut below"
      unit="%"
      :value="material.cutoff * 100"
      :min="0"
      :max="100"
      @change="(v) => set({ cutoff: v / 100 }, 'cutoff')"
      @done="done"
    />
    <template v-if="material.shading !== 'unlit'">
      <SliderField
        v-for="slide in SURFACE"
        :key="slide.field"
        :name="slide.name"
        unit="%"
        :value="shownOf(slide)"
        :min="0"
        :max="100"
        @change="(v) => setSlide(slide, v)"
        @done="done"
      />
      <SliderField
        v-if="material.maps.normal"
        name="Bumps"
        unit="%"
        :value="material.normalStrength * 100"
        :min="0"
        :max="400"
        @change="(v) => set({ normalStrength: v / 100 }, 'normalStrength')"
        @done="done"
      />
      <button
        v-if="material.maps.normal"
        class="chip"
        type="button"
        :aria-pressed="material.normalDown"
        title="Some programs paint the green of normal pictures the other way round; bumps then look like dents"
        @click="set({ normalDown: !material.normalDown })"
      >
        Bumps the other way round
      </button>
      <SliderField
        v-if="material.maps.occlusion"
        name="Hollows"
        unit="%"
        :value="material.occlusionStrength * 100"
        :min="0"
        :max="100"
        @change="(v) => set({ occlusionStrength: v / 100 }, 'occlusionStrength')"
        @done="done"
      />
    </template>
    <div class="field">
      <span class="soft">Glow</span>
      <input
        type="color"
        :value="material.glow"
        aria-label="Colour of the glow"
        @input="(e) => set({ glow: colourOf(e) }, 'glow')"
        @change="done"
      />
    </div>
    <SliderField
      v-if="material.glow !== '#000000'"
      name="Glow strength"
      unit="%"
      :value="material.glowStrength * 100"
      :min="0"
      :max="500"
      @change="(v) => set({ glowStrength: v / 100 }, 'glowStrength')"
      @done="done"
    />
    <template v-if="material.shading !== 'unlit'">
      <SliderField
        v-for="slide in material.clearcoat > 0 ? COAT : COAT.slice(0, 1)"
        :key="slide.field"
        :name="slide.name"
        unit="%"
        :value="shownOf(slide)"
        :min="0"
        :max="100"
        @change="(v) => setSlide(slide, v)"
        @done="done"
      />
      <div class="field">
        <span class="soft">Sheen</span>
        <input
          type="color"
          :value="material.sheen"
          aria-label="Colour of the sheen"
          @input="(e) => set({ sheen: colourOf(e) }, 'sheen')"
          @change="done"
        />
      </div>
      <SliderField
        v-if="material.sheen !== '#000000'"
        name="Sheen rough"
        unit="%"
        :value="material.sheenRoughness * 100"
        :min="0"
        :max="100"
        @change="(v) => set({ sheenRoughness: v / 100 }, 'sheenRoughness')"
        @done="done"
      />
      <SliderField
        v-for="slide in material.transmission > 0 ? THROUGH : THROUGH.slice(0, 1)"
        :key="slide.field"
        :name="slide.name"
        :unit="slide.unit ?? '%'"
        :value="shownOf(slide)"
        :min="slide.min ?? 0"
        :max="slide.max ?? 100"
        :digits="slide.digits ?? 0"
        :step="slide.step ?? 1"
        @change="(v) => setSlide(slide, v)"
        @done="done"
      />
    </template>
  </section>
</template>

<style scoped>
section {
  --label: 102px;
}
.field {
  display: grid;
  grid-template-columns: 102px 1fr;
  gap: 10px;
  align-items: center;
  min-height: 30px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
input[type='color'] {
  width: 40px;
  height: 24px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
}
</style>
