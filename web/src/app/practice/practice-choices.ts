import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { CHOICES, strandDamageText, type Practice } from '@tug-mark/core';
import { NzTableModule } from 'ng-zorro-antd/table';

type ChoiceKey = (typeof CHOICES)[number]['key'];

/** Every choice of a profile with what it does and why practitioners disagree, beside those of another. */
@Component({
  selector: 'tm-practice-choices',
  imports: [NzTableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Choices</h2>
    <div class="scroll" tabindex="0" role="region" aria-label="Choices">
      <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
        <thead>
          <tr>
            <th scope="col">Choice</th>
            <th scope="col">{{ practice().label }}</th>
            @if (other()) {
              <th scope="col">{{ other()!.label }}</th>
            }
            <th scope="col">Why practitioners disagree</th>
          </tr>
        </thead>
        <tbody>
          @for (choice of choices; track choice.key) {
            <tr [class.changed]="other() && other()![choice.key] !== practice()[choice.key]">
              <th scope="row">{{ choice.title }}</th>
              <td>
                {{ name(choice.key, practice())
                }}<span class="soft effect">{{ effectOf(choice.key, practice()) }}</span>
              </td>
              @if (other(); as o) {
                <td>
                  {{ name(choice.key, o) }}<span class="soft effect">{{ effectOf(choice.key, o) }}</span>
                </td>
              }
              <td class="soft">{{ choice.why }}</td>
            </tr>
          }
          @for (line of numbers(); track line.title) {
            <tr [class.changed]="other() && line.a !== line.b">
              <th scope="row">{{ line.title }}</th>
              <td class="figures">{{ line.a }}</td>
              @if (other()) {
                <td class="figures">{{ line.b }}</td>
              }
              <td></td>
            </tr>
          }
        </tbody>
      </nz-table>
    </div>
  `,
  styleUrls: ['../parts/compare.less', './practice-table.less'],
})
export class PracticeChoices {
  readonly practice = input.required<Practice>();
  readonly other = input<Practice | null>(null);
  protected readonly choices = CHOICES;

  protected readonly numbers = computed(() => {
    const other = this.other();
    const second = other ? numbersOf(other) : [];
    return numbersOf(this.practice()).map(([title, words], i) => ({ title, a: words, b: second[i]?.[1] ?? '' }));
  });

  protected name(key: ChoiceKey, practice: Practice): string {
    return schoolOf(key, practice)?.title ?? String(practice[key]);
  }
  protected effectOf(key: ChoiceKey, practice: Practice): string {
    return schoolOf(key, practice)?.effect ?? '';
  }
}

function schoolOf(key: ChoiceKey, practice: Practice) {
  return CHOICES.find((choice) => choice.key === key)?.schools.find((school) => school.value === practice[key]);
}

/** The numbers of a profile, each with its title. */
function numbersOf(p: Practice): (readonly [title: string, words: string])[] {
  return [
    ['fixed brush', `${p.brushFixed} mm`],
    ['insulation edge between grips', `${p.windowShare.min}–${p.windowShare.max} of the window`],
    ['bare wire behind a lug', `up to ${p.lugBare} mm`],
    ['strands that may be hurt', strandDamageText(p.strandDamage)],
    [
      'tensile strength',
      `copper ${p.tensileCopper}, high-strength ${p.tensileHighStrength}, aluminium ${p.tensileAluminium} N/mm²`,
    ],
    ['edge band', `${(p.edgeBand * 100).toFixed(0)} %`],
    ['set-up pieces', `${p.setUpPieces}, ${p.measuredPieces} of them measured`],
    ['group judgement', `${(p.coverage * 100).toFixed(1)} % hold, ${(p.confidence * 100).toFixed(0)} % sure`],
    ['limits released by', p.secondPersonReleases ? 'a second person' : 'anyone of quality'],
  ];
}
