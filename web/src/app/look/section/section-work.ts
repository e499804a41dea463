import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import {
  endOf,
  measuredPiece,
  metalArea,
  numberFinding,
  ofEnd,
  squareness,
  type SectionLabel,
  type SectionStroke,
} from '@tug-mark/core';
import { wrap, type Remote } from 'comlink';
import type { SectionAnswer } from '../../../workers/section.messages';
import type { SectionWork as Work } from '../../../workers/section.worker';
import { PhotoInHand } from '../photo-in-hand';

interface State {
  readonly brush: SectionLabel;
  /** Cells */
  readonly radius: number;
  readonly isShown: boolean;
  /** Where the picture on the screen came from; empty until it is there. */
  readonly source: string;
  readonly pxPerMm: number;
  readonly isWorking: boolean;
  readonly declined: SectionAnswer['reasons'];
  readonly strokes: readonly SectionStroke[];
  readonly found: SectionAnswer['found'];
  /** Drawn by hand alone, because the picture is not read by itself. */
  readonly isByHand: boolean;
  readonly refusal: string;
  /** Counts what was asked: an older answer is no answer. */
  readonly asked: number;
}

const AT_FIRST: State = {
  brush: 'void',
  radius: 8,
  isShown: true,
  source: '',
  pxPerMm: 0,
  isWorking: false,
  declined: [],
  strokes: [],
  found: null,
  isByHand: false,
  refusal: '',
  asked: 0,
};

