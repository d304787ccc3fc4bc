/** What the viewer reads, uses and hears: prompts, controls and sounds of the effect in the Viewfinder. */
import { computed, onMounted, ref, watch, type Ref } from 'vue';
import { promptLanguage } from '../../../core/behave/prompt-languages';
import { promptText } from '../../../core/behave/prompt-texts';
import type { Player } from '../../../core/behave/player';
import type { Runtime } from '../../../core/behave/runtime';
import type { ObjectPlaces } from '../../../core/placing/places';
import { requirementsOf } from '../../../core/requirements/requirements';
import { seekingPrompt } from '../../../core/requirements/seeking';
import type { TrackFrame } from '../../../core/tracking/track-frame';
import { RoomBar } from '../../../stage/overlay/room-bar';
import { ViewerOverlay } from '../../../stage/overlay/viewer-overlay';
import { EffectSounds } from '../../../stage/sound/effect-sounds';
import { api, fetchFile } from '../../api/client';
import { useEffectStore } from '../../stores/effect';
import { usePlaybackStore } from '../../stores/playback';
import { ClipSound } from '../../takes/clip-sound';

export const useFinderOverlay = (frame: Ref<HTMLElement | null>, needsDraw: () => void) => {
  const effectStore = useEffectStore();
  const playback = usePlaybackStore();
  /** How many sounds are heard now. */
  const sounding = ref(0);
  const overlay = new ViewerOverlay({
    textOf: (prompt) => promptText(prompt, promptLanguage(navigator.languages)),
    onControl: (control, value) => {
      playback.setControl(control, value);
      needsDraw();
    },
    pictureUrl: (id) => {
      const asset = effectStore.effect.assets[id];
      return asset?.kind === 'picture' ? api.fileUrl(asset.files[0]!.sha256) : null;
    },
  });
  const roomBar = new RoomBar();
  const needs = computed(() => requirementsOf(effectStore.effect));
  const sounds = new EffectSounds(fetchFile, (_, name) => {
    effectStore.notice = `${name} cannot be played: this browser does not know how. The effect goes on without it; bring the sound in again as WAV or MP3.`;
  });
  const clipSound = new ClipSound();
  const clipSounds = (): void => {
    clipSound.choose(playback.source === 'take' ? (playback.take.clip ?? null) : null);
    clipSound.update(playback.time, playback.playing && playback.speed === 1);
  };
  onMounted(() => {
    overlay.element.append(roomBar.element);
    frame.value?.append(overlay.element);
    frame.value?.addEventListener('pointerdown', () => sounds.wake());
  });
  // Where nothing plays nothing sounds.
  watch(
    () => playback.playing || playback.source !== 'take',
    (on) => {
      clipSounds();
      if (!on) {
        sounds.silence();
        sounding.value = 0;
      } else sounds.wake();
    },
  );
  return {
    sounding,
    element: overlay.element,
    /** What is heard of effect and clip, to be recorded. */
    sound: (): MediaStream => sounds.stream(clipSound.element),
    /** Brings all of it to the moment that was drawn. `used`: the viewer may use the controls now. */
    show: (
      now: { frame: TrackFrame; runtime: Runtime; program: Player['program'] },
      places: readonly ObjectPlaces[],
      used: boolean,
    ): void => {
      const live = playback.source !== 'take';
      const room = playback.room();
      roomBar.update(room);
      const seeking =
        live && effectStore.effect.asks
          ? seekingPrompt(needs.value, now.program.prompts, now.frame, room?.state)
          : null;
      overlay.update(now.program, now.runtime, seeking);
      overlay.element.inert = !used;
      sounds.update(
        now.program,
        now.runtime,
        places,
        now.frame,
        live || (playback.playing && playback.speed === 1),
      );
      clipSounds();
      sounding.value = sounds.sounding + Number(clipSound.sounds);
    },
    dispose: (): void => {
      sounds.dispose();
      clipSound.dispose();
    },
  };
};
