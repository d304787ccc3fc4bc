<script setup lang="ts">
/** What lies behind the people, and how they are cut out of the picture. */
import { computed } from 'vue';
import { Plus } from '@lucide/vue';
import { setBackdrop } from '../../../../core/edits/backdrop-edits';
import { anchorOf, stackOrder } from '../../../../core/document/queries';
import { backdropSchema, type Anchor, type Backdrop } from '../../../../core/document/schema';
import { addNew, type NewKind } from '../../../commands/place-commands';
import { useDeskStore } from '../../../stores/desk';
import { useEffectStore } from '../../../stores/effect';
import { propertiesIn, valueAt } from '../../../../core/schema/properties';
import PropertyInput from '../../common/PropertyInput.vue';
import ChipButton from '../../common/ChipButton.vue';
import WordButton from '../../common/WordButton.vue';

const emit = defineEmits<{ choose: [on: Anchor] }>();
const effectStore = useEffectStore();
const desk = useDeskStore();
const behind = computed(() =>
  stackOrder(effectStore.effect).filter((o) => anchorOf(effectStore.effect, o).kind === 'backdrop'),
);
/** People are cut out for what lies behind them, and for cards that show them. */
const cuts = computed(
  () =>
    behind.value.length > 0 ||
    Object.values(effectStore.effect.objects).some(
      (o) => o.kind === 'live' && (o.part === 'person' || o.part === 'background'),
    ),
);
const backdrop = computed(() => effectStore.effect.backdrop);
const set = (change: Partial<Backdrop>, gesture: string | null = null): void => {
  effectStore.edit(setBackdrop(change), gesture);
};
const done = (): void => effectStore.endGesture();
const BEHIND: Anchor = { kind: 'backdrop' };
const CHOICES: readonly { readonly kind: NewKind; readonly label: string }[] = [
  { kind: 'fill', label: 'Colour or gradient' },
  { kind: 'background', label: 'The room, blurred' },
  { kind: 'person', label: 'Another copy of the person' },
];
const DESCRIBED = propertiesIn(backdropSchema, {});
</script>

<template>
  <section aria-label="Backdrop" :data-anchor="JSON.stringify(BEHIND)">
    <h2>Behind the people</h2>
    <p class="soft">
      What is seen behind the people instead of the room. Pictures and videos that are dropped here lie there.
    </p>
    <div class="chips">
      <ChipButton v-for="{ kind, label } in CHOICES" :key="kind" @click="addNew(kind, BEHIND)">
        <Plus :size="13" /> {{ label }}
      </ChipButton>
      <ChipButton @click="emit('choose', BEHIND)"> <Plus :size="13" /> A picture or video </ChipButton>
    </div>
    <ul v-if="behind.length > 0" class="list">
      <li v-for="object in behind" :key="object.id">
        <WordButton :aria-pressed="desk.selected === object.id" @click="desk.selected = object.id">
          {{ object.name }}
        </WordButton>
      </li>
    </ul>
    <template v-if="cuts">
      <h2>The edge of the people</h2>
      <PropertyInput
        v-for="(property, path) in DESCRIBED"
        :key="path"
        as="row"
        :property="property"
        :value="valueAt(backdrop, path)"
        @change="(to, felt) => set({ [path]: to }, felt ? path : null)"
        @done="done"
      />
    </template>
  </section>
</template>

<style scoped>
h2:not(:first-child) {
  margin-top: 18px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 8px 0;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.list {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
