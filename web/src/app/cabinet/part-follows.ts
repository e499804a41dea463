import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { capital, familyName, FAMILIES, type CatalogueKind, type PartRead } from '@tug-mark/core';
import { PartEffect } from './part-effect';
import { TerminalDrawingView } from './terminal-drawing';
import { WhatWire } from './what-wire';

/** What stands beside the fields of a terminal or a wire: its drawing to touch, what follows from it, and what a wire may be. */
@Component({
  selector: 'tm-part-follows',
  imports: [PartEffect, TerminalDrawingView, WhatWire],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (kind() === 'terminal') {
      <p class="soft">
        {{ family() }}.
        <button class="link" type="button" (click)="wanted.emit('family')">Another family</button>
      </p>
      <tm-terminal-drawing [cells]="cells()" [focused]="focused()" (touched)="wanted.emit($event)" />
    }
    <tm-part-effect [kind]="kind()" [read]="read()" [cells]="cells()" />
    @if (kind() === 'wire') {
      <tm-what-wire (taken)="filled.emit($event)" />
    }
  `,
  styles: `
    :host {
      align-content: start;
      display: grid;
      gap: 14px;
    }
  `,
})
export class PartFollows {
  readonly kind = input.required<CatalogueKind>();
  readonly cells = input.required<Readonly<Record<string, string>>>();
  readonly read = input.required<PartRead<CatalogueKind>>();
  /** Id of the field that has the focus; empty for none. */
  readonly focused = input.required<string>();
  /** Path of a field somebody wants to type into. */
  readonly wanted = output<string>();
  readonly filled = output<Readonly<Record<string, string>>>();
  protected readonly family = computed(() => {
    const family = FAMILIES.find((each) => each === this.cells()['family']);
    return family ? capital(familyName(family)) : '';
  });
}
