import { By, Key } from 'selenium-webdriver';
import { Browser } from './browser';
import { takeSeat } from './bench';
import { writeFileSync } from 'node:fs';
const b = await Browser.open(process.argv[2] ?? '');
const shot = async (n: string) => {
  await new Promise((r) => setTimeout(r, 900));
  writeFileSync(`/tmp/w-${n}.png`, await b.driver.takeScreenshot(), 'base64');
};
try {
  await takeSeat(b, 'Odile'); await b.go('/lots'); await b.sees('L-0402'); await shot('l1');
  await b.size(390, 844); await shot('l2'); console.log(await b.driver.executeScript('return [document.documentElement.scrollWidth, innerWidth]'));
  await b.size(1280, 800); await b.go('/bench'); await b.sees('Next:'); await b.press('Mast loom'); await b.sees('21 of Mast');
  await (await b.shown(By.css('tm-bench-table td.next a'))).click(); await b.sees('Go on to Prepare'); const u = await b.driver.getCurrentUrl(); await b.driver.get(u.replace('match','tug')); await b.sees('Before a piece'); await shot('t1');
  for (const [n, w, h] of [['t390', 390, 844], ['t640', 640, 400]] as const) { await b.size(w, h); await shot(n); console.log(n, await b.driver.executeScript('return [document.documentElement.scrollWidth, innerWidth]')); }
  await b.size(390, 844);
  for (const p of ['/bench', '/lots', '/charts', '/records', '/shop/cabinet', '/shop/finder', '/shop/tools', '/shop/gauges', '/shop/limits', '/shop/inspection-points', '/shop/house-rules', '/shop/studies', u.replace(/^.*:[0-9]+/, ''), u.replace(/^.*:[0-9]+/, '').replace('match', 'prepare'), u.replace(/^.*:[0-9]+/, '').replace('match', 'tool'), u.replace(/^.*:[0-9]+/, '').replace('match', 'crimp'), u.replace(/^.*:[0-9]+/, '').replace('match', 'look')]) {
    await b.go(p); await b.driver.sleep(1500); console.log(p, await b.driver.executeScript(`const wide = [...document.querySelectorAll('main *')].filter(e => e.getBoundingClientRect().right > innerWidth + 1 && !e.closest('svg *')).slice(0,4).map(e => e.tagName.toLowerCase() + '.' + e.className); return [document.documentElement.scrollWidth, JSON.stringify(wide)]`));
  }
} catch (e) {
  console.log(String(e).slice(0, 900));
  await shot('fail');
} finally {
  await b.close();
}
