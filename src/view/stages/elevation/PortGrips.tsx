import { samePort, type PortRef } from '@/core/design';
import type { System } from '@/core/system';
import type { Vec } from '@/core/geometry';
import { flatPoint, type View } from '@/core/elevation';
import styles from './Elevation.module.css';

/** Ports to click while a run is drawn: those with a run are hollow. */
export function PortGrips({
  view,
  size,
  model: system,
  from,
  k,
  onPort,
}: {
  readonly view: View;
  readonly size: Vec;
  readonly model: System;
  readonly from: PortRef | null;
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
  onPort(ref: PortRef): void;
}) {
  const used = (ref: PortRef): boolean =>
    system.design.loops.some((l) =>
      l.connections.some((c) => samePort(c.from, ref) || samePort(c.to, ref)),
    );
  return (
    <g>
      {[...system.placed.values()]
        .flatMap((p) => p.ports.map((port) => ({ port, name: nameOf(system, p.id) })))
        .map(({ port, name }) => {
          const ref: PortRef = { component: port.component, port: port.port.id };
          const [x, y] = flatPoint(view, size, port.at);
          const isFrom = from !== null && samePort(from, ref);
          const fill = used(ref) ? 'var(--paper)' : 'var(--copper)';
          const label = `${name}, ${port.port.name}`;
          return (
            <circle
              key={`${ref.component}/${ref.port}`}
              className={styles.grip}
              cx={x}
              cy={y}
              r={(isFrom ? 9 : 7) * k}
              fill={isFrom ? 'var(--ink)' : fill}
              stroke="var(--copper)"
              strokeWidth={2 * k}
              tabIndex={0}
              role="button"
              aria-label={label}
              onClick={(e) => {
                e.stopPropagation();
                onPort(ref);
              }}
              onKeyDown={(e) => {
                if (e.key === 'Enter' || e.key === ' ') onPort(ref);
              }}
            >
              <title>{label}</title>
            </circle>
          );
        })}
    </g>
  );
}

const nameOf = ({ design }: System, id: string): string =>
  design.components.find((c) => c.id === id)?.name ?? id;
