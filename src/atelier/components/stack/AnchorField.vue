<script setup lang="ts">
/** What objects stick to: one list of all there is, and which face. */
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import { HAND_POINT_NAMES } from '../../../core/hand/points';
import { handAnchor, headAnchor } from '../../../core/kinds/objects/placed';
import { anchorOf, targetOrder } from '../../../core/document/queries';
import { isOnFace } from '../../../core/kinds/objects/objects';
import { asCard, asFaceLayer, asModel, onFaceAs } from '../../../core/edits/become';
import { becomesOf, stickTo } from '../../../core/edits/stack-edits';
import type { Anchor, EffectObject, FaceChoice, HandChoice, TargetId } from '../../../core/document/schema';
import { NEUTRAL_FACE } from '../../../core/face/neutral';
import { spotNear } from '../../../core/face/skin-spot';
import { positionOf } from '../../../core/maths/matrix';
import { restMatrix, restOf } from '../../../core/placing/rest';
import { FEATURE_POINT_NAMES } from '../../../core/face/feature-points';
import { sentence } from '../../../core/errors';
import { Cancelled } from '../../../intake/intake-client';
import { becomeFaceShape } from '../../commands/morph-commands';
import { addPrintedPicture, resetPlace } from '../../commands/place-commands';
import { useDeskStore } from '../../stores/desk';
import { useEffectStore } from '../../stores/effect';
import { faceWords, HAND_POINT_WORDS, PIN_WORDS, POINT_WORDS, SURFACE_WORDS } from '../../words';
import { HAND_CHOICES, SCREEN_PINS, SURFACE_KINDS } from '../../../core/schema/anchor-schema';
import InlineNotice from '../common/InlineNotice.vue';
import NumberField from '../common/NumberField.vue';
import SelectField from '../common/SelectField.vue';
import ChipButton from '../common/ChipButton.vue';
import WordButton from '../common/WordButton.vue';

const props = defineProps<{ object: EffectObject }>();
const effectStore = useEffectStore();
const desk = useDeskStore();

const anchor = computed(() => anchorOf(effectStore.effect, props.object));
const face = computed<FaceChoice>(() =>
  anchor.value.kind === 'head' || anchor.value.kind === 'skin' ? anchor.value.face : 1,
);

