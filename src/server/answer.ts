import type { ValidationIssue } from '@/core/validation';

/** What the server says: a status and a body, before HTTP. */
export interface Answer {
  readonly status: number;
  readonly body: unknown;
  readonly headers?: Readonly<Record<string, string>>;
}

export const ok = (body: unknown, status = 200): Answer => ({ status, body });
export const refuse = (
  status: number,
  message: string,
  troubles: readonly ValidationIssue[] = [],
): Answer => ({ status, body: { error: message, troubles } });

/** A body that is JSON text already, made in a thread of the pool. */
export class JsonText {
  constructor(readonly text: string) {}
}
