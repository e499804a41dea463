import { inject, Injectable, type OnDestroy } from '@angular/core';
import type { Plan, PlanWork } from '@tug-mark/core';
import { proxy, wrap, type Remote } from 'comlink';
import type { PlanAsked, PlanBeside, PlanFound, Remedy } from '../../workers/plan.messages';
import type { PlanSearch as Work } from '../../workers/plan.worker';

/** What opens a worker; a test puts its own in its place. */
@Injectable({ providedIn: 'root' })
export class PlanWorkers {
  open(): { readonly work: Remote<Work>; readonly close: () => void } {
    const worker = new Worker(new URL('../../workers/plan.worker', import.meta.url), { type: 'module' });
    return {
      work: wrap<Work>(worker),
      close: () => {
        worker.terminate();
      },
    };
  }
}

/** Searches at once, where there are as many cores. */
const CORES = 2;

const cost = ({ score, left }: Plan, { endWorth }: PlanWork) =>
  left.length * 1e9 + score.lateness * 1e6 + score.changeover + endWorth * score.end;

/** Searches on two cores at once: each by a seed of its own, and the better plan counts. */
@Injectable()
export class PlanSearch implements OnDestroy {
  private readonly workers = inject(PlanWorkers);
  private readonly searchers: ReturnType<PlanWorkers['open']>[] = [];
  /** Asked for what stands beside a plan, so that no search waits for it. */
  private aside: ReturnType<PlanWorkers['open']> | null = null;
  private asked = 0;
  private running: Promise<unknown> = Promise.resolve();

  /** Searches until the time is over or it is stopped; `tell` is called with each better plan, the last one as such. */
  async search(asked: PlanAsked, tell: (found: PlanFound) => void): Promise<void> {
    const own = ++this.asked;
    const cores = Math.max(1, Math.min(CORES, navigator.hardwareConcurrency));
    while (this.searchers.length < cores) this.searchers.push(this.workers.open());
    let best: PlanFound | null = null;
    const ended = new Set<number>();
    const searches = Promise.allSettled(
      this.searchers.map(({ work }, core) =>
        work.search(
          { ...asked, seed: asked.seed + core },
          proxy((found: PlanFound) => {
            if (own !== this.asked) return;
            if (found.isLast) ended.add(core);
            const isBetter =
              !best || found.isProven || cost(found.plan, asked.work) < cost(best.plan, asked.work) - 1e-9;
            if (isBetter) best = found;
            const shown = best ?? found;
            tell({ ...shown, share: found.share, isLast: ended.size === cores });
          }),
        ),
      ),
    );
    this.running = searches;
    const failed = (await searches).find((one) => one.status === 'rejected');
    if (!failed || own !== this.asked) return;
    // A core that broke down does not keep the plan of the other one back.
    if (!best) throw failed.reason;
    tell({ ...(best as PlanFound), share: 1, isLast: true });
  }

  /** Ends the search under way, and waits until it has told its last: what is done next is not told over. */
  async stop(): Promise<void> {
    await Promise.all(this.searchers.map(({ work }) => work.stop()));
    await this.running;
  }

  /** What stands beside a plan. */
  beside(work: PlanWork): Promise<PlanBeside> {
    return (this.aside ??= this.workers.open()).work.beside(work);
  }

  remedies(work: PlanWork, plan: Plan): Promise<Remedy[]> {
    return (this.aside ??= this.workers.open()).work.remedies(work, plan);
  }

  ngOnDestroy(): void {
    for (const { close } of [...this.searchers, ...(this.aside ? [this.aside] : [])]) close();
  }
}
