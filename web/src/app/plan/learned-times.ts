import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { familyName, type LearnedTime } from '@tug-mark/core';

/** What pieces took, as the journal knows it: with the spread, and the number it rests on. */
@Component({
  selector: 'tm-learned-times',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Learned from the journal</h2>
    @if (rows().length) {
      <div class="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Family</th>
              <th scope="col">By</th>
              <th scope="col" class="right">Seconds a piece</th>
              <th scope="col" class="right">Spread</th>
              <th scope="col" class="right">Pieces</th>
              <th scope="col">Planned by</th>
            </tr>
          </thead>
          <tbody>
            @for (one of rows(); track one.family + one.means) {
              <tr>
                <th scope="row">{{ one.name }}</th>
                <td>{{ one.means }}</td>
                <td class="right figures">{{ one.seconds.toFixed(1) }}</td>
                <td class="right figures">± {{ one.spread.toFixed(1) }}</td>
                <td class="right figures">{{ one.pieces }}</td>
                <td>
                  {{ one.isEnough ? 'this' : 'the shop’s own number, until there are 30 pieces in 3 stretches' }}
                </td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <p class="soft">
        Median and half the middle spread of the newest pieces, without checks, pauses, breaks and nights.
      </p>
    } @else {
      <p class="soft">
        Nothing yet: times are learned from lots as they are made. Until then the shop’s own numbers count.
      </p>
    }
  `,
  styleUrl: './sheets.less',
})
export class LearnedTimes {
  readonly learned = input.required<readonly LearnedTime[]>();
  protected readonly rows = computed(() => this.learned().map((one) => ({ ...one, name: familyName(one.family) })));
}
