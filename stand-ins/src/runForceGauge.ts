import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { ENDINGS, FAULTS, ForceGauge, readNumbers } from './ForceGauge';

const HELP = `A made-up force gauge on loopback, with a panel to pull from.

  node --import tsx stand-ins/src/runForceGauge.ts --port 4881 --panel 4882 --seed 7 --rate 1000 noise=0.2 drift=0.05

  --port    where it sends its readings, a line each (0: any free port)
  --panel   where its panel is shown in a browser (left out: no panel)
  --seed    the same seed gives the same pulls
  --rate    readings a second, 1 to 1000
  name=number   any number of the model: speed, stiffness, strands, breaks, uneven, holds, friction, slide, gripStep,
                quiet, noise, zero, drift, dropouts, spikes`;

const args = process.argv.slice(2);
const option = (name: string): number | undefined => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : Number(args[at + 1]);
};
if (args.includes('--help')) {
  process.stdout.write(`${HELP}\n`);
  process.exit(0);
}

const gauge = new ForceGauge({
  port: option('port') ?? 4881,
  seed: option('seed') ?? 1,
  rate: option('rate') ?? 1000,
  model: readNumbers(args),
});
try {
  process.stdout.write(`listening ${await gauge.listen()}\n`);
} catch (error) {
  process.stderr.write(`The gauge's port is taken: ${String(error)}\n`);
  process.exit(1);
}

const panelPort = option('panel');
if (panelPort !== undefined) {
  const page = readFileSync(new URL('panel.html', import.meta.url));
  createServer((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://panel');
    if (request.method === 'POST' && pathname === '/pull') {
      const ending = ENDINGS.find((e) => e === searchParams.get('ending'));
      const force = Number(searchParams.get('force'));
      const isFine = ending !== undefined && force > 0 && force < 20_000 && !gauge.isPulling;
      if (isFine) gauge.startPull(ending, force, readNumbers((searchParams.get('model') ?? '').split(/\s+/)));
      response.writeHead(isFine ? 204 : 409).end();
    } else if (request.method === 'POST' && pathname === '/fault') {
      gauge.setFault(FAULTS.find((f) => f === searchParams.get('fault')) ?? 'none');
      response.writeHead(204).end();
    } else {
      response.writeHead(200, {
        'content-type': 'text/html; charset=utf-8',
        'content-security-policy':
          "default-src 'none'; script-src 'unsafe-inline'; style-src 'unsafe-inline'; connect-src 'self'",
      });
      response.end(page);
    }
  })
    .on('error', (error) => process.stderr.write(`The panel's port is taken: ${String(error)}\n`))
    .listen(panelPort, '127.0.0.1');
}
if (process.env['TUG_ENDS_WITH_PARENT'] === '1') process.stdin.once('close', () => process.exit(0)).resume();
