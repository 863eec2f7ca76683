/** No side of a photo is kept longer than this: gaps of an inch are still seen on twenty feet, px. */
const LONGEST_PX = 2000;
const QUALITY = 0.86;

/**
 * A photo as it is kept: turned upright, no side longer than 2000 px, as JPEG, without what the camera wrote about where
 * and when it was taken.
 * @throws Error for a file that the browser cannot show
 */
export async function shrunk(file: Blob): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('That is no photo this browser can show: choose a JPEG, PNG or WebP.');
  });
  const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * share);
  canvas.height = Math.round(picture.height * share);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const made = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY));
  if (!made) throw new Error('The photo is too large for this browser.');
  return made;
}
