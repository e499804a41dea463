import { KeyBurst } from '../parts/key-burst';
import { pastedReadings } from './pasted-readings';

describe('Keys at the pull test', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => {
    jasmine.clock().uninstall();
  });

  function listen() {
    const heard: string[] = [];
    const burst = new KeyBurst(
      (key) => heard.push(`key ${key}`),
      (line) => heard.push(`line ${line}`),
    );
    return { burst, heard };
  }

  it('are a failure mode when a hand presses one', () => {
    const { burst, heard } = listen();
    burst.take('3');
    jasmine.clock().tick(80);
    expect(heard).toEqual(['key 3']);
  });

  it('are a reading when a gauge types a line', () => {
    const { burst, heard } = listen();
    for (const key of '118.4') {
      burst.take(key);
      jasmine.clock().tick(4);
    }
    expect(burst.take('Enter')).toBeTrue();
    expect(heard).toEqual(['line 118.4']);
  });

  it('are nothing when a burst breaks off', () => {
    const { burst, heard } = listen();
    burst.take('1');
    burst.take('1');
    jasmine.clock().tick(80);
    expect(heard).toEqual([]);
  });

  it('leave a lone Enter to the page, after the key before it', () => {
    const { burst, heard } = listen();
    burst.take('2');
    expect(burst.take('Enter')).toBeFalse();
    expect(heard).toEqual(['key 2']);
  });
});

describe('A pasted column', () => {
  it('is one reading a line, whatever the line ends and empty lines', () => {
    expect(pastedReadings('112.4\r\n\n 118,2 \t97\n')).toEqual(['112.4', '118,2', '97']);
  });
});
