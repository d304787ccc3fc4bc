<script setup lang="ts">
/** What of the effect lies under a notch or a button of the camera app, or off the screen, at this moment; and the mend. */
import { CircleCheck, TriangleAlert } from '@lucide/vue';
import { PROMPT_PLACES } from '../../../../../core/document/viewer-schema';
import { mended } from '../../../../../core/devices/mend';
import { changeObject } from '../../../../../core/edits/object-edits';
import { putPrompt } from '../../../../../core/edits/viewer-edits';
import { promptName } from '../../../../behave-words';
import { useDeskStore } from '../../../../stores/desk';
import { useDevicesStore, type Finding } from '../../../../stores/devices';
import { useEffectStore } from '../../../../stores/effect';
import WordButton from '../../../common/WordButton.vue';

const devices = useDevicesStore();
const effectStore = useEffectStore();
const desk = useDeskStore();

const nameOf = ({ thing }: Finding): string =>
  thing.kind === 'object'
    ? (effectStore.effect.objects[thing.id]?.name ?? 'An object')
    : `The prompt “${promptName(effectStore.effect, thing.id)}”`;
const listOf = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
const saidOf = (finding: Finding): string =>
  finding.covers.length > 0
    ? `lies under ${listOf(finding.covers.map((c) => c.name))}${finding.isOff ? ', and partly off the screen' : ''}`
    : 'lies partly off the screen';

/** A prompt that stands somewhere else: where it is clear of the top, in the middle. */
const nextPlace = (finding: Finding): keyof typeof PROMPT_PLACES | null => {
  const prompt = finding.thing.kind === 'prompt' ? effectStore.effect.prompts[finding.thing.id] : undefined;
  return prompt && prompt.place !== 'middle' ? 'middle' : null;
};
const mendOf = (finding: Finding): { label: string; run: () => void } | null => {
  const { thing } = finding;
  if (thing.kind === 'prompt') {
    const place = nextPlace(finding);
    const prompt = effectStore.effect.prompts[thing.id];
    return place && prompt
      ? {
          label: `Put it ${PROMPT_PLACES[place]}`,
          run: () => void effectStore.edit(putPrompt({ ...prompt, place })),
        }
      : null;
  }
  const object = effectStore.effect.objects[thing.id];
  if (!object || object.locked || object.parent !== null) return null;
  const to = mended(object, thing.rect, devices.covers, devices.shape);
  return (
    to && {
      label: finding.isOff ? 'Make it fit' : 'Move it clear',
      run: () => void effectStore.edit(changeObject(effectStore.effect, thing.id, to, 'Fit')),
    }
  );
};
</script>

<template>
  <section aria-label="What lies under something">
    <p v-if="devices.findings.length === 0" class="row soft">
      <CircleCheck :size="15" aria-hidden="true" />
      <span v-if="devices.things.length === 0"
        >Nothing of the effect lies flat on the screen at this moment. Play the take: prompts, texts and cards
        on the screen are looked at as they come.</span
      >
      <span v-else
        >All that lies on the screen at this moment is clear of
        {{ devices.app ? 'notch and buttons' : 'the notch' }}.</span
      >
    </p>
    <ul v-else>
      <li v-for="finding in devices.findings" :key="finding.thing.id" class="row">
        <TriangleAlert :size="15" aria-hidden="true" class="warn" />
        <span class="grow"><b>{{ nameOf(finding) }}</b> {{ saidOf(finding) }}.</span>
        <WordButton v-if="finding.thing.kind === 'object'" @click="desk.selected = finding.thing.id"
          >Select</WordButton
        >
        <WordButton v-if="mendOf(finding)" @click="mendOf(finding)!.run()">{{
          mendOf(finding)!.label
        }}</WordButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
p,
ul {
  margin: 0;
  padding: 0;
}
ul {
  display: grid;
  gap: 6px;
  list-style: none;
}
.row {
  align-items: flex-start;
}
svg {
  flex: none;
  margin-top: 3px;
}
.warn {
  color: var(--ochre);
}
</style>
