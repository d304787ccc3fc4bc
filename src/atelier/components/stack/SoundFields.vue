<script setup lang="ts">
/** A sound: which, how loud, how it begins and ends, and from how near it is loud. */
import { computed } from 'vue';
import { reshape } from '../../../core/document/edits';
import { anchorOf } from '../../../core/document/queries';
import type { AssetId, SoundObject } from '../../../core/document/schema';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import SoundPlayer from '../library/SoundPlayer.vue';
import GestureField from '../common/GestureField.vue';
import SelectField from '../common/SelectField.vue';
import { useMadeOf } from './use-made-of';

const props = defineProps<{ object: SoundObject }>();
const document = useEffectStore();
const desk = useDeskStore();
const made = useMadeOf(() => props.object);
const set = (change: Partial<SoundObject>, gesture: string | null = null): void => {
  document.edit(
    reshape(document.effect, props.object.id, 'sound', change),
    gesture && `${gesture}-${props.object.id}`,
  );
};
const asset = computed(() => (props.object.asset ? document.effect.assets[props.object.asset] : undefined));
const inRoom = computed(() => !['screen', 'backdrop'].includes(anchorOf(document.effect, props.object).kind));
</script>

<template>
  <div class="line">
    <span>Sound</span>
    <SelectField
      name="Sound"
      class="wide"
      :value="(object.asset ?? null) as unknown as undefined"
      :options="made"
      placeholder="Choose a sound"
      :status="asset ? undefined : 'error'"
      not-found-content="None here yet: bring one in, or take one from the stock"
      @change="(v: unknown) => set({ asset: v as AssetId })"
    />
  </div>
  <div class="line">
    <span />
    <SoundPlayer v-if="asset?.kind === 'sound'" class="two" :asset="asset" />
    <button
      v-else
      class="word two"
      type="button"
      @click="desk.openLibrary({ tab: 'stock', from: object.id })"
    >
      Sounds from the stock
    </button>
  </div>
  <div class="line">
    <span>Volume</span>
    <GestureField
      label="Volume, per cent"
      unit="%"
      :value="object.opacity * 100"
      :digits="0"
      :min="0"
      :max="100"
      @change="(v) => set({ opacity: v / 100 }, 'volume')"
    />
    <GestureField
      label="Pitch, per cent"
      mark="pitch"
      unit="%"
      :value="object.pitch * 100"
      :digits="0"
      :min="25"
      :max="400"
      @change="(v) => set({ pitch: v / 100 }, 'pitch')"
    />
    <GestureField
      v-if="inRoom"
      label="As loud as can be within, cm"
      mark="near"
      unit=" cm"
      :value="object.near * 100"
      :digits="0"
      :min="1"
      :max="10000"
      @change="(v) => set({ near: v / 100 }, 'near')"
    />
  </div>
  <div class="line">
    <span>Fades</span>
    <GestureField
      label="Fades in over, seconds"
      mark="in"
      unit=" s"
      :value="object.fadeIn"
      :step="0.1"
      :digits="2"
      :min="0"
      :max="60"
      @change="(fadeIn) => set({ fadeIn }, 'in')"
    />
    <GestureField
      label="Fades out over, seconds"
      mark="out"
      unit=" s"
      :value="object.fadeOut"
      :step="0.1"
      :digits="2"
      :min="0"
      :max="60"
      @change="(fadeOut) => set({ fadeOut }, 'out')"
    />
  </div>
  <div class="line">
    <span />
    <label class="row"
      ><a-switch
        size="small"
        :checked="object.runs"
        aria-label="Sounds from the start"
        @change="(v: unknown) => set({ runs: Boolean(v) })"
      />from the start</label
    >
    <label class="row two"
      ><a-switch
        size="small"
        :checked="object.loop"
        aria-label="Again and again"
        @change="(v: unknown) => set({ loop: Boolean(v) })"
      />again and again</label
    >
  </div>
</template>

<style scoped src="./fields.css"></style>
