import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { missingSheets, type ReleaseSheets, type ReleaseThing, type SetUp } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { Mark } from '../parts/mark';
import { typedText } from '../parts/zod-form';

const sheetForm = () => new FormGroup({ number: typedText(), revision: typedText(), page: typedText() });

/** The six things a release asks for; a paper the cabinet does not name is named here. */
@Component({
  selector: 'tm-release-things',
  imports: [ReactiveFormsModule, NzInputModule, Field, Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="release-on">
      <h2 id="release-on">Released on six things</h2>
      <ul>
        @for (each of things(); track each.thing) {
          <li>
            <tm-mark [state]="each.isThere ? 'pass' : 'missing'" [size]="18" />
            <strong>{{ each.title }}</strong>
            <span>{{ each.text }}</span>
          </li>
        }
      </ul>
      @for (of of asked(); track of) {
        <form [formGroup]="forms[of]" (submit)="$event.preventDefault()">
          <span class="of">Sheet of the {{ of }}</span>
          <tm-field [for]="'sheet-' + of" label="Number">
            <input nz-input [id]="'sheet-' + of" maxlength="80" formControlName="number" (input)="tell()" />
          </tm-field>
          <tm-field [for]="'sheet-' + of + '-revision'" label="Revision">
            <input
              nz-input
              [id]="'sheet-' + of + '-revision'"
              maxlength="40"
              formControlName="revision"
              (input)="tell()"
            />
          </tm-field>
          <tm-field [for]="'sheet-' + of + '-page'" label="Page">
            <input nz-input [id]="'sheet-' + of + '-page'" maxlength="80" formControlName="page" (input)="tell()" />
          </tm-field>
        </form>
      }
    </section>
  `,
  styles: `
    section {
      display: grid;
      gap: 8px;
    }
    h2 {
      font-size: 18px;
    }
    ul {
      display: grid;
      gap: 4px;
    }
    li {
      align-items: start;
      display: grid;
      gap: 2px 10px;
      grid-template-columns: 20px 110px 1fr;
      line-height: 1.35;
    }
    form {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
    }
    .of {
      font-weight: 600;
      min-width: 140px;
      padding-bottom: 10px;
    }
    input {
      min-height: 44px;
      width: 170px;
    }
    @media (max-width: 620px) {
      li {
        grid-template-columns: 20px 1fr;
      }
      li span {
        grid-column: 2;
      }
    }
  `,
})
export class ReleaseThings {
  readonly things = input.required<readonly ReleaseThing[]>();
  readonly setUp = input.required<Pick<SetUp, 'sheets'>>();
  /** Whoever sees it may release, and nothing is released yet. */
  readonly mayName = input.required<boolean>();
  /** Papers as they are typed: those with a number and a revision. */
  readonly named = output<ReleaseSheets>();
  protected readonly forms = { terminal: sheetForm(), tool: sheetForm() };
  protected readonly asked = computed(() => (this.mayName() ? missingSheets(this.setUp()) : []));

  protected tell(): void {
    const sheets: { -readonly [K in keyof ReleaseSheets]: ReleaseSheets[K] } = {};
    for (const of of this.asked()) {
      const { number, revision, page } = this.forms[of].getRawValue();
      if (number.trim() && revision.trim())
        sheets[of] = { number: number.trim(), revision: revision.trim(), page: page.trim() || null };
    }
    this.named.emit(sheets);
  }
}
