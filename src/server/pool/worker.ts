import type { MessagePort } from 'node:worker_threads';
import { showLanguage } from '@/core/messages';
import { isLanguage, loadWriting } from '@/messages';
import { TASKS, type Tell, type TaskName } from './tasks';

/** Entry of a pool thread: one task at a time. What it tells on the way goes over the port. */
export default async function work({
  task,
  input,
  language,
  progress,
}: {
  readonly task: TaskName;
  readonly input: never;
  /** Of whoever asked. */
  readonly language: string;
  readonly progress: MessagePort;
}): Promise<unknown> {
  const tell: Tell = (done, of) => progress.postMessage({ done, of });
  try {
    showLanguage(isLanguage(language) ? await loadWriting(language) : null);
    return TASKS[task](input, tell);
  } finally {
    progress.close();
  }
}
