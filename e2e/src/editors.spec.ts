import { By, Key } from 'selenium-webdriver';
import { signOut, takeSeat } from './bench';
import { Browser } from './browser';
import { Server } from './server';

/** Something a person types into for a while before it is kept. */
interface Editor {
  readonly name: string;
  readonly at: string;
  /** What is pressed to open it, one after the other; aria labels where the words say too little. */
  readonly open: readonly string[];
  readonly field: string;
  readonly typed: string;
  /** What sends it. */
  readonly keep: string;
}

const part = (kind: string, name: string): Editor => ({
  ...{ name: `a ${kind}`, at: `/shop/cabinet/${kind}/${name}`, open: ['Change it'], field: 'f-label' },
  ...{ typed: `typed ${kind}`, keep: 'Keep as a new revision' },
});
const EDITORS: readonly Editor[] = [
  part('wire', 'FL-W-0075'),
  part('terminal', 'FL-RB-0406'),
  part('tool', 'HT-11'),
  part('stripper', 'ST-4'),
  {
    ...{ name: 'a new terminal', at: '/shop/cabinet/terminal', open: ['New terminal', 'compression lug'] },
    ...{ field: 'f-label', typed: 'typed lug', keep: 'Keep the new terminal' },
  },
  {
    ...{ name: 'house rules', at: '/shop/house-rules', open: ['New profile'], field: 'p-label' },
    ...{ typed: 'typed rules', keep: 'Keep these house rules' },
  },
  {
    ...{ name: 'a limit table', at: '/shop/limits', open: ['New table'], field: 'draft-document' },
    ...{ typed: 'typed table', keep: 'Keep the draft' },
  },
  {
    ...{
      name: 'inspection points',
      at: '/shop/inspection-points',
      open: ['Draft a new revision from it'],
      field: 'draft-revision',
    },
    ...{ typed: 'Z', keep: 'Keep the draft' },
  },
  {
    ...{ name: 'this shop', at: '/shop/settings', open: [], field: 'shop-name', typed: 'typed shop', keep: 'Keep it' },
  },
  {
    ...{ name: 'a person', at: '/shop/people', open: ['Change roles and qualifications of Odile'], field: 'q-until' },
    ...{ typed: '2030-03-31', keep: 'Keep it' },
  },
  {
    ...{ name: 'a wire list', at: '/bench', open: ['Bring in a wire list'], field: 'list-name' },
    ...{ typed: 'typed list', keep: 'Bring it in' },
  },
];

describe('What is typed and not kept yet', () => {
  let server: Server;
  let browser: Browser;
  beforeAll(async () => {
    jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;
    server = await Server.open('demo');
    browser = await Browser.open(server.address);
    await takeSeat(browser, 'Marek');
  }, 120_000);
  afterAll(async () => {
    await browser.close();
    await server.close();
  });
  const open = async ({ open: ways, field }: Editor) => {
    for (const way of ways) await press(way, field);
    return browser.shown(By.id(field));
  };
  /** A button of these words, unless what was typed before has the form open already. */
  const press = async (way: string, field: string) => {
    const isOpen = async () => (await browser.driver.findElements(By.id(field))).length > 0;
    await browser.driver.wait(
      async () =>
        (await isOpen()) ||
        (await browser.driver.findElements(By.css(`button[aria-label="${way}"]`))).length > 0 ||
        (await browser.text()).includes(way),
      20_000,
      `no way says: ${way}`,
    );
    if (await isOpen()) return;
    const labelled = await browser.driver.findElements(By.css(`button[aria-label="${way}"]`));
    if (labelled[0]) await labelled[0].click();
    else await browser.press(way);
  };
  const stands = async (editor: Editor, when: string) => {
    const field = await open(editor);
    await browser.driver.wait(
      async () => (await field.getAttribute('value')) === editor.typed,
      10_000,
      `${editor.name} ${when}: '${await field.getAttribute('value')}' stands there`,
    );
    await browser.sees('is back; it is not kept yet');
  };

  for (const editor of EDITORS) {
    it(`in ${editor.name} outlives a lost network, a reload and the way back`, async () => {
      await browser.go(editor.at);
      const field = await open(editor);
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), editor.typed, Key.TAB);
      if (editor.name === 'a wire list') {
        const list = await browser.shown(By.css('tm-import-list textarea'));
        await list.sendKeys('wire id;wire;length mm;terminal a;terminal b;quantity');
        await list.sendKeys(Key.ENTER, 'Z1;FL-W-0075;100;FL-RB-0406;-;1', Key.TAB);
        await browser.sees('would become');
      }
      await browser.block('*/api/*');
      await browser.press(editor.keep);
      await browser.driver.sleep(300);
      expect(await (await browser.shown(By.id(editor.field))).getAttribute('value')).toBe(editor.typed);
      await browser.block();

      await browser.driver.navigate().refresh();
      await stands(editor, 'after a reload');

      await browser.press('Lots');
      await browser.shown(By.css('tm-lots-page'));
      await browser.driver.navigate().back();
      await stands(editor, 'on the way back');
    });
  }

  it('in any of them stands in a second tab as well, and after a sign-out, until it is thrown away', async () => {
    const first = await browser.driver.getWindowHandle();
    await browser.driver.switchTo().newWindow('tab');
    for (const editor of EDITORS) {
      await browser.go(editor.at);
      await stands(editor, 'in a second tab');
    }
    await browser.driver.close();
    await browser.driver.switchTo().window(first);
    await signOut(browser);
    await takeSeat(browser, 'Marek');
    for (const editor of EDITORS) {
      await browser.go(editor.at);
      await stands(editor, 'after a sign-out');
      await browser.press('Begin again without it');
      await browser.driver.wait(
        async () => !(await browser.text()).includes('is back; it is not kept yet'),
        10_000,
        'it was not thrown away',
      );
    }
  });
});
