import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { showRange, strandDamage, strandDamageSaid, wireName, type Range } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { TermHelp } from '../glossary/term';
import { Hand } from '../hand/hand';
import { Lengths } from '../parts/lengths';
import { LoomWires } from '../parts/loom-wires';
import { focusMeasure, Measures } from '../parts/measures';
import { Reasons } from '../parts/reasons';
import { SideViewDrawing } from '../parts/side-view';
import { StripRuler } from '../parts/strip-ruler';
import { Keys } from '../shell/keys';
import { Retermination } from './retermination';
import { TubeChooser } from './tube-chooser';

/** How is the wire end made? */
@Component({
  selector: 'tm-prepare-stage',
  imports: [
    ...[NzButtonModule, SideViewDrawing, StripRuler, Reasons, Measures],
    ...[LoomWires, TubeChooser, Retermination, TermHelp],
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (hand.view(); as view) {
      @if (preparation(); as p) {
        <div class="head">
          <h1>{{ headline() }}</h1>
          <p class="why">{{ why() }}</p>
        </div>
        <div class="sides">
          <tm-side-view
            [terminal]="view.terminal"
            [wire]="view.wire"
            [strip]="p.strip"
            [other]="other()"
            [width]="620"
          />
          <div>
            <dl class="facts">
              <dt><tm-term of="set point" /></dt>
              <dd>
                {{ p.strip.setPoint === null ? 'none' : lengths.say(p.strip.setPoint) }}
                <button nz-button class="quiet" type="button" (click)="lengths.turn()">
                  {{ lengths.shown() === 'mm' ? 'in inches' : lengths.shown() === 'in' ? 'in 64ths' : 'in mm alone' }}
                </button>
              </dd>
              <dt><tm-term of="strip window">window</tm-term></dt>
              <dd>{{ range(p.strip.window) }}</dd>
              @if (p.strip.kind === 'positioned') {
                <dt><tm-term of="insulation edge" /></dt>
                <dd>{{ band(p.strip.position) }} <span class="soft">behind the barrel</span></dd>
              }
              @if (p.strip.bySheet) {
                <dt>from its dimensions</dt>
                <dd>{{ range(p.strip.computed) }} <span class="soft">the sheet’s own length is taken</span></dd>
              }
              <dt>guard band</dt>
              <dd>
                {{ range(p.strip.guard) }} <span class="soft">± {{ p.stripper.repeatability }} mm off each side</span>
              </dd>
              <dt>stripper</dt>
              <dd>{{ p.stripper.label }}</dd>
              <dt><tm-term of="notch" /></dt>
              <dd>
                {{
                  p.notch.notch
                    ? p.notch.notch.label + ', bore ' + p.notch.notch.bore + ' mm, ' + p.notch.notch.for
                    : 'none'
                }}
              </dd>
              <dt>strands hurt</dt>
              <dd>{{ damage() }}</dd>
              <dt>slide on first</dt>
              <dd>
                @for (item of view.terminal.slideOn; track item.part) {
                  {{ item.part }} {{ item.label }}, {{ item.length }} mm{{ item.wayRound ? '; ' + item.wayRound : '' }}
                } @empty {
                  nothing
                }
              </dd>
            </dl>
          </div>
        </div>
        <tm-strip-ruler [strip]="p.strip" [of]="other() ? 'End 1' : ''" />
        @if (other()?.preparation?.strip; as strip) {
          <tm-strip-ruler [strip]="strip" of="End 2" />
        }
        <tm-measures />
        <tm-reasons [reasons]="notes()" />
        @if (view.loom.length) {
          <details [open]="hasCovers()">
            <summary>Both ends of these wires</summary>
            <tm-loom-wires [wires]="view.loom" />
          </details>
        }
        <details>
          <summary>Which shrink tube, if the joint gets one</summary>
          <tm-tube-chooser
            [terminal]="view.terminal"
            [wire]="view.wire"
            [tubes]="view.coverings"
            [practice]="view.practice"
            [wet]="view.combination.place === 'wet'"
          />
        </details>
        <details>
          <summary>How often it can be cut off and made again</summary>
          @if (hand.setUp()?.lost; as lost) {
            <tm-retermination [lost]="lost" />
          }
        </details>
        <div class="foot">
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="next()">Go on to Tool</button>
          <span class="keys"><kbd>Enter</kbd> go on</span>
        </div>
      } @else {
        <h1>The shop has no stripper on record.</h1>
        <p>An engineer brings one in with a shop file, under Cabinet.</p>
      }
    }
  `,
  styleUrl: '../parts/stage.less',
  styles: `
    details > *:not(summary) {
      border: 1px solid var(--line);
      margin-top: 6px;
      padding: 12px 14px;
    }
    summary {
      cursor: pointer;
      min-height: 30px;
    }
    .sides {
      align-items: start;
      display: grid;
      gap: 24px;
      grid-template-columns: minmax(0, 1.6fr) minmax(250px, 1fr);
    }
    @media (max-width: 1100px) {
      .sides {
        grid-template-columns: minmax(0, 1.3fr) minmax(230px, 1fr);
      }
    }
    @media (max-width: 860px) {
      .sides {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class PrepareStage {
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  protected readonly lengths = inject(Lengths);
  protected readonly preparation = computed(() => this.hand.setUp()?.preparation ?? null);
  /** The second end of a splice. */
  /** Whether anything is slid on at either end: then the order of the ends matters. */
  protected readonly hasCovers = computed(() =>
    (this.hand.view()?.loom ?? []).some(({ steps }) => steps.some(({ does }) => does !== 'crimp')),
  );
  protected readonly other = computed(() => this.hand.setUp()?.other ?? null);
  protected readonly headline = computed(() => {
    const p = this.preparation();
    if (!p || p.strip.setPoint === null) return 'No strip length can be set.';
    const edge =
      p.strip.kind === 'positioned' ? `, insulation edge ${this.band(p.strip.position)} behind the barrel` : '';
    const wires = this.hand.setUp()?.wires ?? [];
    const others = wires
      .slice(1)
      .map((own) => `; ${wireName(own, wires)}: ${own.preparation?.strip.setPoint ?? 'no'} mm`);
    return `Strip ${p.strip.setPoint} mm${edge}${others.join('')}.`;
  });
  protected readonly why = computed(() => {
    const p = this.preparation();
    if (!p) return '';
    const bad = [...p.strip.reasons, p.notch.reason].find((r) => r.weight === 'bad');
    if (bad) return bad.text;
    const mind = p.strip.kind === 'positioned' ? ', with the edge in that band and nowhere else' : '';
    const by = p.strip.bySheet ? ' by the terminal’s sheet' : '';
    return `${this.range(p.strip.window)} is good${by}${mind}. Set ${p.stripper.label} to it, notch ${p.notch.notch?.label}; wire centred in the notch, square cut.`;
  });
  /** What is not said above already. */
  protected readonly notes = computed(() => {
    const p = this.preparation();
    const stage = this.hand.judgement()?.stages.find(({ stage: name }) => name === 'prepare');
    const others = stage?.reasons.filter((r) => r.code === 'other-wire') ?? [];
    return p ? [...[...p.strip.reasons, p.notch.reason].filter((r) => r.code !== 'strip-set-point'), ...others] : [];
  });
  protected readonly damage = computed(() => {
    const view = this.hand.view();
    if (!view) return '';
    const { strands } = view.wire.conductor;
    const hurt = strandDamageSaid(strandDamage(strands, view.practice));
    return hurt === '' ? `none of ${strands}, neither nicked nor cut` : `none; still accepted of ${strands}: ${hurt}`;
  });

  constructor() {
    const keys = [
      { key: 'M', does: 'type the measured strip length of the next piece' },
      { key: 'Enter', does: 'go on to Tool' },
    ];
    inject(Keys).use(keys, (key) => {
      if (key.toLowerCase() === 'm') focusMeasure();
      else if (key === 'Enter') this.next();
      else return false;
      return true;
    });
  }

  protected next(): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'tool']);
  }

  /** Where an edge is placed by eye: to a tenth. */
  protected band(range: Range): string {
    return `${showRange(range, 1)} mm`;
  }

  protected range(range: Range | null): string {
    return range ? `${showRange(range, 2)} mm` : 'none';
  }
}
