/**
 * Stills of an effect on several faces, in turns: each is drawn with the newest state of the effect, and while that goes on changing the
 * row goes round, so that every face follows as fast as the machine allows.
 */
import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';
import type { Effect, SceneId } from '../../core/document/schema';
import type { Take } from '../../core/takes/take';
import type { PeopleDetail } from '../../stage/performer/person-view';
import type { StillRequest } from './still-maker';

export interface FaceRow {
  readonly effect: Effect;
  /** Each is seen at its beginning. */
  readonly takes: readonly Take[];
  readonly people: PeopleDetail;
  /** The scene that is worked on; null is the opening scene. */
  readonly scene: SceneId | null;
  readonly width: number;
  readonly height: number;
}
export type MakeStill = (
  request: StillRequest,
  signal: AbortSignal,
  onStill: (index: number, url: string) => void,
) => Promise<void>;

/**
 * Which face is drawn next: the first after `last` that does not show the newest state; -1 when all of them do. `shows` has a number for
 * each face that grows with the state.
 */
export const nextFace = (shows: readonly number[], newest: number, last: number): number => {
  for (let k = 1; k <= shows.length; k++) {
    const i = (last + k) % shows.length;
    if (shows[i]! < newest) return i;
  }
  return -1;
};

/** `row` is watched; null draws nothing and keeps what was drawn. One URL or null for each take. */
export const useFaceRow = (
  row: () => FaceRow | null,
  make: MakeStill,
): Readonly<ShallowRef<readonly (string | null)[]>> => {
  const stills = shallowRef<readonly (string | null)[]>([]);
  const abort = new AbortController();
  let wanted: FaceRow | null = null;
  let newest = 0;
  let shows: number[] = [];
  let last = -1;
  let going = false;

  const put = (i: number, url: string): void => {
    const old = stills.value[i];
    stills.value = Array.from({ length: shows.length }, (_, k) =>
      k === i ? url : (stills.value[k] ?? null),
    );
    if (old) URL.revokeObjectURL(old);
  };
  const goRound = async (): Promise<void> => {
    if (going) return;
    going = true;
    try {
      for (;;) {
        const i = nextFace(shows, newest, last);
        if (i < 0 || !wanted || abort.signal.aborted) return;
        const [state, { effect, takes, people, scene, width, height }] = [newest, wanted];
        last = i;
        // A face that cannot be drawn keeps its last picture, and is tried again when something changes.
        shows[i] = state;
        await make(
          { effect, take: takes[i]!, times: [0], width, height, people, scene, photo: true },
          abort.signal,
          (_, url) => put(i, url),
        ).catch(() => undefined);
      }
    } finally {
      going = false;
    }
  };
  watch(
    row,
    (next) => {
      wanted = next;
      newest++;
      if (!next) return;
      if (shows.length !== next.takes.length) {
        shows = next.takes.map(() => 0);
        last = -1;
      }
      void goRound();
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    abort.abort();
    for (const url of stills.value) if (url) URL.revokeObjectURL(url);
  });
  return stills;
};
