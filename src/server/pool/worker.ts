import type { MessagePort } from 'node:worker_threads';
import { showLanguage } from '@/core/messages';
import { showUnits } from '@/core/units';
import { loadWriting } from '@/messages';
import type { Reader } from '../reader';
import { TASKS, type Tell, type TaskName } from './tasks';

/** Entry of a pool thread: one task at a time. What it tells on the way goes over the port. */
export default async function work({
  task,
  input,
  reader,
  progress,
}: {
  readonly task: TaskName;
  readonly input: never;
  /** Whoever asked. */
  readonly reader: Reader;
  readonly progress: MessagePort;
}): Promise<unknown> {
  const tell: Tell = (done, of) => progress.postMessage({ done, of });
  try {
    showUnits(reader.units);
    showLanguage(await loadWriting(reader.language));
    return TASKS[task](input, tell);
  } finally {
    progress.close();
  }
}
