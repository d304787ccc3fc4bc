/** What the Viewfinder says: whose picture it is, what is still to come, and what of the take is drawn lighter. */
import { computed, type ComputedRef, type Ref } from 'vue';
import type { Detail } from '../../../stage/take-picture';
import { SEEKING_WORDS } from '../../seeking-words';
import { useDeskStore } from '../../stores/desk';
import { usePlaybackStore } from '../../stores/playback';

export interface FinderWords {
  readonly label: ComputedRef<string>;
  readonly caption: ComputedRef<string | null>;
  readonly lighter: ComputedRef<string | null>;
}

/** `share` is how large the picture is drawn, of its full size. */
export const useFinderWords = (detail: Readonly<Ref<Detail>>, share: Readonly<Ref<number>>): FinderWords => {
  const desk = useDeskStore();
  const playback = usePlaybackStore();
  /** Said quietly in the corner, so that nobody takes the lighter drawing for the effect's own look. */
  const lighter = computed(() => {
    if (playback.source === 'camera') return null;
    // A clip is not drawn.
    const isDrawn = playback.take.clip === null;
    const words = [
      ...(isDrawn && desk.plainPeople ? ['plain figures'] : []),
      ...(isDrawn && detail.value === 'plain' ? ['simple drawing'] : []),
      ...(isDrawn && detail.value === 'soft' ? ['coarse shadows'] : []),
      ...(share.value < 0.99 ? [`${Math.round(share.value * 100)} % size`] : []),
    ];
    return words.length > 0 ? words.join(', ') : null;
  });

  const label = computed(() => {
    if (playback.source === 'camera') return 'Your camera';
    return playback.source === 'tracked' ? `${playback.take.name}, tracked` : playback.take.name;
  });
  const caption = computed(() => {
    if (playback.trackerStarting) return 'Loading the face tracker';
    if (playback.cameraState === 'starting') return 'Opening the camera and what finds things in it';
    if (playback.source === 'camera') {
      if (playback.peopleError) return playback.peopleError;
      if (playback.peopleState === 'loading') return 'Looking for the people in the picture';
      if (playback.cameraState === 'looking' && playback.cameraSeeks)
        return SEEKING_WORDS[playback.cameraSeeks];
    }
    if (playback.source === 'camera') return null;
    if (playback.coloursShare !== null)
      return `Reading the colours of the take: ${Math.round(100 * playback.coloursShare)} %`;
    return playback.coloursProblem;
  });
  return { label, caption, lighter };
};
