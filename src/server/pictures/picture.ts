import sharp from 'sharp';
import { kindOf, Malformed, type PictureKind, stripped } from './strip.ts';

/** The largest picture that is taken: bytes, and what it holds. Own figures. */
const MOST = { bytes: 25 * 1024 * 1024, pixels: 120_000_000 };
/** The longer side of a small one, px. */
const SMALL = 480;

export const TYPES: Record<PictureKind, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };

/** A picture as it is kept: what is drawn as it came, nothing of where it was taken; or a sentence why it is not taken. */
export async function takePicture(b: Uint8Array): Promise<{ bytes: Uint8Array } | { refused: string }> {
  if (b.length > MOST.bytes) return { refused: 'A picture has at most 25 MB. Send it smaller.' };
  const kind = kindOf(b);
  if (!kind) return { refused: 'This is no picture that can be shown: send it as JPEG, PNG or WebP.' };
  try {
    const { width, height, orientation, format } = await sharp(b, { limitInputPixels: MOST.pixels }).metadata();
    if (format !== kind || width * height > MOST.pixels) return { refused: 'This picture is too large to be shown.' };
    const bytes = stripped(b, kind, orientation ?? 1);
    // What is kept has to be a picture still, from its first row to its last.
    await sharp(bytes, { limitInputPixels: MOST.pixels, failOn: 'truncated' }).resize(8, 8).toBuffer();
    return { bytes };
  } catch (e) {
    if (e instanceof Malformed || e instanceof Error)
      return { refused: 'The picture is damaged, or breaks off: it was not taken.' };
    throw e;
  }
}

/** The same small, upright as it is held. */
export const smallPicture = async (b: Uint8Array): Promise<Uint8Array> =>
  sharp(b, { limitInputPixels: MOST.pixels })
    .rotate()
    .resize(SMALL, SMALL, { fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 78 })
    .toBuffer();
