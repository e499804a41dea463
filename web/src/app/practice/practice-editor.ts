import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import {
  CHOICE_KEYS,
  CHOICES,
  draftOf,
  ownChoices,
  readNumber,
  readStrandDamage,
  resolvePractice,
  strandDamageText,
  type Practice,
  type PracticeChoices,
  type PracticeDraft,
  type TensileStrengths,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { Tick } from '../parts/tick';
import { valueOf } from '../parts/value-of';
import { Notice } from '../parts/notice';

interface NumberField {
  readonly key:
    | 'brushFixed'
    | 'lugBare'
    | 'edgeBand'
    | 'setUpPieces'
    | 'measuredPieces'
    | 'coverage'
    | 'confidence'
    | keyof TensileStrengths;
  readonly title: string;
  readonly least: number;
  readonly most: number;
  readonly whole: boolean;
}
const NUMBERS: readonly NumberField[] = [
  { key: 'brushFixed', title: 'Fixed brush, mm', least: 0.1, most: 20, whole: false },
  { key: 'lugBare', title: 'Bare wire behind a lug, up to mm', least: 0.1, most: 20, whole: false },
  { key: 'edgeBand', title: 'Edge band, share (0.05 is 5 %)', least: 0, most: 0.5, whole: false },
  { key: 'setUpPieces', title: 'Set-up pieces', least: 1, most: 50, whole: true },
  { key: 'measuredPieces', title: 'Measured pieces', least: 0, most: 50, whole: true },
  { key: 'coverage', title: 'Share that has to hold (0.99)', least: 0.51, most: 0.9999, whole: false },
  { key: 'confidence', title: 'How sure (0.95)', least: 0.51, most: 0.9999, whole: false },
  { key: 'tensileCopper', title: 'Tensile strength of copper, N/mm²', least: 50, most: 2000, whole: false },
  { key: 'tensileHighStrength', title: 'of high-strength copper, N/mm²', least: 50, most: 2000, whole: false },
  { key: 'tensileAluminium', title: 'of aluminium, N/mm²', least: 20, most: 2000, whole: false },
];

/** A practice profile as a form: each choice made here, or left to the profile it is based on. */
@Component({
  selector: 'tm-practice-editor',
  imports: [Notice, NzButtonModule, NzInputModule, ProblemNotice, Select, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="keep($event)">
      <h2>{{ practice() ? 'Change ' + practice()!.label : 'A new profile of house rules' }}</h2>
      <div class="fields">
        @for (field of heads; track field.key) {
          <div class="field">
            <label [attr.for]="'p-' + field.key">{{ field.title }}</label>
            <input
              nz-input
              [id]="'p-' + field.key"
              [readOnly]="field.key === 'part' && practice() !== null"
              [value]="head()[field.key]"
              (input)="set(field.key, value($event))"
            />
          </div>
        }
        <div class="field">
          <label for="p-base">Based on</label>
          <tm-select
            selectId="p-base"
            [options]="bases()"
            [value]="head().base"
            (valueChange)="set('base', $event ?? '')"
          />
        </div>
      </div>
      <div class="fields">
        @for (choice of choices; track choice.key) {
          <div class="field">
            <label [attr.for]="'c-' + choice.key">{{ choice.title }}</label>
            <tm-select
              [selectId]="'c-' + choice.key"
              [options]="offered(choice)"
              [value]="chosen(choice.key)"
              (valueChange)="choose(choice.key, $event ?? '')"
            />
          </div>
        }
        @for (field of numbers; track field.key) {
          <div class="field">
            <label [attr.for]="'n-' + field.key">{{ field.title }}</label>
            <input
              nz-input
              inputmode="decimal"
              [id]="'n-' + field.key"
              [attr.placeholder]="head().base ? 'as in ' + head().base : null"
              [value]="typed()[field.key] ?? ''"
              (input)="type(field.key, value($event))"
            />
            @if (wrong(field); as text) {
              <span class="wrong">{{ text }}</span>
            }
          </div>
        }
        <div class="field">
          <label for="n-strandDamage">Strands that may be hurt: ‘none’, or by strand count</label>
          <input
            nz-input
            id="n-strandDamage"
            [attr.placeholder]="head().base ? 'as in ' + head().base : 'none'"
            [value]="typed()['strandDamage'] ?? ''"
            (input)="type('strandDamage', value($event))"
          />
          @if (damage(); as read) {
            @if (!read.ok) {
              <span class="wrong">{{ read.text }}</span>
            }
          }
        </div>
        <tm-tick [value]="made().secondPersonReleases === true" (valueChange)="second($event)">
          limits are released by a second person
        </tm-tick>
      </div>
      @if (said(); as text) {
        <tm-notice kind="bad">{{ text }}</tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <p class="acts">
        <button nz-button nzType="primary" class="bench-button" type="submit">Keep as a new revision</button>
        <button nz-button class="bench-button" type="button" (click)="closed.emit()">Leave it as it was</button>
      </p>
    </form>
  `,
  styleUrl: '../parts/form.less',
  styles: `
    .fields {
      grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
    }
  `,
})
export class PracticeEditor {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  readonly practice = input.required<Practice | null>();
  readonly others = input.required<readonly Practice[]>();
  readonly kept = output<string>();
  readonly closed = output();
  protected readonly choices = CHOICES;
  protected readonly numbers = NUMBERS;
  protected readonly heads = [
    { key: 'part', title: 'Short name' },
    { key: 'label', title: 'Name' },
    { key: 'customer', title: 'For the customer, empty for all' },
    { key: 'class', title: 'For the grade of work, empty for all' },
  ] as const;
  protected readonly head = signal({ part: '', label: '', customer: '', class: '', base: '' });
  protected readonly made = signal<Partial<PracticeChoices>>({});
  protected readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly said = signal('');
  protected readonly problem = signal<Problem | null>(null);
  private opened = 0;

  constructor() {
    effect(() => {
      const p = this.practice();
      if (!p) {
        const house = this.others().find((o) => o.base === null);
        this.head.update((head) => ({ ...head, base: house?.part ?? '' }));
        return;
      }
      const { part, label, customer, base } = p;
      this.head.set({ part, label, customer: customer ?? '', class: p.class ?? '', base: base ?? '' });
      const { choices } = draftOf(p);
      const own = ownChoices(p);
      this.made.set(choices);
      this.typed.set({
        ...Object.fromEntries(NUMBERS.filter((n) => own.includes(n.key)).map((n) => [n.key, String(p[n.key])])),
        ...(own.includes('strandDamage') && { strandDamage: strandDamageText(p.strandDamage) }),
      });
      void this.api.revisions('practice', part).then(
        ([newest]) => {
          this.opened = newest?.revision ?? 0;
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  /** What is typed of strands that may be hurt; null where nothing is. */
  protected readonly damage = computed(() => {
    const text = (this.typed()['strandDamage'] ?? '').trim();
    return text === '' ? null : readStrandDamage(text);
  });

  /** Choices as they stand in the form, numbers read. */
  private readonly draft = computed<PracticeDraft>(() => {
    const { part, label, customer, class: className, base } = this.head();
    const numbers = Object.fromEntries(
      NUMBERS.flatMap((field) => {
        const read = readNumber(this.typed()[field.key] ?? '');
        return read.outcome === 'number' ? [[field.key, read.value]] : [];
      }),
    );
    const others = Object.fromEntries(
      CHOICE_KEYS.filter(
        (key) => key !== 'strandDamage' && !NUMBERS.some((n) => n.key === key) && this.made()[key] !== undefined,
      ).map((key) => [key, this.made()[key]]),
    );
    const damage = this.damage();
    return {
      part: part.trim(),
      label: label.trim(),
      customer: customer.trim() || null,
      class: className.trim() || null,
      base: base || null,
      choices: { ...others, ...numbers, ...(damage?.ok && { strandDamage: damage.rows }) },
    };
  });

  protected set(key: keyof ReturnType<typeof this.head>, text: string): void {
    this.head.update((head) => ({ ...head, [key]: text }));
  }
  protected readonly bases = computed(() => [
    { value: '', label: 'nothing: it makes every choice itself' },
    ...this.others()
      .filter(({ part }) => part !== this.head().part)
      .map(({ part, label }) => ({ value: part, label })),
  ]);

  protected offered({ schools }: (typeof CHOICES)[number]) {
    const { base } = this.head();
    return [
      { value: '', label: base ? `as in ${base}` : 'not chosen yet' },
      ...schools.map(({ value, title }) => ({ value: String(value), label: title })),
    ];
  }
  protected chosen(key: keyof PracticeChoices): string {
    const value = this.made()[key];
    return value === undefined ? '' : String(value as string);
  }
  protected choose(key: keyof PracticeChoices, text: string): void {
    this.made.update((made) => ({ ...made, [key]: text === '' ? undefined : text }));
  }
  protected type(key: string, text: string): void {
    this.typed.update((typed) => ({ ...typed, [key]: text }));
  }
  protected second(secondPersonReleases: boolean): void {
    this.made.update((made) => ({ ...made, secondPersonReleases }));
  }
  protected wrong({ key, least, most, whole }: NumberField): string {
    const text = (this.typed()[key] ?? '').trim();
    if (text === '') return '';
    const read = readNumber(text);
    if (read.outcome === 'refused') return read.text;
    if (read.rest !== '') return `'${read.rest}' is not the unit here.`;
    if (whole && !Number.isInteger(read.value)) return 'It is a whole number.';
    return read.value < least || read.value > most ? `It lies from ${least} to ${most}.` : '';
  }

  protected async keep(event: Event): Promise<void> {
    event.preventDefault();
    const draft = this.draft();
    const field = NUMBERS.find((n) => this.wrong(n));
    const damage = this.damage();
    const resolved = resolvePractice(draft, this.others());
    this.said.set(
      draft.part === '' || draft.label === ''
        ? 'Give the profile a short name and a name.'
        : field
          ? `${field.title}: ${this.wrong(field)}`
          : damage && !damage.ok
            ? damage.text
            : resolved.ok
              ? ''
              : resolved.text,
    );
    if (this.said()) return;
    try {
      await this.api.keepPractice(this.opened, draft);
      this.kept.emit(draft.part);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
