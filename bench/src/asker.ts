/* Somebody else's browser: asks for something over and over, and reads all of each answer, until it is told to stop.
   A process of its own, so that what it takes in does not stand in the way of the stations' clock. */

import process from 'node:process';
import { readAll } from './ask';

const [address, cookie] = process.argv.slice(2) as [string, string];
let isStopped = false;
process.once('message', () => (isStopped = true));
let answers = 0;
do {
  await readAll(address, cookie);
  answers += 1;
} while (!isStopped);
process.send?.(answers, () => {
  process.exit();
});
