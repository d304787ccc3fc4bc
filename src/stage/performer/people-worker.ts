/** Makes what is dear to make of a person, away from the page: by making the person, of whom the page is given the parts. */
import type { Performer } from '../../core/takes/performer';
import { buffersOf, madeOfPeople, type MadeParts } from './made-once';
import { PerformerView } from './performer-view';

/** One answer a question, in their order. */
export type PeopleAnswer = { readonly parts: MadeParts } | { readonly problem: string };

self.onmessage = ({ data }: MessageEvent<Performer>): void => {
  try {
    new PerformerView(data);
    const parts = madeOfPeople.handOver();
    const answer: PeopleAnswer = { parts };
    self.postMessage(answer, { transfer: parts.flatMap(([, made]) => buffersOf(made)) });
  } catch (error) {
    self.postMessage({ problem: String(error) } satisfies PeopleAnswer);
  }
};
