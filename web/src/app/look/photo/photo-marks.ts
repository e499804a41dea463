import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { judgeMark, markAnswers, measureMark, type MarkVerdict, type PhotoMark } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Mark } from '../../parts/mark';
import { Select } from '../../parts/select';
import { typedText } from '../../parts/zod-form';
import { PhotoInHand } from '../photo-in-hand';
import { markText } from './mark-text';
import { PhotoMarking } from './photo-marking';
import { Notice } from '../../parts/notice';

/** What was measured on a photograph: its scale, each mark with the point it answers, and keeping them. */
@Component({
  selector: 'tm-photo-marks',
  imports: [Notice, ReactiveFormsModule, NzButtonModule, NzInputModule, Mark, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <aside aria-label="What was measured">
      @if (marking.asksLength()) {
        <form (submit)="setScale($event)">
          <label for="known">How long is that? mm or in</label>
          <input nz-input id="known" inputmode="decimal" [formControl]="known" />
          <button nz-button nzType="primary" class="bench-button" type="submit">Set the scale</button>
        </form>
      }
      <p class="figures">
        @if (marking.perMm(); as px) {
          <tm-mark state="pass" [size]="16" /> {{ px.toFixed(1) }} pixels are 1 mm.
        } @else {
          <tm-mark state="missing" [size]="16" /> No scale yet: angles can be measured, lengths cannot.
        }
      </p>
      <ol>
        @for (mark of marking.marks(); track $index; let i = $index) {
          <li [class.here]="i === marking.picked()">
            <button type="button" class="plain" (click)="marking.pick(i)">
              <strong class="figures">{{ i + 1 }}: {{ said(mark) }}</strong> {{ mark.kind }}
            </button>
            <label [attr.for]="'answers-' + i">answers</label>
            <tm-select
              [selectId]="'answers-' + i"
              [options]="answersFor(mark.kind)"
              [value]="mark.point ?? ''"
              (valueChange)="answer(i, $event)"
            />
            @if (verdict(mark); as v) {
              <span class="verdict"><tm-mark [state]="v.good ? 'pass' : 'fail'" [size]="16" /> {{ v.text }}</span>
            }
            <button nz-button class="quiet" type="button" (click)="marking.remove(i)">take away</button>
          </li>
        } @empty {
          <li class="soft">Nothing is measured yet.</li>
        }
      </ol>
      @if (marking.isChanged()) {
        <form (submit)="keep($event)">
          @if (photo.marks()) {
            <label for="marks-why">Marks are on record for this picture. Why are these better?</label>
            <input nz-input id="marks-why" maxlength="500" [formControl]="why" />
          }
          <button nz-button nzType="primary" class="bench-button" type="submit">Keep the marks</button>
        </form>
      } @else if (photo.marks()) {
        <p class="soft">
          Kept by {{ photo.marks()!.by }}.
          <a [href]="exported()" [attr.download]="'marks-' + photo.id() + '.json'">Marks as JSON</a>
        </p>
      }
      @if (marking.refusal()) {
        <tm-notice kind="bad">{{ marking.refusal() }}</tm-notice>
      }
    </aside>
  `,
  styleUrl: '../picture-page.less',
  styles: `
    li {
      align-items: center;
      border-bottom: 1px solid var(--line);
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
      padding: 6px 0;
    }
    li .plain {
      flex-basis: 100%;
      min-height: 44px;
      text-align: left;
    }
    .verdict {
      flex-basis: 100%;
    }
  `,
})
export class PhotoMarks {
  protected readonly marking = inject(PhotoMarking);
  protected readonly photo = inject(PhotoInHand);
  protected readonly known = typedText();
  protected readonly why = typedText();
  protected readonly exported = computed(() => {
    const kept = this.photo.marks()?.body;
    return `data:application/json,${encodeURIComponent(JSON.stringify({ photo: this.photo.id(), ...kept?.marks }, null, 2))}`;
  });

  protected setScale(event: Event): void {
    event.preventDefault();
    if (this.marking.setScale(this.known.value)) this.known.setValue('');
  }

  protected said(mark: PhotoMark): string {
    return markText(mark, this.marking.scale());
  }

  /** The points a mark of a kind can answer, for the list that opens. */
  protected answersFor(kind: PhotoMark['kind']) {
    const points = this.photo.criteria().filter((c) => c.number && markAnswers(kind, c.number.unit));
    return [
      { value: '', label: 'nothing' },
      ...points.map((c) => ({ value: c.code as string, label: c.number?.what ?? c.title })),
    ];
  }

  protected answer(index: number, code: string | null): void {
    this.marking.answer(index, this.photo.criteria().find((c) => c.code === code)?.code ?? null);
  }

  protected verdict(mark: PhotoMark): MarkVerdict | null {
    return judgeMark(mark, this.marking.scale(), this.photo.criteria());
  }

  protected keep(event: Event): void {
    event.preventDefault();
    const { marking, photo } = this;
    const shown = photo.shown();
    if (!shown) {
      marking.refuse('The photograph is not on record any more.');
      return;
    }
    const marks = { scale: marking.scale(), marks: marking.marks() };
    const body = { kind: 'marks', piece: shown.piece, photo: photo.id(), marks, note: '' } as const;
    const refusal = photo.put(body, photo.marks(), this.why.value);
    marking.refuse(refusal);
    if (refusal) return;
    marking.kept();
    this.why.setValue('');
    for (const mark of marks.marks) {
      const criterion = photo.criteria().find((c) => c.code === mark.point);
      const found = measureMark(mark, marks.scale);
      if (criterion && found) marking.refuse(photo.putNumber(criterion, found.value));
    }
  }
}
