import { benchLotPage, callAs } from './lots';
const OURS = process.env['BENCH_OURS'] ?? '';
const a = await fetch(`${OURS}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ name: 'Odile', password: 'demo-odile-bench' }) });
const cookie = (a.headers.get('set-cookie') ?? '').split(';')[0] ?? '';
console.log(await benchLotPage(callAs(OURS, cookie), process.env['BENCH_DATABASE'] ?? '', 10_000_000));
