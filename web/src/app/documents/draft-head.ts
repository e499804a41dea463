import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ShopDocument } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { DayField } from '../parts/day-field';
import { Tick } from '../parts/tick';
import { valueOf } from '../parts/value-of';

const FIELDS = [
  { key: 'document', title: 'Document' },
  { key: 'revision', title: 'Revision' },
  { key: 'class', title: 'Grade of work' },
  { key: 'owner', title: 'Owner' },
  { key: 'effectiveFrom', title: 'In effect from' },
  { key: 'effectiveUntil', title: 'until, empty for open' },
] as const;
type Key = (typeof FIELDS)[number]['key'];

/** A draft's head with what is typed into it, however wrong. */
export type Head = Readonly<Record<Key, string>> & Pick<ShopDocument, 'origin'>;

/**
 * The head a draft begins with. What stands does not change: a new revision of it gets a name of its own.
 * @param today the shop's day
 */
export function headFrom(from: ShopDocument | 'new', today: string): Head {
  if (from === 'new') {
    return {
      document: '',
      revision: 'A',
      class: '',
      owner: '',
      effectiveFrom: today,
      effectiveUntil: '',
      origin: 'made-up',
    };
  }
  const { document, revision, class: className, owner, effectiveFrom, effectiveUntil, status, origin } = from;
  return {
    document,
    revision: status === 'draft' ? revision : '',
    class: className,
    owner,
    effectiveFrom,
    effectiveUntil: effectiveUntil ?? '',
    origin,
  };
}

/** The document a head is of. */
export function draftOf({ effectiveUntil, ...head }: Head): ShopDocument {
  return { ...head, effectiveUntil: effectiveUntil.trim() || null, status: 'draft' };
}

/** What is wrong with one field; empty where nothing is. */
function headFault(head: Head, key: Key): string {
  const text = head[key].trim();
  if (key !== 'effectiveFrom' && key !== 'effectiveUntil') return text === '' ? 'It is empty.' : '';
  if (text === '' && key === 'effectiveUntil') return '';
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return 'Choose a day.';
  return key === 'effectiveUntil' && text < head.effectiveFrom ? 'It ends before it begins.' : '';
}

/** Whether anything is wrong with a head. */
export function isHeadWrong(head: Head): boolean {
  return FIELDS.some(({ key }) => headFault(head, key) !== '');
}

/** The head of a draft: document, revision, grade, owner, the days it is in effect and where it is from. */
@Component({
  selector: 'tm-draft-head',
  imports: [FormsModule, NzInputModule, DayField, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="fields">
      @for (field of fields; track field.key) {
        <div class="field">
          <label [attr.for]="'draft-' + field.key">{{ field.title }}</label>
          @if (field.key === 'effectiveFrom' || field.key === 'effectiveUntil') {
            <tm-day-field
              [fieldId]="'draft-' + field.key"
              [ngModel]="head()[field.key] || null"
              (ngModelChange)="set(field.key, $event ?? '')"
            />
          } @else {
            <input
              nz-input
              [id]="'draft-' + field.key"
              [value]="head()[field.key]"
              (input)="set(field.key, value($event))"
            />
          }
          @if (tried() && fault(head(), field.key); as text) {
            <span class="wrong">{{ text }}</span>
          }
        </div>
      }
      <ng-content />
      <tm-tick [value]="head().origin === 'controlled'" (valueChange)="turn()"
        >taken from a controlled document</tm-tick
      >
    </div>
  `,
  styles: `
    :host {
      width: 100%;
    }
    .fields {
      align-items: end;
      display: grid;
      gap: 10px 16px;
      grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
    }
    .field label {
      font-weight: 400;
    }
  `,
})
export class DraftHead {
  readonly head = model.required<Head>();
  /** Whether keeping it was tried, so that what is wrong is told. */
  readonly tried = input.required<boolean>();
  protected readonly fields = FIELDS;
  protected readonly fault = headFault;
  protected readonly value = valueOf;

  protected set(key: Key, text: string): void {
    this.head.update((head) => ({ ...head, [key]: text }));
  }

  protected turn(): void {
    this.head.update((head) => ({ ...head, origin: head.origin === 'controlled' ? 'made-up' : 'controlled' }));
  }
}
