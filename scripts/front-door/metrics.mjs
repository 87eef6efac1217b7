import { monitorEventLoopDelay } from 'node:perf_hooks';

/** Upper bounds of the times that are counted, seconds. */
const BUCKETS_S = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10];

/** What the server in front knows of its own work, in the text form that collectors of metrics read. */
export class Metrics {
  /** Requests by lane and status. */
  #answered = new Map();
  #times = new Map();
  #loop = monitorEventLoopDelay({ resolution: 20 });

  constructor() {
    this.#loop.enable();
  }

  /**
   * Counts a request once it is answered.
   * @param {'pages' | 'actions'} lane
   */
  count(lane, /** @type {import('node:http').ServerResponse} */ response) {
    const began = performance.now();
    response.once('close', () => {
      const key = `lane="${lane}",status="${response.statusCode}"`;
      this.#answered.set(key, (this.#answered.get(key) ?? 0) + 1);
      const seconds = (performance.now() - began) / 1000;
      const times = this.#times.get(lane) ?? { sum: 0, count: 0, buckets: BUCKETS_S.map(() => 0) };
      times.sum += seconds;
      times.count++;
      BUCKETS_S.forEach((bound, i) => {
        if (seconds <= bound) times.buckets[i]++;
      });
      this.#times.set(lane, times);
    });
  }

  /**
   * All of it as text.
   * @param {{ lanes: Record<string, { inside: number, waiting: number }>, isDatabaseUp: boolean }} now
   */
  text({ lanes, isDatabaseUp }) {
    const lines = ['# TYPE hush_pail_requests_total counter'];
    for (const [labels, n] of this.#answered) lines.push(`hush_pail_requests_total{${labels}} ${n}`);
    lines.push('# TYPE hush_pail_request_seconds histogram');
    for (const [lane, { sum, count, buckets }] of this.#times) {
      BUCKETS_S.forEach((bound, i) =>
        lines.push(`hush_pail_request_seconds_bucket{lane="${lane}",le="${bound}"} ${buckets[i]}`),
      );
      lines.push(`hush_pail_request_seconds_bucket{lane="${lane}",le="+Inf"} ${count}`);
      lines.push(`hush_pail_request_seconds_sum{lane="${lane}"} ${sum}`);
      lines.push(`hush_pail_request_seconds_count{lane="${lane}"} ${count}`);
    }
    lines.push('# TYPE hush_pail_requests_inside gauge', '# TYPE hush_pail_requests_waiting gauge');
    for (const [lane, { inside, waiting }] of Object.entries(lanes))
      lines.push(
        `hush_pail_requests_inside{lane="${lane}"} ${inside}`,
        `hush_pail_requests_waiting{lane="${lane}"} ${waiting}`,
      );
    const gauge = (/** @type {string} */ name, /** @type {number} */ value) =>
      lines.push(`# TYPE ${name} gauge`, `${name} ${value}`);
    gauge('hush_pail_database_up', isDatabaseUp ? 1 : 0);
    gauge('hush_pail_resident_bytes', process.memoryUsage().rss);
    gauge('hush_pail_loop_delay_p99_seconds', this.#loop.percentile(99) / 1e9 || 0);
    return `${lines.join('\n')}\n`;
  }
}
