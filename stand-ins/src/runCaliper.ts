import { Caliper } from './Caliper';
import { announce, readOptions, servePanel } from './runStandIn';

const HELP = `A made-up caliper on loopback, with a panel to measure from.

  node --import tsx stand-ins/src/runCaliper.ts --port 4885 --panel 4886 --seed 13 --spread 0.003 --step 0.001

  --port    where it sends its lines (0: any free port)
  --panel   where its panel is shown in a browser (left out: no panel)
  --seed    the same seed gives the same scatter
  --spread  standard deviation of a measurement, mm
  --step    smallest step it shows, mm`;

const { option } = readOptions(HELP);
const caliper = new Caliper({
  port: option('port') ?? 4885,
  seed: option('seed') ?? 1,
  spread: option('spread') ?? 0.003,
  step: option('step') ?? 0.001,
});
await announce('caliper', caliper);
servePanel(option('panel'), 'caliper.html', (pathname, said, response) => {
  if (pathname !== '/measure') return false;
  const length = Number(said.get('length'));
  caliper.setUnit(said.get('unit') === 'in' ? 'in' : 'mm');
  const isFine = length >= 0 && length < 150;
  response.writeHead(isFine ? 200 : 409, { 'content-type': 'text/plain' }).end(isFine ? caliper.measure(length) : '');
  return true;
});
