/** An effect on the shipped printed picture: a magenta mark in its middle. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { blankEffect, newPicture, newTarget } from '../../src/core/document/defaults';
import type { AssetId, Effect, ObjectId, TargetId } from '../../src/core/document/schema';
import { newCard } from '../../src/core/kinds/objects/card';
import { keptFile, keptPicture } from './pages';
import type { TakePage } from './take-page';

export const TIDE_TARGET = 'target_tide' as TargetId;
/** Metres. */
export const TIDE_WIDTH = 0.14;

export interface TideCard {
  readonly effect: Effect;
  /** Width over height. */
  readonly aspect: number;
  /** What is printed, as an address. */
  readonly url: string;
}

/** Its files are kept on the server. */
export const tideCard = async (page: Page): Promise<TideCard> => {
  const bytes = readFileSync('stock/pictures/tide-card.webp');
  const { width, height } = await sharp(bytes).metadata();
  const file = await keptFile(page, 'tide-card.webp', bytes);
  const printed = newPicture('asset_tide' as AssetId, 'tide-card.webp', file, width, height);
  const mark = await keptPicture(page, 'mark', '#ff00dc', 100, 100);
  const card = {
    ...newCard('obj_mark' as ObjectId, mark, 0, { kind: 'picture', target: TIDE_TARGET }),
    // A square of two centimetres in the middle of the picture.
    extent: [0.02, 0.02] as [number, number],
    move: [0, 0, 0] as [number, number, number],
    turn: [0, 0, 0] as [number, number, number],
  };
  const target = newTarget(TIDE_TARGET, 'Tide card', 0, printed.id);
  return {
    effect: {
      ...blankEffect('Tide'),
      assets: { [printed.id]: printed, [mark.id]: mark },
      targets: {
        [TIDE_TARGET]: { ...target, width: TIDE_WIDTH, beforeFound: 'nothing', afterLost: 'nothing' },
      },
      objects: { [card.id]: card },
      listing: { summary: 'A mark on the tide card.', tags: [], icon: mark.id },
    },
    aspect: width / height,
    url: `data:image/webp;base64,${bytes.toString('base64')}`,
  };
};

/** From now on it is printed on the sheets of the takes that are drawn. */
export const printTideCard = (drawer: Page, { url }: TideCard): Promise<void> =>
  drawer.evaluate((url) => (window as unknown as { takePage: TakePage }).takePage.print(url), url);
