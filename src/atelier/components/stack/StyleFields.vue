<script setup lang="ts">
/** How a card looks: opacity, tint, blend mode, back side. */
import { computed } from 'vue';
import { formulaPlace } from '../../../core/edits/formula-edits';
import { styleFlat, styleSolid } from '../../../core/edits/object-edits';
import { clamp } from '../../../core/maths/scalar';
import { isShowing } from '../../../core/document/queries';
import { isOnFace, propertiesOf } from '../../../core/kinds/objects/objects';
import { BLEND_MODES, type BlendMode, type EffectObject } from '../../../core/document/schema';
import { shownAs } from '../../kinds/object-kinds';
import { useEffectStore } from '../../stores/effect';
import { BLEND_WORDS } from '../../words';
import DrivableNumber from '../common/formula/DrivableNumber.vue';
import NumberField from '../common/NumberField.vue';
import PropertyField from '../common/PropertyField.vue';
import AssetField from './AssetField.vue';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const shown = computed(() => shownAs(props.object.kind));
/** What has a tint: a colour field has its colours instead. */
const card = computed(() => ('tint' in props.object && props.object.kind !== 'fill' ? props.object : null));
const blended = computed(() => ('blend' in props.object ? props.object : null));
const sided = computed(() => ('doubleSided' in props.object ? props.object : null));
const blends = BLEND_MODES.map((value) => ({ value, label: BLEND_WORDS[value] }));

const style = (change: Parameters<typeof styleFlat>[2], gesture: string | null = null): void => {
  effectStore.edit(styleFlat(effectStore.effect, props.object.id, change), gesture);
};
/** What has an opacity; models may play a clip. */
const solid = computed(() => ('opacity' in props.object ? props.object : null));
const clips = computed(() => {
  const asset = props.object.kind === 'model' ? effectStore.effect.assets[props.object.asset] : undefined;
  return asset?.kind === 'model'
    ? asset.clips.map((c) => ({ value: c.name, label: `${c.name} (${c.duration.toFixed(1)} s)` }))
    : [];
});
/** What is dyed has a colour; what shows a picture is tinted. */
const colourName = computed(() =>
  isOnFace(props.object) && !('asset' in props.object && props.object.asset) ? 'Colour' : 'Tint',
);
const opacityName = computed(() => propertiesOf(props.object)['opacity']?.name ?? '');
/** The number that says how strong it is, where that is not its opacity. */
const strength = computed(() => {
  const property = propertiesOf(props.object)['opacity'];
  return property?.type === 'number' ? property.quietFor : undefined;
});
const opacity = computed(() => solid.value?.opacity ?? 1);
const setOpacity = (value: number): void => {
  const next = clamp(value, 0, 1);
  effectStore.edit(styleSolid(effectStore.effect, props.object.id, { opacity: next }), 'opacity');
};
/** Where a formula is written for it. */
const opacityPlace = computed(() => formulaPlace(props.object, 'opacity')!);
const setTint = (text: string, gesture: string | null): void => {
  const hex = text.trim().toLowerCase();
  if (/^#[0-9a-f]{6}$/.test(hex)) style({ tint: hex }, gesture);
};
</script>

<template>
  <div v-if="solid" class="fields">
    <AssetField v-if="isShowing(object)" :object="object" />
    <PropertyField
      v-if="strength"
      as="row"
      :object="object"
      :path="strength"
      label="Strength of what is selected"
    />
    <div v-else class="line">
      <span>{{ opacityName }}</span>
      <DrivableNumber
        class="wide opacity"
        :place="opacityPlace"
        :label="`${opacityName}, per cent`"
        @number="(v) => (setOpacity(v), effectStore.endGesture())"
      >
        <template #default="{ begin }">
          <a-slider
            v-name="opacityName"
            class="slider"
            :value="opacity * 100"
            :min="0"
            :max="100"
            :tooltip-open="false"
            @change="(v) => setOpacity(Number(v) / 100)"
            @after-change="effectStore.endGesture()"
          />
          <NumberField
            class="per-cent"
            :value="opacity * 100"
            :label="`${opacityName}, per cent`"
            unit="%"
            :min="0"
            :max="100"
            :digits="0"
            formulas
            @change="(v) => setOpacity(v / 100)"
            @done="effectStore.endGesture()"
            @formula="begin"
          />
        </template>
      </DrivableNumber>
    </div>
    <div v-if="object.kind === 'model' && clips.length > 0" class="line">
      <span>Clip</span>
      <SelectField
        name="Clip that plays"
        class="wide"
        :value="object.clip ?? ''"
        :options="[{ value: '', label: 'at rest' }, ...clips]"
        @change="
          (v: unknown) =>
            effectStore.edit(styleSolid(effectStore.effect, object.id, { clip: v === '' ? null : String(v) }))
        "
      />
    </div>
    <template v-if="card">
      <div class="line">
        <span>{{ colourName }}</span>
        <span class="tint">
          <input
            type="color"
            :value="card.tint"
            aria-label="Tint"
            @input="setTint(($event.target as HTMLInputElement).value, 'tint')"
            @change="effectStore.endGesture()"
          />
          <a-input
            class="hex"
            size="small"
            :value="card.tint"
            aria-label="Tint as hex"
            @change="(e: Event) => setTint((e.target as HTMLInputElement).value, 'tint')"
            @blur="effectStore.endGesture()"
          />
        </span>
        <WordButton
          v-if="colourName === 'Tint'"
          :disabled="card.tint === '#ffffff'"
          @click="style({ tint: '#ffffff' })"
        >
          None
        </WordButton>
      </div>
    </template>
    <div v-if="blended" class="line">
      <span>Blend</span>
      <SelectField
        name="Blend mode"
        class="wide"
        :value="blended.blend"
        :options="blends"
        @change="(v: unknown) => style({ blend: v as BlendMode })"
      />
    </div>
    <component :is="shown.style" v-if="shown.style" :object="object" />
    <p v-else-if="shown.note" class="soft note">{{ shown.note }}</p>
    <template v-if="sided">
      <div class="chips">
        <ChipButton :aria-pressed="sided.doubleSided" @click="style({ doubleSided: !sided.doubleSided })">
          Double-sided
        </ChipButton>
      </div>
    </template>
  </div>
  <p v-else class="soft note">{{ shown.note }}</p>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  margin-top: 4px;
}
.line {
  display: grid;
  grid-template-columns: 56px 1fr 64px;
  gap: 5px;
  align-items: center;
  color: var(--soft);
}
.opacity {
  gap: 5px;
}
.slider {
  flex: 1;
  margin: 4px 6px;
}
.per-cent {
  flex: 0 0 64px;
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
