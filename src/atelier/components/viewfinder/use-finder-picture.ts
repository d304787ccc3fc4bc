/** The picture under the effect: the take's, drawn; an own clip's; or the camera's. */
import { watch, type Ref } from 'vue';
import type { ClipPicture } from '../../../stage/clip-picture';
import { arePeopleMade, makePeople } from '../../../stage/performer/people-maker';
import type { Stage } from '../../../stage/stage';
import { TakePicture, type Detail } from '../../../stage/take-picture';
import { VideoPicture } from '../../../stage/video-picture';
import { useDeskStore } from '../../stores/desk';
import { usePlaybackStore } from '../../stores/playback';
import { usePrintsStore } from '../../stores/prints';
import { clipPictureOf } from '../../takes/clip-store';

export interface FinderPicture {
  /** Gives the drawing the picture that is to be shown now. */
  show(): void;
  /** Whether those before the camera can be drawn at once; until they can the picture stays as it was. */
  isCast(): boolean;
  /** Whether the picture of this moment is there: those of a clip are fetched one by one. */
  hasCome(): boolean;
}

export const useFinderPicture = ({
  drawing,
  detail,
  needsDraw,
}: {
  readonly drawing: () => Stage | null;
  readonly detail: Ref<Detail>;
  readonly needsDraw: () => void;
}): FinderPicture => {
  const desk = useDeskStore();
  const playback = usePlaybackStore();
  const prints = usePrintsStore();
  let drawn: TakePicture | null = null;
  let clip: ClipPicture | null = null;

  const isCast = (): boolean =>
    playback.source === 'camera' || desk.people === 'plain' || arePeopleMade(playback.take.performers);
  const show = (): void => {
    drawn = clip = null;
    if (playback.source === 'camera') {
      const { camera } = playback;
      if (camera?.picture) drawing()?.setPicture(new VideoPicture(camera.picture, () => camera.people));
    } else if (playback.take.clip) {
      clip = clipPictureOf(playback.take.clip, needsDraw);
      drawing()?.setPicture(clip);
    } else {
      drawn = new TakePicture(playback.take, {
        detail: detail.value,
        people: desk.people,
        pictures: prints.images,
      });
      drawing()?.setPicture(drawn);
      if (!isCast()) void makePeople(playback.take.performers).then(needsDraw);
    }
    needsDraw();
  };
  watch(() => [playback.source === 'camera', playback.take, prints.images, desk.people] as const, show);
  watch(detail, (to) => drawn?.setDetail(to), { flush: 'sync' });
  return { show, isCast, hasCome: () => !clip || clip.has(playback.time) };
};
