/** What the viewer is asked for while nothing of what an effect needs is in sight. */
import type { Prompt, ReadyPrompt } from '../document/schema';
import type { TrackFrame } from '../tracking/track-frame';
import type { Requirements } from './requirements';

/**
 * The ready prompt that helps: to find the printed picture, or to show a face. Null where something of what is needed is in sight, where
 * nothing is needed, and where the effect has a prompt with that text itself: then its own cues say when.
 */
export const seekingPrompt = (
  { faces, pictures }: Pick<Requirements, 'faces' | 'pictures'>,
  prompts: readonly Pick<Prompt, 'text'>[],
  frame: Pick<TrackFrame, 'faces' | 'pictures'>,
): ReadyPrompt | null => {
  if (frame.faces.length > 0 || frame.pictures.length > 0) return null;
  const key: ReadyPrompt | null = pictures.size > 0 ? 'findPicture' : faces ? 'showFace' : null;
  const isOwn = prompts.some(({ text }) => text.kind === 'ready' && text.key === key);
  return isOwn ? null : key;
};
