import {
  asDrawn,
  badPoint,
  criteria,
  drawPieceEnd,
  drawPieceSide,
  faultsOf,
  makeMicrograph,
  normalFrom,
  orderFor,
  PAPER_INKS,
  random,
  ROUNDS,
  SOUND_MICROGRAPH,
  spoil,
  VIEWS,
  type Drawing,
  type EntryBody,
  type LookContext,
  type StudyItem,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { z } from 'zod';
import { sha256 } from '../chain/hashes';
import { keepPhoto } from '../evidence/photos';
import { takePhoto } from '../evidence/takePhoto';
import { contextOf, pageCombinations, readShared } from '../combination/store';
import { Journal } from '../journal/Journal';
import { beginStudy, closeStudy, keepAnswer } from '../study/store';
import { Replay } from './replay';

const where = {
  list: z.string().optional(),
  terminal: z.string(),
  wire: z.string(),
  hoursAgo: z.number(),
  by: z.string(),
};

/** What eye, camera and microscope saw in the demo shop; every picture is made from its numbers. */
export const lookPastSchema = z.strictObject({
  about: z.string(),
  sections: z.array(
    z.strictObject({
      ...where,
      piece: z.number().int(),
      seed: z.number().int(),
      compression: z.number(),
      voids: z.number(),
      lean: z.number(),
      wall: z.number(),
    }),
  ),
  photos: z.array(
    z.strictObject({ ...where, piece: z.number().int(), fault: z.string().nullable(), view: z.enum(VIEWS) }),
  ),
  causes: z.array(z.strictObject({ ...where, cause: z.string(), evidence: z.array(z.string()), note: z.string() })),
  studies: z.array(
    z.strictObject({
      ...where,
      name: z.string(),
      drawn: z.number().int(),
      closed: z.boolean(),
      people: z.array(
        z.strictObject({ name: z.string(), misses: z.number(), alarms: z.number(), seed: z.number().int() }),
      ),
    }),
  ),
});
type LookPast = z.infer<typeof lookPastSchema>;
type Where = Pick<LookPast['causes'][number], 'list' | 'terminal' | 'wire' | 'by'>;

/** Puts pictures, confirmed causes and studies of the demo's past on record. */
export async function replayLook(db: Knex, past: LookPast, hoursAgo: (hours: number) => Date): Promise<void> {
  const journal = new Journal(db);
  const { rows } = await pageCombinations(db, 0, 1000);
  const open = async ({ list, terminal, wire, by }: Where) => {
    const row = rows.find((r) => r.terminal === terminal && r.wire === wire && (!list || r.list === list));
    if (!row) throw new Error(`demo/look.json: no combination ${terminal} on ${wire}`);
    return new Replay(db, journal, row.id, await contextOf(db, row, await readShared(db)), by);
  };
  const keep = async (
    bench: Replay,
    { png, width, height, pxPerMm }: MadePicture,
    body: Omit<Extract<EntryBody, { kind: 'photo' }>, 'kind' | 'photo'>,
    at: Date,
  ) => {
    const id = randomUUID();
    const digest = await keepPhoto(
      db,
      { id, combination: bench.id, sent: sha256(png), by: 'demo', role: 'program' },
      await takePhoto(png, 'image/png'),
    );
    await bench.put({ kind: 'photo', photo: { id, digest }, ...body }, at);
    // Its scale is known: the longest whole number of millimetres that fits along its lower edge.
    const length = Math.max(1, Math.floor((width - 40) / pxPerMm));
    const from = { x: 20, y: height - 20 };
    const to = { x: Number((20 + length * pxPerMm).toFixed(1)), y: height - 20 };
    const marks = { scale: { from, to, length }, marks: [] };
    await bench.put({ kind: 'marks', piece: body.piece, photo: id, marks, note: '' }, new Date(at.getTime() + 60_000));
  };

  for (const { piece, seed, compression, voids, lean, wall, ...place } of past.sections) {
    const bench = await open(place);
    const { strands, strandDiameter } = bench.context.wire.conductor;
    const model = { ...SOUND_MICROGRAPH, seed, compression, voids, lean, wall, strands, strandDiameter, turn: 3 };
    const { picture } = makeMicrograph(model);
    const { width, height, data } = picture;
    const png = await sharp(Buffer.from(data.buffer), { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    const note = `Made up from seed ${seed}.`;
    await keep(
      bench,
      { png, width, height, pxPerMm: model.pxPerMm },
      { piece, shows: 'section', note },
      hoursAgo(place.hoursAgo),
    );
  }
  for (const { piece, fault, view, ...place } of past.photos) {
    const bench = await open(place);
    const { look } = (await bench.now(hoursAgo(place.hoursAgo))).setUp;
    if (!look) throw new Error(`demo/look.json: ${place.terminal} has no set-up to draw`);
    const drawn = drawFor(look, fault, view);
    const note = 'Drawn, not photographed.';
    await keep(bench, await rasterise(drawn), { piece, shows: view, note }, hoursAgo(place.hoursAgo));
  }
  for (const { cause, evidence, note, ...place } of past.causes) {
    const bench = await open(place);
    await bench.put({ kind: 'cause', step: 1, cause, evidence, note }, hoursAgo(place.hoursAgo), 'Ines');
  }
  for (const study of past.studies) {
    const bench = await open(study);
    const { id } = await beginStudy(
      db,
      { id: randomUUID(), name: study.name, combination: bench.id, drawn: study.drawn, photos: [] },
      { by: study.by, role: 'quality' },
    );
    const row = (await db('studies').where({ id }).first('items', 'seed')) as { items: StudyItem[]; seed: number };
    const { look, lookSheet } = (await bench.now(hoursAgo(study.hoursAgo))).setUp;
    const points = look ? criteria(look, lookSheet).map((c) => c.code) : [];
    for (const person of study.people) {
      const next = random(person.seed);
      for (let round = 1; round <= ROUNDS; round++) {
        for (const item of orderFor(row.items.length, row.seed, person.name, round)) {
          const shown = row.items[item];
          if (!shown) continue;
          const isBad = shown.key === 'reject';
          const sees = isBad ? next() >= person.misses : next() < person.alarms;
          await keepAnswer(
            db,
            id,
            { by: person.name, role: 'technician' },
            {
              id: randomUUID(),
              round,
              item,
              answer: sees ? 'reject' : 'accept',
              point: sees ? (isBad ? badPoint(shown) : (points[Math.floor(next() * points.length)] ?? null)) : null,
            },
          );
        }
      }
    }
    if (study.closed) await closeStudy(db, id, { by: study.by, role: 'quality' });
  }
}

const ENLARGED = 3;

/** A made-up picture, its size in pixels, and how many of them are a millimetre. */
interface MadePicture {
  readonly png: Buffer;
  readonly width: number;
  readonly height: number;
  readonly pxPerMm: number;
}

/** As a camera would see it: no dimension, nothing pointed out in red. */
function drawFor(look: LookContext, code: string | null, view: string): Drawing {
  const right = asDrawn(look);
  const fault = faultsOf(look).find((f) => f.code === code);
  const piece = fault ? spoil(fault, right, look, 'wrong') : right;
  const drawing = view === 'end on' ? drawPieceEnd(look, piece, 'blind') : drawPieceSide(look, piece, 'blind');
  if (!drawing) throw new Error('demo/look.json: this terminal cannot be drawn');
  return drawing;
}

/** The drawing as a picture on grey card, with a little grain so that nobody takes it for clean. */
async function rasterise(drawing: Drawing): Promise<MadePicture> {
  const { x, y, width, height } = drawing.box;
  const shapes = drawing.shapes
    .map((s) =>
      s.kind === 'path'
        ? `<path d="${s.d}" fill="${s.fill ? PAPER_INKS[s.fill] : 'none'}" stroke="${s.stroke ? PAPER_INKS[s.stroke] : 'none'}" stroke-width="${s.width}"/>`
        : '',
    )
    .join('');
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${width} ${height}" width="${width * ENLARGED}" height="${height * ENLARGED}"><rect x="${x}" y="${y}" width="${width}" height="${height}" fill="#cfd2cd"/>${shapes}</svg>`;
  const { data, info } = await sharp(Buffer.from(svg)).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const normal = normalFrom(random(7));
  for (let i = 0; i < data.length; i += 3) {
    const grain = 5 * normal();
    for (let c = 0; c < 3; c++) data[i + c] = Math.min(255, Math.max(0, (data[i + c] ?? 0) + grain));
  }
  const raw = { width: info.width, height: info.height, channels: 3 as const };
  const png = await sharp(data, { raw }).png().toBuffer();
  return { png, width: info.width, height: info.height, pxPerMm: drawing.scale * ENLARGED };
}
