/** What somebody waits for goes first: what is drawn beside it, such as stills on Home, rests meanwhile. */
let underWay = 0;
const resting: (() => void)[] = [];

/** Begins something urgent; what is given back ends it, once. */
export const beginUrgent = (): (() => void) => {
  let ended = false;
  underWay++;
  return () => {
    if (ended) return;
    ended = true;
    if (--underWay === 0) resting.splice(0).forEach((goOn) => goOn());
  };
};

/** Does something urgent, however it ends. */
export const urgently = async <T>(work: () => Promise<T>): Promise<T> => {
  const end = beginUrgent();
  try {
    return await work();
  } finally {
    end();
  }
};

/** Resolves when nothing urgent is under way; at once when nothing is. */
export const whenNothingIsUrgent = (): Promise<void> =>
  underWay === 0 ? Promise.resolve() : new Promise((goOn) => resting.push(goOn));
