/** What a creator asks of try links and of the phones that have one open. */
import { Router, json } from 'express';
import { TRY_CONTRACT, type Door } from '../../core/contract/try-contract';
import { openEventStream } from '../event-stream';
import type { Phones } from '../phones/phones';
import { REVOKED, type TryLinksStore } from '../phones/try-links-store';
import { userContent } from '../security';
import { answering, sending } from './answering';
import { sendFile } from './files';
import { expectIds } from './path-ids';

export const tryLinkRoutes = (links: TryLinksStore, phones: Phones, doors: () => readonly Door[]): Router => {
  const router = Router();
  expectIds(router, 'effect');
  router.use('/:id/try-links', json({ limit: '4kb' }));
  const on = answering(router, '/api/effects');
  const send = sending(router, '/api/effects');

  on(TRY_CONTRACT.listTryLinks, async ({ params: { id } }) => ({
    links: await links.list(id),
    doors: [...doors()],
  }));
  on(TRY_CONTRACT.createTryLink, ({ params: { id }, body }) => links.create(id, body));
  on(TRY_CONTRACT.removeTryLink, async ({ params: { id, link } }) => {
    await links.remove(id, link);
    phones.end(id, REVOKED, link);
  });
  send(TRY_CONTRACT.watchPhones, async ({ params: { id } }, response) => {
    await links.list(id);
    const stream = openEventStream(response, () => stop());
    const stop = phones.watch(id, { tell: (all) => stream.send({ phones: all }), end: () => stream.end() });
  });
  on(TRY_CONTRACT.askPicture, async ({ params: { id, phone } }) => phones.askPicture(id, phone));
  send(TRY_CONTRACT.getPhonePicture, async ({ params: { id, phone } }, response) => {
    const { bytes, mime } = phones.picture(id, phone);
    userContent(response);
    response.setHeader('Cache-Control', 'no-store');
    response.type(mime).send(bytes);
  });
  send(TRY_CONTRACT.getPhoneClip, async ({ params: { id, phone } }, response) => {
    const { path } = phones.clip(id, phone);
    userContent(response);
    response.setHeader('Cache-Control', 'no-store');
    response.type('application/octet-stream');
    await sendFile(response, path);
  });
  on(TRY_CONTRACT.dropPhoneClip, ({ params: { id, phone } }) => phones.dropClip(id, phone));
  return router;
};
