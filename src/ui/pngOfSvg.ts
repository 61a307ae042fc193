const SCALE = 2;

/**
 * A drawing as PNG at twice its size.
 *
 * @param size width and height, px
 * @param ground colour beneath it; see-through when left out
 */
export async function pngOfSvg(
  svg: string,
  size: { readonly width: number; readonly height: number },
  ground?: string,
): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = size.width * SCALE;
  canvas.height = size.height * SCALE;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('this browser draws no pictures');
  if (ground !== undefined) {
    context.fillStyle = ground;
    context.fillRect(0, 0, canvas.width, canvas.height);
  }
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('no picture came out'))),
      'image/png',
    ),
  );
}
