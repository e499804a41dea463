import { ChangeDetectionStrategy, Component } from '@angular/core';
import { GLOSSARY } from '@tug-mark/core';

/** Every term of the screens with what it means here. */
@Component({
  selector: 'tm-glossary-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>What the words mean</h1>
          <p class="soft">
            As they are used here. Where a released specification or a maker’s instruction uses a word otherwise, it
            decides.
          </p>
        </div>
      </div>
      <dl>
        @for (entry of entries; track entry.term) {
          <dt>{{ entry.term }}</dt>
          <dd>{{ entry.text }}</dd>
        }
      </dl>
    </div>
  `,
  styles: `
    dl {
      display: grid;
      gap: 10px 24px;
      grid-template-columns: 170px minmax(0, 70ch);
      margin: 0;
    }
    dt {
      font: 600 16px var(--figures);
    }
    dd {
      margin: 0;
    }
    @media (max-width: 620px) {
      dl {
        grid-template-columns: minmax(0, 1fr);
      }
      dd {
        margin-bottom: 8px;
      }
    }
  `,
})
export class GlossaryPage {
  protected readonly entries = GLOSSARY;
}
