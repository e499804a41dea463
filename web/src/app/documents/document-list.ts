import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { documentName, isSameDocument, type ShopDocument } from '@tug-mark/core';

/** The revisions on a shelf; what to do where there is none is the page's to say, inside. */
@Component({
  selector: 'tm-document-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ul [attr.aria-label]="title()">
      @for (each of documents(); track name(each)) {
        @let isHere = same(each, chosen());
        <li>
          <button type="button" [class.here]="isHere" [attr.aria-pressed]="isHere" (click)="picked.emit(each)">
            <strong class="figures">{{ each.document }} rev {{ each.revision }}</strong>
            <span>grade {{ each.class }}</span>
            <span class="state" [class]="each.status">{{ each.status }}</span>
          </button>
        </li>
      } @empty {
        <li class="soft"><ng-content /></li>
      }
    </ul>
  `,
  styles: `
    ul {
      display: grid;
      gap: 6px;
    }
    li button {
      align-items: baseline;
      background: var(--sheet);
      border: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      display: grid;
      font: inherit;
      gap: 2px 10px;
      grid-template-columns: 1fr auto;
      min-height: 46px;
      padding: 7px 12px;
      text-align: left;
      width: 100%;
    }
    li button.here {
      border-color: var(--petrol);
      box-shadow: inset 4px 0 0 var(--petrol);
    }
    .state {
      color: var(--ink-soft);
      grid-column: 1 / -1;
    }
    .state.released {
      color: var(--pass);
      font-weight: 600;
    }
  `,
})
export class DocumentList {
  readonly title = input.required<string>();
  readonly documents = input.required<readonly ShopDocument[]>();
  readonly chosen = input<ShopDocument>();
  readonly picked = output<ShopDocument>();
  protected readonly name = documentName;
  protected readonly same = isSameDocument;
}
