/** Everything that can be done by name or by key. */
import { computed, type ComputedRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { addObject } from '../../core/document/edits';
import { newOccluder } from '../../core/document/defaults';
import { orderOnTop, stackOrder } from '../../core/document/queries';
import { newObjectId } from '../api/ids';
import { STAGES, useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { usePlaybackStore } from '../stores/playback';
import { addCueFor } from './cue-commands';
import { duplicateSelected, removeSelected, toggleSelectedVisible } from './object-commands';

export interface Command {
  readonly label: string;
  /** As shown; `keys.ts` reads the same. */
  readonly keys?: string;
  readonly run: () => void;
}

export const useCommands = (chooseFiles: () => void): ComputedRef<readonly Command[]> => {
  const router = useRouter();
  const route = useRoute();
  const desk = useDeskStore();
  const document = useEffectStore();
  const playback = usePlaybackStore();
  const go = (stage: string) => void router.replace({ name: 'atelier', params: { ...route.params, stage } });
  return computed((): Command[] => {
    const object = desk.selected ? document.effect.objects[desk.selected] : undefined;
    return [
      ...STAGES.map((s, i) => ({ label: `Go to ${s.label}`, keys: String(i + 1), run: () => go(s.name) })),
      {
        label: playback.playing ? 'Pause the take' : 'Play the take',
        keys: 'Space',
        run: () => (playback.playing = !playback.playing),
      },
      { label: 'Restart the effect', run: () => playback.restart() },
      { label: 'One frame back', keys: ',', run: () => playback.stepBy(-1) },
      { label: 'One frame on', keys: '.', run: () => playback.stepBy(1) },
      ...(document.undoLabel
        ? [{ label: `Undo: ${document.undoLabel}`, keys: 'Ctrl Z', run: () => document.undo() }]
        : []),
      ...(document.redoLabel
        ? [{ label: `Redo: ${document.redoLabel}`, keys: 'Ctrl Shift Z', run: () => document.redo() }]
        : []),
      { label: 'Bring in files', run: chooseFiles },
      {
        label: desk.library.open ? 'Close the library' : 'Open the library',
        keys: 'L',
        run: () => (desk.library.open ? desk.closeLibrary() : desk.openLibrary()),
      },
      { label: 'Open the stock', run: () => desk.openLibrary({ tab: 'stock' }) },
      { label: 'Handles: move', keys: 'M', run: () => (desk.handleMode = 'move') },
      { label: 'Handles: turn', keys: 'T', run: () => (desk.handleMode = 'turn') },
      { label: 'Handles: size', keys: 'S', run: () => (desk.handleMode = 'size') },
      ...(object
        ? [
            { label: `Duplicate ${object.name}`, keys: 'Ctrl D', run: duplicateSelected },
            {
              label: `${object.visible ? 'Hide' : 'Show'} ${object.name}`,
              keys: 'H',
              run: toggleSelectedVisible,
            },
            { label: `Delete ${object.name}`, keys: 'Delete', run: removeSelected },
            {
              label: `Add a cue for ${object.name}`,
              run: () => {
                addCueFor(object.id);
                go('behave');
              },
            },
          ]
        : []),
      ...stackOrder(document.effect).map((o) => ({
        label: `Select ${o.name}`,
        run: () => (desk.selected = o.id),
      })),
      ...(Object.values(document.effect.objects).some((o) => o.kind === 'occluder')
        ? []
        : [
            {
              label: 'Add a head occluder',
              run: () => document.edit(addObject(newOccluder(newObjectId(), orderOnTop(document.effect)))),
            },
          ]),
      {
        label: 'Try on your camera',
        run: () => {
          go('try');
          void playback.useCamera();
        },
      },
      { label: 'Back to the take', run: () => playback.useTake() },
      { label: desk.dark ? 'Light theme' : 'Dark theme', run: () => (desk.dark = !desk.dark) },
      { label: 'Home: all effects', run: () => void router.push('/') },
    ];
  });
};
