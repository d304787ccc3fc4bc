<script setup lang="ts">
/** The grade of the finished picture: its steps in order, how much of it, compared by a line, written as a file. */
import { computed, ref } from 'vue';
import { Download, Plus, SplitSquareHorizontal } from '@lucide/vue';
import { GRADE_STEP_KINDS, MOST_GRADE_STEPS, type GradeStepKind } from '../../../../../core/document/schema';
import { leftOut } from '../../../../../core/grade/bake';
import { saveFile } from '../../../../../stage/save-file';
import { sentence } from '../../../../../core/errors';
import { addStep, gradeFile, gradesOf } from '../../../../commands/grade-commands';
import { addNew } from '../../../../commands/place-commands';
import { useDeskStore } from '../../../../stores/desk';
import { useEffectStore } from '../../../../stores/effect';
import { GRADE_WORDS } from '../../../../words';
import InlineNotice from '../../../common/InlineNotice.vue';
import PropertyField from '../../../common/PropertyField.vue';
import GradeStepCard from './GradeStepCard.vue';
import ChipButton from '../../../common/ChipButton.vue';
import WordButton from '../../../common/WordButton.vue';

const effectStore = useEffectStore();
const desk = useDeskStore();
const grades = computed(() => gradesOf(effectStore.effect));
const grade = computed(() => grades.value.find((g) => g.id === desk.selected) ?? grades.value[0] ?? null);

const full = computed(() => (grade.value?.steps.length ?? 0) >= MOST_GRADE_STEPS);
const add = ({ key }: { key: string | number }): void => {
  if (grade.value) addStep(grade.value, key as GradeStepKind);
};
const compare = (): void => {
  desk.style.compareLine = desk.style.compareLine === null ? 0.5 : null;
};
const missing = computed(() =>
  grade.value ? leftOut(grade.value.steps).map((kind) => GRADE_WORDS[kind].toLowerCase()) : [],
);
const failure = ref<string | null>(null);
const write = async (): Promise<void> => {
  if (!grade.value) return;
  failure.value = null;
  let file: Blob;
  try {
    file = await gradeFile(grade.value);
  } catch (error) {
    failure.value = sentence(error);
    return;
  }
  saveFile(file, `${grade.value.name.replace(/[^\p{L}\p{N} _-]/gu, '') || 'Grade'}.cube`);
};
</script>

<template>
  <section aria-label="Grade">
    <template v-if="grade">
      <header>
        <h2>{{ grade.name }}</h2>
        <ChipButton
          :aria-pressed="desk.style.compareLine !== null"
          title="Shows the picture without its grades left of a line"
          @click="compare"
        >
          <SplitSquareHorizontal :size="13" /> Compare
        </ChipButton>
        <ChipButton @click="write"><Download :size="13" /> Write as .cube</ChipButton>
      </header>
      <div v-if="grades.length > 1" class="chips" role="group" aria-label="Which grade">
        <ChipButton
          v-for="one in grades"
          :key="one.id"
          :aria-pressed="one.id === grade.id"
          @click="desk.selected = one.id"
        >
          {{ one.name }}
        </ChipButton>
      </div>
      <PropertyField as="row" :object="grade" path="opacity" label="Strength of the grade" />
      <InlineNotice v-if="failure" closable @close="failure = null">{{ failure }}</InlineNotice>
      <p v-if="missing.length > 0" class="soft note">
        A .cube file holds what is done to colours; {{ missing.join(', ') }}
        {{ missing.length === 1 ? 'depends' : 'depend' }} on the place in the picture and
        {{ missing.length === 1 ? 'stays' : 'stay' }} in the effect.
      </p>
      <ol class="steps" aria-label="Steps of the grade, done from top to bottom">
        <GradeStepCard
          v-for="(step, i) in grade.steps"
          :key="step.id"
          :grade="grade"
          :step="step"
          :first="i === 0"
          :last="i === grade.steps.length - 1"
          :place="i"
        />
      </ol>
      <p v-if="grade.steps.length === 0" class="soft">No step yet: the picture stays as it is.</p>
      <a-dropdown :trigger="['click']" :disabled="full">
        <WordButton :disabled="full">
          <Plus :size="13" /> {{ full ? `${MOST_GRADE_STEPS} steps are the most` : 'Add a step' }}
        </WordButton>
        <template #overlay>
          <a-menu @click="add">
            <a-menu-item v-for="kind in GRADE_STEP_KINDS" :key="kind">{{ GRADE_WORDS[kind] }}</a-menu-item>
          </a-menu>
        </template>
      </a-dropdown>
    </template>
    <div v-else class="empty">
      <h2>The finished picture, graded</h2>
      <p class="soft">
        Exposure, white balance, tone curves, a colour table (.cube or a strip of squares), vignette, grain,
        bloom: in the order you want, over the camera and everything on it.
      </p>
      <ChipButton @click="addNew('grade')"><Plus :size="13" /> Add a grade</ChipButton>
    </div>
  </section>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-bottom: 8px;
}
header h2 {
  flex: 1;
  margin: 0;
}
.chip,
.word {
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-bottom: 6px;
}
.note {
  margin: 4px 0 0;
  font-size: 12px;
}
.steps {
  list-style: none;
  margin: 10px 0;
  padding: 0;
  border-top: 1px solid var(--line);
}
.empty .chip {
  margin-top: 10px;
}
</style>
