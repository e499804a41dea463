import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  input,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Problem } from '@tug-mark/contract';
import { ofEnd, VIEWS, type End, type EntryBody, type View } from '@tug-mark/core';
import { Store } from '@ngrx/store';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import { Api, ApiProblem, toProblem } from '../http/api';
import { timeOrderedId } from '../http/uuid';
import { outboxFeature } from '../outbox/outbox.state';
import { FileButton } from '../parts/file-button';
import { ProblemNotice } from '../parts/problem-notice';
import { Select } from '../parts/select';

/** What may be sent; the server decides, this only spares the wait. */
const MOST_BYTES = 16 * 1024 * 1024;
type PhotoEntry = Extract<EntryBody, { kind: 'photo' }>;
/** Stands in an entry until the server has the picture: it writes it again, and says what it wrote. */
const NO_DIGEST = '0'.repeat(64);

/** Photographs of one piece: from a file, the camera or the clipboard; each opens to be measured. */
@Component({
  selector: 'tm-piece-photos',
  imports: [RouterLink, NzButtonModule, FileButton, ProblemNotice, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:paste)': 'paste($event)' },
  template: `
    <section aria-labelledby="photos-head">
      <h2 id="photos-head">Photographs of piece {{ piece() }}</h2>
      <div class="row">
        @for (photo of photos(); track photo.id) {
          <a [routerLink]="address(photo)" class="photo">
            <img
              [src]="small(photo.body.photo.id)"
              [alt]="'Piece ' + piece() + ', ' + shownAs(photo)"
              width="112"
              height="84"
            />
            <span>{{ shownAs(photo) }}{{ unsent().has(photo.body.photo.id) ? ', waits for the server' : '' }}</span>
          </a>
        }
        <div class="add">
          <label for="photo-shows">Shows it</label>
          <tm-select
            selectId="photo-shows"
            [options]="views"
            [value]="shows() ?? view()"
            (valueChange)="shows.set(viewOf($event))"
          />
          @if (hand.setUp()?.other) {
            <label for="photo-end">of</label>
            <tm-select
              selectId="photo-end"
              [options]="ends"
              [value]="end() === 2 ? '2' : '1'"
              (valueChange)="end.set($event === '2' ? 2 : 1)"
            />
          }
          <tm-file-button #photo accept="image/jpeg,image/png,image/webp" (file)="send($event)"
            >Add a photograph <kbd>P</kbd></tm-file-button
          >
          <tm-file-button accept="image/*" [camera]="true" (file)="send($event)">Camera</tm-file-button>
        </div>
      </div>
      @if (sending()) {
        <p role="status">Sending the photograph ...</p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
        @if (waiting()) {
          <p><button nz-button type="button" (click)="again()">Try again</button> It is still here.</p>
        }
      }
    </section>
  `,
  styles: `
    h2 {
      font-size: 16px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
    }
    .photo {
      color: var(--ink);
      display: grid;
      font-size: 14px;
      min-height: 44px;
    }
    .photo img {
      background: var(--shade);
      border: 1px solid var(--line);
      object-fit: cover;
    }
    .add {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 6px 10px;
    }
  `,
})
export class PiecePhotos {
  protected readonly hand = inject(Hand);
  private readonly api = inject(Api);
  private readonly outbox = inject(Store).selectSignal(outboxFeature.selectItems);
  private readonly addresses = new Map<Blob, string>();
  readonly piece = input.required<number>();
  readonly lot = input.required<number | null>();
  readonly view = input.required<View>();
  /** The end of a splice that is looked at. */
  readonly at = input<End>(1);
  protected readonly end = linkedSignal(() => this.at());
  protected readonly ends = [
    { value: '1', label: 'end 1' },
    { value: '2', label: 'end 2' },
  ];
  protected readonly views = VIEWS.map((value) => ({ value, label: value }));
  private readonly photo = viewChild<FileButton>('photo');
  protected readonly shows = signal<View | null>(null);
  protected readonly sending = signal(false);
  protected readonly problem = signal<Problem | null>(null);
  /** A picture that could not be sent: nothing chosen is lost. */
  protected readonly waiting = signal<Blob | null>(null);
  /** Pictures that wait on this device, by the id of their photograph. */
  protected readonly unsent = computed(() => {
    const found = new Map<string, string>();
    for (const { entry, photo } of this.outbox())
      if (photo && entry.body.kind === 'photo') found.set(entry.body.photo.id, this.addressOf(photo));
    return found;
  });
  private readonly id = computed(() => this.hand.view()?.combination.id ?? '');
  protected readonly photos = computed(() => {
    const lot = this.lot();
    const all = lot === null ? this.hand.of('photo') : this.hand.ofLot(lot, 'photo');
    return all.filter((e) => e.body.piece === this.piece());
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      for (const address of this.addresses.values()) URL.revokeObjectURL(address);
    });
  }

  private addressOf(photo: Blob): string {
    const known = this.addresses.get(photo) ?? URL.createObjectURL(photo);
    this.addresses.set(photo, known);
    return known;
  }

  protected shownAs({ body }: { readonly body: { readonly shows: View; readonly end?: 2 | undefined } }): string {
    return body.end ? `end 2, ${body.shows}` : body.shows;
  }

  protected viewOf(text: string | null): View {
    return VIEWS.find((v) => v === text) ?? 'from the side';
  }

  /** Asks for a photograph, as a key of the screen does. */
  open(): void {
    this.photo()?.open();
  }

  protected small(photo: string): string {
    const waiting = this.unsent().get(photo);
    if (waiting) return waiting;
    return `/api/combinations/${this.id()}/photos/${photo}/small`;
  }

  protected address(photo: { body: { photo: { id: string }; shows: View } }): unknown[] {
    return [photo.body.shows === 'section' ? '/sections' : '/photos', this.id(), photo.body.photo.id];
  }

  protected paste(event: ClipboardEvent): void {
    const file = [...(event.clipboardData?.files ?? [])].find((f) => f.type.startsWith('image/'));
    if (!file) return;
    event.preventDefault();
    void this.send(file);
  }

  protected again(): void {
    const file = this.waiting();
    if (file) void this.send(file);
  }

  /** The server is silent: the picture waits on this device with its entry, and both are sent by themselves. */
  private keepHere(file: Blob, about: Omit<PhotoEntry, 'photo'>): void {
    const photo = { id: timeOrderedId(), digest: NO_DIGEST };
    const refusal = this.hand.put({ ...about, photo }, null, { photo: file });
    this.waiting.set(refusal ? file : null);
    this.tell(refusal);
  }

  private tell(refusal: { readonly code: string; readonly text: string } | null): void {
    if (refusal)
      this.problem.set({ type: 'about:blank', status: 422, code: refusal.code, title: refusal.text, detail: '' });
  }

  protected async send(file: Blob): Promise<void> {
    if (file.size > MOST_BYTES) {
      this.problem.set({
        type: 'about:blank',
        status: 422,
        code: 'photo-too-heavy',
        title: `The file has ${(file.size / 1024 / 1024).toFixed(1)} MB; 16 MB is the most.`,
        detail: 'Save it with a little less quality, or take only the part that shows the piece.',
      });
      return;
    }
    this.sending.set(true);
    this.problem.set(null);
    const lot = this.lot();
    const about: Omit<PhotoEntry, 'photo'> = {
      ...{ kind: 'photo', piece: this.piece(), shows: this.shows() ?? this.view(), note: '' },
      ...(this.hand.setUp()?.other && ofEnd(this.end())),
      ...(lot !== null && { lot }),
    };
    try {
      const { id, digest } = await this.api.putPhoto(this.id(), timeOrderedId(Date.now()), file);
      this.waiting.set(null);
      this.tell(this.hand.put({ ...about, photo: { id, digest } }));
    } catch (error) {
      const problem = toProblem(error);
      if (error instanceof ApiProblem && error.isOffline) {
        this.keepHere(file, about);
        return;
      }
      this.problem.set(problem);
      // Refused for what it is, another try would not help; not sent, it waits here.
      this.waiting.set(problem.status === 422 ? null : file);
    } finally {
      this.sending.set(false);
    }
  }
}
