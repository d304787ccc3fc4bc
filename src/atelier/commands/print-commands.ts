/** Gives the creator a printed picture as a sheet to print. */
import type { Target } from '../../core/document/schema';
import { IconiaError } from '../../core/errors';
import { useAssetsStore } from '../stores/assets';
import { useEffectStore } from '../stores/effect';
import { saveFile } from '../../stage/save-file';

/** Throws a sentence when the picture cannot be read. */
export const givePrintSheet = async (target: Target): Promise<void> => {
  const asset = target.asset ? useEffectStore().effect.assets[target.asset] : undefined;
  if (asset?.kind !== 'picture') return;
  const { bytes, mime } = await useAssetsStore().bytesOf(asset.files[0]!);
  const image = await createImageBitmap(new Blob([bytes as BlobPart], { type: mime })).catch(
    (cause: unknown) => {
      throw new IconiaError('print.unreadable', `${asset.name} cannot be read. Choose another picture.`, {
        cause,
      });
    },
  );
  const canvas = new OffscreenCanvas(image.width, image.height);
  const g = canvas.getContext('2d')!;
  // What is clear is printed on white paper, and PDF knows no other picture formats of ours.
  g.fillStyle = '#fff';
  g.fillRect(0, 0, image.width, image.height);
  g.drawImage(image, 0, 0);
  image.close();
  const png = await canvas.convertToBlob({ type: 'image/png' });
  const { printSheet } = await import('../print-sheet');
  const sheet = await printSheet({
    name: target.name,
    bytes: new Uint8Array(await png.arrayBuffer()),
    mime: 'image/png',
    width: target.width,
    height: (target.width * asset.height) / asset.width,
  });
  saveFile(new Blob([sheet as BlobPart], { type: 'application/pdf' }), `${target.name}.pdf`);
};
