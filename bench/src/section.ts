import { makeMicrograph, readSection, sectionFigures, SOUND_MICROGRAPH, type MicrographModel } from '@tug-mark/core';
import { median } from './median';

const PROFILES = ['rolled', 'indent-and-cradle', 'symmetric-oval', 'four-indent', 'hex', 'square'] as const;
const STRANDS = [7, 19, 24, 37, 61] as const;
const IMAGES = 200;
const ROUNDS = 5;

const before = ({ strands, strandDiameter }: MicrographModel) => strands * (Math.PI / 4) * strandDiameter ** 2;

/** Time to read a section of 12 megapixels as a ratio to one pass that adds up the same pixels. */
export function benchSection(): { ratio: number; milliseconds: number; baseline: number } {
  const model = { ...SOUND_MICROGRAPH, width: 4000, height: 3000, pxPerMm: 1550 };
  const { picture } = makeMicrograph(model);
  const { data } = picture;
  const ours: number[] = [];
  const plain: number[] = [];
  let sink = 0;
  for (let round = 0; round < ROUNDS; round++) {
    let at = performance.now();
    let sum = 0;
    for (let i = 0; i < data.length; i += 4)
      sum += (data[i] as number) + (data[i + 1] as number) + (data[i + 2] as number);
    plain.push(performance.now() - at);
    at = performance.now();
    const result = readSection(picture);
    if (!result.ok) throw new Error(result.reasons[0]?.text ?? '');
    sink += sectionFigures(result.reading, model.pxPerMm, before(model)).metal + sum;
    ours.push(performance.now() - at);
  }
  if (!Number.isFinite(sink)) throw new Error('no result');
  return { ratio: median(ours) / median(plain), milliseconds: median(ours), baseline: median(plain) };
}

export interface SectionAccuracy {
  readonly images: number;
  readonly declined: ReadonlyMap<string, number>;
  /** Errors against the generator's truth, as shares: median, 95th in a hundred, greatest. */
  readonly metal: readonly [number, number, number];
  readonly voids: readonly [number, number, number];
  /** mm */
  readonly height: readonly [number, number, number];
  /** Of those read, how many had their strands counted right, and within 5 %. */
  readonly strandsRight: number;
  readonly strandsNear: number;
  readonly read: number;
}

/** Errors of 200 sections against the generator's truth: every mix of profile, strands, noise, light, blur, turn and tilt. */
export function sectionAccuracy(): SectionAccuracy {
  const metal: number[] = [];
  const voids: number[] = [];
  const height: number[] = [];
  const declined = new Map<string, number>();
  let right = 0;
  let near = 0;
  for (let i = 0; i < IMAGES; i++) {
    const strands = STRANDS[i % STRANDS.length] ?? 24;
    const model: MicrographModel = {
      ...SOUND_MICROGRAPH,
      width: 1000,
      height: 750,
      pxPerMm: 390,
      seed: 100 + i,
      profile: PROFILES[i % PROFILES.length] ?? 'rolled',
      strands,
      strandDiameter: Math.sqrt((0.75 / strands) * (4 / Math.PI)),
      compression: 0.74 + 0.02 * (i % 12),
      voids: 0.01 + 0.012 * (i % 8),
      lean: 0.07 * (i % 4),
      turn: -12 + ((i * 7) % 25),
      tilt: 2 * (i % 5),
      noise: 2 + 3 * (i % 9),
      light: 0.05 * (i % 10),
      blur: i % 3,
    };
    const { picture, truth } = makeMicrograph(model);
    const result = readSection(picture);
    if (!result.ok) {
      const code = result.reasons[0]?.code ?? '';
      declined.set(code, (declined.get(code) ?? 0) + 1);
      continue;
    }
    const found = sectionFigures(result.reading, model.pxPerMm, before(model));
    metal.push(Math.abs(found.metal / truth.metal - 1));
    voids.push(Math.abs(found.voids - truth.voids));
    height.push(Math.abs(found.height - truth.height));
    if (found.strands === strands) right++;
    if (Math.abs(found.strands - strands) <= 0.05 * strands) near++;
  }
  const spread = (values: number[]): [number, number, number] => {
    const sorted = [...values].sort((a, b) => a - b);
    return [median(sorted), sorted[Math.floor(sorted.length * 0.95)] ?? 0, sorted.at(-1) ?? 0];
  };
  return {
    images: IMAGES,
    declined,
    metal: spread(metal),
    voids: spread(voids),
    height: spread(height),
    strandsRight: right,
    strandsNear: near,
    read: metal.length,
  };
}