/** The reading of one section: what a worker finds in the picture, and what is drawn over it by hand. */
export const SectionWork = signalStore(
  withState(AT_FIRST),
  withProps(() => ({ worker: { own: null as Worker | null, opened: null as Remote<Work> | null } })),
  withComputed(({ found }, photo = inject(PhotoInHand)) => {
    const wires = computed(() =>
      (photo.hand.setUp()?.wires ?? []).filter(({ end }) => end === endOf(photo.shown() ?? {})),
    );
    /** Null until there is metal in the picture: of nothing drawn there is nothing to tell. */
    const figures = computed(() => {
      const read = found()?.figures;
      return read && read.metal > 0 ? read : null;
    });
    const measured = computed(() => {
      const shown = photo.shown();
      const profile = photo.hand.setUp()?.tool?.nest.profile ?? null;
      return measuredPiece(photo.kept('measure'), { piece: shown?.piece ?? 0, end: endOf(shown ?? {}) }, profile);
    });
    const judged = (code: 'compression' | 'voids') =>
      computed(() => {
        const number = photo.criteria().find((c) => c.code === code)?.number;
        const read = figures();
        if (!number || !read) return null;
        return { ...number.range, good: numberFinding(100 * read[code], number) === 'accept' };
      });
    return {
      figures,
      /** mm2 of metal in the wires as they are made. */
      wireArea: computed(() => wires().reduce((sum, w) => sum + metalArea(w.wire.conductor), 0)),
      strands: computed(() => wires().reduce((sum, w) => sum + w.wire.conductor.strands, 0)),
      /** Height and width measured before the cut. */
      measured,
      /** What the sheet says of a share, in percent, and whether the figure is in it; null where it asks for none. */
      compression: judged('compression'),
      voids: judged('voids'),
    };
  }),
  withComputed(({ figures, declined, isByHand, isWorking, compression, voids, measured, strands }) => ({
    /** What is known of whether the cut is square. */
    cut: computed(() => {
      const read = figures();
      return read && squareness(read, measured());
    }),
    /** Whether there cannot be as many strands as the wire has. */
    isOtherCount: computed(() => {
      const read = figures();
      if (!read || read.strands === 0) return false;
      return strands() < read.strands || strands() > (read.strandsMost ?? read.strands);
    }),
    headline: computed(() => {
      const read = figures();
      if (declined().length) return 'This picture is not read by itself.';
      if (!read && isByHand() && !isWorking()) return 'Draw the barrel and the strands over the picture.';
      if (!read) return isWorking() ? 'Reading the section ...' : 'Say the scale, then the section is read.';
      const pressed = compression();
      const share = `${(100 * read.compression).toFixed(1)} % of the metal left, ${(100 * read.voids).toFixed(1)} % voids`;
      if (pressed?.good === false)
        return `Pressed ${100 * read.compression < pressed.min ? 'too far' : 'too little'}: ${share}.`;
      return `${voids()?.good === false ? 'Loose inside' : 'Well filled'}: ${share}.`;
    }),
  })),
  withMethods((store, photo = inject(PhotoInHand)) => {
    /** The worker, opened with the first picture. */
    const work = (): Remote<Work> => {
      const { worker } = store;
      worker.own ??= new Worker(new URL('../../../workers/section.worker', import.meta.url), { type: 'module' });
      return (worker.opened ??= wrap<Work>(worker.own));
    };
    const about = () => ({ pxPerMm: store.pxPerMm(), wireArea: store.wireArea(), measured: store.measured() });
    const ask = () => {
      patchState(store, { asked: store.asked() + 1 });
      return store.asked();
    };
    const show = ({ reasons, found }: SectionAnswer) => {
      patchState(store, { isWorking: false, declined: reasons, found });
    };
    const mend = async () => {
      const own = ask();
      const answer = await work().mend(store.strokes(), about());
      if (answer && own === store.asked()) show(answer);
    };
    const read = async (pxPerMm: number, how: 'read' | 'blank' = 'read'): Promise<void> => {
      patchState(store, { pxPerMm, isByHand: how === 'blank', isWorking: true, declined: [], refusal: '' });
      const own = ask();
      const picture = await fetch(store.source())
        .then((answer) => answer.blob())
        .catch(() => null);
      if (!picture) {
        patchState(store, { isWorking: false, refusal: 'The picture does not come. Is the server there? Try again.' });
        return;
      }
      const answer = await work().read(picture, how, about());
      if (own !== store.asked()) return;
      // Somebody has drawn it by hand already: that is shown again, not asked for.
      if (!answer.found && store.strokes().length) return read(pxPerMm, 'blank');
      if (answer.found && store.strokes().length) await mend();
      else show(answer);
    };
    return {
      read,
      /** The picture is on the screen. */
      loaded(source: string): void {
        patchState(store, { source });
      },
      refuse(refusal: string): void {
        patchState(store, { refusal });
      },
      choose(brush: SectionLabel): void {
        patchState(store, { brush });
      },
      widen(radius: number): void {
        patchState(store, { radius });
      },
      turnMask(): void {
        patchState(store, { isShown: !store.isShown() });
      },
      /** Shows again what was drawn before. */
      restore(strokes: readonly SectionStroke[]): void {
        patchState(store, { strokes });
      },
      /** Where it is not read by itself, crimp and strands are drawn by hand. */
      byHand(): void {
        patchState(store, { brush: 'barrel', radius: 32 });
        void read(store.pxPerMm(), 'blank');
      },
      draw(points: SectionStroke['points']): void {
        const strokes = [...store.strokes(), { label: store.brush(), radius: store.radius(), points }];
        patchState(store, { strokes });
        void mend();
      },
      undo(): void {
        patchState(store, { strokes: store.strokes().slice(0, -1) });
        void mend();
      },
      /** Puts the section on record; compression and voids follow from it. */
      keep(why: string): boolean {
        const [shown, figures] = [photo.shown(), store.figures()];
        if (!shown || !figures) return false;
        const refusal = photo.put(
          {
            kind: 'section',
            piece: shown.piece,
            ...ofEnd(endOf(shown)),
            photo: photo.id(),
            pxPerMm: store.pxPerMm(),
            figures,
            mended: store.strokes(),
            ...(store.isByHand() && { byHand: true }),
            note: '',
          },
          photo.section(),
          why,
        );
        patchState(store, { refusal });
        return !refusal;
      },
    };
  }),
  withHooks({
    onDestroy({ worker }) {
      worker.own?.terminate();
    },
  }),
);
