/**
 * Stands in for the array packages that the glTF library resizes pictures with. They compile code while they
 * load, which the policy of our workers forbids; pictures are resized by `core/assets/raster.ts` here.
 */
const unused = (): never => {
  throw new Error('Pictures are not resized by the glTF library.');
};
export const getPixels = unused;
export const savePixels = unused;
export const lanczos2 = unused;
export const lanczos3 = unused;
export default unused;
