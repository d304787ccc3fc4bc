/** What triggers look at, read from an instant. What each kind watches stands in `kinds/triggers`. */
import type { Happened, Watched } from '../../kinds/triggers/trigger-kind';
import { signalNow, type Instant } from '../signals';

/** What triggers look at in this instant. */
export const watchedAt = (at: Instant, happened: Happened): Watched => {
  const { now, program } = at;
  const { presence } = now;
  return {
    step: at.step,
    happened,
    signal: (signal) => signalNow(signal, at),
    hasFace: (number) => presence.slots[number - 1] != null,
    seesPicture: (id) => presence.pictures[id]?.seen === true,
    hasSurface: (kind) => presence.surfaces[kind] !== undefined,
    indexOf: (id) => program.indexOf.get(id),
    cueIndex: (id) => program.cueIndex.get(id),
    progress: (cue) => now.progress(cue),
  };
};
