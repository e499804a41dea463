import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { MOST_LOGO, type Here, type Problem } from '@tug-mark/contract';
import { FORCE_UNITS, LANGUAGES, LENGTH_SHOWN, PAPERS, showDay, showMoment } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { injectEditedForm } from '../parts/edited-form';
import { Field } from '../parts/field';
import { FileButton } from '../parts/file-button';
import { FormFaults, type FormFault } from '../parts/form-faults';
import { Notice } from '../parts/notice';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';
import { TypedBack } from '../parts/typed-back';
import { faultOf } from '../parts/zod-form';
import { sessionActions, sessionFeature } from '../session/session.state';
import { WholeShop } from './whole-shop';
import { shopChange, shopForm } from './shop-form';

const same = <T extends string>(values: readonly T[], label: (value: T) => string = (value) => value) =>
  values.map((value) => ({ value, label: label(value) }));

const LENGTHS: Readonly<Record<(typeof LENGTH_SHOWN)[number], string>> = {
  mm: 'millimetres',
  in: 'inches',
  'in/64': 'inches in 64ths',
};
const LABELS: Readonly<Record<string, string>> = {
  name: 'Name',
  zone: 'Time zone',
  grades: 'Grades of work',
  idleMinutes: 'Lock a station after',
};
const SAMPLE = '2027-02-03T13:05:00.000Z';

