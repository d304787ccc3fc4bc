/** What the viewer is asked for while nothing of what an effect needs is in sight. */
import { SURFACE_KINDS, type Prompt, type ReadyPrompt, type SurfaceKind } from '../document/schema';
import type { RoomState } from '../placing/room';
import type { TrackFrame } from '../tracking/track-frame';
import type { Requirements } from './requirements';

/** A frame in which nothing is in sight. */
export const NOTHING_SEEN = { faces: [], hands: [], pictures: [], surfaces: [] } as const;

const FIND: Readonly<Record<SurfaceKind, ReadyPrompt>> = {
  floor: 'findFloor',
  table: 'findTable',
  wall: 'findWall',
};

/** Whether the effect has a prompt with that text itself. */
const own = (prompts: readonly Pick<Prompt, 'text'>[], key: ReadyPrompt): boolean =>
  prompts.some(({ text }) => text.kind === 'ready' && text.key === key);

/**
 * The ready prompt that helps: to find the printed picture, or to show a face or a hand, or where to point. Null where something of what is needed is in sight, where
 * nothing is needed, and where the effect has a prompt with that text itself: then its own cues say when.
 */
export const seekingPrompt = (
  { faces, hands, pictures, surfaces }: Pick<Requirements, 'faces' | 'hands' | 'pictures' | 'surfaces'>,
  prompts: readonly Pick<Prompt, 'text'>[],
  frame: Pick<TrackFrame, 'faces' | 'hands' | 'pictures' | 'surfaces'>,
  room: RoomState | null = null,
): ReadyPrompt | null => {
  if (room === 'placing') return own(prompts, 'tapToPlace') ? null : 'tapToPlace';
  if ([frame.faces, frame.hands, frame.pictures, frame.surfaces].some((all) => all.length > 0)) return null;
  const key: ReadyPrompt | null =
    pictures.size > 0
      ? 'findPicture'
      : faces
        ? 'showFace'
        : hands
          ? 'showHand'
          : (SURFACE_KINDS.filter((kind) => surfaces.has(kind)).map((kind) => FIND[kind])[0] ?? null);
  return key === null || own(prompts, key) ? null : key;
};
