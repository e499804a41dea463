import { saveText } from './save-text';

describe('A text saved as a file', () => {
  it('is handed to the browser under its name, whole, and given up once it is taken', async () => {
    const blobs: Blob[] = [];
    const made = URL.createObjectURL.bind(URL);
    spyOn(URL, 'createObjectURL').and.callFake((blob) => {
      blobs.push(blob as Blob);
      return made(blob);
    });
    const revoked = spyOn(URL, 'revokeObjectURL').and.callThrough();
    const links: HTMLAnchorElement[] = [];
    spyOn(HTMLAnchorElement.prototype, 'click').and.callFake(function (this: HTMLAnchorElement) {
      links.push(this);
    });
    jasmine.clock().install();
    try {
      saveText('limits.csv', 'text/csv', 'size,force\r\n0.75 mm2,60\r\n');
      expect(links.map(({ download }) => download)).toEqual(['limits.csv']);
      expect(revoked).not.toHaveBeenCalled();
      jasmine.clock().tick(1000);
      expect(revoked).toHaveBeenCalledOnceWith(links[0]?.href ?? '');
    } finally {
      jasmine.clock().uninstall();
    }
    expect(blobs[0]?.type).toBe('text/csv');
    expect(await blobs[0]?.text()).toBe('size,force\r\n0.75 mm2,60\r\n');
  });
});
