import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Field } from '../parts/field';
import { Notice } from '../parts/notice';
import { plainNumber } from '../parts/plain-number';
import { Tick } from '../parts/tick';
import { typedText } from '../parts/zod-form';
import { CavityRemoval } from './cavity-removal';
import { ConnectorsStore, ticked } from './connectors.store';

/** The work on one cavity: a contact put in step by step, or taken out again. */
@Component({
  selector: 'tm-cavity-work',
  imports: [Field, Notice, NzButtonModule, NzInputModule, ReactiveFormsModule, CavityRemoval, Tick],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (cavity(); as own) {
      <h2>Cavity {{ own.id }}</h2>
      @if (own.wire; as wire) {
        <p class="figures">{{ wire.terminal }} on {{ wire.wire }}, wire {{ wire.wireId }}</p>
        <p role="status">{{ own.text }}</p>
        @if (!wire.combination) {
          <tm-notice kind="bad">
            The bench has no combination of {{ wire.terminal }} on {{ wire.wire }}: nothing can be kept here.
          </tm-notice>
        } @else if (!wire.contact) {
          <tm-notice kind="bad">
            The sheet of {{ wire.terminal }} says nothing of a cavity. Add how it is released, and its tools, in the
            cabinet.
          </tm-notice>
        } @else if (isFilling() && isLocked()) {
          <p class="soft">Open the lock before a contact is put in.</p>
        } @else if (isFilling()) {
          <ol>
            <li>
              {{ wire.contact.insertionTool ? 'Grip it with ' + wire.contact.insertionTool : 'By hand, on the wire' }},
              straight behind the cavity.
            </li>
            <li>Push straight in until it clicks; no turning.</li>
            <li>Pull back lightly on the wire.</li>
            <li>
              {{ wire.push === null ? 'Push it from the front.' : 'Push it from the front with ' + wire.push + ' N.' }}
            </li>
          </ol>
          <form [formGroup]="fill" (ngSubmit)="keepFilled()">
            <tm-field for="cavity-push" label="Pushed, N">
              <input nz-input id="cavity-push" inputmode="decimal" autocomplete="off" formControlName="push" />
            </tm-field>
            @if (own.seat > 0) {
              <tm-tick formControlName="isNew">a new contact</tm-tick>
            }
            @if (differs()) {
              <p class="wide">Untick what is not so, and say what differs.</p>
              @if (wire.contact.insertionTool) {
                <tm-tick formControlName="byTool">with {{ wire.contact.insertionTool }}</tm-tick>
              }
              <tm-tick formControlName="straight">went in straight</tm-tick>
              <tm-tick formControlName="clicked">clicked</tm-tick>
              <tm-tick formControlName="pulledBack">stayed at a light pull back</tm-tick>
              <tm-tick formControlName="stayed">stayed when pushed</tm-tick>
              <tm-field class="wide" for="cavity-note" label="What differs?">
                <input nz-input id="cavity-note" maxlength="500" autocomplete="off" formControlName="note" />
              </tm-field>
              <button nz-button nzType="primary" class="bench-button" type="submit">Keep it so</button>
              <button nz-button class="bench-button" type="button" (click)="differs.set(false)">Back</button>
            } @else {
              <button nz-button nzType="primary" class="bench-button wide" type="submit">
                In straight, it clicked, and it stayed: cavity {{ own.id }}
              </button>
              <button nz-button class="bench-button" type="button" (click)="differs.set(true)">Not like this</button>
            }
          </form>
        } @else if (isTakingOut() && !isLocked()) {
          <tm-cavity-removal
            [cavity]="own"
            [contact]="wire.contact"
            [combination]="wire.combination"
            (left)="isAsking.set(false)"
          />
        } @else {
          @if (own.state === 'seated') {
            <form [formGroup]="fill" (ngSubmit)="pushAgain()">
              <tm-field for="cavity-push" [label]="'Pushed with ' + wire.push + ' N or more'">
                <input nz-input id="cavity-push" inputmode="decimal" autocomplete="off" formControlName="push" />
              </tm-field>
              <tm-tick formControlName="stayed">stayed when pushed</tm-tick>
              <tm-field for="cavity-note" label="Note">
                <input nz-input id="cavity-note" maxlength="500" autocomplete="off" formControlName="note" />
              </tm-field>
              <button nz-button nzType="primary" class="bench-button" type="submit">Keep the push</button>
            </form>
          }
          @if (own.removals) {
            <p class="soft">
              Taken out {{ own.removals === 1 ? 'once' : own.removals + ' times' }} so far{{ most() }}.
            </p>
          }
          @if (isLocked()) {
            <p class="soft">Open the lock before a contact is taken out.</p>
          } @else {
            <button nz-button class="bench-button" type="button" (click)="isAsking.set(true)">Take it out again</button>
          }
        }
      } @else {
        <p>{{ own.text }}</p>
        @if (own.state === 'loose' && isLocked()) {
          <p class="soft">Open the lock before a contact is taken out.</p>
        } @else if (store.stray(); as stray) {
          <tm-cavity-removal
            [cavity]="own"
            [contact]="stray.contact"
            [combination]="stray.combination"
            [mayStay]="false"
          />
        }
      }
      @if (message()) {
        <tm-notice kind="bad">{{ message() }}</tm-notice>
      }
    }
  `,
  styleUrl: './cavity-form.less',
  styles: `
    ol {
      display: grid;
      gap: 2px;
      list-style: decimal;
      padding-left: 20px;
    }
  `,
})
export class CavityWork {
  protected readonly store = inject(ConnectorsStore);
  protected readonly cavity = this.store.cavity;
  protected readonly fill = new FormGroup({
    ...{ byTool: ticked(), straight: ticked(), clicked: ticked(), pulledBack: ticked(), stayed: ticked() },
    isNew: new FormControl(false, { nonNullable: true }),
    push: typedText(),
    note: typedText(),
  });
  protected readonly message = signal('');
  protected readonly isAsking = signal(false);
  /** Something of the contact is not as it has to be. */
  protected readonly differs = signal(false);
  protected readonly isFilling = computed(() => ['empty', 'out'].includes(this.cavity()?.state ?? ''));
  /** A contact that does not sit right comes out; a good one only when somebody asks for it. */
  protected readonly isTakingOut = computed(() => this.cavity()?.state === 'loose' || this.isAsking());
  protected readonly isLocked = computed(() => ['closed', 'wrong'].includes(this.store.map()?.lock ?? ''));
  protected readonly most = computed(() => {
    const most = this.cavity()?.wire?.contact?.mostRemovals ?? null;
    return most === null ? '' : `; its sheet allows ${most}`;
  });

  constructor() {
    // What was typed belongs to the cavity of this loom as it stands: read again and still the same, it stays.
    const stands = computed(() => {
      const own = this.cavity();
      return JSON.stringify([this.store.at(), own?.id, own?.seat, own?.state, own?.entry]);
    });
    effect(() => {
      stands();
      untracked(() => {
        const own = this.cavity();
        this.isAsking.set(false);
        this.differs.set(false);
        this.message.set('');
        this.fill.reset({ isNew: own?.isSpent ?? false });
      });
    });
  }

  protected async keepFilled(): Promise<void> {
    const own = this.cavity();
    const wire = own?.wire;
    if (!own || !wire?.combination) return;
    const { push, note, byTool, isNew, ...seen } = this.fill.getRawValue();
    const force = push.trim() === '' ? null : plainNumber(push);
    if (push.trim() !== '' && force === null) {
      this.message.set('The push is a number in N, or left out.');
      return;
    }
    const tool = byTool ? wire.contact?.insertionTool : null;
    await this.put(wire.combination, {
      ...{ kind: 'retention', ...this.store.at(), cavity: own.id, ...seen, locked: null, force, note: note.trim() },
      ...(own.seat > 0 && { seat: own.seat + 1 }),
      ...(own.seat > 0 && isNew && { contact: 'new' as const }),
      ...(tool && { tool }),
    });
  }

  /** A push that was missing or too light, made again: it corrects what was kept, which stays on record. */
  protected async pushAgain(): Promise<void> {
    const own = this.cavity();
    const before = this.store.list()?.work.find(({ id }) => id === own?.entry);
    const { push, stayed, note } = this.fill.getRawValue();
    const force = plainNumber(push);
    if (!own?.wire?.combination || before?.body.kind !== 'retention') return;
    if (force === null) {
      this.message.set('The push is a number in N.');
      return;
    }
    const correction = { corrects: before.id, why: 'pushed again' };
    await this.put(own.wire.combination, { ...before.body, force, stayed, note: note.trim() }, correction);
  }

  private async put(...entry: Parameters<ConnectorsStore['put']>): Promise<void> {
    this.message.set('');
    // The next contact is in hand at once: its push is typed next.
    if (await this.store.put(...entry)) setTimeout(() => document.getElementById('cavity-push')?.focus());
  }
}
