import { readFileSync } from 'node:fs';
import { CODE_PROFILES } from '@/core/schedule';
import { medianAsync, type Row } from './row';

const CALLS = 50;
const QUANTILE = 0.95;
/** An answer that does not come ends the bench with an error instead of keeping it waiting. */
const NEVER_MS = 60_000;

/** Memory of a process in MB, from the system's own account of it; null where there is none. */
export function memoryMb(pid: number): number | null {
  try {
    const kb = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
    return kb === undefined ? null : Math.round(Number(kb) / 1024);
  } catch {
    return null;
  }
}

/**
 * Fifty previews of a profile and views of the whole job at once over a job of 5,000 ends, half of them broken off after half a second: is
 * anybody else served meanwhile, does everybody get an answer, and how much memory does it take?
 */
export async function benchHeavy(address: string, slug: string, cookie: string, pid: number): Promise<Row[]> {
  const profile = JSON.stringify(CODE_PROFILES[2]);
  const preview = (signal: AbortSignal) =>
    fetch(`${address}/api/job/${slug}/profile-preview`, {
      method: 'POST',
      headers: { origin: address, cookie },
      body: profile,
      signal,
    });
  const alone = async () => {
    const from = performance.now();
    const seen = await preview(AbortSignal.timeout(NEVER_MS));
    if (!seen.ok) throw new Error(`the preview answered ${seen.status}`);
    await seen.arrayBuffer();
    return performance.now() - from;
  };
  // The first of a server also makes its code fast: it is told apart.
  const firstMs = await alone();
  const aloneMs = await medianAsync(3, alone);

  const health: number[] = [];
  let over = false;
  let most = memoryMb(pid) ?? 0;
  const watching = (async () => {
    while (!over) {
      const t = performance.now();
      await (await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(NEVER_MS) })).arrayBuffer();
      health.push(performance.now() - t);
      most = Math.max(most, memoryMb(pid) ?? 0);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  const statuses = await Promise.all(
    Array.from({ length: CALLS }, async (_, i) => {
      const leaves = i % 2 === 1;
      try {
        const signal = leaves ? AbortSignal.timeout(500) : AbortSignal.timeout(NEVER_MS);
        const answer =
          i % 4 < 2
            ? await preview(signal)
            : await fetch(
                `${address}/api/look/viewJobChoice?args=${encodeURIComponent(JSON.stringify([slug]))}`,
                { signal, headers: { cookie } },
              );
        await answer.arrayBuffer();
        return answer.status;
      } catch (error) {
        // Leaving is what this caller was to do.
        if (leaves) return 0;
        throw error;
      }
    }),
  );
  over = true;
  await watching;
  await new Promise((resolve) => setTimeout(resolve, 100));
  health.sort((a, b) => a - b);
  const p95 = health[Math.floor(health.length * QUANTILE)] ?? NaN;
  const answered = statuses.filter((s) => s === 200 || s === 429 || s === 0).length;
  return [
    {
      what: 'preview of a profile over 5,000 ends, alone, median of 3',
      value: aloneMs,
      unit: 'ms',
      bar: 2000,
    },
    { what: 'the first of a server that has just started', value: firstMs, unit: 'ms', bar: Infinity },
    {
      what: `health while ${CALLS} work on whole jobs, half of them leave: 95 of 100 within`,
      value: p95,
      unit: 'ms',
      bar: 200,
    },
    { what: 'memory of the application meanwhile', value: most, unit: 'MB', bar: 1536 },
    {
      what: `of ${CALLS} calls not answered with 200, 429 or by leaving`,
      value: CALLS - answered,
      unit: 'calls',
      bar: 0,
    },
  ];
}
