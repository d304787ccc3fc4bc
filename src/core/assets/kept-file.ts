/**
 * What may be kept and sent to viewers' devices. The server looks at every upload with this, whatever the page
 * has said about it.
 */
import type { FileMime } from '../schema/asset-schema';
import { readCube } from './colour/cube';
import { readFont } from './fonts/font';
import { MOST_KEPT_BYTES } from './limits';
import { checkFlac, checkMp3, checkMp4, checkOgg, checkWebm } from './media-containers';
import { checkGlb } from './models/glb';
import { inspectPicture } from './pictures/picture';
import { megabytes, refuse } from './refuse';
import { KIND_WORDS, sniff } from './sniff';
import { checkWav } from './sounds/wav';
import { checkRadiance } from './surroundings/radiance';

/** Which sounds and videos share a container is told by what it is kept as. */
const isSound = (bytes: Uint8Array): boolean => {
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 65_536));
  return !/V_VP|V_AV1|V_MPEG|vide|avc1|av01|vp09|hvc1/.test(
    head + new TextDecoder('latin1').decode(bytes.subarray(-65_536)),
  );
};

/** Throws an `IconiaError` with what is wrong; else the type under which the file is kept. */
export const checkKeptFile = (bytes: Uint8Array, name: string): FileMime => {
  if (bytes.length > MOST_KEPT_BYTES)
    refuse(
      'file.too-heavy',
      `${name} has ${megabytes(bytes.length)}; a file of an effect may have up to ${megabytes(MOST_KEPT_BYTES)}. Make it smaller first.`,
    );
  const kind = sniff(bytes);
  switch (kind) {
    case 'empty':
    case 'png':
    case 'jpeg':
    case 'webp': {
      const { format } = inspectPicture(bytes, name);
      if (format === 'png' || format === 'jpeg' || format === 'webp') return `image/${format}`;
      break;
    }
    case 'glb':
      checkGlb(bytes, name);
      return 'model/gltf-binary';
    case 'wav':
      checkWav(bytes, name);
      return 'audio/wav';
    case 'mp3':
      checkMp3(bytes, name);
      return 'audio/mpeg';
    case 'ogg':
      checkOgg(bytes, name);
      return 'audio/ogg';
    case 'flac':
      checkFlac(bytes, name);
      return 'audio/flac';
    case 'mp4':
      checkMp4(bytes, name);
      return isSound(bytes) ? 'audio/mp4' : 'video/mp4';
    case 'webm':
      checkWebm(bytes, name);
      return isSound(bytes) ? 'audio/webm' : 'video/webm';
    case 'cube':
      readCube(bytes, name);
      return 'text/x-cube';
    case 'radiance':
      checkRadiance(bytes, name);
      return 'image/vnd.radiance';
    case 'ttf':
    case 'otf':
    case 'woff':
    case 'woff2':
      return readFont(bytes, name).mime;
  }
  return refuse(
    'file.not-kept',
    `${name} is ${KIND_WORDS[kind]}; that is not kept as it is. Bring it in through the page, which turns it into something viewers can open.`,
  );
};
