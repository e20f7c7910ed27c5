import { TASKS, type TaskName } from './tasks';

/** Entry of a pool thread: one task at a time. */
export default function work({
  task,
  input,
}: {
  readonly task: TaskName;
  readonly input: never;
}): unknown {
  return TASKS[task](input);
}
