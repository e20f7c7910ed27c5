import type { MessagePort } from 'node:worker_threads';
import { TASKS, type Tell, type TaskName } from './tasks';

/** Entry of a pool thread: one task at a time. What it tells on the way goes over the port. */
export default function work({
  task,
  input,
  progress,
}: {
  readonly task: TaskName;
  readonly input: never;
  readonly progress: MessagePort;
}): unknown {
  const tell: Tell = (done, of) => progress.postMessage({ done, of });
  try {
    return TASKS[task](input, tell);
  } finally {
    progress.close();
  }
}
