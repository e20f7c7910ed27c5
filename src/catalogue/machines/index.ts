import { basement } from './basement';
import { external } from './external';
import { giant } from './giant';
import { monoblock } from './monoblock';
import { plates } from './plates';
import { sandwich } from './sandwich';
import type { Make } from './shared';
import { twoCards } from './twoCards';
import { twoChambers } from './twoChambers';
import { upturned } from './upturned';
import { vitrine } from './vitrine';
import { wallBench } from './wallBench';
import { wideFans } from './wideFans';

/** Invented machines of kinds that builders make, as the edits that make them; not routed. */
export const MACHINES: readonly { readonly name: string; readonly make: Make }[] = [
  { name: 'two fans of 180 mm', make: wideFans },
  { name: 'an upturned reservoir', make: upturned },
  { name: 'an open wall bench', make: wallBench },
  { name: 'a cube with two chambers', make: twoChambers },
  { name: 'four sections in the basement', make: basement },
  { name: 'back to back in 7 litres', make: sandwich },
  { name: 'fourteen sections', make: giant },
  { name: 'acrylic, with fans of 80 mm', make: vitrine },
  { name: 'a radiator outside the case', make: external },
  { name: 'two cards with bridges', make: twoCards },
  { name: 'a whole-board block with a card beside it', make: monoblock },
  { name: 'a distribution plate', make: plates },
];
