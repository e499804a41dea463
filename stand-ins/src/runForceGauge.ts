import { ENDINGS, FAULTS, ForceGauge, readNumbers } from './ForceGauge';
import { announce, readOptions, servePanel } from './runStandIn';

const HELP = `A made-up force gauge on loopback, with a panel to pull from.

  node --import tsx stand-ins/src/runForceGauge.ts --port 4881 --panel 4882 --seed 7 --rate 1000 noise=0.2 drift=0.05

  --port    where it sends its readings, a line each (0: any free port)
  --panel   where its panel is shown in a browser (left out: no panel)
  --seed    the same seed gives the same pulls
  --rate    readings a second, 1 to 1000
  name=number   any number of the model: speed, stiffness, strands, breaks, uneven, holds, friction, slide, gripStep,
                quiet, noise, zero, drift, dropouts, spikes`;

const { args, option } = readOptions(HELP);
const gauge = new ForceGauge({
  port: option('port') ?? 4881,
  seed: option('seed') ?? 1,
  rate: option('rate') ?? 1000,
  model: readNumbers(args),
});
await announce('gauge', gauge);
servePanel(option('panel'), 'panel.html', (pathname, said, response) => {
  if (pathname === '/fault') {
    gauge.setFault(FAULTS.find((f) => f === said.get('fault')) ?? 'none');
    response.writeHead(204).end();
    return true;
  }
  if (pathname !== '/pull') return false;
  const ending = ENDINGS.find((e) => e === said.get('ending'));
  const force = Number(said.get('force'));
  const isFine = ending !== undefined && force > 0 && force < 20_000 && !gauge.isPulling;
  if (isFine) gauge.startPull(ending, force, readNumbers((said.get('model') ?? '').split(/\s+/)));
  response.writeHead(isFine ? 204 : 409).end();
  return true;
});
