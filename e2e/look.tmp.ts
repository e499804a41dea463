import { writeFileSync } from 'node:fs';
import { Key } from 'selenium-webdriver';
import { Browser } from './src/browser';
const b = await Browser.open('http://127.0.0.1:4870');
const shot = async (n: string) => writeFileSync(`/tmp/shots/${n}.png`, await b.shot());
try {
  await b.go('/'); await b.button('Odile'); await shot('01-signin');
  await b.press('Odile'); await b.sees('combinations'); await b.driver.sleep(500); await shot('02-bench');
  await b.press('FL-RB-0406'); await b.sees('Look'); await b.driver.sleep(800); 
  for (const s of ['match','prepare','tool','crimp','look','tug']) { const url = (await b.driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/'+s); await b.driver.get(url); await b.shown((await import('selenium-webdriver')).By.css('h1')); await b.driver.sleep(400); await shot('03-'+s); }
  const logs = await b.driver.manage().logs().get('browser'); console.log(logs.map(l=>l.message).join('\n'));
} catch (e) { console.log(String(e).slice(0,3000)); await shot('error'); } finally { await b.close(); }