/** Every place by a key, so that a list can name it. */
const keyOf = (a: Anchor): string => {
  switch (a.kind) {
    case 'head':
      return `head ${a.point}`;
    case 'hand':
      return `hand ${a.point}`;
    case 'world':
      return `world ${a.surface}`;
    case 'picture':
      return `picture ${a.target}`;
    case 'screen':
      return `screen ${a.pin}`;
    default:
      return a.kind;
  }
};
const NEW_PICTURE = 'new picture';
const [WHOLE_FACE, SPOT] = ['face', 'skin'];
const WHOLE_WORDS = { makeUp: 'The whole face, as make-up', shape: 'The whole face, as its shape' } as const;
/** Where it is now, as the list has it. */
const asWhole = computed(() => onFaceAs(effectStore.effect, props.object));
const chosen = computed(() => (isOnFace(props.object) && asWhole.value ? WHOLE_FACE : keyOf(anchor.value)));
const options = computed(() => {
  if (isOnFace(props.object) && !asWhole.value)
    return [{ label: 'Skin', options: [{ value: 'skin', label: 'The whole face' }] }];
  return [
    {
      label: 'Head',
      options: FEATURE_POINT_NAMES.map((p) => ({ value: `head ${p}`, label: POINT_WORDS[p] })),
    },
    {
      label: 'Skin',
      options: [
        ...(asWhole.value ? [{ value: WHOLE_FACE, label: WHOLE_WORDS[asWhole.value] }] : []),
        { value: SPOT, label: 'A spot of the skin' },
      ],
    },
    {
      label: 'Hand',
      options: HAND_POINT_NAMES.map((p) => ({ value: `hand ${p}`, label: HAND_POINT_WORDS[p] })),
    },
    {
      label: 'World',
      options: SURFACE_KINDS.map((s) => ({ value: `world ${s}`, label: SURFACE_WORDS[s] })),
    },
    {
      label: 'Printed picture',
      options: [
        ...targetOrder(effectStore.effect).map((t) => ({ value: `picture ${t.id}`, label: t.name })),
        { value: NEW_PICTURE, label: 'A new printed picture' },
      ],
    },
    { label: 'Screen', options: SCREEN_PINS.map((p) => ({ value: `screen ${p}`, label: PIN_WORDS[p] })) },
    { label: 'Behind the people', options: [{ value: 'backdrop', label: 'Backdrop' }] },
  ];
});
/** The spot of the skin nearest to where the object is; on something else than a head the middle of the face. */
const spotHere = (): [number, number] => {
  if (anchor.value.kind !== 'head') return [0.5, 0.55];
  const at = restMatrix(restOf(effectStore.effect), props.object.id);
  return [...spotNear(NEUTRAL_FACE, positionOf(at))];
};
const anchorFor = (key: string): Anchor => {
  const [kind, detail] = key.split(' ') as [string, string];
  switch (kind) {
    case 'head':
      return headAnchor(detail as Parameters<typeof headAnchor>[0], face.value);
    case 'hand':
      return handAnchor(
        detail as Parameters<typeof handAnchor>[0],
        anchor.value.kind === 'hand' ? anchor.value.hand : 'any',
      );
    case 'skin':
      return { kind: 'skin', face: face.value, spot: spotHere() };
    case 'world':
      return { kind: 'world', surface: detail as 'floor' };
    case 'picture':
      return { kind: 'picture', target: detail as TargetId };
    case 'screen':
      return { kind: 'screen', pin: detail as 'centre' };
    default:
      return { kind: 'backdrop' };
  }
};
/** What became of it when it was told to stick to something else, until the next thing is done. */
const said = ref<{ readonly stays: boolean; readonly where: string } | null>(null);
watch(
  () => [props.object.id, props.object.anchor, props.object.move] as const,
  () => (said.value = null),
);
/** A model is measured before it shapes the face; what is no face stays what it is, and says so. */
const measuring = ref<AbortController | null>(null);
const trouble = ref<string | null>(null);
watch(
  () => [props.object.id, props.object.anchor] as const,
  () => (trouble.value = null),
);
const shapeFace = async (): Promise<void> => {
  const abort = new AbortController();
  measuring.value?.abort();
  measuring.value = abort;
  trouble.value = null;
  try {
    await becomeFaceShape(props.object.id, abort.signal);
  } catch (cause) {
    if (!(cause instanceof Cancelled)) trouble.value = sentence(cause);
  } finally {
    if (measuring.value === abort) measuring.value = null;
  }
};
onBeforeUnmount(() => measuring.value?.abort());
const choose = async (key: string): Promise<void> => {
  if (key === chosen.value) return;
  const { object } = props;
  if (key === WHOLE_FACE) {
    if (asWhole.value === 'shape') await shapeFace();
    else effectStore.edit(asFaceLayer(effectStore.effect, object.id));
    return;
  }
  if (isOnFace(object)) {
    const to =
      key === NEW_PICTURE ? { kind: 'picture' as const, target: addPrintedPicture() } : anchorFor(key);
    const alone = asWhole.value === 'shape' ? asModel : asCard;
    effectStore.edit(alone(effectStore.effect, object.id, to));
  } else {
    const from = anchor.value;
    const to: Anchor =
      key === NEW_PICTURE ? { kind: 'picture', target: addPrintedPicture() } : anchorFor(key);
    effectStore.edit(stickTo(effectStore.effect, desk.selection, to));
    await nextTick();
    const label = options.value.flatMap((g) => g.options).find((o) => o.value === keyOf(to))?.label ?? '';
    said.value = { stays: becomesOf(from, to) === 'stays', where: label.toLowerCase() };
  }
};
const faces = ([1, 2, 3, 4, 'any', 'every'] as const).map((value) => ({ value, label: faceWords(value) }));
const chooseFace = (to: FaceChoice): void => {
  const a = anchor.value;
  if (a.kind === 'head' || a.kind === 'skin')
    effectStore.edit(stickTo(effectStore.effect, desk.selection, { ...a, face: to }));
};
const hands = HAND_CHOICES.map((value) => ({ value, label: value }));
const chooseHand = (to: HandChoice): void => {
  const a = anchor.value;
  if (a.kind === 'hand') effectStore.edit(stickTo(effectStore.effect, desk.selection, { ...a, hand: to }));
};
const grow = (): void => {
  const a = anchor.value;
  if (a.kind === 'head' || a.kind === 'hand')
    effectStore.edit(stickTo(effectStore.effect, desk.selection, { ...a, grows: !a.grows }));
};
const setSpot = (axis: 0 | 1, percent: number): void => {
  const a = anchor.value;
  if (a.kind !== 'skin') return;
  const spot: [number, number] = [...a.spot];
  spot[axis] = Math.min(1, Math.max(0, percent / 100));
  effectStore.edit(stickTo(effectStore.effect, [props.object.id], { ...a, spot }), `spot-${axis}`);
};
const onFace = computed(() => anchor.value.kind === 'head' || anchor.value.kind === 'skin');
defineExpose({ choose });
</script>

