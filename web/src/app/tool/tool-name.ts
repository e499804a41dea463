import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { type ToolCandidate } from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { showDay, showTime } from '../parts/show-time';

const STATES = { ready: 'pass', 'check-due': 'hold', refused: 'fail' } as const;

/** A tool with die and nest: the mark it leaves, what has to be set on it, and how it stands. */
@Component({
  selector: 'tm-tool-name',
  imports: [Mark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let c = candidate();
    <tm-mark [state]="states[c.state.state]" [size]="20" />
    <div>
      <h2>{{ c.tool.label }}, {{ c.die.label }}, nest {{ c.nest.label }}</h2>
      <p class="figures">
        mark to verify: <strong>{{ c.nest.mark }}</strong> · {{ c.tool.kind }} · <span>{{ c.nest.profile }}</span> ·
        <span>{{ c.nest.area.min }}–{{ c.nest.area.max }} mm²</span>
      </p>
      @if (settings(); as set) {
        <p class="figures">
          set: <strong>{{ set }}</strong>
        </p>
      }
      <p class="soft">
        <span
          >last check:
          {{ c.state.lastCheck ? time(c.state.lastCheck.at) + ' by ' + c.state.lastCheck.by : 'none' }}</span
        >
        · <span>calibrated to {{ day(c.tool.calibrationUntil) }}</span> ·
        <span>{{ c.tool.cycles }} of {{ c.tool.cycleLimit }} cycles</span>
      </p>
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 12px;
      grid-template-columns: 20px 1fr;
    }
    span {
      white-space: nowrap;
    }
    @media (max-width: 700px) {
      span {
        white-space: normal;
      }
    }
  `,
})
export class ToolName {
  readonly candidate = input.required<ToolCandidate>();
  protected readonly states = STATES;
  protected readonly time = showTime;
  protected readonly day = showDay;

  /** What has to be set on the tool, in words; empty where nothing has. */
  protected readonly settings = computed(() => {
    const { setting, positioner, insulationPosition } = this.candidate();
    return [
      setting === null ? '' : `selector ${setting}`,
      positioner?.label ?? '',
      insulationPosition === null ? '' : `insulation ${insulationPosition}`,
    ]
      .filter((word) => word !== '')
      .join(', ');
  });
}
