import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { familyName, LEARNED_STEPS, type LearnedStep, type LearnedTime } from '@tug-mark/core';

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
              <th scope="col">Step</th>
              <th scope="col" class="right">Median</th>
              <th scope="col" class="right">Spread</th>
              <th scope="col" class="right">Rests on</th>
              <th scope="col">Planned by</th>
            </tr>
          </thead>
          <tbody>
            @for (one of rows(); track one.key) {
              <tr>
                <th scope="row">{{ one.name }}</th>
                <td>{{ one.means }}</td>
                <td>{{ one.step }}</td>
                <td class="right figures">{{ one.median }}</td>
                <td class="right figures">± {{ one.spread }}</td>
                <td class="right figures">{{ one.restsOn }}</td>
                <td>{{ one.plannedBy }}</td>
              </tr>
            }
          </tbody>
        </table>
      </div>
      <p class="soft">
        Median and half the middle spread of the newest, without pauses, breaks and nights. A piece is without its
        checks; a set-up goes from the tool taken to the last sample, a check from the first thing noted of a piece to
        its pull: what it took before that is in the seconds of the pieces.
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
  readonly steps = input.required<readonly LearnedStep[]>();
  protected readonly rows = computed(() =>
    [...this.learned().map(pieceRow), ...this.steps().map(stepRow)].sort(
      (a, b) => a.name.localeCompare(b.name) || a.means.localeCompare(b.means) || a.rank - b.rank,
    ),
  );
}

interface Row {
  readonly key: string;
  readonly name: string;
  readonly means: string;
  readonly rank: number;
  readonly step: string;
  readonly median: string;
  readonly spread: string;
  readonly restsOn: string;
  readonly plannedBy: string;
}

function pieceRow({ family, means, seconds, spread, pieces, isEnough }: LearnedTime): Row {
  return {
    ...{ key: `${family} ${means} piece`, name: familyName(family), means, rank: 0, step: 'one piece' },
    ...{ median: `${seconds.toFixed(1)} s`, spread: spread.toFixed(1), restsOn: `${pieces} pieces` },
    plannedBy: isEnough ? 'this' : 'the shop’s own number, until there are 30 pieces in 3 stretches',
  };
}

const STEP_NAMES: Readonly<Record<LearnedStep['step'], string>> = {
  'set-up': 'set-up and samples',
  check: 'check of a piece',
  release: 'wait and release',
};

function stepRow({ family, means, step, minutes, spread, times, isEnough }: LearnedStep): Row {
  // What takes less than a minute is told in seconds.
  const [per, unit] = minutes < 1 ? [60, 's'] : [1, 'min'];
  return {
    ...{ key: `${family} ${means} ${step}`, name: familyName(family), means, rank: 1 + LEARNED_STEPS.indexOf(step) },
    ...{ step: STEP_NAMES[step], median: `${(minutes * per).toFixed(1)} ${unit}`, spread: (spread * per).toFixed(1) },
    restsOn: times === 1 ? 'once' : `${times} times`,
    plannedBy:
      step === 'release'
        ? 'the shop’s own number, and the hours of quality: how long it waited is in this one'
        : isEnough
          ? 'this'
          : 'the shop’s own number, until it was done 3 times',
  };
}