/** How this shop is named and wants its numbers, days and paper, and when its stations lock. For engineers. */
@Component({
  selector: 'tm-shop-page',
  imports: [
    ...[ReactiveFormsModule, NzButtonModule, NzInputModule, Field, FileButton, FormFaults, Notice, ProblemNotice],
    ...[Select, TypedBack, WholeShop],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head"><h1>This shop</h1></div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @if (said()) {
        <tm-notice kind="good">{{ said() }}</tm-notice>
      }
      <form [formGroup]="form()" (ngSubmit)="keep()">
        <tm-typed-back [edited]="edited" />
        <tm-form-faults [faults]="faults()" [tries]="edited.tries()" />
        <div class="fields">
          <tm-field for="shop-name" label="Name" hint="As paper and records name it." [control]="form().controls.name">
            <input nz-input id="shop-name" formControlName="name" autocomplete="organization" />
          </tm-field>
          <tm-field
            for="shop-zone"
            label="Time zone"
            hint="Its days begin and end documents, calibrations and qualifications."
            [control]="form().controls.zone"
          >
            <tm-select selectId="shop-zone" [options]="zones" formControlName="zone" />
          </tm-field>
          <tm-field
            for="shop-grades"
            label="Grades of work"
            hint="Parted by commas, as your limit tables name them. Left empty, any name may be typed."
            [control]="form().controls.grades"
          >
            <input nz-input id="shop-grades" formControlName="grades" autocomplete="off" />
          </tm-field>
        </div>
        <h2>Numbers and days</h2>
        <div class="fields">
          <tm-field for="shop-force" label="Forces in" hint="A station may set another unit for itself.">
            <tm-select selectId="shop-force" [options]="forces" formControlName="forceUnit" />
          </tm-field>
          <tm-field
            for="shop-force-decimals"
            label="Decimals of a force"
            hint="More where the limit would read like the other verdict. Sentences on record have one."
          >
            <tm-select selectId="shop-force-decimals" [options]="decimals" formControlName="forceDecimals" />
          </tm-field>
          <tm-field for="shop-length" label="Strip lengths in" hint="Millimetres stand beside inches.">
            <tm-select selectId="shop-length" [options]="lengths" formControlName="lengthShown" />
          </tm-field>
          <tm-field for="shop-length-decimals" label="Decimals of a strip length" hint="In millimetres.">
            <tm-select selectId="shop-length-decimals" [options]="lengthDecimals" formControlName="lengthDecimals" />
          </tm-field>
          <tm-field for="shop-language" label="Days and times in" [hint]="sample()">
            <tm-select selectId="shop-language" [options]="languages" formControlName="language" />
          </tm-field>
          <tm-field for="shop-paper" label="Paper" hint="What a sheet is drawn for until another is chosen.">
            <tm-select selectId="shop-paper" [options]="papers" formControlName="paper" />
          </tm-field>
        </div>
        <h2>Stations</h2>
        <div class="fields">
          <tm-field
            for="shop-idle"
            label="Lock a station after"
            hint="Minutes without a key, a touch or a reading; what is on the screen stays. Left empty: never."
            [control]="form().controls.idleMinutes"
          >
            <input nz-input id="shop-idle" formControlName="idleMinutes" inputmode="numeric" autocomplete="off" />
          </tm-field>
        </div>
        <p class="acts">
          <button nz-button nzType="primary" class="bench-button" type="submit">Keep it</button>
        </p>
      </form>
      <section aria-labelledby="logo">
        <h2 id="logo">Logo on paper</h2>
        <p class="soft">On set-up sheets and certificates, up to 40 by 14 mm, on white.</p>
        @if (refusal(); as text) {
          <tm-notice kind="bad">{{ text }}</tm-notice>
        }
        @if (logo(); as digest) {
          <img [src]="'/api/shop/logo?' + digest" alt="The logo as it is printed" />
        }
        <p class="acts">
          <tm-file-button accept="image/png,image/jpeg,image/webp" (file)="send($event)">{{
            logo() ? 'Choose another picture' : 'Choose a picture'
          }}</tm-file-button>
          @if (logo()) {
            <button nz-button type="button" (click)="takeOff()">Take it off</button>
          }
        </p>
      </section>
      <tm-whole-shop />
    </div>
  `,
  styleUrl: '../documents/draft.less',
  styles: `
    .fields {
      display: grid;
      gap: 16px 24px;
      grid-template-columns: repeat(auto-fill, minmax(min(270px, 100%), 1fr));
    }
    h2 {
      margin-top: 8px;
    }
    tm-select {
      width: 100%;
    }
    .ant-input {
      min-height: 46px;
    }
    section {
      margin-top: 22px;
    }
    section .acts {
      border: 0;
      background: none;
      position: static;
    }
    img {
      background: #fff;
      border: 1px solid var(--line);
      display: block;
      margin-top: 8px;
      max-height: 84px;
      max-width: 240px;
      padding: 6px;
    }
  `,
})
export class ShopPage {
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly shop = this.store.selectSignal(sessionFeature.selectShop);
  protected readonly zones = same([
    ...new Set(['UTC', this.shop()?.zone ?? 'UTC', ...Intl.supportedValuesOf('timeZone')]),
  ]);
  protected readonly forces = same(FORCE_UNITS);
  protected readonly decimals = same(['0', '1', '2', '3']);
  protected readonly lengths = same(LENGTH_SHOWN, (value) => LENGTHS[value]);
  protected readonly lengthDecimals = same(['1', '2', '3']);
  protected readonly papers = same(PAPERS);
  private readonly names = new Intl.DisplayNames('en', { type: 'language' });
  protected readonly languages = same(LANGUAGES, (value) => this.names.of(value) ?? value);
  protected readonly logo = computed(() => this.shop()?.logo ?? null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly said = signal('');
  protected readonly refusal = signal('');
  protected readonly edited = injectEditedForm(() => {
    const shop = this.shop();
    if (!shop) throw new Error('a shop is open before its pages are');
    return { form: shopForm(shop), place: 'shop', over: { ...shop, logo: null } };
  });
  protected readonly form = this.edited.form;
  protected readonly sample = computed(() => {
    this.edited.changes();
    const { language, zone } = this.form().getRawValue();
    return `So: ${showDay(SAMPLE.slice(0, 10), language)}, ${showMoment(SAMPLE, zone, language)}.`;
  });
  protected readonly faults = computed<FormFault[]>(() => {
    this.edited.changes();
    if (!this.edited.tries()) return [];
    return Object.entries(this.form().controls).flatMap(([key, control]) => {
      const text = faultOf(control);
      return text ? [{ field: `shop-${key === 'idleMinutes' ? 'idle' : key}`, label: LABELS[key] ?? key, text }] : [];
    });
  });

  protected async keep(): Promise<void> {
    const form = this.form();
    form.markAllAsTouched();
    this.edited.tried();
    this.said.set('');
    if (form.invalid) return;
    await this.attempt(this.api.changeShop(shopChange(form)), 'Kept. Every station has it at once.', () => {
      this.edited.memory().forget();
    });
  }

  protected async send(file: File): Promise<void> {
    if (file.size > MOST_LOGO) {
      this.refusal.set(
        `The picture is larger than ${MOST_LOGO / 1024 / 1024} MB. Save it smaller and choose it again.`,
      );
      return;
    }
    this.refusal.set('');
    await this.attempt(this.api.putLogo(file), 'The logo stands on paper from now on.');
  }

  protected async takeOff(): Promise<void> {
    await this.attempt(this.api.removeLogo(), 'Paper has no logo any more.');
  }

  private async attempt(work: Promise<Here>, said: string, then: () => void = () => undefined): Promise<void> {
    try {
      const here = await work;
      then();
      this.problem.set(null);
      this.said.set(said);
      this.store.dispatch(sessionActions.arrived({ here }));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