<template>
  <div class="line">
    <span>Sticks to</span>
    <SelectField
      name="Sticks to"
      show-search
      option-filter-prop="label"
      :class="onFace || anchor.kind === 'hand' ? 'two' : 'wide'"
      :value="chosen"
      :options="options"
      :dropdown-match-select-width="false"
      @change="(v: unknown) => void choose(v as string)"
    />
    <SelectField
      v-if="onFace"
      name="Of which face"
      :value="face"
      :options="faces"
      :dropdown-match-select-width="false"
      @change="(v: unknown) => chooseFace(v as FaceChoice)"
    />
    <SelectField
      v-if="anchor.kind === 'hand'"
      name="Of which hand"
      :value="anchor.hand"
      :options="hands"
      :dropdown-match-select-width="false"
      @change="(v: unknown) => chooseHand(v as HandChoice)"
    />
  </div>
  <p v-if="measuring" class="said" role="status">
    Its shape is being measured. <WordButton @click="measuring.abort()">Cancel</WordButton>
  </p>
  <InlineNotice v-if="trouble" closable @close="trouble = null">{{ trouble }}</InlineNotice>
  <p v-if="said" class="said" role="status">
    <template v-if="said.stays"
      >It stays where it was seen.
      <WordButton @click="resetPlace()">Put it where new things go there</WordButton></template
    >
    <template v-else>It lies where new things go there: {{ said.where }}.</template>
  </p>
  <div
    v-if="anchor.kind === 'skin' && !isOnFace(object)"
    class="line"
    role="group"
    aria-label="Spot of the skin"
  >
    <span>Spot</span>
    <NumberField
      v-for="(mark, i) in ['u', 'v']"
      :key="mark"
      :value="anchor.spot[i]! * 100"
      :label="`Spot ${mark}, per cent of the face layout`"
      :mark="mark"
      unit="%"
      :digits="1"
      :min="0"
      :max="100"
      @change="(v) => setSpot(i as 0 | 1, v)"
      @done="effectStore.endGesture()"
    />
  </div>
  <div v-if="(anchor.kind === 'head' && object.kind !== 'occluder') || anchor.kind === 'hand'" class="line">
    <span />
    <ChipButton class="wide" :aria-pressed="anchor.grows" @click="grow">
      Grows with the {{ anchor.kind }}
    </ChipButton>
  </div>
</template>

<style scoped src="./fields.css"></style>

<style scoped>
.said {
  margin: 0 0 0 61px;
  font-size: 12px;
  color: var(--soft);
}
button.wide {
  justify-self: start;
}
</style>
