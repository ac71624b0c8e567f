import { LOGBOOK_LIMITS } from '@/core/logbook/entry';

/** A photo's longer side, in pixels; it is made smaller still until it fits into an entry. */
const SIDES = [1280, 960, 640, 400] as const;
const QUALITY = 0.78;

/** A picture file as a data URL, scaled down; `null` where the browser cannot read it. */
export async function scaledPhoto(file: Blob): Promise<string | null> {
  const picture = await createImageBitmap(file).catch(() => null);
  if (!picture) return null;
  for (const side of SIDES) {
    const scale = Math.min(1, side / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const address = canvas.toDataURL('image/jpeg', QUALITY);
    if (address.length <= LOGBOOK_LIMITS.photoLength) return address;
  }
  return null;
}
