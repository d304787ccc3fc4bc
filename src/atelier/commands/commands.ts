/** Everything that can be done by name or by key. */
import { computed, type ComputedRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { kindOf } from '../../core/kinds/objects/objects';
import { stackOrder } from '../../core/document/queries';
import { BEHAVE_SECTIONS, STAGES, useDeskStore } from '../stores/desk';
import { useEffectStore } from '../stores/effect';
import { usePlaybackStore } from '../stores/playback';
import { putPartsBack } from './part-commands';
import { addCueFor } from './cue-commands';
import {
  duplicateSelected,
  groupSelected,
  mirrorSelected,
  removeSelected,
  toggleIsolated,
  toggleSelectedVisible,
  ungroupSelected,
} from './object-commands';
import { addNew, copyPlace, NEW_KINDS, pastePlace, resetPlace } from './place-commands';
import { NEW_WORDS } from '../words';

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
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  const go = (stage: string): void => {
    // The library lies over the bench of the stage.
    desk.closeLibrary();
    void router.replace({ name: 'atelier', params: { ...route.params, stage } });
  };
  return computed((): Command[] => {
    const object = desk.selected ? effectStore.effect.objects[desk.selected] : undefined;
    const these =
      desk.selection.length > 1 ? `${desk.selection.length} objects` : (object?.name ?? 'nothing');
    return [
      ...STAGES.map((s, i) => ({ label: `Go to ${s.label}`, keys: String(i + 1), run: () => go(s.name) })),
      {
        label: playback.playing ? 'Pause the take' : 'Play the take',
        keys: 'Space',
        run: () => (playback.playing = !playback.playing),
      },
      { label: 'Restart the effect', keys: 'R', run: () => playback.restart() },
      { label: 'One frame back', keys: ',', run: () => playback.stepBy(-1) },
      { label: 'One frame on', keys: '.', run: () => playback.stepBy(1) },
      ...(effectStore.undoLabel
        ? [{ label: `Undo: ${effectStore.undoLabel}`, keys: 'Ctrl Z', run: () => effectStore.undo() }]
        : []),
      ...(effectStore.redoLabel
        ? [{ label: `Redo: ${effectStore.redoLabel}`, keys: 'Ctrl Shift Z', run: () => effectStore.redo() }]
        : []),
      { label: 'Bring in files', run: chooseFiles },
      {
        label: desk.library.open ? 'Close the library' : 'Open the library',
        keys: 'L',
        run: () => (desk.library.open ? desk.closeLibrary() : desk.openLibrary()),
      },
      { label: 'Open the stock', run: () => desk.openLibrary({ tab: 'stock' }) },
      { label: 'Picture: closer', keys: '+', run: () => (desk.finder.asked = 'closer') },
      { label: 'Picture: farther', keys: '-', run: () => (desk.finder.asked = 'farther') },
      { label: 'Picture: all of it', keys: '0', run: () => (desk.finder.asked = 'whole') },
      {
        label: desk.finder.large ? 'Viewfinder: back to its place' : 'Viewfinder: larger, over the bench',
        keys: 'E',
        run: () => (desk.finder.large = !desk.finder.large),
      },
      { label: 'Handles: move', keys: 'M', run: () => (desk.handleMode = 'move') },
      { label: 'Handles: turn', keys: 'T', run: () => (desk.handleMode = 'turn') },
      { label: 'Handles: size', keys: 'S', run: () => (desk.handleMode = 'size') },
      { label: 'Handles: pivot', keys: 'P', run: () => (desk.handleMode = 'pivot') },
      { label: desk.place.snap ? 'Stop snapping' : 'Snap', run: () => (desk.place.snap = !desk.place.snap) },
      {
        label: desk.place.measure ? 'Stop measuring' : 'Measure what is selected',
        run: () => (desk.place.measure = !desk.place.measure),
      },
      {
        label: 'Select everything in the Stack',
        keys: 'Ctrl A',
        run: () => (desk.selection = stackOrder(effectStore.effect).map((o) => o.id)),
      },
      ...BEHAVE_SECTIONS.map(({ id, label }) => ({
        label: `Open: ${label}`,
        run: () => {
          desk.behave.section = id;
          go('behave');
        },
      })),
      ...NEW_KINDS.map((kind) => ({ label: `Add: ${NEW_WORDS[kind]}`, run: () => addNew(kind) })),
      ...(object
        ? [
            ...(kindOf(object).isPart
              ? [{ label: `Put ${these} back into the model`, run: () => putPartsBack(desk.selection) }]
              : [
                  { label: `Duplicate ${these}`, keys: 'Ctrl D', run: () => duplicateSelected() },
                  { label: `Group ${these}`, keys: 'Ctrl G', run: groupSelected },
                  { label: `Spread ${object.name}`, run: () => (desk.place.tool = 'spread') },
                ]),
            {
              label: `${object.visible ? 'Hide' : 'Show'} ${these}`,
              keys: 'H',
              run: toggleSelectedVisible,
            },
            { label: `Delete ${these}`, keys: 'Delete', run: removeSelected },
            { label: `Take ${these} apart`, keys: 'Ctrl Shift G', run: ungroupSelected },
            { label: `Mirror ${these}`, run: mirrorSelected },
            { label: `Copy the place of ${object.name}`, run: copyPlace },
            { label: 'Paste the place', run: pastePlace },
            { label: `Reset the place of ${these}`, run: resetPlace },
            {
              label: desk.isolated ? 'Leave alone view: everything is seen again' : `See ${these} alone`,
              keys: 'I',
              run: toggleIsolated,
            },
            {
              label: `Add a cue for ${these}`,
              run: () => {
                addCueFor(desk.selection);
                go('behave');
              },
            },
            {
              label: `Choose a ready-made cue for ${these}`,
              run: () => {
                Object.assign(desk.behave, { section: 'cues', recipes: true });
                go('behave');
              },
            },
          ]
        : []),
      ...stackOrder(effectStore.effect).map((o) => ({
        label: `Select ${o.name}`,
        run: () => (desk.selected = o.id),
      })),
      {
        label: 'Try on your camera',
        run: () => {
          go('try');
          void playback.useCamera();
        },
      },
      { label: 'Back to the take', run: () => playback.useTake() },
      {
        label: desk.plainPeople ? 'Draw people in full' : 'Draw people as plain figures: quicker',
        run: () => (desk.plainPeople = !desk.plainPeople),
      },
      { label: desk.dark ? 'Light theme' : 'Dark theme', run: () => (desk.dark = !desk.dark) },
      { label: 'Home: all effects', run: () => void router.push('/') },
    ];
  });
};
