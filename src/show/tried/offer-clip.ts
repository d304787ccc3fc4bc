/** A clip of the phone's own camera, sent to the maker as a take: on a button of its own, and only by it. */
import { sentence } from '../../core/errors';
import { FilmRecorder } from '../../stage/capture/film-recorder';
import { briefly, element, note } from '../page';
import type { Player } from '../player';
import type { TryServer } from './try-server';

/** Milliseconds; longer ones end by themselves. */
const LONGEST = 15_000;

/** Adds the button beside the others. */
export const offerClip = (player: Player, server: TryServer): void => {
  const button = document.createElement('button');
  button.type = 'button';
  button.id = 'clip';
  button.textContent = 'Send a clip';
  element('controls').append(button);
  let finish: (() => Promise<void>) | null = null;

  const said = (error: unknown): void => briefly(sentence(error));
  const begin = (): void => {
    const stream = player.cameraStream;
    if (!stream)
      return briefly('A clip is of your camera as it is. Choose “Use my camera” first, then send a clip.');
    const recorder = new FilmRecorder(stream);
    const timer = setTimeout(() => void finish?.().catch(said), LONGEST);
    button.textContent = 'Stop and send';
    button.setAttribute('aria-pressed', 'true');
    note('Recording what the camera sees, without the effect, for whoever made it. At most 15 seconds.');
    finish = async () => {
      finish = null;
      clearTimeout(timer);
      button.textContent = 'Send a clip';
      button.setAttribute('aria-pressed', 'false');
      note('Sending the clip');
      await server.clip(await recorder.finish());
      briefly('The clip was sent.');
    };
  };
  button.addEventListener('click', () => {
    if (finish) void finish().catch(said);
    else
      try {
        begin();
      } catch (error) {
        said(error);
      }
  });
};
