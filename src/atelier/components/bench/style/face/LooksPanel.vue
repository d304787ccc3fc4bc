<script setup lang="ts">
/** Whole looks: put on, kept, renamed, mixed by a slider. */
import { computed, ref } from 'vue';
import { Bookmark, Trash2 } from '@lucide/vue';
import { changeLook, layersOn, removeLook } from '../../../../../core/edits/look-edits';
import type { FaceChoice, LookId } from '../../../../../core/document/schema';
import { keepLook, lookChoices, wear, wearMix } from '../../../../commands/face-commands';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import SliderField from '../../../common/SliderField.vue';
import SelectField from '../../../common/SelectField.vue';

const props = defineProps<{ face: FaceChoice }>();
const document = useEffectStore();
const desk = useDeskStore();
const looks = computed(lookChoices);
const hasLayers = computed(() => layersOn(document.effect, props.face).length > 0);
const { mix } = desk.style;
const find = (id: string) => looks.value.find((l) => l.id === id);
const first = computed(() => find(mix.first) ?? looks.value[0]!);
const second = computed(() => find(mix.second) ?? looks.value.find((l) => l.id !== first.value.id)!);
const options = computed(() => looks.value.map((l) => ({ value: l.id, label: l.name })));
const renaming = ref<string | null>(null);
const keep = (): void => {
  const id = keepLook(props.face);
  if (id) renaming.value = id;
};
const rename = (id: string, event: Event): void => {
  const name = (event.target as HTMLInputElement).value;
  if (name.trim()) document.edit(changeLook(document.effect, id as LookId, name));
  renaming.value = null;
};
const mixed = (percent: number): void => {
  mix.share = percent / 100;
  wearMix(first.value, second.value, mix.share, props.face);
};
const focus = (el: unknown): void => (el as HTMLInputElement | null)?.select();
</script>

<template>
  <section aria-label="Looks">
    <h2>Looks</h2>
    <ul class="looks">
      <li v-for="look in looks" :key="look.id">
        <input
          v-if="renaming === look.id"
          :ref="focus"
          class="name"
          :value="look.name"
          :aria-label="`Name of ${look.name}`"
          @keydown.enter="(e) => rename(look.id, e)"
          @keydown.esc="renaming = null"
          @blur="(e) => rename(look.id, e)"
        />
        <button v-else class="chip" type="button" :title="look.about" @click="wear(look, face)">
          {{ look.name }}
        </button>
        <template v-if="look.own && renaming !== look.id">
          <button class="word" type="button" :aria-label="`Rename ${look.name}`" @click="renaming = look.id">
            Rename
          </button>
          <button
            class="icon-button"
            type="button"
            :aria-label="`Delete the look ${look.name}`"
            @click="document.edit(removeLook(document.effect, look.id as LookId))"
          >
            <Trash2 :size="13" />
          </button>
        </template>
      </li>
    </ul>
    <p class="soft">
      A look takes the place of the layers on this face; one undo brings them back.
      <button class="word" type="button" :disabled="!hasLayers" @click="keep">
        <Bookmark :size="12" /> Keep what is on the face
      </button>
    </p>
    <h2>Between two looks</h2>
    <div class="pair">
      <SelectField
        name="First look"
        :value="first.id"
        :options="options"
        @change="(v: unknown) => (mix.first = String(v))"
      />
      <SelectField
        name="Second look"
        :value="second.id"
        :options="options"
        @change="(v: unknown) => (mix.second = String(v))"
      />
    </div>
    <SliderField
      name="Second look"
      label="Share of the second look"
      unit="%"
      :value="mix.share * 100"
      :min="0"
      :max="100"
      @change="mixed"
      @done="document.endGesture()"
    />
  </section>
</template>

<style scoped>
h2 {
  margin: 14px 0 5px;
}
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.looks li {
  display: inline-flex;
  align-items: center;
}
.name {
  width: 130px;
  height: 26px;
  padding: 0 8px;
  border: 1px solid var(--accent);
  border-radius: 13px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin-bottom: 2px;
}
</style>
