'use client';
import { useMemo, useState } from 'react';
import type { ThreeEvent } from '@react-three/fiber';
import type { ComponentPart } from '@/core/components';
import { bodiesOf, FACES, hasPorts, movePort, type Face } from '@/core/making';
import { roundIn, type Vec } from '@/core/geometry';
import type { Solid } from '@/core/system';
import { SpaceCanvas } from '@/view/stages/scene/SpaceCanvas';
import { Orbit } from '@/view/stages/scene/Orbit';
import { usePaper } from '@/view/stages/scene/paper';
import { SolidMesh } from '@/view/stages/scene/SolidMesh';
import { msg } from '@/core/messages';
import styles from './PartShape.module.css';

/** A body's outward direction where it is pointed at, as a face of the part. */
function faceAt({ face }: ThreeEvent<PointerEvent>): Face | null {
  if (!face) return null;
  const { x, y, z } = face.normal;
  const axis = [Math.abs(x), Math.abs(y), Math.abs(z)].indexOf(
    Math.max(Math.abs(x), Math.abs(y), Math.abs(z)),
  );
  const sign = ([x, y, z][axis] ?? 0) >= 0 ? '+' : '-';
  return FACES.find((f) => f === `${sign}${'xyz'[axis] ?? 'x'}`) ?? null;
}

/** Where the eye begins, mm. */
const EYE = [300, 250, 300] as const;
/** The eye stands so far off, in diagonals of the part: all of it is seen, however slim. */
const FAR = 1.95;

/** A body as it is drawn: a box, or the cylinder that fills it. */
function solidOf(component: string, b: ReturnType<typeof bodiesOf>[number]): Solid {
  const solid: Solid = { component, detail: b.name, box: b };
  return b.round ? { ...solid, cylinder: roundIn(b, b.round) } : solid;
}

/** The part in space: turned with the mouse, its ports dragged over its faces. */
export default function PartScene({
  part,
  picked,
  onPick,
  onChange,
}: {
  readonly part: ComponentPart;
  readonly picked: string | null;
  onPick(port: string): void;
  onChange(part: ComponentPart): void;
}) {
  const paper = usePaper();
  const [held, setHeld] = useState<string | null>(null);
  const shown = useMemo(() => ({ min: [0, 0, 0] as Vec, max: part.size }), [part.size]);
  const drag = (e: ThreeEvent<PointerEvent>): void => {
    const face = faceAt(e);
    if (!held || !face || !hasPorts(part)) return;
    e.stopPropagation();
    onChange(movePort(part, held, face, [e.point.x, e.point.y, e.point.z]) as ComponentPart);
  };
  return (
    <div
      className={styles.scene}
      role="img"
      aria-label={msg`${part.name} in space. The tables beside say the same in words.`}
    >
      <SpaceCanvas
        near={5}
        eye={EYE}
        onPointerUp={() => setHeld(null)}
        onPointerLeave={() => setHeld(null)}
      >
        <color attach="background" args={[paper.paper]} />
        <ambientLight intensity={2.7} />
        <directionalLight position={[600, 1400, 1000]} intensity={1.15} />
        <Orbit shown={shown} stand="corner" held={held !== null} fill={FAR} />
        <group onPointerMove={drag}>
          {bodiesOf(part).map((b, i) => (
            <SolidMesh
              key={i}
              solid={solidOf(part.id, b)}
              fill={paper.float}
              edge={paper.ink}
              heavy={false}
              clip={[]}
            />
          ))}
        </group>
        {hasPorts(part) &&
          part.ports.map((p) => {
            const [x, y, z] = p.direction;
            return (
              <mesh
                key={p.id}
                position={[p.at[0] + 2 * x, p.at[1] + 2 * y, p.at[2] + 2 * z]}
                rotation={[
                  Math.abs(z) > 0.5 ? Math.PI / 2 : 0,
                  0,
                  Math.abs(x) > 0.5 ? Math.PI / 2 : 0,
                ]}
                onPointerDown={(e) => {
                  e.stopPropagation();
                  setHeld(p.id);
                  onPick(p.id);
                }}
              >
                <cylinderGeometry args={[6.6, 6.6, 4, 20]} />
                <meshLambertMaterial color={picked === p.id ? paper.copper : paper.ink} />
              </mesh>
            );
          })}
      </SpaceCanvas>
    </div>
  );
}
