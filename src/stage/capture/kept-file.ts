/** What was captured, as files: named, saved on the device, handed to the system's share sheet. */
export type PhotoFormat = 'png' | 'jpeg';

const ENDINGS: Readonly<Record<string, string>> = {
  'image/png': 'png',
  'image/jpeg': 'jpg',
  'image/gif': 'gif',
  'image/webp': 'webp',
  'video/webm': 'webm',
  'video/mp4': 'mp4',
};

/** Named after the effect. */
export const fileOf = (blob: Blob, name: string): File => {
  const plain = name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'effect';
  return new File([blob], `${plain}.${ENDINGS[blob.type] ?? 'bin'}`, { type: blob.type });
};

/** Whether this device has a share sheet that takes it. */
export const mayShare = (file: File): boolean =>
  typeof navigator.canShare === 'function' && navigator.canShare({ files: [file] });
/** False when the viewer shut it. */
export const shareFile = (file: File): Promise<boolean> =>
  navigator.share({ files: [file], title: file.name }).then(
    () => true,
    (error: unknown) => {
      if ((error as { name?: string }).name === 'AbortError') return false;
      throw error;
    },
  );

const JPEG_QUALITY = 0.92;
/** A photo as a file. A picture through which something is seen has none in JPEG: it lies on black. */
export const photoFile = async (picture: OffscreenCanvas, format: PhotoFormat, name: string): Promise<File> =>
  fileOf(await picture.convertToBlob({ type: `image/${format}`, quality: JPEG_QUALITY }), name);
