import sharp from 'sharp';
import { refusals } from '../http/problems';

/** Pixels it may have before it is made smaller, and the most it is kept with: 40 by 14 mm at 400 in an inch. */
const MOST_PIXELS = 40_000_000;
const WIDE = 640;
const HIGH = 224;

/**
 * A picture as it is printed: PNG on white, no larger than paper needs, and nothing of the file that was sent but what can be
 * seen.
 * @throws Refusal when it is no picture of the kinds that are taken
 */
export async function takeLogo(sent: Buffer): Promise<Buffer> {
  try {
    return await sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' })
      .rotate()
      .resize({ width: WIDE, height: HIGH, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .png({ compressionLevel: 9 })
      .toBuffer();
  } catch {
    throw refusals.logoRefused();
  }
}
