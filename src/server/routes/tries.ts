/** What a phone with a try link asks and says. The secret in the address is all that it has. */
import { Router, json, raw, type RequestHandler } from 'express';
import {
  TRY_CONTRACT,
  PHONE_CLIP_BYTES,
  PHONE_PICTURE_BYTES,
  secretSchema,
} from '../../core/contract/try-contract';
import { shallow } from '../bounds';
import type { ContentFiles } from '../content-files';
import type { EffectsStore } from '../effects-store';
import { openEventStream, type EventStream } from '../event-stream';
import type { FilesStore } from '../files-store';
import type { Phones } from '../phones/phones';
import { unknownLink, type TryLinksStore } from '../phones/try-links-store';
import { Problem } from '../problem';
import { userContent } from '../security';
import { answering, sending } from './answering';
import { sendFile } from './files';

export interface TryTools {
  readonly links: TryLinksStore;
  readonly phones: Phones;
  readonly effects: EffectsStore;
  readonly files: FilesStore;
  readonly content: ContentFiles;
  /** Changes with the pages. */
  readonly build: string;
  /** Against whoever tries secrets. */
  readonly guesses: RequestHandler;
}

export const tryRoutes = ({ links, phones, effects, files, content, build, guesses }: TryTools): Router => {
  const router = Router();
  router.use(guesses);
  router.param('secret', (_request, _response, next, secret: string) =>
    next(secretSchema.safeParse(secret).success ? undefined : unknownLink()),
  );
  router.use('/:secret/phones', json({ limit: '4kb' }));
  router.use('/:secret/reports', json({ limit: '16kb' }), shallow);
  router.use(
    '/:secret/picture',
    raw({ type: ['image/jpeg', 'image/png', 'image/webp'], limit: PHONE_PICTURE_BYTES }),
  );
  const on = answering(router, '/try-api');
  const send = sending(router, '/try-api');

  on(TRY_CONTRACT.joinTry, async ({ params: { secret }, body: { phone, device } }) => {
    const link = await links.openFor(secret, phone);
    const { revision, effect } = await effects.get(link.effect);
    return { number: phones.join(link, phone, device), revision, document: effect, build };
  });
  send(TRY_CONTRACT.watchTry, async ({ params: { secret }, query: { phone } }, response) => {
    const link = await links.openFor(secret, phone);
    const { revision } = await effects.get(link.effect);
    // Before the stream is open it can still be said what is wrong.
    phones.expect(link.effect, phone);
    const stream: EventStream = openEventStream(response, () => phones.detach(link, phone, stream));
    phones.attach(link, phone, stream, { kind: 'here', revision, build });
  });
  send(TRY_CONTRACT.getTryFile, async ({ params: { secret, sha256 } }, response) => {
    const link = await links.open(secret);
    const { effect } = await effects.get(link.effect);
    const named = Object.values(effect.assets).some((a) => a.files.some((f) => f.sha256 === sha256));
    if (!named) throw new Problem(404, 'file.missing', 'This file does not belong to the effect any more.');
    const { path, file } = await files.locate(sha256);
    userContent(response);
    response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    response.type(file.mime);
    await sendFile(response, path);
  });
  on(TRY_CONTRACT.reportTry, async ({ params: { secret }, query: { phone }, body }) => {
    phones.report(await links.openFor(secret, phone), phone, body);
  });
  on(TRY_CONTRACT.sendTryPicture, async ({ params: { secret }, query: { phone }, request }) => {
    phones.putPicture(await links.openFor(secret, phone), phone, request.body);
  });
  on(TRY_CONTRACT.sendTryClip, async ({ params: { secret }, query: { phone }, request }) => {
    const link = await links.openFor(secret, phone);
    phones.expect(link.effect, phone);
    const clip = await content.take(request, PHONE_CLIP_BYTES);
    if (clip.bytes === 0) {
      await content.discard(clip);
      throw new Problem(415, 'phone.no-clip', 'The clip that was sent is empty. Record it again.');
    }
    phones.putClip(link, phone, clip);
  });
  return router;
};
