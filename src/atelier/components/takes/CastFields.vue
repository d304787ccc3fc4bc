<script setup lang="ts">
/** Who is before the camera, what each does and where each stands. */
import { UserPlus, X } from '@lucide/vue';
import { PERFORMANCES, PERFORMERS } from '../../../core/takes/library';
import { arranged } from '../../../core/takes/staging';
import { MOST_PEOPLE, type CastMember } from '../../../core/takes/take';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';
import IconButton from '../common/IconButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ cast: readonly CastMember[] }>();
const emit = defineEmits<{ change: [label: string, cast: CastMember[], gesture?: string]; done: [] }>();

const performers = PERFORMERS.map((p) => ({
  value: p.id,
  label: `${p.name}: ${p.about}, skin tone ${p.tone}`,
}));
const performances = PERFORMANCES.map((p) => ({ value: p.id, label: p.name }));
const name = (member: CastMember): string =>
  PERFORMERS.find((p) => p.id === member.performer)?.name ?? member.performer;

const set = (i: number, label: string, next: Partial<CastMember>, gesture?: string): void =>
  emit(
    'change',
    label,
    props.cast.map((m, k) => (k === i ? { ...m, ...next } : m)),
    gesture,
  );
const place = (i: number, axis: 0 | 1 | 2, centimetres: number): void => {
  const next: CastMember['place'] = [...props.cast[i]!.place];
  // Away is how far before the camera, which looks along -Z.
  next[axis] = (axis === 2 ? -1 : 1) * (centimetres / 100);
  set(i, `place ${name(props.cast[i]!)}`, { place: next }, `place ${i} ${axis}`);
};
const add = (): void => {
  const free = PERFORMERS.find((p) => !props.cast.some((m) => m.performer === p.id)) ?? PERFORMERS[0]!;
  const member: CastMember = {
    performer: free.id,
    performance: 'neutral',
    place: [0, 0, -0.6],
    shift: 0,
    present: [0, 1],
  };
  emit('change', `add ${free.name}`, arranged([...props.cast, member]));
};
const remove = (i: number): void =>
  emit(
    'change',
    `remove ${name(props.cast[i]!)}`,
    props.cast.filter((_, k) => k !== i),
  );
const AXES = [
  { axis: 0, mark: 'x', label: 'Sideways' },
  { axis: 1, mark: 'y', label: 'Height' },
  { axis: 2, mark: 'z', label: 'Away' },
] as const;
</script>

<template>
  <section class="cast" aria-label="Performers">
    <div class="row">
      <h2 class="grow">Performers</h2>
      <WordButton
        v-if="cast.length > 1 && cast.length <= MOST_PEOPLE"
        @click="emit('change', 'arrange the performers', arranged(cast))"
      >
        Arrange
      </WordButton>
      <WordButton :disabled="cast.length >= MOST_PEOPLE" @click="add">
        <span class="row"><UserPlus :size="14" />Add performer</span>
      </WordButton>
    </div>
    <p v-if="cast.length === 0" class="soft">
      Nobody is before the camera. Add a performer, or leave it so for a walk through a place.
    </p>
    <fieldset v-for="(member, i) in cast" :key="i">
      <legend class="hidden-text">{{ name(member) }}</legend>
      <div class="row">
        <SelectField
          :name="`Performer ${i + 1}`"
          class="grow"
          :value="member.performer"
          :options="performers"
          @change="(v: unknown) => set(i, 'choose a performer', { performer: String(v) })"
        />
        <IconButton :aria-label="`Remove ${name(member)}`" @click="remove(i)">
          <X :size="14" />
        </IconButton>
      </div>
      <SelectField
        :name="`What ${name(member)} does`"
        :value="member.performance"
        :options="performances"
        @change="(v: unknown) => set(i, 'choose what is done', { performance: String(v) })"
      />
      <div class="numbers">
        <NumberField
          v-for="{ axis, mark, label } in AXES"
          :key="axis"
          :value="(axis === 2 ? -1 : 1) * member.place[axis] * 100"
          :label="`${name(member)}: ${label}, cm`"
          :mark="mark"
          unit=" cm"
          :min="axis === 2 ? 25 : -200"
          :max="axis === 2 ? 600 : 200"
          @change="(v: number) => place(i, axis, v)"
          @done="emit('done')"
        />
        <NumberField
          :value="member.shift * 100"
          :label="`${name(member)}: begins at, percent`"
          mark="from"
          unit=" %"
          :digits="0"
          :min="0"
          :max="100"
          @change="(v: number) => set(i, `shift ${name(member)}`, { shift: v / 100 }, `shift ${i}`)"
          @done="emit('done')"
        />
      </div>
    </fieldset>
  </section>
</template>

<style scoped>
.cast,
fieldset {
  display: grid;
  gap: 8px;
}
fieldset {
  margin: 0;
  padding: 10px;
  border: 1px solid var(--line);
  border-radius: 8px;
  min-width: 0;
}
.numbers {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
}
</style>
