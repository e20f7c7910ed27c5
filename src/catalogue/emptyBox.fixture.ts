import { catalogued } from '.';

/** A case with nothing in it and no way in or out: 600 × 500 × 450 mm to route in. */
export const EMPTY_BOX = {
  ...catalogued('case', 'case-barn-96'),
  interior: [600, 500, 450] as const,
  mounts: [],
  grommets: [],
  spots: [],
  fansIncluded: [],
  obstacles: [],
};
