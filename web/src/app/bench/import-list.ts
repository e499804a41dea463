import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Problem } from '@tug-mark/contract';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';
import { valueOf } from '../parts/value-of';

/** What the server takes; larger files are refused here already, before a minute of sending. */
const MOST_BYTES = 16 * 1024 * 1024;

/** Takes a wire list from a file, whole or not at all, and shows what is wrong by row and column. */
@Component({
  selector: 'tm-import-list',
  imports: [NzButtonModule, NzInputModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="send($event)" (dragover)="$event.preventDefault()" (drop)="drop($event)">
      <h2>A wire list from a CSV file</h2>
      <p class="soft">
        Columns by their headers, in any order: wire id, wire part, length (mm, or in), terminal a, terminal b,
        quantity; if you have them, place (dry or wet), stud a, stud b, place temperature, current, voltage, and joint
        a, joint b where wires share a barrel. Write - where an end gets no terminal.
      </p>
      <div class="row">
        <div class="field">
          <label for="list-file">File</label>
          <input id="list-file" type="file" accept=".csv,.txt,text/csv" (change)="choose($event)" />
        </div>
        <div class="field">
          <label for="list-name">Name of the list</label>
          <input nz-input id="list-name" maxlength="60" [value]="name()" (input)="name.set(value($event))" />
        </div>
        <div class="field class">
          <label for="list-class">Class</label>
          <input nz-input id="list-class" maxlength="40" [value]="className()" (input)="className.set(value($event))" />
        </div>
        <div class="field">
          <label for="list-customer">Customer, if any</label>
          <input
            nz-input
            id="list-customer"
            maxlength="80"
            [value]="customer()"
            (input)="customer.set(value($event))"
          />
        </div>
        <button nz-button nzType="primary" class="bench-button" type="submit" [disabled]="busy()">
          {{ busy() ? 'Reading ...' : 'Import' }}
        </button>
        @if (isDemo()) {
          <button nz-button class="bench-button" type="button" (click)="useDemo()">Take the demo's sprayer loom</button>
        }
      </div>
      @if (file(); as chosen) {
        <p class="soft">{{ chosen.name }}, {{ size(chosen.size) }}</p>
      }
      @if (hint()) {
        <p class="wrong" role="alert">{{ hint() }}</p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
    </form>
  `,
  styles: `
    form {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 10px;
      margin-bottom: 16px;
      padding: 16px 18px;
    }
    .row {
      align-items: end;
      display: flex;
      flex-wrap: wrap;
      gap: 14px;
    }
    input[type='file'] {
      font: inherit;
      padding: 8px 0;
    }
    .row .ant-input {
      min-height: 46px;
    }
    .class {
      width: 80px;
    }
  `,
})
export class ImportList {
  protected readonly value = valueOf;
  private readonly api = inject(Api);
  private readonly shop = inject(Store).selectSignal(sessionFeature.selectShop);
  readonly done = output<string>();
  protected readonly isDemo = () => this.shop()?.isDemo ?? false;
  protected readonly file = signal<File | null>(null);
  protected readonly name = signal('');
  protected readonly className = signal('2');
  protected readonly customer = signal('');
  protected readonly busy = signal(false);
  protected readonly hint = signal('');
  protected readonly problem = signal<Problem | null>(null);
  /** One id per choice of file, so that a second press of Import keeps it once. */
  private id = timeOrderedId();

  protected choose(event: Event): void {
    this.take((event.target as HTMLInputElement).files?.[0] ?? null);
  }

  protected drop(event: DragEvent): void {
    event.preventDefault();
    this.take(event.dataTransfer?.files[0] ?? null);
  }

  protected async useDemo(): Promise<void> {
    try {
      this.take(new File([await this.api.demoWireList()], 'sprayer-loom.csv'));
      this.name.set('Sprayer loom');
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  private take(file: File | null): void {
    this.file.set(file);
    this.id = timeOrderedId();
    this.hint.set('');
    this.problem.set(null);
    if (file && !this.name()) this.name.set(file.name.replace(/\.[^.]*$/, '').slice(0, 60));
  }

  protected async send(event: Event): Promise<void> {
    event.preventDefault();
    const file = this.file();
    this.problem.set(null);
    this.hint.set(
      !file
        ? 'Choose a file first.'
        : file.size > MOST_BYTES
          ? `${file.name} has ${this.size(file.size)}; at most ${this.size(MOST_BYTES)} are read. A wire list of 20,000 wires is about 2 MB: is it the right file?`
          : !this.name().trim()
            ? 'Give the list a name.'
            : '',
    );
    if (!file || this.hint()) return;
    this.busy.set(true);
    try {
      const kept = await this.api.importWireList(
        this.id,
        this.name().trim(),
        this.className().trim() || '2',
        this.customer().trim(),
        file,
      );
      this.done.emit(
        `${kept.name}: ${kept.wires} wires became ${kept.combinations} combinations with ${kept.pieces} pieces.`,
      );
    } catch (error) {
      this.problem.set(toProblem(error));
      this.id = timeOrderedId();
    }
    this.busy.set(false);
  }

  protected size(bytes: number): string {
    return bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1024 / 1024).toFixed(1)} MB`;
  }
}
