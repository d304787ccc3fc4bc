/** A released effect that only stands in a room: a magenta buoy on the floor. */
import type { Page } from '@playwright/test';
import { blankEffect } from '../../src/core/document/defaults';
import type { ObjectId } from '../../src/core/document/schema';
import { newCard } from '../../src/core/kinds/objects/card';
import { keptPicture, releasedPath } from './pages';

export const BUOY_COLOUR = [255, 0, 220] as const;

/** Gives the address of its show page. */
export const releasedBuoy = async (page: Page): Promise<string> => {
  const asset = await keptPicture(page, 'buoy', '#ff00dc', 100, 100);
  const buoy = {
    ...newCard('obj_buoy' as ObjectId, asset, 0, { kind: 'world', surface: 'floor' }),
    extent: [0.4, 0.4] as [number, number],
  };
  return releasedPath(page, {
    ...blankEffect('Buoy'),
    assets: { [asset.id]: asset },
    objects: { [buoy.id]: buoy },
    listing: { summary: 'A buoy before you.', tags: [], icon: asset.id },
  });
};
