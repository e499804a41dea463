import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

export interface Station {
  readonly combination: string;
  /** Next piece to be read. */
  piece: number;
}

export interface LoadResult {
  /** Readings accepted in a second. */
  readonly perSecond: number;
  /** 95th percentile of the time to an answer, ms. */
  readonly p95: number;
  /** 99th percentile, ms. */
  readonly p99: number;
}

/** Posts `each` readings from every station, the stations side by side, each waiting for its answer as a bench does. */
export async function load(address: string, cookie: string, stations: Station[], each: number): Promise<LoadResult> {
  const agent = new Agent({ keepAlive: true, maxSockets: stations.length });
  const times: number[] = [];
  const started = performance.now();
  await Promise.all(
    stations.map(async (station) => {
      for (let i = 0; i < each; i++) {
        const before = performance.now();
        await post(agent, address, cookie, station.combination, station.piece++);
        times.push(performance.now() - before);
      }
    }),
  );
  const seconds = (performance.now() - started) / 1000;
  agent.destroy();
  times.sort((a, b) => a - b);
  const percentile = (share: number) => times[Math.floor(times.length * share)] ?? 0;
  return { perSecond: times.length / seconds, p95: percentile(0.95), p99: percentile(0.99) };
}

/** A reading as the benches put it: well above every limit, and another from piece to piece. */
export function readingOf(piece: number) {
  const force = 115 + (piece % 97) / 10;
  const confirmed = ['pulled-already'];
  return { kind: 'reading', piece, force, typed: String(force), unit: 'N', mode: 'slid-out', note: '', confirmed };
}

function post(agent: Agent, address: string, cookie: string, combination: string, piece: number): Promise<void> {
  const payload = JSON.stringify({ id: randomUUID(), body: readingOf(piece), corrects: null, why: null });
  return new Promise((resolve, reject) => {
    const call = request(
      `${address}/api/combinations/${combination}/entries`,
      {
        method: 'POST',
        agent,
        headers: { 'content-type': 'application/json', 'content-length': Buffer.byteLength(payload), cookie },
      },
      (answer) => {
        let said = '';
        answer.setEncoding('utf8');
        answer.on('data', (chunk: string) => (said += chunk));
        answer.on('end', () => {
          if (answer.statusCode === 201) resolve();
          else reject(new Error(`${answer.statusCode}: ${said}`));
        });
      },
    );
    call.on('error', reject);
    call.end(payload);
  });
}
