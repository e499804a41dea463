import { ChangeDetectionStrategy, Component, effect, inject, untracked } from '@angular/core';
import { CabinetStore } from '../cabinet/cabinet.store';
import { WhatWire } from '../cabinet/what-wire';
import { ProblemNotice } from '../parts/problem-notice';
import { FinderForm } from './finder-form';
import { FinderFound } from './finder-found';
import { FinderStore } from './finder.store';
import { WhichTermination } from './which-termination';

/** Given the wires in the hand and where the joint will be: everything the cabinet can make it with, best first. */
@Component({
  selector: 'tm-finder-page',
  imports: [FinderForm, FinderFound, ProblemNotice, WhatWire, WhichTermination],
  providers: [FinderStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>{{ store.headline() }}</h1>
          <p class="soft">
            {{ store.rests() }}
          </p>
        </div>
      </div>
      @if (cabinet.problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="columns">
        <tm-finder-form #form />
        <div>
          <tm-which-termination (family)="form.choose($event)" />
          <details>
            <summary>What wire is this?</summary>
            <tm-what-wire [isInHand]="true" (picked)="store.add($event)" />
          </details>
          <tm-finder-found />
        </div>
      </div>
    </div>
  `,
  styles: `
    .columns {
      align-items: start;
      display: grid;
      gap: 28px;
      grid-template-columns: minmax(330px, 430px) minmax(0, 1fr);
    }
    summary {
      align-content: center;
      cursor: pointer;
      font-weight: 600;
      min-height: 44px;
    }
    tm-what-wire {
      margin-bottom: 14px;
    }
    @media (max-width: 900px) {
      .columns {
        grid-template-columns: 1fr;
      }
    }
  `,
})
export class FinderPage {
  protected readonly store = inject(FinderStore);
  protected readonly cabinet = inject(CabinetStore);

  constructor() {
    void this.cabinet.load();
    effect(() => {
      this.store.rules();
      this.cabinet.records();
      if (!this.cabinet.loaded()) return;
      untracked(() => void this.store.fill().then(() => this.store.find()));
    });
    effect(() => {
      this.store.query();
      untracked(() => void this.store.find());
    });
  }
}
