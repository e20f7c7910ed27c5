'use client';
import {
  Component,
  useInsertionEffect,
  useLayoutEffect,
  useRef,
  useState,
  type PointerEventHandler,
  type ReactNode,
} from 'react';
import { createRoot, events, extend, type ReconcilerRoot } from '@react-three/fiber';
import {
  AmbientLight,
  CapsuleGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  Group,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  SphereGeometry,
} from 'three';
import { useSize } from '@/view/shared/useWidth';

// What drawings are made of, by name: the rest of the library stays out of the page.
extend({
  AmbientLight,
  CapsuleGeometry,
  Color,
  CylinderGeometry,
  DirectionalLight,
  Group,
  InstancedMesh,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PlaneGeometry,
  SphereGeometry,
});

interface Props {
  /** Nearest thing that is drawn, and where the eye begins, mm. */
  readonly near: number;
  readonly eye: readonly [number, number, number];
  /** Materials may be cut open by planes of their own. */
  readonly isCut?: boolean;
  readonly onPointerUp?: PointerEventHandler;
  readonly onPointerLeave?: PointerEventHandler;
  readonly children: ReactNode;
}

/** A drawing in space, as large as what it stands in; drawn anew when it has changed. */
export function SpaceCanvas({ near, eye, isCut = false, children, ...pointer }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const root = useRef<ReconcilerRoot<HTMLCanvasElement> | null>(null);
  const [broken, setBroken] = useState<{ readonly by: unknown } | null>(null);
  const { width, height } = useSize(frame);
  if (broken) throw broken.by;
  // Stays over a page that React shows twice, and ends when the drawing is taken away.
  useInsertionEffect(
    () => () => {
      root.current?.unmount();
      root.current = null;
    },
    [],
  );
  useLayoutEffect(() => {
    if (!canvas.current || width === 0 || height === 0) return;
    const drawn = (root.current ??= createRoot(canvas.current));
    const fail = (by: unknown): void => setBroken({ by });
    drawn
      .configure({
        events,
        size: { width, height, top: 0, left: 0 },
        frameloop: 'demand',
        dpr: [1, 2],
        gl: { antialias: true },
        camera: { fov: 32, near, far: 8000, position: [...eye] },
        onCreated: ({ gl, events: heard }) => {
          gl.localClippingEnabled = isCut;
          if (frame.current) heard.connect?.(frame.current);
        },
      })
      .then(() => drawn.render(<Guard onBroken={fail}>{children}</Guard>))
      .catch(fail);
  });
  return (
    <div ref={frame} style={FILLS} {...pointer}>
      <canvas ref={canvas} style={{ display: 'block' }} />
    </div>
  );
}

const FILLS = { position: 'relative', width: '100%', height: '100%', overflow: 'hidden' } as const;

/** Hands what breaks in the drawing to the page, which tells it. */
class Guard extends Component<
  { readonly onBroken: (by: unknown) => void; readonly children: ReactNode },
  { readonly isBroken: boolean }
> {
  override state = { isBroken: false };

  static getDerivedStateFromError(): { readonly isBroken: boolean } {
    return { isBroken: true };
  }

  override componentDidCatch(by: unknown): void {
    this.props.onBroken(by);
  }

  override render(): ReactNode {
    return this.state.isBroken ? null : this.props.children;
  }
}
