'use client';
import { memo } from 'react';
import { CATALOGUE } from '@/catalogue';
import {
  findComponent,
  type Design,
  type Component,
  type Placement,
  type Turn,
  type Up,
} from '@/core/design';
import { footOf, nearestSlide, nudgedSlide, screwedAs, slidesOn } from '@/core/system';
import { isComponentPart, PART_KINDS } from '@/core/components';
import { formatMeasure, formatShown } from '@/core/units';
import { heldBy } from '@/core/bom';
import { carriersOf, defaultPlacements } from '@/core/checks';
import type { Tilt, Vec } from '@/core/geometry';
import {
  Pick,
  QuantityField,
  Segments,
  useOffer,
  useOwnShelves,
  Check,
  Press,
  TextInput,
} from '@/view/shared';
import { useEditor, useEditorLater, useEditorNow } from '@/view/workspace';
import { partFigures } from '@/view/catalogue/figures';
import { msg, worded, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { AgainstFields } from './AgainstFields';
import { CompareParts } from './CompareParts';
import { FanLayers } from './FanLayers';
import { FanPieces } from './FanPieces';
import styles from './CaseStage.module.css';

/** Kinds that may stand anywhere on a bracket or double-sided tape. */
const STANDS: readonly string[] = ['pump', 'reservoir', 'inline', 'radiator', 'device'];
const HOLDS = worded(
  () =>
    [
      { value: 'bracket', label: msg`a bracket` },
      { value: 'tape', label: msg`double-sided tape` },
      { value: 'weight', label: msg`its own weight` },
    ] as const,
);
const TURNS = (['0', '90', '180', '270'] as const).map((value) => ({ value, label: `${value}°` }));
/** Which way up a part stands, as a builder says it: seen through the glass, front to the right. */
const STANDING: readonly { readonly value: Up; readonly label: string }[] = worded(() => [
  { value: '+y', label: msg`upright` },
  { value: '-y', label: msg`upside down` },
  { value: '+x', label: msg`lying on its left` },
  { value: '-x', label: msg`lying on its right` },
  { value: '+z', label: msg`lying on its back` },
  { value: '-z', label: msg`lying on its face` },
]);
/** How a part is turned about the upright axis, and which of its sides it stands on. */
function Attitude({
  turn,
  up,
  onTurn,
}: {
  readonly turn: Turn;
  readonly up: Up;
  onTurn(by: { readonly turn: Turn } | { readonly up: Up }): void;
}) {
  return (
    <>
      <Segments
        label={msg`Turned`}
        value={String(turn)}
        options={TURNS}
        onPick={(t) => onTurn({ turn: Number(t) as Turn })}
      />
      <Pick
        label={msg`Standing`}
        value={up}
        options={STANDING}
        onPick={(to) => onTurn({ up: to })}
      />
    </>
  );
}
const ABOUT = worded(
  () =>
    [
      { value: 'none', label: msg`not tilted` },
      { value: 'x', label: msg`to the glass or the tray` },
      { value: 'y', label: msg`about the upright axis` },
      { value: 'z', label: msg`to the front or the rear` },
    ] as const,
);
/** A tilt begins with so many degrees. */
const FIRST_TILT_DEG = 15;

/** How a part that tape or a bracket holds is tilted, and by how much. */
function TiltFields({
  tilt,
  onTilt,
}: {
  readonly tilt: Tilt | undefined;
  onTilt(tilt: Tilt | undefined): void;
}) {
  return (
    <>
      <Pick
        label={msg`Tilted`}
        value={tilt?.about ?? 'none'}
        options={ABOUT}
        onPick={(about) =>
          onTilt(about === 'none' ? undefined : { about, by_deg: tilt?.by_deg ?? FIRST_TILT_DEG })
        }
      />
      {tilt && (
        <QuantityField
          label={msg`By`}
          value={tilt.by_deg}
          quantity="angle"
          min={-180}
          max={180}
          onCommit={(v) => v !== null && onTilt({ ...tilt, by_deg: v })}
        />
      )}
    </>
  );
}

type Free = Extract<Placement, { on: 'free' }>;
function withTilt({ tilt: _was, ...p }: Free, tilt: Tilt | undefined): Free {
  return tilt ? { ...p, tilt } : p;
}

const AXES = worded(
  () =>
    [
      [0, msg`From the rear`],
      [1, msg`Above the floor`],
      [2, msg`From the tray`],
    ] as const,
);
const MIDDLE = (design: Design): Vec => {
  const [x, , z] = design.case?.interior ?? [200, 200, 200];
  return [Math.round(x / 2), 0, Math.round(z / 2)];
};

const samePlace = (a: Placement, b: Placement): boolean =>
  a.on === b.on &&
  ((a.on === 'mount' && b.on === 'mount' && a.mount === b.mount) ||
    (a.on === 'slot' && b.on === 'slot' && a.slot === b.slot) ||
    (a.on === 'component' && b.on === 'component' && a.component === b.component) ||
    (a.on === 'radiator' &&
      b.on === 'radiator' &&
      a.component === b.component &&
      a.face === b.face) ||
    (a.on === 'spot' && b.on === 'spot' && a.spot === b.spot) ||
    (a.on === 'port' && b.on === 'port' && a.port === b.port) ||
    (a.on === 'cage' && b.on === 'cage' && a.cage === b.cage && a.place === b.place) ||
    ['tray', 'board', 'bay', 'riser', 'line', 'unplaced'].includes(a.on));

/** The card of a part, which may be in the hand: then it tells where it is held. */
export const PickedCard = memo(function PickedCard({
  picked,
  at,
}: {
  readonly picked: string;
  readonly at: Placement | null;
}) {
  const component = useEditorLater((s) => s.design.components).find(({ id }) => id === picked);
  if (!component) return null;
  return <PlaceCard component={at ? { ...component, placement: at } : component} />;
});

/** The picked part: what it is, where it goes, how it is turned. */
export function PlaceCard({ component }: { readonly component: Component }) {
  const design = useEditorLater((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const system = useEditorLater((s) => s.analysis.system);
  const editorNow = useEditorNow();
  const p = component.placement;
  const place = (placement: Placement, label = msg`move ${component.name}`, merge?: string): void =>
    commit(label, { do: 'component.place', component: component.id, placement }, merge);
  /** A change of where it stands by what that is now: one click more goes on from the last. */
  const change = <P extends Placement>(
    shown: P,
    how: (now: P) => Placement,
    label?: string,
    merge?: string,
  ): void => {
    const latest = findComponent(editorNow().latest, component.id)?.placement;
    place(how(latest?.on === shown.on ? (latest as P) : shown), label, merge);
  };
  const places = defaultPlacements(
    {
      ...design,
      components: design.components.map((i) =>
        i.id === component.id ? { ...i, placement: { on: 'unplaced' } } : i,
      ),
    },
    component,
  );
  const current = places.findIndex((o) => samePlace(o.placement, p));
  const { own } = useOwnShelves(),
    alternatives = useOffer(component.part.kind);
  const mount = p.on === 'mount' ? design.case?.mounts.find((m) => m.id === p.mount) : undefined;
  const slack =
    mount && component.part.kind === 'radiator' ? mount.length_mm - component.part.size[0] : 0;
  const rangesFor = (ports: 'start' | 'end') =>
    mount && (component.part.kind === 'radiator' || component.part.kind === 'fan')
      ? slidesOn(mount, screwedAs(component.part, ports, system.placed.get(component.id)?.count))
      : [];
  /** To where the screws of a mount with holes meet them. */
  const held = (slide_mm: number, ports: 'start' | 'end'): number =>
    mount?.holes ? nearestSlide(rangesFor(ports), slide_mm) : slide_mm;
  const placed = system.placed.get(component.id);
  // A part in a build is a snapshot: newer figures are offered, not forced.
  const same = [...own, ...CATALOGUE].find((c) => c.id === component.part.id),
    store =
      same && isComponentPart(same) && JSON.stringify(same) !== JSON.stringify(component.part)
        ? same
        : null;
  const stands = STANDS.includes(component.part.kind);
  const [host] = carriersOf(design, component);
  const anywhere =
    component.part.kind === 'radiator'
      ? msg`free-standing, in the case or outside it (bracket)`
      : msg`free-standing (bracket or tape)`;
  const placementFor = (value: string): Placement => {
    if (value === 'free')
      return { on: 'free', at: footOf(design, component.id) ?? MIDDLE(design), turn: 0 };
    if (value === 'against' && host)
      return {
        on: 'against',
        component: host.id,
        face: '+z',
        along_mm: 0,
        across_mm: 0,
        turn: 0,
      };
    return places[Number(value)]?.placement ?? { on: 'unplaced' };
  };
  const benchWords = () => {
    if (p.on === 'unplaced') return msg`not placed`;
    if (current < 0 && p.on !== 'free' && p.on !== 'against') return msg`as set`;
    return msg`not placed`;
  };
  return (
    <Section
      title={component.name}
      aside={
        <Press className={styles.link} onClick={() => pick(null)}>
          {msg`Done`}
        </Press>
      }
    >
      <p className="soft">
        {PART_KINDS[component.part.kind].one}, {component.part.maker}: {partFigures(component.part)}
      </p>
      {store && (
        <p className="soft">
          {msg`The catalogue data of this part differ from this build's copy.`}{' '}
          <Press
            className={styles.link}
            onClick={() =>
              commit(msg`use the catalogue data of ${component.name}`, {
                do: 'component.replace',
                component: component.id,
                part: store,
              })
            }
          >
            {msg`Use the catalogue data`}
          </Press>
        </p>
      )}
      <div className={styles.controls}>
        <label className={styles.nameLabel}>
          {msg`Name`}{' '}
          <TextInput
            className={styles.nameInput}
            defaultValue={component.name}
            key={component.name}
            maxLength={80}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') e.currentTarget.blur();
            }}
            onBlur={(e) => {
              const t = e.target.value.trim();
              if (t && t !== component.name)
                commit(msg`rename ${component.name}`, {
                  do: 'component.rename',
                  component: component.id,
                  name: t,
                });
            }}
          />
        </label>
        <Pick
          label={msg`Part`}
          value={component.part.id}
          options={[
            ...(alternatives.some((a) => a.id === component.part.id)
              ? []
              : [{ value: component.part.id, label: component.part.name }]),
            ...alternatives.map((a) => ({ value: a.id, label: a.name })),
          ]}
          onPick={(id) => {
            const next = alternatives.find((a) => a.id === id);
            if (next && isComponentPart(next))
              commit(msg`change ${component.name} to ${next.name}`, {
                do: 'component.replace',
                component: component.id,
                part: next,
              });
          }}
        />
        <Pick
          label={msg`Place`}
          value={p.on === 'free' || p.on === 'against' ? p.on : String(current)}
          options={[
            {
              value: '-1',
              label: benchWords(),
            },
            ...(stands ? [{ value: 'free', label: anywhere }] : []),
            ...(stands && host ? [{ value: 'against', label: msg`on another part` }] : []),
            ...places.map((o, i) => ({ value: String(i), label: o.label })),
          ]}
          onPick={(v) => place(placementFor(v))}
        />
        {placed?.unplaced && <p role="note">{msg`No place: it ${placed.unplaced}.`}</p>}
        {p.on === 'mount' && mount && component.part.kind === 'radiator' && (
          <>
            <div className={styles.slide}>
              <QuantityField
                label={msg`Slid along the rail`}
                value={p.slide_mm}
                quantity="length"
                min={0}
                max={Math.max(0, slack)}
                onCommit={(v) =>
                  v !== null && change(p, (now) => ({ ...now, slide_mm: held(v, now.ports) }))
                }
              />
              {[-5, -1, 1, 5].map((by) => (
                <Press
                  key={by}
                  className={styles.nudge}
                  disabled={p.slide_mm + by < 0 || p.slide_mm + by > slack}
                  onClick={() =>
                    change(
                      p,
                      (now) => ({
                        ...now,
                        slide_mm: mount.holes
                          ? nudgedSlide(rangesFor(now.ports), now.slide_mm, by)
                          : Math.min(slack, Math.max(0, now.slide_mm + by)),
                      }),
                      msg`slide ${component.name}`,
                      `slide-${component.id}`,
                    )
                  }
                >
                  {formatShown(by, 'mm', { signed: true })}
                </Press>
              ))}
              <span className="soft">
                {noted(
                  msg`of ${formatMeasure(Math.max(0, slack), 'mm')}`,
                  mount.holes && msg`to its holes`,
                )}
              </span>
            </div>
            <Segments
              label={msg`Ports`}
              value={p.ports}
              options={[
                {
                  value: 'end',
                  label: mount.along[1] !== 0 ? msg`ports up` : msg`ports to the front`,
                },
                {
                  value: 'start',
                  label: mount.along[1] !== 0 ? msg`ports down` : msg`ports to the rear`,
                },
              ]}
              onPick={(ports) =>
                change(p, (now) => ({ ...now, ports, slide_mm: held(now.slide_mm, ports) }))
              }
            />
          </>
        )}
        {p.on === 'mount' && (
          <Segments
            label={msg`Air direction`}
            value={p.air}
            options={[
              { value: 'in', label: msg`intake` },
              { value: 'out', label: msg`exhaust` },
            ]}
            onPick={(air) => change(p, (now) => ({ ...now, air }))}
          />
        )}
        {p.on === 'free' && (
          <div className={styles.slide}>
            {AXES.map(([i, label]) => (
              <QuantityField
                key={label}
                label={label}
                value={p.at[i]}
                quantity="length"
                min={-2000}
                max={2000}
                onCommit={(v) =>
                  v !== null &&
                  change(p, (now) => ({
                    ...now,
                    at: now.at.map((a, k) => (k === i ? v : a)) as unknown as Vec,
                  }))
                }
              />
            ))}
          </div>
        )}
        {p.on === 'free' && heldBy(component) !== 'weight' && (
          <TiltFields tilt={p.tilt} onTilt={(tilt) => change(p, (now) => withTilt(now, tilt))} />
        )}
        {p.on === 'free' && (
          <Segments
            label={msg`Held by`}
            value={heldBy(component) ?? 'bracket'}
            options={HOLDS}
            onPick={(by) =>
              commit(msg`what holds ${component.name}`, {
                do: 'component.set',
                component: component.id,
                values: { heldBy: by },
              })
            }
          />
        )}
        {p.on === 'against' && (
          <AgainstFields component={component} p={p} change={(how) => change(p, how)} />
        )}
        {p.on === 'riser' && (
          <Segments
            label={msg`Its cooler faces`}
            value={p.faces ?? 'glass'}
            options={[
              { value: 'glass', label: msg`the glass` },
              { value: 'back', label: msg`away from the glass` },
            ]}
            onPick={(faces) => change(p, (now) => ({ ...now, faces }))}
          />
        )}
        {(p.on === 'free' || p.on === 'spot' || p.on === 'bay' || p.on === 'against') && (
          <Attitude
            turn={p.turn ?? 0}
            up={p.up ?? '+y'}
            onTurn={(by) => change(p, (now) => ({ ...now, ...by }))}
          />
        )}
        {p.on === 'radiator' && (
          <Segments
            label={msg`Face`}
            value={p.face}
            options={[
              { value: 'frame', label: msg`between frame and radiator` },
              { value: 'interior', label: msg`inside` },
              { value: 'outside', label: msg`outside the panel` },
            ]}
            onPick={(face) => change(p, (now) => ({ ...now, face }))}
          />
        )}
        {component.part.kind === 'fan' && <FanPieces component={component} />}
        {component.part.kind === 'fan' && <FanLayers component={component} />}
        {(component.part.kind === 'fan' || component.part.kind === 'radiator') && (
          <QuantityField
            label={msg`Screw length, by hand`}
            optional
            value={component.settings.screw_mm ?? null}
            quantity="length"
            min={1}
            max={100}
            onCommit={(v) =>
              commit(
                msg`screws of ${component.name}`,
                v === null
                  ? { do: 'component.unset', component: component.id, keys: ['screw_mm'] }
                  : { do: 'component.set', component: component.id, values: { screw_mm: v } },
              )
            }
          />
        )}
        {p.on === 'against' && (
          <label>
            <Check
              checked={component.settings.partOf === p.component}
              onChange={(e) =>
                commit(
                  e.target.checked
                    ? msg`${component.name} comes with it`
                    : msg`${component.name} is sold apart`,
                  e.target.checked
                    ? {
                        do: 'component.set',
                        component: component.id,
                        values: { partOf: p.component },
                      }
                    : { do: 'component.unset', component: component.id, keys: ['partOf'] },
                )
              }
            />{' '}
            {msg`sold as one with what it stands on, at its price`}
          </label>
        )}
        <CompareParts component={component} />
        <div className={styles.row}>
          <label>
            <Check
              checked={component.settings.owned ?? false}
              onChange={(e) =>
                commit(`${e.target.checked ? 'own' : 'buy'} ${component.name}`, {
                  do: 'component.set',
                  component: component.id,
                  values: { owned: e.target.checked },
                })
              }
            />{' '}
            {msg`I have it already`}
          </label>
          <Press
            className={styles.remove}
            onClick={() => {
              pick(null);
              commit(msg`take out ${component.name}`, {
                do: 'component.remove',
                component: component.id,
              });
            }}
          >
            {msg`Take it out of the build`}
          </Press>
        </div>
      </div>
    </Section>
  );
}
