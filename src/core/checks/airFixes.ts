import { freeId, type Component, type Design, type Placement } from '../design';
import type { FanPart, Mount } from '../components';
import { msg } from '../messages';
import type { Fix } from './diagnostic';
import type { SpatialInputs } from './inputs';

type OnMount = Extract<Placement, { readonly on: 'mount' }>;

/**
 * Changes of the airflow that may help: a radiator or row turned round, a fan on a free mount.
 * Candidates: whoever offers them tries them first.
 */
export const airFixes = (context: SpatialInputs): readonly Fix[] => [
  ...onMounts(context.design).map(turned),
  ...freeMounts(context.design).flatMap((mount) => withFan(context, mount)),
];

const onMounts = ({
  components,
}: Design): readonly (Component & { readonly placement: OnMount })[] =>
  components.flatMap((component) => {
    const { part, placement } = component;
    return placement.on === 'mount' && (part.kind === 'radiator' || part.kind === 'fan')
      ? [{ ...component, placement }]
      : [];
  });

function turned({ id, name, placement }: Component & { readonly placement: OnMount }): Fix {
  const air = placement.air === 'in' ? 'out' : 'in';
  return {
    label: msg`Make ${name} an ${air === 'in' ? msg`intake` : msg`exhaust`}`,
    edit: { do: 'component.place', component: id, placement: { ...placement, air } },
  };
}

const freeMounts = ({ case: shell, components }: Design): readonly Mount[] =>
  (shell?.mounts ?? []).filter(
    (mount) =>
      !components.some(({ placement }) => placement.on === 'mount' && placement.mount === mount.id),
  );

/** A fan like one that is there already, else the cheapest on offer, blowing as is usual there. */
function withFan({ design, offer }: SpatialInputs, mount: Mount): readonly Fix[] {
  const sizes = mount.fans.map((f) => f.size_mm);
  const fits = (part: unknown): part is FanPart =>
    (part as FanPart).kind === 'fan' && sizes.includes((part as FanPart).section_mm);
  const owned = design.components.map((c) => c.part).find(fits);
  const [cheapest] = offer.filter(fits).sort((a, b) => a.price_minor - b.price_minor);
  const part = owned ?? cheapest;
  if (!part) return [];
  const id = freeId(
    design.components.map((c) => c.id),
    'case-fan',
  );
  const usual = mount.face === 'front' || mount.face === 'bottom' ? 'in' : 'out';
  return [
    {
      label: msg`Put ${part.name} on ${mount.name},
        ${usual === 'in' ? msg`drawing in` : msg`blowing out`}`,
      edit: {
        do: 'component.add',
        component: {
          id,
          name: msg`${mount.name} fan`,
          part,
          placement: { on: 'mount', mount: mount.id, slide_mm: 0, ports: 'end', air: usual },
          settings: {},
        },
      },
    },
  ];
}
