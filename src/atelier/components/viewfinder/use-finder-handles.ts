/** The handles in the Viewfinder: they stand on what is selected, in the picture as it was drawn last, and drag it. */
import { watch, type Ref } from 'vue';
import type { Held } from '../../../core/placing/drag';
import { Handles } from '../../../stage/handles';
import type { Stage } from '../../../stage/stage';
import { DragSession, handleModeOf, handlePlaceFor, heldNow } from '../../commands/drag-session';
import { useDeskStore } from '../../stores/desk';
import { usePlaybackStore } from '../../stores/playback';

interface Finder {
  readonly canvas: Ref<HTMLCanvasElement | null>;
  /** Objects are placed right in the picture now. */
  readonly editing: Ref<boolean>;
  readonly needsDraw: () => void;
}

export const useFinderHandles = ({ canvas, editing, needsDraw }: Finder) => {
  const desk = useDeskStore();
  const playback = usePlaybackStore();
  const session = new DragSession('viewfinder');
  let stage: Stage | null = null;
  let handles: Handles | null = null;
  /** Shift turns snapping on, or off where it is on. */
  let shifted = false;

  const held = (): Held[] => (stage?.drawn && editing.value ? heldNow(stage.drawn) : []);

  /** They are drawn over what this stage draws. */
  const start = (over: Stage): void => {
    stage = over;
    handles = new Handles(over.camera, canvas.value!, '#ffffff', {
      onStart: () => {
        playback.playing = false;
        session.start(held());
      },
      onChange: (drag) => session.change(drag, desk.place.snap !== shifted),
      onEnd: () => session.end(),
      onDraw: needsDraw,
    });
    handles.setMode(handleModeOf(desk.handleMode));
    handles.setZoom(desk.finder.zoom);
    over.overlay = handles.scene;
  };
  /** Puts them where what they hold was just drawn, and draws them. */
  const draw = (): void => {
    if (!stage || !handles) return;
    const now = stage.drawn;
    const objects = held();
    const first = objects[0]?.object.id;
    const flat = first && now ? now.places[now.program.indexOf.get(first)!]!.layering !== 'space' : false;
    stage.overlayCamera = flat ? stage.effectView.flatCamera : null;
    handles.setCamera(flat ? stage.effectView.flatCamera : stage.camera);
    handles.attach(handlePlaceFor(objects));
    if (handles.scene) stage.drawOverlay();
  };
  watch(
    () => desk.handleMode,
    (mode) => {
      handles?.setMode(handleModeOf(mode));
      needsDraw();
    },
  );
  watch(
    () => desk.finder.zoom,
    (zoom) => handles?.setZoom(zoom),
  );
  const hovered = (): boolean => Boolean(handles?.hovered);
  /** Keys and pointers over the Viewfinder. */
  const feel = (event: KeyboardEvent | PointerEvent): void => {
    shifted = event.shiftKey;
    if (canvas.value) canvas.value.style.cursor = editing.value && hovered() ? 'grab' : '';
  };
  const stop = (): void => handles?.dispose();
  return { start, draw, hovered, feel, stop };
};
