import type { LoadStep } from '@/core/design';
import { msg, worded } from '@/core/messages';

export interface ProfileChoice {
  readonly id: string;
  readonly name: string;
  readonly steps: readonly LoadStep[];
}

/** Loads over time that come up again and again; any of them is a start for one's own. */
export const PROFILES: readonly [ProfileChoice, ...ProfileChoice[]] = worded(() => [
  { id: 'warm-up', name: msg`render for an hour`, steps: [{ load: 'render', seconds: 3600 }] },
  {
    id: 'evening',
    name: msg`an evening of play`,
    steps: [
      { load: 'idle', seconds: 600 },
      { load: 'gaming', seconds: 3600 },
      { load: 'idle', seconds: 1200 },
    ],
  },
  {
    id: 'bursts',
    name: msg`render in bursts`,
    steps: Array.from({ length: 20 }, (_, i): LoadStep => ({
      load: i % 2 === 0 ? 'render' : 'idle',
      seconds: 90,
    })),
  },
  {
    id: 'stress',
    name: msg`stress test for half an hour`,
    steps: [{ load: 'stress', seconds: 1800 }],
  },
]);
