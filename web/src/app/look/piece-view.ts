import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { drawPieceEnd, drawPieceSide, type LookContext, type Piece, type PointCode, type View } from '@tug-mark/core';
import { ShapeView } from '../parts/shape-view';

/** A finished crimp drawn from its numbers, in the view a point asks for. */
@Component({
  selector: 'tm-piece-view',
  imports: [ShapeView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (drawing(); as drawn) {
      <tm-shape-view [drawing]="drawn" [said]="said()" />
    } @else {
      <p class="soft">The terminal’s sheet leaves out dimensions, so it cannot be drawn.</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    tm-shape-view {
      margin: 0 auto;
      max-width: var(--piece-width, none);
    }
  `,
})
export class PieceView {
  readonly look = input.required<LookContext>();
  readonly piece = input.required<Piece>();
  readonly view = input.required<View>();
  /** The point whose number is drawn; null draws none, 'blind' everything and no word about it. */
  readonly point = input<PointCode | 'blind' | null>(null);
  readonly said = input.required<string>();
  /** Width in the drawing's own units: text keeps its size, so a narrow one has it larger beside the piece. */
  readonly width = input(460);
  protected readonly drawing = computed(() =>
    this.view() === 'end on'
      ? drawPieceEnd(this.look(), this.piece(), this.point())
      : drawPieceSide(this.look(), this.piece(), this.point(), this.width()),
  );
}

/** The view a fault shows best in, where its point is looked at from all round. */
export function viewOfFault(view: View, fault: string | null): View {
  if (fault === 'flash') return 'end on';
  return view === 'all round' || view === 'section' ? 'from the side' : view;
}
