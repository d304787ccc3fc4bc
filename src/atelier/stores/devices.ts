/** The screen that the effect is looked at on, what lies under its notch and under the buttons of a camera app, and how fast it will be. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { CLASSES, PHONE_CLASSES, type PhoneClass } from '../../core/devices/classes';
import { coversOf, coversOver, isGround, shareOff, type Cover } from '../../core/devices/covered';
import { drawnPixels, estimate, type Estimate } from '../../core/devices/estimate';
import { observe, surenessOf, type Observed, type Sureness } from '../../core/devices/judge';
import { loadOf } from '../../core/devices/load';
import { hold, SCREENS, type Held, type Rect } from '../../core/devices/screens';
import type { ObjectId, PromptId } from '../../core/document/schema';
import { useDeskStore } from './desk';
import { useEffectStore } from './effect';
import { usePhonesStore } from './phones';

/** Something of the effect that lies flat on the screen now. CSS pixels of the device. */
export type OnScreen =
  | { readonly kind: 'object'; readonly id: ObjectId; readonly rect: Rect }
  | { readonly kind: 'prompt'; readonly id: PromptId; readonly rect: Rect };

export interface Finding {
  readonly thing: OnScreen;
  readonly covers: readonly Cover[];
  /** More of it lies off the screen than a little. */
  readonly isOff: boolean;
}
/** So much of a thing may lie off the screen. */
const LET_BE_OFF = 0.05;

export const useDevicesStore = defineStore('devices', () => {
  const desk = useDeskStore();
  const effectStore = useEffectStore();
  const phones = usePhonesStore();
  const screenId = ref(SCREENS[1]!.id);
  const held = ref<Held>('upright');
  /** A camera app with its buttons lies over it. */
  const app = ref(true);
  const of = ref<PhoneClass>('usual');
  /** The Viewfinder shows the device. */
  const isOpen = ref(false);
  const screen = computed(() => SCREENS.find((s) => s.id === screenId.value) ?? SCREENS[0]!);
  const shape = computed(() => hold(screen.value, held.value));
  const covers = computed(() => coversOf(shape.value, app.value));

  /** What lies flat on it at the moment that is drawn. */
  const things = shallowRef<readonly OnScreen[]>([]);
  const findings = computed((): Finding[] =>
    things.value
      .filter(({ rect }) => !isGround(rect, shape.value))
      .map((thing) => ({
        thing,
        covers: coversOver(thing.rect, covers.value),
        isOff: shareOff(thing.rect, shape.value) > LET_BE_OFF,
      }))
      .filter((f) => f.covers.length > 0 || f.isOff),
  );

  const load = computed(() => loadOf(effectStore.effect));
  /** The show page draws no wider than an upright picture. */
  const pixels = computed(() => {
    const { width, height } = shape.value;
    return drawnPixels(Math.min(width, (height * 9) / 16), height, screen.value.density);
  });
  const estimates = computed(
    () =>
      Object.fromEntries(
        PHONE_CLASSES.map((id) => [id, estimate(load.value, CLASSES[id], pixels.value)]),
      ) as Record<PhoneClass, Estimate>,
  );
  const observed = computed((): Observed[] =>
    phones.phones.flatMap(({ report }) => {
      const seen = report ? observe(load.value, report) : null;
      return seen ? [seen] : [];
    }),
  );
  const sureness = computed(
    () =>
      Object.fromEntries(PHONE_CLASSES.map((id) => [id, surenessOf(observed.value, id)])) as Record<
        PhoneClass,
        Sureness
      >,
  );
  watch(
    () => desk.trySection,
    (section) => {
      if (section !== 'devices') isOpen.value = false;
    },
  );
  return {
    screenId,
    held,
    app,
    of,
    isOpen,
    screen,
    shape,
    covers,
    things,
    findings,
    load,
    pixels,
    estimates,
    observed,
    sureness,
  };
});
