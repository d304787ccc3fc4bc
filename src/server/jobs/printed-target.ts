/** What a printed picture is found by on a camera, made once when its effect is released. */
import sharp from 'sharp';
import { MOST_PIXELS } from '../../core/assets/limits';
import { IconiaError, sentence } from '../../core/errors';
import { Grey, greyOfRgba, MOST_PRINTED, sizeWithin } from '../../core/vision/grey';
import { makePictureTarget } from '../../core/vision/picture-target';
import { writeTarget } from '../../core/vision/target-file';

/** Of the picture at a path, as a viewer's device sees it: upright, what is clear on white paper. Throws `IconiaError` `target.picture`. */
export const targetOf = async (path: string, name: string): Promise<Uint8Array> => {
  try {
    const upright = sharp(path, { limitInputPixels: MOST_PIXELS }).autoOrient();
    const { autoOrient } = await upright.metadata();
    const { width, height } = sizeWithin(autoOrient, MOST_PRINTED);
    const rgba = await upright
      .flatten({ background: '#fff' })
      .toColourspace('srgb')
      .ensureAlpha()
      .resize(width, height, { fit: 'fill' })
      .raw()
      .toBuffer();
    const grey = greyOfRgba(rgba, new Grey(width, height));
    return writeTarget(makePictureTarget(grey), grey);
  } catch (cause) {
    throw new IconiaError(
      'target.picture',
      `The printed picture ${name} cannot be made ready to be found: ${sentence(cause)} Choose its picture again.`,
      { cause },
    );
  }
};
