<script setup lang="ts">
/** A signal that drives something: from which range to which, by which curve; either may run backwards. */
import { computed, ref } from 'vue';
import { ArrowLeftRight, Trash2 } from '@lucide/vue';
import { overruledBy } from '../../../../../core/document/behaviour-queries';
import { putDrive, removeDrive } from '../../../../../core/edits/viewer-edits';
import { fittingFrom, fittingTo, readAs, shownAs } from '../../../../../core/behave/fitting-range';
import { driveSchema, type Drive } from '../../../../../core/document/schema';
import { propertiesIn } from '../../../../../core/schema/properties';
import { overruledWords } from '../../../../circuit-words';
import { useEffectStore } from '../../../../stores/effect';
import PropertyInput from '../../../common/PropertyInput.vue';
import GestureField from '../../../common/GestureField.vue';
import EasingEditor from '../action/EasingEditor.vue';
import SignalFields from '../SignalFields.vue';
import ChipButton from '../../../common/ChipButton.vue';
import WritableFields from './WritableFields.vue';
import IconButton from '../../../common/IconButton.vue';

const props = defineProps<{
  drive: Drive;
  /** It belongs to a control, which is its signal. */
  bound?: boolean;
}>();
const effectStore = useEffectStore();
const DESCRIBED = propertiesIn(driveSchema, {});
const curve = ref(false);
const set = (change: Partial<Drive>, gesture: string | null = null): void =>
  void effectStore.edit(putDrive({ ...props.drive, ...change }), gesture && `${gesture}-${props.drive.id}`);
const done = (): void => effectStore.endGesture();

/** What is driven anew begins with ends that fit it. */
const drives = (to: Drive['to']): void =>
  set({ to, remap: { ...props.drive.remap, to: [...fittingTo(effectStore.effect, to)] } });
const listens = (signal: Drive['signal'], gesture: string | null): void => {
  const isOther =
    JSON.stringify(fittingFrom(effectStore.effect, signal)) !==
    JSON.stringify(fittingFrom(effectStore.effect, props.drive.signal));
  const from = isOther ? [...fittingFrom(effectStore.effect, signal)] : props.drive.remap.from;
  set({ signal, remap: { ...props.drive.remap, from: from as [number, number] } }, gesture);
};
/** Who writes the same, and counts instead. */
const overruled = computed(() =>
  overruledWords(effectStore.effect, overruledBy(effectStore.effect, props.drive)),
);
/** A formula gives what it drives itself: it is not carried to other ends. */
const isAsItIs = computed(() => {
  const { signal, remap } = props.drive;
  return (
    signal.kind === 'formula' &&
    !remap.bounded &&
    remap.from[0] === remap.to[0] &&
    remap.from[1] === remap.to[1]
  );
});
const setEnd = (of: 'from' | 'to', i: 0 | 1, v: number): void => {
  const pair = [...props.drive.remap[of]] as [number, number];
  pair[i] = v;
  set({ remap: { ...props.drive.remap, [of]: pair } }, `${of}-${i}`);
};
const turnRound = (): void => {
  const [a, b] = props.drive.remap.to;
  set({ remap: { ...props.drive.remap, to: [b, a] } });
};
/** How its ends are shown: in the unit of what is driven. */
const shown = computed(() => shownAs(effectStore.effect, props.drive.to));
/** And in that of what drives it. */
const read = computed(() => readAs(effectStore.effect, props.drive.signal));
</script>

<template>
  <div class="drive" role="group" aria-label="What it drives">
    <SignalFields v-if="!bound" :signal="drive.signal" @change="listens" />
    <div class="line">
      <span class="soft">drives</span>
      <WritableFields :to="drive.to" @change="(to, anew) => (anew ? drives(to) : set({ to }))" />
      <span class="grow" />
      <a-switch
        size="small"
        :checked="drive.enabled"
        aria-label="It drives"
        @change="(v: unknown) => set({ enabled: Boolean(v) })"
      />
      <IconButton aria-label="Take the drive off" @click="effectStore.edit(removeDrive(drive.id))">
        <Trash2 :size="13" />
      </IconButton>
    </div>
    <div v-if="!isAsItIs" class="line">
      <GestureField
        class="small"
        label="From, lower end"
        :unit="read.mark"
        :value="drive.remap.from[0] * read.factor"
        :digits="3"
        @change="(v) => setEnd('from', 0, v / read.factor)"
      />
      <span class="soft">to</span>
      <GestureField
        class="small"
        label="From, upper end"
        :unit="read.mark"
        :value="drive.remap.from[1] * read.factor"
        :digits="3"
        @change="(v) => setEnd('from', 1, v / read.factor)"
      />
      <span class="soft">becomes</span>
      <GestureField
        class="small"
        label="To, at the lower end"
        :unit="shown.mark"
        :value="drive.remap.to[0] * shown.factor"
        :digits="shown.digits"
        @change="(v) => setEnd('to', 0, v / shown.factor)"
      />
      <span class="soft">to</span>
      <GestureField
        class="small"
        label="To, at the upper end"
        :unit="shown.mark"
        :value="drive.remap.to[1] * shown.factor"
        :digits="shown.digits"
        @change="(v) => setEnd('to', 1, v / shown.factor)"
      />
      <IconButton aria-label="Turn it round" title="Turn it round" @click="turnRound">
        <ArrowLeftRight :size="13" />
      </IconButton>
      <span class="soft">behind by</span>
      <PropertyInput
        class="small"
        :property="DESCRIBED['lag']!"
        :value="drive.lag"
        @change="(lag) => set({ lag: lag as number }, 'lag')"
        @done="done"
      />
      <ChipButton :aria-expanded="curve" @click="curve = !curve">Curve</ChipButton>
      <ChipButton
        :aria-pressed="drive.remap.bounded"
        @click="set({ remap: { ...drive.remap, bounded: !drive.remap.bounded } })"
      >
        Stays within
      </ChipButton>
    </div>
    <p v-if="overruled" class="soft" role="note">{{ overruled }}</p>
    <EasingEditor
      v-if="curve"
      :easing="{ kind: 'bezier', handles: drive.remap.curve }"
      only-drawn
      @change="
        (easing, gesture) =>
          typeof easing === 'object' && easing.kind === 'bezier'
            ? set({ remap: { ...drive.remap, curve: easing.handles } }, gesture)
            : undefined
      "
      @done="done"
    />
  </div>
</template>

<style scoped>
.drive {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  width: 100%;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.small {
  width: 74px;
}
</style>
