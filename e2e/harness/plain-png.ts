import sharp from 'sharp';

/** A plain PNG in one colour. */
export const plainPng = (colour: string, width = 200, height = 120): Promise<Buffer> =>
  sharp({ create: { width, height, channels: 4, background: colour } })
    .png()
    .toBuffer();
