import { ApiProblem, OFFLINE } from '../http/problem';
import { outboxFeature } from '../outbox/outbox.state';
import { Bench, kept, TOOL_TAKEN, viewOf } from '../testing/bench';
import { PiecePhotos } from './piece-photos';

const DIGEST = 'a'.repeat(64);
const picture = (bytes = 1000) => new File([new Uint8Array(bytes)], 'piece.jpg', { type: 'image/jpeg' });
const refusal = (status: number, type: string, title: string) =>
  new ApiProblem({ type, status, title, detail: '', code: 'photo' });

describe('Photographs of a piece', () => {
  let bench: Bench<PiecePhotos>;
  let answers: (() => Promise<unknown>)[];
  afterEach(() => {
    bench.close();
  });
  const open = async (...wanted: (() => Promise<unknown>)[]) => {
    answers = wanted;
    const shown = kept({
      ...{ kind: 'photo', piece: 1, photo: { id: 'p1', digest: DIGEST }, shows: 'section', note: '' },
    });
    bench = await Bench.open(PiecePhotos, {
      view: viewOf({ entries: [TOOL_TAKEN(), shown] }),
      inputs: { piece: 1, lot: null, view: 'from the side' },
      api: { putPhoto: () => answers.shift()?.() },
    });
  };
  const paste = async (file: File) => {
    const clipboardData = new DataTransfer();
    clipboardData.items.add(file);
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData, cancelable: true }));
    await bench.settle();
  };

  it('are shown with what they show, a cut one leading to its section', async () => {
    await open();
    const link = bench.element.querySelector('a.photo');
    expect(link?.getAttribute('href')).toBe('/sections/c1/p1');
    expect(link?.querySelector('img')?.getAttribute('src')).toBe('/api/combinations/c1/photos/p1/small');
  });

  it('are put on record with the digest the server gave, as the view in hand shows them', async () => {
    await open(() => Promise.resolve({ id: 'p2', digest: DIGEST }));
    await paste(picture());
    expect(bench.put[0]?.body).toEqual({
      ...{ kind: 'photo', piece: 1, photo: { id: 'p2', digest: DIGEST }, shows: 'from the side', note: '' },
    });
  });

  it('leave what is no picture in the clipboard alone', async () => {
    await open();
    await paste(new File(['118.4'], 'pulls.csv', { type: 'text/csv' }));
    expect(bench.put).toEqual([]);
  });

  it('of more than 16 MB are refused before they are sent', async () => {
    await open();
    await paste(picture(17 * 1024 * 1024));
    expect(bench.text).toContain('The file has 17.0 MB; 16 MB is the most.');
    expect(bench.put).toEqual([]);
  });

  it('wait on this device while the server is silent, and are shown as waiting', async () => {
    await open(() => Promise.reject(new ApiProblem(OFFLINE)));
    await paste(picture());
    const [item] = bench.store.selectSignal(outboxFeature.selectItems)();
    expect(item?.photo?.size).toBe(1000);
    expect(bench.text).toContain('from the side, waits for the server');
    expect(bench.element.querySelectorAll('img[src^="blob:"]').length).toBe(1);
  });

  it('are kept here for another try where the server fails, and not where it refuses them for what they are', async () => {
    const fault = new ApiProblem({ type: 'about:blank', status: 500, title: 'A fault.', detail: '', code: 'fault' });
    await open(
      () => Promise.reject(fault),
      () => Promise.reject(refusal(422, 'urn:tug-mark:problem:photo', 'This is no picture.')),
    );
    await paste(picture());
    expect(bench.text).toContain('It is still here.');
    await bench.press('Try again');
    expect(bench.text).toContain('This is no picture.');
    expect(bench.has('Try again')).toBeFalse();
    expect(bench.put).toEqual([]);
  });
});
