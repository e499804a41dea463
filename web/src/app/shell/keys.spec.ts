import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  provideZonelessChangeDetection,
  viewChild,
} from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { DeviceField } from '../parts/device-field';
import { draftKey, forgetDrafts } from '../session/drafts';
import { FieldBurst } from '../parts/key-burst';
import { Keys } from './keys';

const heard: string[] = [];
let takesLines = false;

@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Screen {
  constructor() {
    inject(Keys).use([], {
      handle: (key) => {
        heard.push(`key ${key}`);
        return true;
      },
      ...(takesLines && { line: (text: string) => heard.push(`line ${text}`) }),
    });
  }
}

describe('Keys of a screen', () => {
  const press = (...keys: string[]) => {
    for (const key of keys)
      document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  };
  const pause = () => new Promise((resolve) => setTimeout(resolve, 60));
  const open = (lines: boolean) => {
    heard.length = 0;
    takesLines = lines;
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Screen);
    return { keys: TestBed.inject(Keys), fixture };
  };

  it('are single keys of a hand, each in its turn, arrows and Enter at once', async () => {
    open(false);
    press('1');
    await pause();
    press('a');
    await pause();
    press('ArrowDown', 'Enter');
    expect(heard).toEqual(['key 1', 'key a', 'key ArrowDown', 'key Enter']);
  });

  it('are not what a scanner types: no finding, no Enter, but a word about it', async () => {
    const { keys } = open(false);
    press(...'2012345678903', 'Enter');
    await pause();
    press(...'FL-OC-1508', 'Tab');
    await pause();
    expect(heard).toEqual([]);
    expect(keys.unheard()).toBe('FL-OC-1508');
    press('1');
    await pause();
    expect(keys.unheard()).toBe('');
  });

  it('go as one line to a screen that takes lines', async () => {
    open(true);
    press(...'118.4', 'Enter');
    await pause();
    expect(heard).toEqual(['line 118.4']);
  });

  it('end with the screen', async () => {
    const { fixture } = open(false);
    press('1');
    fixture.destroy();
    await pause();
    press('2');
    await pause();
    expect(heard).toEqual([]);
  });
});

describe('A value typed into a field', () => {
  it('is a device’s when its keys come faster than a hand’s', () => {
    const device = new FieldBurst();
    [0, 8, 16, 24].forEach((at) => {
      device.heard(at);
    });
    expect(device.isBurst(30)).toBeTrue();
    expect(device.isBurst(90)).toBeFalse();
    const hand = new FieldBurst();
    [0, 120, 260, 390].forEach((at) => {
      hand.heard(at);
    });
    expect(hand.isBurst(500)).toBeFalse();
  });
});

@Component({
  imports: [DeviceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<form (submit)="submit($event)"><input tmDevice #field /><button type="submit">Keep</button></form>`,
})
class Bench {
  readonly taken: string[] = [];
  isFine = true;
  readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  submit(event: Event): void {
    event.preventDefault();
    this.taken.push(this.field().nativeElement.value);
    if (this.isFine) this.field().nativeElement.value = '';
  }
}

describe('A field that a caliper types into', () => {
  it('takes a line that ends with Tab and stays there; a hand’s Tab goes on; what is refused is selected', async () => {
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(Bench);
    fixture.detectChanges();
    const bench = fixture.componentInstance;
    const field = bench.field().nativeElement;
    document.body.append(fixture.nativeElement as HTMLElement);
    field.focus();
    const press = (key: string) => {
      const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
      field.dispatchEvent(event);
      return event.defaultPrevented;
    };
    const line = (text: string) => {
      for (const key of text) press(key);
      field.value = text;
      return press('Tab');
    };
    expect(line('1.487')).toBeTrue();
    expect([bench.taken, field.value]).toEqual([['1.487'], '']);
    bench.isFine = false;
    line('x.99');
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect([field.selectionStart, field.selectionEnd]).toEqual([0, 4]);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(press('Tab')).toBeFalse();
    fixture.destroy();
  });
});

describe('What somebody has typed and left', () => {
  it('goes with their sign-out, and nobody else’s does', () => {
    localStorage.setItem(draftKey('odile', 'c1'), '1');
    localStorage.setItem(draftKey('odile', 'lot-c1'), '2');
    localStorage.setItem(draftKey('ines', 'c1'), '3');
    forgetDrafts('odile');
    expect(
      [draftKey('odile', 'c1'), draftKey('odile', 'lot-c1'), draftKey('ines', 'c1')].map((key) =>
        localStorage.getItem(key),
      ),
    ).toEqual([null, null, '3']);
    localStorage.removeItem(draftKey('ines', 'c1'));
  });
});
