import { Browser } from './src/browser';
import { takeSeat, openCombination } from './src/bench';
import { By, Key } from 'selenium-webdriver';
import { writeFile } from 'node:fs/promises';
const [, , who = 'Odile', ...steps] = process.argv;
const b = await Browser.open('http://127.0.0.1:4870');
let n = 0;
const logs = async () => {
  for (const e of await b.driver.manage().logs().get('browser'))
    console.log('LOG', e.level.name, e.message.slice(0, 300));
};
try {
  await b.go('/');
  await takeSeat(b, who);
  for (const s of steps) {
    const [cmd, ...rest] = s.split(':');
    const arg = rest.join(':');
    if (cmd === 'go') await b.go(arg);
    else if (cmd === 'open') {
      const [t, w, l] = arg.split('|');
      await openCombination(b, t!, w!, l);
    } else if (cmd === 'press') await b.press(arg);
    else if (cmd === 'keys') await b.keys(arg === 'ENTER' ? Key.ENTER : arg);
    else if (cmd === 'type') {
      const [id, t] = arg.split('|');
      const f = await b.driver.findElement(By.id(id!));
      await f.clear();
      await f.sendKeys(t!);
    } else if (cmd === 'sees') await b.sees(arg);
    else if (cmd === 'wait') await b.driver.sleep(Number(arg));
    else if (cmd === 'select') {
      const [id, t] = arg.split('|');
      await b.driver.executeScript(
        `const s=document.getElementById(arguments[0]); s.value=arguments[1]; s.dispatchEvent(new Event('change',{bubbles:true}))`,
        id,
        t,
      );
    } else if (cmd === 'post') await fetch(arg, { method: 'POST' });
    else if (cmd === 'size') {
      const [w, h] = arg.split('x');
      await b.size(Number(w), Number(h));
    } else if (cmd === 'shot') {
      await b.driver.sleep(250);
      await writeFile(`/tmp/shot${++n}.png`, await b.shot());
    } else if (cmd === 'text') console.log((await b.driver.findElement(By.css('main')).getText()).slice(0, 3000));
  }
} catch (e) {
  console.log(String(e).slice(0, 1500));
  await writeFile('/tmp/shotx.png', await b.shot());
}
await logs();
await b.close();
