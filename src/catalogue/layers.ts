import type { LayerPart } from '@/core/components';

const MAKER = 'Wickerwork Mesh';

const layer = (
  duty: LayerPart['duty'],
  name: string,
  section_mm: number,
  thickness_mm: number,
  loss_Pa: number,
  price_minor: number,
): LayerPart => ({
  kind: 'layer',
  id: `lay-${duty}-${section_mm}-${String(thickness_mm).replace('.', '-')}`,
  name: `${name} ${section_mm}`,
  maker: MAKER,
  price_minor,
  tolerance_mm: 0.2,
  duty,
  section_mm,
  thickness_mm,
  loss_Pa,
});

/** Grilles, filters and gaskets for the sizes of fans that radiators have; losses common practice. */
export const LAYERS: readonly LayerPart[] = [80, 92, 120, 140, 180, 200].flatMap((size) => [
  layer('grille', 'Wire grille', size, 3, 0.3, 250),
  layer('filter', 'Mesh filter with frame', size, 3.5, 1.5, 590),
  layer('filter', 'Fine filter with frame', size, 5, 3, 790),
  layer('gasket', 'Foam gasket 1.5 mm,', size, 1.5, 0, 190),
  layer('gasket', 'Rubber gasket 3 mm,', size, 3, 0, 240),
]);
