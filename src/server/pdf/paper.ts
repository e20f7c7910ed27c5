import type { Reports } from '@/core/analysis';
import type { Finding } from '@/core/checks';

/** What goes on paper: no ways out, which want a hand at the screen. */
export interface Paper {
  readonly reports: Reports;
  readonly findings: readonly Finding[];
}
