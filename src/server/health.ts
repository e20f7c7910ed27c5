import { troubleTold, type StoreTrouble } from '@/store';
import type { Answer } from './answer';
import { waitingTasks } from './pool';
import { theStore } from './store';

export interface Health {
  readonly ok: boolean;
  readonly database: 'ok' | StoreTrouble | 'fault';
  /** Tasks that wait, by pool. */
  readonly waiting: Readonly<Record<string, number>>;
  readonly memory_MB: number;
}

/** Whether builds can be read, and what waits: 200 when they can, else 503. */
export async function health(): Promise<Answer> {
  let database: Health['database'] = 'ok';
  try {
    await (await theStore()).listBuilds({ limit: 1, offset: 0, search: '' });
  } catch (error) {
    database = troubleTold(error) ?? 'fault';
  }
  const body: Health = {
    ok: database === 'ok',
    database,
    waiting: waitingTasks(),
    memory_MB: Math.round(process.memoryUsage().rss / 1e6),
  };
  return { status: body.ok ? 200 : 503, body, headers: { 'cache-control': 'no-store' } };
}
