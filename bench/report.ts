/** One figure a line: {"name","value","unit","ratio?","against?"}. */
export interface Figure {
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  /** `value` over the figure of what it is measured against. */
  readonly ratio?: number;
  readonly against?: string;
  readonly [more: string]: number | string | undefined;
}

const rounded = (x: number): number => Number(x.toPrecision(4));

export const report = (figure: Figure): void => {
  const { value, ratio } = figure;
  console.log(
    JSON.stringify({
      ...figure,
      value: rounded(value),
      ...(ratio === undefined ? {} : { ratio: rounded(ratio) }),
    }),
  );
};

/** The value that so large a share lies below. */
export const percentile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))]!;

export const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** Milliseconds a call: the middle of many rounds. */
export const timed = (rounds: number, calls: number, call: () => void): number =>
  median(
    Array.from({ length: rounds }, () => {
      const began = performance.now();
      for (let n = 0; n < calls; n++) call();
      return (performance.now() - began) / calls;
    }),
  );
