import { computed } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import {
  MARK_KINDS,
  MARK_POINTS,
  pixelsPerMm,
  readLength,
  type MarkKind,
  type PhotoMark,
  type PhotoScale,
  type Point2,
  type PointCode,
} from '@tug-mark/core';

export type PhotoTool = 'scale' | MarkKind;
export const PHOTO_TOOLS: readonly { tool: PhotoTool; key: string; title: string; does: string }[] = [
  { tool: 'scale', key: 'S', title: 'Scale', does: 'Two ends of a length you know' },
  { tool: 'length', key: 'L', title: 'Length', does: 'Two points' },
  { tool: 'angle', key: 'G', title: 'Angle', does: 'Arm, corner, arm' },
  { tool: 'circle', key: 'C', title: 'Circle', does: 'Three points of its rim' },
  { tool: 'area', key: 'R', title: 'Area', does: 'Its corners, then Enter' },
];
const ZOOMS = [1, 1.5, 2, 3, 4, 6, 8] as const;
/** Picture pixels between the ends of a scale, at the least. */
const LEAST_SCALE = 1;

interface State {
  readonly tool: PhotoTool;
  /** Width and height of the picture in its own pixels; every point is in them. */
  readonly size: Point2;
  readonly cross: Point2;
  readonly zoomStep: number;
  /** Points set of the mark in hand. */
  readonly draft: readonly Point2[];
  readonly scale: PhotoScale | null;
  readonly marks: readonly PhotoMark[];
  /** The mark shown as chosen; -1 for none. */
  readonly picked: number;
  /** Whether something differs from what is on record. */
  readonly isChanged: boolean;
  readonly refusal: string;
}

const AT_FIRST: State = {
  tool: 'scale',
  size: { x: 1200, y: 800 },
  cross: { x: 0, y: 0 },
  zoomStep: 0,
  draft: [],
  scale: null,
  marks: [],
  picked: -1,
  isChanged: false,
  refusal: '',
};

/** What is being marked on a photograph: the tool in hand, its points so far, and the marks that stand. */
export const PhotoMarking = signalStore(
  withState(AT_FIRST),
  withComputed(({ tool, draft, scale, zoomStep, size }) => {
    const wanted = computed(() => {
      const own = tool();
      return own === 'scale' ? 2 : MARK_POINTS[own].most;
    });
    const asksLength = computed(() => tool() === 'scale' && draft().length === 2);
    const zoom = computed(() => ZOOMS[zoomStep()] ?? 1);
    return {
      wanted,
      asksLength,
      zoom,
      perMm: computed(() => pixelsPerMm(scale())),
      /** One screen pixel or so in the picture's own, whatever the zoom. */
      stroke: computed(() => size().x / 420 / zoom()),
      textSize: computed(() => size().x / 46 / zoom()),
      hint: computed(() => {
        if (asksLength()) return 'Both ends are set: say how long it is.';
        const own = PHOTO_TOOLS.find((each) => each.tool === tool());
        const left = tool() === 'area' ? `${draft().length} corners set.` : `${wanted() - draft().length} to set.`;
        return `${own?.title}: ${own?.does.toLowerCase()}. ${left} Click, or move the crosshair with the arrows (with Shift in big steps) and press Space.`;
      }),
    };
  }),
  withMethods((store) => {
    const inside = ({ x, y }: Point2): Point2 => ({
      x: Math.min(store.size().x, Math.max(0, x)),
      y: Math.min(store.size().y, Math.max(0, y)),
    });
    const take = (tool: PhotoTool) => {
      patchState(store, { tool, draft: [] });
    };
    /** Makes a mark of the points set, where they are enough. */
    const finish = () => {
      const kind = MARK_KINDS.find((k) => k === store.tool());
      if (!kind || store.draft().length < MARK_POINTS[kind].least) return;
      const marks = [...store.marks(), { kind, points: store.draft(), point: null, note: '' }];
      patchState(store, { marks, picked: marks.length - 1, draft: [], isChanged: true });
    };
    return {
      take,
      finish,
      /** A picture of this size is shown: the crosshair stands in its middle. */
      show(size: Point2): void {
        patchState(store, { size, cross: { x: Math.round(size.x / 2), y: Math.round(size.y / 2) } });
      },
      /** Shows what is on record. */
      restore(scale: PhotoScale | null, marks: readonly PhotoMark[]): void {
        patchState(store, { scale, marks, isChanged: false, ...(scale && { tool: 'length' as const }) });
      },
      kept(): void {
        patchState(store, { isChanged: false });
      },
      refuse(refusal: string): void {
        patchState(store, { refusal });
      },
      move(x: number, y: number): void {
        const cross = store.cross();
        patchState(store, { cross: inside({ x: cross.x + x, y: cross.y + y }) });
      },
      zoomBy(steps: number): void {
        patchState(store, { zoomStep: Math.min(ZOOMS.length - 1, Math.max(0, store.zoomStep() + steps)) });
      },
      /** Sets a point of the mark in hand; the last one it wants makes the mark. */
      set(at: Point2 = store.cross()): void {
        const cross = inside(at);
        patchState(store, { cross });
        if (store.asksLength()) return;
        patchState(store, { draft: [...store.draft(), cross] });
        if (store.draft().length >= store.wanted() && store.tool() !== 'scale') finish();
      },
      takeBack(): void {
        patchState(store, { draft: store.draft().slice(0, -1) });
      },
      /** Takes the two points set as a length that is known; false when it is refused. */
      setScale(typed: string): boolean {
        const read = readLength(typed, 'mm');
        const [from, to] = store.draft();
        const refuse = (refusal: string) => {
          patchState(store, { refusal });
          return false;
        };
        if (read.outcome === 'refused') return refuse(read.text);
        if (!from || !to || Math.hypot(to.x - from.x, to.y - from.y) < LEAST_SCALE)
          return refuse('The two ends lie on each other. Set them again.');
        patchState(store, { scale: { from, to, length: read.millimetres }, refusal: '', isChanged: true });
        take('length');
        return true;
      },
      pick(picked: number): void {
        patchState(store, { picked });
      },
      /** Says which inspection point a mark answers; null for none. */
      answer(index: number, point: PointCode | null): void {
        const marks = store.marks().map((mark, i) => (i === index ? { ...mark, point } : mark));
        patchState(store, { marks, isChanged: true });
      },
      remove(index: number): void {
        patchState(store, { marks: store.marks().filter((_, i) => i !== index), picked: -1, isChanged: true });
      },
    };
  }),
);
