/** The Viewfinder as the screen of a device: its shape, what the viewer reads there in its true size, and what lies where on it. */
import { computed, onBeforeUnmount, watch, type ComputedRef } from 'vue';
import { anchorOf } from '../../../core/document/queries';
import { isSeen } from '../../../core/kinds/objects/objects';
import type { PromptId } from '../../../core/document/schema';
import { screenRect } from '../../../core/placing/screen-rect';
import type { Stage } from '../../../stage/stage';
import { useDevicesStore, type OnScreen } from '../../stores/devices';
import type { FinderSize } from './use-finder-size';

export interface DeviceView {
  /** Width over height of the screen; null for the usual picture. */
  readonly aspect: ComputedRef<number | null>;
  /** Called after each picture. */
  look(drawing: Stage, prompt: PromptId | null): void;
}

/** Milliseconds between two looks while it moves. */
const LOOK_EVERY = 200;

export const useDeviceView = (
  size: () => FinderSize['size']['value'],
  overlay: () => HTMLElement,
  changed: () => void,
): DeviceView => {
  const devices = useDevicesStore();
  const isOn = computed(() => devices.isOpen);
  const aspect = computed(() => (isOn.value ? devices.shape.width / devices.shape.height : null));
  let lookedAt = 0;
  /** What is read is laid out on the screen's own pixels, then made as small as the picture. */
  const layOut = (): void => {
    const { style } = overlay();
    if (!isOn.value) {
      for (const name of ['inset', 'width', 'height', 'transform', 'transform-origin', '--viewer-foot'])
        style.removeProperty(name);
      return;
    }
    const { width, height, safe } = devices.shape;
    style.inset = '0 auto auto 0';
    style.width = `${width}px`;
    style.height = `${height}px`;
    style.transformOrigin = '0 0';
    style.transform = `scale(${size().width / width})`;
    style.setProperty('--viewer-foot', `${safe.bottom + (devices.app ? FOOT_OF_APP : 44)}px`);
  };
  watch(
    [isOn, () => devices.shape, () => devices.app, size],
    () => {
      lookedAt = 0;
      layOut();
      changed();
    },
    { flush: 'post' },
  );

  const promptRect = (): OnScreen['rect'] | null => {
    const words = overlay().querySelector<HTMLElement>('.viewer-prompt:not([hidden])');
    if (!words) return null;
    const scale = size().width / devices.shape.width;
    const [box, at] = [words.getBoundingClientRect(), overlay().getBoundingClientRect()];
    return {
      left: (box.left - at.left) / scale,
      top: (box.top - at.top) / scale,
      width: box.width / scale,
      height: box.height / scale,
    };
  };

  const lookNow = (drawing: Stage, prompt: PromptId | null): void => {
    if (!isOn.value || !drawing.drawn) return;
    lookedAt = performance.now();
    const { program, places, here } = drawing.drawn;
    const view = drawing.viewOf(here.frame);
    const { width, height } = devices.shape;
    const things: OnScreen[] = [];
    program.objects.forEach((object, i) => {
      if (!isSeen(object) || anchorOf(program.effect, object).kind !== 'screen') return;
      const rect = screenRect(program, i, places[i]!, here.frame, view);
      if (!rect) return;
      things.push({
        kind: 'object',
        id: object.id,
        rect: {
          left: rect.left * width,
          top: rect.top * height,
          width: (rect.right - rect.left) * width,
          height: (rect.bottom - rect.top) * height,
        },
      });
    });
    const words = prompt === null ? null : promptRect();
    if (prompt !== null && words) things.push({ kind: 'prompt', id: prompt, rect: words });
    if (JSON.stringify(things) !== JSON.stringify(devices.things)) devices.things = things;
  };
  let later: ReturnType<typeof setTimeout> | null = null;
  const notLater = (): void => {
    if (later !== null) clearTimeout(later);
    later = null;
  };
  onBeforeUnmount(notLater);

  return {
    aspect,
    look: (drawing, prompt) => {
      if (!isOn.value) return;
      notLater();
      const wait = lookedAt + LOOK_EVERY - performance.now();
      // The last of many pictures is looked at too.
      if (wait > 0) later = setTimeout(() => lookNow(drawing, prompt), wait);
      else lookNow(drawing, prompt);
    },
  };
};

/** What the buttons of the app take at the foot. */
const FOOT_OF_APP = 104;
