import { API, isFile, may, needsQualification, type Role, type Route } from '@tug-mark/contract';
import { randomUUID } from 'node:crypto';
import { problemOf, Shop, Visitor } from './harness';

const ROUTES: readonly Route[] = Object.values(API);
/** Who calls, by the name of the account; nobody: without one. */
const CALLERS = {
  nobody: null,
  lapsed: 'technician',
  technician: 'technician',
  quality: 'quality',
  engineer: 'engineer',
} as const;
const NAMES = { lapsed: 'Tove', technician: 'Odile', quality: 'Ines', engineer: 'Marek' } as const;
type Caller = keyof typeof CALLERS;

/** What the contract says a caller is told before anything of the request is looked at; null: let in. */
function refusedBy({ who }: Route, caller: Caller): string | null {
  if (who === 'anyone') return null;
  const role: Role | null = CALLERS[caller];
  if (role === null) return 'sign-in-first';
  if (who === 'signed-in') return null;
  if (!may([role], who)) return 'role-may-not';
  return caller === 'lapsed' && needsQualification(who) ? 'qualification-lapsed' : null;
}

/** An address of the route with parameters that lead nowhere, so that nothing is changed. */
const addressOf = ({ path }: Route) =>
  `/api${path
    .replace(/:(id|trace|photo)/g, () => randomUUID())
    .replace(':lot', '1')
    .replace(':kind', 'wire')
    .replace(':part', 'X-1')}`;

describe('Every operation of the contract', () => {
  let shop: Shop;
  const visitors = new Map<Caller, Visitor>();
  beforeAll(async () => {
    shop = await Shop.open();
    visitors.set('nobody', new Visitor(shop.app));
    for (const [caller, name] of Object.entries(NAMES)) visitors.set(caller as Caller, await shop.signIn(name));
  });
  afterAll(() => shop.close());

  for (const route of ROUTES.filter((r) => r.who !== 'anyone')) {
    it(`${route.id} lets in whom it says, and nobody else: ${route.who}`, async () => {
      for (const caller of Object.keys(CALLERS) as Caller[]) {
        const wanted = refusedBy(route, caller);
        // A stream that lets somebody in does not end: who it lets in is told with the live stream's own checks.
        if (route.id === 'listen' && wanted === null) continue;
        const { body } = route;
        const file = isFile(body) ? body.file[0] : undefined;
        const answer = await visitors
          .get(caller)
          ?.call(
            route.method,
            addressOf(route),
            body ? (file ? 'x' : {}) : undefined,
            file ? { 'content-type': file } : {},
          );
        if (!answer) throw new Error('no answer');
        if (wanted === null) {
          expect([401, 403].includes(answer.statusCode))
            .withContext(`${caller}: ${answer.body.slice(0, 200)}`)
            .toBeFalse();
          expect(answer.statusCode === 502 || answer.statusCode < 500)
            .withContext(`${caller}: ${answer.body.slice(0, 200)}`)
            .toBeTrue();
        } else {
          expect(problemOf(answer).code).withContext(caller).toBe(wanted);
        }
      }
    });
  }

  it('is registered from there: a route of its own making stops the server', async () => {
    const { onlyFromContract } = await import('../src/api/serve');
    const { default: Fastify } = await import('fastify');
    const app = Fastify();
    onlyFromContract(app);
    expect(() => app.get('/side-door', () => 'in')).toThrowError(/is in no definition of the contract/);
    await app.close();
  });

  it('keeps a lapsed technician from putting tool checks and wire lists on record', async () => {
    const tove = visitors.get('lapsed');
    const check = { id: randomUUID(), tool: 'HT-11', goPassed: true, noGoStopped: true };
    expect(problemOf((await tove?.call('POST', '/api/tool-checks', check)) as never).code).toBe('qualification-lapsed');
    expect(problemOf((await tove?.importCsv('L', 'wire id,wire part')) as never).code).toBe('qualification-lapsed');
  });
});
