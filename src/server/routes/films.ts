import { Router, raw } from 'express';
import { CONTRACT, FILM_BYTES } from '../../core/contract/contract';
import type { FilmsStore } from '../films-store';
import { userContent } from '../security';
import { answering, sending } from './answering';
import { expectIds } from './path-ids';

export const filmRoutes = (films: FilmsStore): Router => {
  const router = Router();
  expectIds(router, 'effect');
  router.use('/:id/film', raw({ type: 'image/webp', limit: FILM_BYTES }));
  answering(router, '/api/effects')(CONTRACT.saveFilm, ({ params: { id }, query: { revision }, request }) =>
    films.put(id, revision, request.body),
  );
  sending(router, '/api/effects')(CONTRACT.getFilm, async ({ params: { id } }, response) => {
    const film = await films.get(id);
    userContent(response);
    // It is asked for by its revision: another one has another address.
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type('image/webp').send(film);
  });
  return router;
};
