/** Ids in paths. */
import type { Router } from 'express';
import { z } from 'zod';
import { Problem } from '../problem';

/** What cannot be an id names nothing that is there: 404, as for an id that nothing has. */
export const expectIds = (router: Router, thing: 'effect' | 'take' | 'asset'): void => {
  router.param('id', (_request, _response, next, id: string) => {
    if (z.uuid().safeParse(id).success) return next();
    const named = id.length > 60 ? `${id.slice(0, 60)}...` : id;
    next(
      new Problem(
        404,
        `${thing}.missing`,
        `There is no ${thing} ${named}. The address may have lost a piece; look for it on Home.`,
      ),
    );
  });
};
