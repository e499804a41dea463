import { ApiProblem } from '../http/api';
import { Bench, signedIn } from '../testing/bench';
import { OwnPassword } from './own-password';
import { sessionFeature } from '../session/session.state';

describe('A password of one’s own', () => {
  let bench: Bench<OwnPassword>;
  let changeOwnPassword: jasmine.Spy;
  const open = async (isFirst: boolean) => {
    changeOwnPassword = jasmine.createSpy('changeOwnPassword').and.resolveTo(signedIn('technician'));
    bench = await Bench.open(OwnPassword, { inputs: { isFirst }, api: { changeOwnPassword } });
  };
  const fill = async (current: string, password: string) => {
    await bench.type('own-current', current);
    await bench.type('own-password', password);
    await bench.submit();
  };
  afterEach(() => {
    bench.close();
  });

  it('is chosen with the word somebody came in with, and the shop opens', async () => {
    await open(true);
    expect(bench.headline).toBe('Choose your own password');
    await fill('k7mq-2vdx-9rtp', 'violet kiln 40 oar');
    expect(changeOwnPassword).toHaveBeenCalledWith({ current: 'k7mq-2vdx-9rtp', password: 'violet kiln 40 oar' });
    expect(bench.store.selectSignal(sessionFeature.selectMustChoose)()).toBeFalse();
    expect(bench.element.querySelector<HTMLInputElement>('#own-password')?.value).toBe('');
  });

  it('is told at its field when it is too short, or the server says it is easily guessed', async () => {
    await open(false);
    await fill('old one here', 'short');
    expect(bench.element.querySelector('#own-password-fault')?.textContent).toBe('needs at least 10 characters');
    expect(changeOwnPassword).not.toHaveBeenCalled();
    changeOwnPassword.and.rejectWith(
      new ApiProblem({
        ...{ type: '', title: 'That password is easily guessed.', status: 422, detail: '', code: 'password-weak' },
        errors: [{ where: 'password', text: 'is easily guessed. Avoid repeated letters.' }],
      }),
    );
    await fill('old one here', 'aaaaaaaaaa');
    expect(bench.element.querySelector('#own-password-fault')?.textContent).toContain('Avoid repeated letters.');
    // Nothing typed is lost.
    expect(bench.element.querySelector<HTMLInputElement>('#own-current')?.value).toBe('old one here');
  });

  it('may be seen while it is typed', async () => {
    await open(false);
    const kind = () => bench.element.querySelector('#own-password')?.getAttribute('type');
    expect(kind()).toBe('password');
    bench.element.querySelector<HTMLElement>('tm-tick label')?.click();
    await bench.settle();
    expect(kind()).toBe('text');
  });

  it('that cannot be sent says so and keeps what was typed', async () => {
    await open(false);
    changeOwnPassword.and.rejectWith(new Error('no network'));
    await fill('old one here', 'violet kiln 40 oar');
    expect(bench.element.querySelector('tm-problem')).not.toBeNull();
    expect(bench.text).not.toContain('Your password is changed.');
  });
});
