import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { Caliper } from './Caliper';

const HELP = `A made-up caliper on loopback, with a panel to measure from.

  node --import tsx stand-ins/src/runCaliper.ts --port 4885 --panel 4886 --seed 13 --spread 0.003 --step 0.001

  --port    where it sends its lines (0: any free port)
  --panel   where its panel is shown in a browser (left out: no panel)
  --seed    the same seed gives the same scatter
  --spread  standard deviation of a measurement, mm
  --step    smallest step it shows, mm`;

const args = process.argv.slice(2);
const option = (name: string): number | undefined => {
  const at = args.indexOf(`--${name}`);
  return at < 0 ? undefined : Number(args[at + 1]);
};
if (args.includes('--help')) {
  process.stdout.write(`${HELP}\n`);
  process.exit(0);
}

const caliper = new Caliper({
  port: option('port') ?? 4885,
  seed: option('seed') ?? 1,
  spread: option('spread') ?? 0.003,
  step: option('step') ?? 0.001,
});
try {
  process.stdout.write(`listening ${await caliper.listen()}\n`);
} catch (error) {
  process.stderr.write(`The caliper's port is taken: ${String(error)}\n`);
  process.exit(1);
}

const panelPort = option('panel');
if (panelPort !== undefined) {
  const page = readFileSync(new URL('caliper.html', import.meta.url));
  createServer((request, response) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://panel');
    if (request.method === 'POST' && pathname === '/measure') {
      const length = Number(searchParams.get('length'));
      caliper.setUnit(searchParams.get('unit') === 'in' ? 'in' : 'mm');
      const isFine = length >= 0 && length < 150;
      response
        .writeHead(isFine ? 200 : 409, { 'content-type': 'text/plain' })
        .end(isFine ? caliper.measure(length) : '');
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
