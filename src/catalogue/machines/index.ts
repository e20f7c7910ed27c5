import type { Design } from '@/core/design';
import { upturned } from './upturned';
import { wideFans } from './wideFans';

/** Invented machines of kinds that builders make, as the edits that make them; not routed. */
export const MACHINES: readonly { readonly name: string; readonly make: () => Design }[] = [
  { name: 'two fans of 180 mm', make: wideFans },
  { name: 'an upturned reservoir', make: upturned },
];
