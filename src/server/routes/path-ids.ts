/** Ids in paths. */
import type { Router } from 'express';
import { z } from 'zod';
import { cutText } from '../../core/text';
import { Problem } from '../problem';

/** Where each of them is found. */
const KEPT = {
  effect: 'on Home',
  take: 'on the Takes page',
  asset: 'on your shelf',
  compound: 'on your shelf',
} as const;

/** What cannot be an id names nothing that is there: 404, as for an id that nothing has. */
export const expectIds = (router: Router, thing: keyof typeof KEPT): void => {
  router.param('id', (_request, _response, next, id: string) => {
    if (z.uuid().safeParse(id).success) return next();
    const named = id.length > 60 ? `${cutText(id, 60)}...` : id;
    next(
      new Problem(
        404,
        `${thing}.missing`,
        `There is no ${thing} ${named}. The address may have lost a piece; look for it ${KEPT[thing]}.`,
      ),
    );
  });
};
