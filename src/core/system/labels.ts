import { findComponent, type ComponentId, type Design } from '../design';
import type { Solid } from './types';

/**
 * What the builder calls components, by id. The system itself knows none of it: names are put in
 * where results are told.
 */
export type Names = ReadonlyMap<ComponentId, string>;

export const namesOf = (design: Pick<Design, 'components'>): Names =>
  new Map(design.components.map(({ id, name }) => [id, name]));

export const sameNames = (a: Names, b: Names): boolean =>
  a.size === b.size && [...a].every(([id, name]) => b.get(id) === name);

/** "Reservoir, tank"; either of the two alone where the other is empty. */
export function label(name: string, detail: string): string {
  if (name === '') return detail;
  return detail === '' ? name : `${name}, ${detail}`;
}

/**
 * What a part of a component is called; what is no component (walls, cages) is called by its detail
 * alone.
 */
export const labelOf = (names: Names, id: ComponentId | null, detail: string): string =>
  label((id === null ? undefined : names.get(id)) ?? '', detail);

/**
 * A design whose components have no names: what is worked out from it stays while they are
 * renamed.
 */
export const nameless = (design: Design): Design => ({
  ...design,
  name: '',
  components: design.components.map((component) => ({ ...component, name: '' })),
});

/** What a solid is called, with its component's name where the design has one. */
export const solidLabel = (
  design: Pick<Design, 'components'>,
  { component, detail }: Pick<Solid, 'component' | 'detail'>,
): string => label(findComponent(design, component)?.name ?? '', detail);
