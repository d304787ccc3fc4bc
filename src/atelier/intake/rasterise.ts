/** Draws an SVG that the reader has found harmless. */
export const rasterise = async (svg: string, width: number, height: number): Promise<ImageBitmap> => {
  // Without a size of its own some browsers draw nothing: it is given the one that is wanted.
  const document = new DOMParser().parseFromString(svg, 'image/svg+xml');
  const root = document.documentElement;
  if (!root.hasAttribute('viewBox')) {
    const [w, h] = [
      parseFloat(root.getAttribute('width') ?? ''),
      parseFloat(root.getAttribute('height') ?? ''),
    ];
    if (w > 0 && h > 0) root.setAttribute('viewBox', `0 0 ${w} ${h}`);
  }
  root.setAttribute('width', String(width));
  root.setAttribute('height', String(height));
  const url = URL.createObjectURL(
    new Blob([new XMLSerializer().serializeToString(document)], { type: 'image/svg+xml' }),
  );
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = new OffscreenCanvas(width, height);
    canvas.getContext('2d')!.drawImage(image, 0, 0, width, height);
    return canvas.transferToImageBitmap();
  } finally {
    URL.revokeObjectURL(url);
  }
};
