/** Runs an effect over a whole take, away from the page. */
import { chronicleOf } from '../../core/behave/chronicle';
import { sentence } from '../../core/errors';
import { clipTake } from '../../core/takes/clip';
import { makeTake } from '../../core/takes/make-take';
import { scriptsFor } from '../../stage/script-engine';
import type { Answer, Question } from './chronicle-messages';

const answer = (message: Answer): void => postMessage(message);

onmessage = async ({ data }: MessageEvent<Question>): Promise<void> => {
  try {
    const take = data.clip
      ? clipTake(data.clip.of, data.clip.pictures)
      : makeTake(data.take, { pictureAspects: data.pictureAspects });
    const scripts = await scriptsFor(data.effect);
    answer({ number: data.number, chronicle: chronicleOf(data.effect, take, { ...data.told, scripts }) });
  } catch (error) {
    answer({ number: data.number, problem: sentence(error) });
  }
};
