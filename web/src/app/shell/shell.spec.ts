import { Bench } from '../testing/bench';
import { Shell } from './shell';

describe('The frame of every page', () => {
  let bench: Bench<Shell>;
  beforeEach(async () => {
    bench = await Bench.open(Shell);
  });
  afterEach(() => {
    bench.close();
  });
  const drawer = () => document.querySelector<HTMLElement>('.ant-drawer');
  /** The drawer is fetched with the first press, and slides. */
  const until = async (isThere: boolean) => {
    for (let i = 0; i < 60 && (drawer() !== null) !== isThere; i++) {
      await new Promise((resolve) => setTimeout(resolve, 25));
      await bench.settle();
    }
    expect(drawer() !== null).toBe(isThere);
  };

  it('shows the keys of the screen at ?, and is rid of them at the next', async () => {
    await bench.key('?');
    await until(true);
    expect(drawer()?.textContent).toContain('Keys of this screen');
    expect(drawer()?.textContent).toContain('show this');
    await bench.key('?');
    await until(false);
  });

  it('shows them at its button too, again and again', async () => {
    const button = bench.element.querySelector<HTMLElement>('[aria-label="Keys of this screen"]');
    for (let i = 0; i < 2; i++) {
      button?.click();
      await until(true);
      button?.click();
      await until(false);
    }
  });

  it('takes no ? that is typed into a field for it', async () => {
    const field = document.createElement('input');
    bench.element.append(field);
    field.dispatchEvent(new KeyboardEvent('keydown', { key: '?', bubbles: true }));
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(drawer()).toBeNull();
  });

  it('leads to every room by its name, and to the content past them all', async () => {
    const rooms = [...bench.element.querySelectorAll('nav[aria-label=Main] a')].map((a) => a.textContent?.trim());
    expect(rooms).toEqual(['Bench', 'Lots', 'Plan', 'Charts', 'Records', 'Shop']);
    bench.element.querySelector<HTMLElement>('a.skip')?.click();
    await bench.settle();
    expect(document.activeElement?.id).toBe('content');
    const shelf = Object.assign(document.createElement('div'), { id: 'shelf', tabIndex: -1 });
    document.getElementById('content')?.append(shelf);
    bench.element.querySelector<HTMLElement>('a.skip')?.click();
    expect(document.activeElement?.id).toBe('shelf');
  });
});
