<script setup lang="ts">
/** What a material is like, by numbers and colours. */
import { computed } from 'vue';
import { ALPHAS, SHADINGS, type Material } from '../../../../../core/document/schema';
import { ALPHA_WORDS, SHADING_WORDS } from '../../../../material-words';
import ColourField from '../../../common/ColourField.vue';
import SliderField from '../../../common/SliderField.vue';
import { useMaterial } from './use-material';
import ChipButton from '../../../common/ChipButton.vue';

const props = defineProps<{ material: Material }>();
const { set, done } = useMaterial();
type NumberOf = { [K in keyof Material]: Material[K] extends number ? K : never }[keyof Material];
/** A number of the material; a share of 1 unless it says otherwise. `when` says whether it does anything now. */
interface Slide {
  readonly field: NumberOf;
  readonly name: string;
  readonly most?: number;
  readonly plain?: {
    readonly min: number;
    readonly unit: string;
    readonly digits: number;
    readonly step: number;
  };
  readonly when?: (material: Material) => boolean;
}
/** A colour; black has none of it. */
interface Tone {
  readonly colour: 'glow' | 'sheen';
  readonly name: string;
}
const lit = ({ shading }: Material): boolean => shading !== 'unlit';
const ROWS: readonly (Slide | Tone)[] = [
  { field: 'roughness', name: 'Roughness', when: lit },
  { field: 'metalness', name: 'Metalness', when: lit },
  { field: 'normalStrength', name: 'Bumps', most: 4, when: (m) => lit(m) && m.maps.normal !== null },
  { field: 'occlusionStrength', name: 'Hollows', when: (m) => lit(m) && m.maps.occlusion !== null },
  { colour: 'glow', name: 'Glow' },
  { field: 'glowStrength', name: 'Glow strength', most: 5, when: (m) => m.glow !== '#000000' },
  { field: 'clearcoat', name: 'Clear coat', when: lit },
  { field: 'clearcoatRoughness', name: 'Coat roughness', when: (m) => lit(m) && m.clearcoat > 0 },
  { colour: 'sheen', name: 'Sheen' },
  { field: 'sheenRoughness', name: 'Sheen rough', when: (m) => lit(m) && m.sheen !== '#000000' },
  { field: 'transmission', name: 'Goes through', when: lit },
  {
    field: 'ior',
    name: 'Bends light',
    most: 2.333,
    plain: { min: 1, unit: '', digits: 2, step: 0.01 },
    when: (m) => lit(m) && m.transmission > 0,
  },
  {
    field: 'thickness',
    name: 'Thickness',
    most: 0.2,
    plain: { min: 0, unit: ' m', digits: 3, step: 0.001 },
    when: (m) => lit(m) && m.transmission > 0,
  },
];
const rows = computed(() =>
  ROWS.filter((row) =>
    'colour' in row ? row.colour === 'glow' || lit(props.material) : (row.when?.(props.material) ?? true),
  ),
);
/** Shares are shown in per cent. */
const scaleOf = (slide: Slide): number => (slide.plain ? 1 : 100);
const setOpacity = (percent: number): void =>
  set(
    {
      opacity: percent / 100,
      ...(percent < 100 && props.material.alpha === 'opaque' ? { alpha: 'blend' as const } : {}),
    },
    'opacity',
  );
</script>

<template>
  <section aria-label="Look of the material">
    <div class="field">
      <span class="soft">Lit</span>
      <div class="chips" role="group" aria-label="What lights it">
        <ChipButton
          v-for="one in SHADINGS"
          :key="one"
          :aria-pressed="material.shading === one"
          @click="set({ shading: one })"
        >
          {{ SHADING_WORDS[one] }}
        </ChipButton>
      </div>
    </div>
    <ColourField
      name="Colour"
      label="Colour of the material"
      :value="material.colour"
      @change="(colour) => set({ colour }, 'colour')"
      @done="done"
    />
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
        <ChipButton
          v-for="one in ALPHAS"
          :key="one"
          :aria-pressed="material.alpha === one"
          @click="set({ alpha: one })"
        >
          {{ ALPHA_WORDS[one] }}
        </ChipButton>
        <ChipButton :aria-pressed="material.doubleSided" @click="set({ doubleSided: !material.doubleSided })">
          Both sides
        </ChipButton>
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
    <template v-for="row in rows" :key="row.name">
      <ColourField
        v-if="'colour' in row"
        :name="row.name"
        :label="`Colour of the ${row.colour}`"
        :value="material[row.colour]"
        @change="(value) => set({ [row.colour]: value }, row.colour)"
        @done="done"
      />
      <SliderField
        v-else
        :name="row.name"
        :unit="row.plain?.unit ?? '%'"
        :value="material[row.field] * scaleOf(row)"
        :min="row.plain?.min ?? 0"
        :max="(row.most ?? 1) * scaleOf(row)"
        :digits="row.plain?.digits ?? 0"
        :step="row.plain?.step ?? 1"
        @change="(v) => set({ [row.field]: v / scaleOf(row) }, row.field)"
        @done="done"
      />
      <ChipButton
        v-if="'field' in row && row.field === 'normalStrength'"
        :aria-pressed="material.normalDown"
        title="Some programs paint the green of normal pictures the other way round; bumps then look like dents"
        @click="set({ normalDown: !material.normalDown })"
      >
        Bumps the other way round
      </ChipButton>
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
</style>
