import { SheetCount } from './sheet-count';

const bytes = (text: string) => new TextEncoder().encode(text);
const SHEET = '1 0 obj\n<< /Type /Page >>\nendobj\n2 0 obj\n<<\n/Type /SetUpSheet\n>>\nendobj\n';

describe('The sheets in a PDF on its way', () => {
  it('are counted by the mark behind each, not by its pages', () => {
    const count = new SheetCount();
    expect(count.take(bytes(`%PDF-1.7\n${SHEET}`))).toBe(1);
    expect(count.take(bytes(SHEET + SHEET))).toBe(3);
  });

  it('are counted once, wherever a portion ends', () => {
    const file = `%PDF-1.7\n${SHEET}${SHEET}trailer\n%%EOF\n`;
    for (let cut = 1; cut < file.length; cut++) {
      const count = new SheetCount();
      count.take(bytes(file.slice(0, cut)));
      expect(count.take(bytes(file.slice(cut)))).toBe(2);
      expect(count.isWhole).toBeTrue();
    }
  });

  it('are whole only with the end of the file', () => {
    const count = new SheetCount();
    expect(count.isWhole).toBeFalse();
    count.take(bytes(`%PDF-1.7\n${SHEET}trailer\n%%E`));
    expect(count.isWhole).toBeFalse();
    count.take(bytes('OF'));
    expect(count.isWhole).toBeTrue();
  });
});
