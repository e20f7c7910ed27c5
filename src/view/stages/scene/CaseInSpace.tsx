'use client';
import { Component, lazy, Suspense, useSyncExternalStore, type ReactNode } from 'react';
import { msg } from '@/core/messages';
import type { SceneProps } from './Scene';
import { untilLoaded } from '@/view/shared/untilLoaded';

const Scene = lazy(() => untilLoaded(() => import('./Scene')));

/** Whether this browser can draw in space at all. Asked once. */
let known: boolean | null = null;
function canDraw(): boolean {
  if (known !== null) return known;
  try {
    const gl = document.createElement('canvas').getContext('webgl2');
    known = gl !== null;
    gl?.getExtension('WEBGL_lose_context')?.loseContext();
  } catch {
    known = false;
  }
  return known;
}

/** A drawing that fails (a lost graphics card) makes way for the plain one. */
class Otherwise extends Component<
  { readonly otherwise: ReactNode; readonly children: ReactNode },
  { readonly failed: boolean }
> {
  override state = { failed: false };
  static getDerivedStateFromError(): { readonly failed: boolean } {
    return { failed: true };
  }
  override render(): ReactNode {
    return this.state.failed ? this.props.otherwise : this.props.children;
  }
}

/** The scene, loaded when first asked for; `otherwise` where there is no WebGL, or it broke. */
export function CaseInSpace({
  otherwise,
  ...props
}: SceneProps & { readonly otherwise: ReactNode }) {
  const can = useSyncExternalStore(
    () => () => undefined,
    canDraw,
    () => null,
  );
  if (can === null) return null;
  const plain = (
    <>
      <p role="status">
        {msg`This browser cannot draw in 3D (WebGL is off): here is the case from the window side.`}
      </p>
      {otherwise}
    </>
  );
  if (!can) return plain;
  return (
    <Otherwise otherwise={plain}>
      <Suspense fallback={<p className="soft">{msg`Setting the case up …`}</p>}>
        <Scene {...props} />
      </Suspense>
    </Otherwise>
  );
}
