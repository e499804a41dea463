import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { DataZoomComponent, GridComponent, MarkLineComponent, TooltipComponent } from 'echarts/components';
import { init, use, type ECharts } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';

use([LineChart, ScatterChart, DataZoomComponent, GridComponent, MarkLineComponent, TooltipComponent, CanvasRenderer]);

/** An ECharts drawing that follows its options, its size and the look of the page. */
@Component({
  selector: 'tm-chart-canvas',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div #place role="img" [attr.aria-label]="label()"></div>`,
  styles: `
    :host,
    div {
      display: block;
      height: 100%;
      width: 100%;
    }
  `,
})
export class ChartCanvas {
  /** ECharts options, whole; made from the page's own colours. */
  readonly options = input.required<Parameters<ECharts['setOption']>[0]>();
  readonly label = input.required<string>();
  /** First and last share of the axis that is seen, 0 to 100, after it was moved. */
  readonly moved = output<{ start: number; end: number }>();
  private readonly place = viewChild.required<ElementRef<HTMLElement>>('place');
  private chart: ECharts | null = null;

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const element = this.place().nativeElement;
      const chart = init(element, null, { renderer: 'canvas' });
      this.chart = chart;
      chart.setOption(this.options());
      chart.on('datazoom', () => {
        const zoom = (chart.getOption()['dataZoom'] as { start: number; end: number }[] | undefined)?.[0];
        if (zoom) this.moved.emit({ start: zoom.start, end: zoom.end });
      });
      const watch = new ResizeObserver(() => {
        chart.resize();
      });
      watch.observe(element);
      destroy.onDestroy(() => {
        watch.disconnect();
        chart.dispose();
      });
    });
    effect(() => {
      const options = this.options();
      this.chart?.setOption(options, { replaceMerge: ['series'] });
    });
  }
}
