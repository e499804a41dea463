import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** How long a page may take to show what a person waits for, ms. */
const PATIENCE = 40_000;
/** Between two keys of a hand, ms; a scanner's or gauge's come within 35. */
const HAND_MS = 60;
/** The address Firefox prints once it listens. */
const LISTENS = /WebDriver BiDi listening on (ws:\/\/\S+)/;

/** The channel the driver package speaks over; its types name the class otherwise than the package exports it. */
interface Bidi {
  waitForConnection(): Promise<unknown>;
  send(command: { readonly method: string; readonly params: object }): Promise<unknown>;
}
const Channel = createRequire(import.meta.url)('selenium-webdriver/bidi/index.js') as new (address: string) => Bidi;

/** An element as it is spoken of over WebDriver BiDi. */
interface Node {
  readonly sharedId: string;
}
interface Answer<T> {
  readonly result?: T;
  readonly error?: string;
  readonly message?: string;
}

/** A headless Firefox over WebDriver BiDi, without a driver between: found by roles and names, as a person would. */
export class Firefox {
  private constructor(
    private readonly child: ChildProcess,
    private readonly bidi: Bidi,
    private readonly context: string,
    private readonly profile: string,
    private readonly address: string,
  ) {}

  static async open(address: string, width = 1280, height = 800): Promise<Firefox> {
    const profile = await mkdtemp(join(tmpdir(), 'tug-mark-firefox-'));
    const args = ['--headless', '--no-remote', '--profile', profile, '--remote-debugging-port', '0'];
    const child = spawn('/usr/bin/firefox-esr', args, {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, HOME: profile },
    });
    const socket = await new Promise<string>((resolve, reject) => {
      let said = '';
      child.stderr.on('data', (chunk: Buffer) => {
        said += chunk.toString();
        const found = LISTENS.exec(said)?.[1];
        if (found) resolve(found);
      });
      child.once('exit', (code) => {
        reject(new Error(`Firefox ended with ${code}: ${said}`));
      });
    });
    const bidi = new Channel(`${socket}/session`);
    await bidi.waitForConnection();
    await ask(bidi, 'session.new', { capabilities: {} });
    const { contexts } = await ask<{ contexts: { context: string }[] }>(bidi, 'browsingContext.getTree', {});
    const context = contexts[0]?.context ?? '';
    await ask(bidi, 'browsingContext.setViewport', { context, viewport: { width, height } });
    return new Firefox(child, bidi, context, profile, address);
  }

  private ask<T>(method: string, params: object): Promise<T> {
    return ask<T>(this.bidi, method, { context: this.context, ...params });
  }

  async close(): Promise<void> {
    const ended = new Promise((resolve) => this.child.once('exit', resolve));
    await ask(this.bidi, 'browser.close', {}).catch(() => this.child.kill());
    await ended;
    await rm(this.profile, { recursive: true, force: true });
  }

  async go(path: string): Promise<void> {
    await this.ask('browsingContext.navigate', { url: `${this.address}${path}`, wait: 'complete' });
  }

  /** The element of a role and name; waits until it is there. */
  private async found(role: string, name: string): Promise<Node> {
    const locator = { type: 'accessibility', value: { role, name } };
    return until(`no ${role} is called: ${name}`, async () => {
      const { nodes } = await this.ask<{ nodes: Node[] }>('browsingContext.locateNodes', { locator });
      return nodes[0];
    });
  }

  async press(name: string, role = 'button'): Promise<void> {
    const { sharedId } = await this.found(role, name);
    await this.run('(element) => element.scrollIntoView({ block: "center" })', [{ sharedId }]);
    await this.ask('input.performActions', {
      actions: [
        {
          type: 'pointer',
          id: 'hand',
          actions: [
            { type: 'pointerMove', x: 0, y: 0, origin: { type: 'element', element: { sharedId } } },
            { type: 'pointerDown', button: 0 },
            { type: 'pointerUp', button: 0 },
          ],
        },
      ],
    });
  }

  /** Types keys into whatever has the focus, with the pauses a hand makes. */
  async keys(...keys: string[]): Promise<void> {
    const actions = keys
      .flatMap((text) => [...text])
      .flatMap((value) => [
        { type: 'keyDown', value },
        { type: 'keyUp', value },
        { type: 'pause', duration: HAND_MS },
      ]);
    await this.ask('input.performActions', { actions: [{ type: 'key', id: 'keys', actions }] });
  }

  /** Waits until the page's text holds this. */
  async sees(text: string): Promise<void> {
    let last = '';
    await until(`the page never showed: ${text}`, async () => {
      last = await this.text();
      return last.includes(text);
    }).catch((error: unknown) => {
      throw new Error(`${String(error)}\n--- it shows:\n${last.replace(/\s*\n\s*/g, ' | ').slice(0, 1500)}`);
    });
  }

  /** Waits until something of the page is drawn. */
  async shows(css: string): Promise<void> {
    const locator = { type: 'css', value: css };
    await until(`not on the page: ${css}`, async () => {
      const { nodes } = await this.ask<{ nodes: Node[] }>('browsingContext.locateNodes', { locator });
      return nodes[0];
    });
  }

  text(): Promise<string> {
    return this.run('() => document.body.innerText', []);
  }

  /** Runs a function in the page; what it takes are elements, what it gives is text. */
  async run(functionDeclaration: string, nodes: readonly Node[]): Promise<string> {
    const target = { context: this.context };
    const { result } = await ask<{ result: { value?: string } }>(this.bidi, 'script.callFunction', {
      ...{ functionDeclaration, target, arguments: nodes, awaitPromise: true },
    });
    return result.value ?? '';
  }

  /** The page as it prints on A4, with a margin in cm: this way of printing does not ask the page for its own. */
  async print(margin: number): Promise<Buffer> {
    const page = { width: 21, height: 29.7 };
    const { data } = await this.ask<{ data: string }>('browsingContext.print', {
      ...{ page, background: false },
      margin: { top: margin, bottom: margin, left: margin, right: margin },
    });
    return Buffer.from(data, 'base64');
  }

  async shot(): Promise<Buffer> {
    const { data } = await this.ask<{ data: string }>('browsingContext.captureScreenshot', {});
    return Buffer.from(data, 'base64');
  }
}

async function ask<T>(bidi: Bidi, method: string, params: object): Promise<T> {
  const { result, error, message } = (await bidi.send({ method, params })) as Answer<T>;
  if (result === undefined) throw new Error(`${method}: ${error ?? ''} ${message ?? ''}`);
  return result;
}

/** Between two looks, ms: to find by roles and names is work for the page that is waited for. */
const ASKING_MS = 250;

/** Asks again until there is an answer. */
async function until<T>(failure: string, look: () => Promise<T | undefined | false>): Promise<T> {
  const end = Date.now() + PATIENCE;
  while (Date.now() < end) {
    const found = await look();
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, ASKING_MS));
  }
  throw new Error(failure);
}
