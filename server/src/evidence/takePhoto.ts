import sharp, { type Metadata } from 'sharp';
import { refusals } from '../http/problems';

/** Pixels it may have, and along one side: a picture of 60 megapixels takes 180 MB while it is decoded. */
const MOST_PIXELS = 60_000_000;
const MOST_SIDE = 12_000;
const LEAST_SIDE = 50;
/** Longest side of the small picture in lists. */
const SMALL = 320;
const TYPES = ['jpeg', 'png', 'webp'] as const;

/** Pictures decoded at one time: memory stays that of two, however many are sent. */
const AT_ONCE = 2;

// One thread and no cache: nothing of a picture stays in memory when it is done.
sharp.cache(false);
sharp.concurrency(1);

export interface PhotoTaken {
  readonly bytes: Buffer;
  readonly small: Buffer;
  readonly width: number;
  readonly height: number;
}

let working = 0;
const waiting: (() => void)[] = [];

/** Waits for a place among the pictures that are decoded at one time. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (working >= AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve));
  else working++;
  try {
    return await work();
  } finally {
    const next = waiting.shift();
    if (next) next();
    else working--;
  }
}

/**
 * Decodes a picture and writes it again as JPEG: nothing of the file that was sent is kept but what can be seen, turned the
 * way its camera meant it. Size and kind are read from its head before anything is decoded.
 *
 * @param declared content type it was sent with
 * @throws Refusal when it is no picture, another kind than declared, animated, damaged, too large or too small
 */
export function takePhoto(sent: Buffer, declared: string): Promise<PhotoTaken> {
  return inTurn(async () => {
    const { width, height } = await readHead(sent, declared);
    try {
      const upright = sharp(sent, { limitInputPixels: MOST_PIXELS, failOn: 'truncated', sequentialRead: true })
        .rotate()
        .flatten({ background: '#ffffff' })
        .toColourspace('srgb');
      const { data, info } = await upright
        .jpeg({ quality: 92, chromaSubsampling: '4:4:4' })
        .toBuffer({ resolveWithObject: true });
      const small = await sharp(data)
        .resize({ width: SMALL, height: SMALL, fit: 'inside' })
        .jpeg({ quality: 80 })
        .toBuffer();
      return { bytes: data, small, width: info.width, height: info.height };
    } catch {
      throw refusals.photoRefused(
        'photo-damaged',
        'The picture is damaged or was cut off on its way.',
        `Its head says ${width} x ${height} pixels, but not all of them are there. Take or save it again.`,
      );
    }
  });
}

async function readHead(sent: Buffer, declared: string): Promise<{ width: number; height: number }> {
  let head: Metadata;
  try {
    head = await sharp(sent, { limitInputPixels: false }).metadata();
  } catch {
    throw refusals.photoRefused(
      'photo-unreadable',
      'This is no picture that can be read.',
      'Photographs are JPEG, PNG or WebP. Save it as one of these and choose it again.',
    );
  }
  const { format, width, height } = head;
  if (!(TYPES as readonly string[]).includes(format)) {
    throw refusals.photoRefused(
      'photo-kind',
      `This is a ${format.toUpperCase()} file.`,
      'Photographs are JPEG, PNG or WebP. Save it as one of these and choose it again.',
    );
  }
  if (declared !== `image/${format}`) {
    throw refusals.photoRefused(
      'photo-name',
      `The file says it is ${declared.replace('image/', '').toUpperCase()} and is ${format.toUpperCase()}.`,
      'Something renamed it. Open it in a picture program, save it again and choose that.',
    );
  }
  if ((head.pages ?? 1) > 1 || isAnimatedPng(sent, format)) {
    throw refusals.photoRefused(
      'photo-animated',
      'This picture moves.',
      'A photograph is one picture. Save the frame that shows the piece and choose that.',
    );
  }
  if (width > MOST_SIDE || height > MOST_SIDE || width * height > MOST_PIXELS) {
    throw refusals.photoRefused(
      'photo-too-large',
      `The picture has ${width} x ${height} pixels.`,
      `${MOST_SIDE} along a side and ${MOST_PIXELS / 1e6} million in all are the most. Make it smaller, or take only the part that shows the piece.`,
    );
  }
  if (width < LEAST_SIDE || height < LEAST_SIDE) {
    throw refusals.photoRefused(
      'photo-too-small',
      `The picture has ${width} x ${height} pixels.`,
      `Less than ${LEAST_SIDE} along a side shows nothing of a crimp. Take it again.`,
    );
  }
  return { width, height };
}

/** An animated PNG says so in a chunk before its first picture data. */
function isAnimatedPng(sent: Buffer, format: string): boolean {
  if (format !== 'png') return false;
  const animation = sent.indexOf('acTL', 8, 'latin1');
  const data = sent.indexOf('IDAT', 8, 'latin1');
  return animation > 0 && (data < 0 || animation < data);
}
