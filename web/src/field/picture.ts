const LONGEST_SIDE = 1600;

/** How large a picture becomes: no side over 1600 pixels, its shape kept. */
export function shrunk(width: number, height: number): [number, number] {
  const by = Math.min(1, LONGEST_SIDE / Math.max(width, height));
  return [Math.max(1, Math.round(width * by)), Math.max(1, Math.round(height * by))];
}

/** A picture made smaller and drawn anew, which also leaves out where and with what it was taken. */
export async function shrink(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const [width, height] = shrunk(picture.width, picture.height);
  const sheet = document.createElement('canvas');
  sheet.width = width;
  sheet.height = height;
  sheet.getContext('2d')!.drawImage(picture, 0, 0, width, height);
  picture.close();
  return new Promise((resolve, reject) =>
    sheet.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('the picture cannot be drawn'))),
      'image/jpeg',
      0.8,
    ),
  );
}
