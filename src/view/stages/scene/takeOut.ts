import { Group, type PerspectiveCamera, type Scene as Stage, type WebGLRenderer } from 'three';

/** What is drawn, and what draws it. */
export interface Shown {
  readonly gl: WebGLRenderer;
  readonly scene: Stage;
  readonly camera: PerspectiveCamera;
}

/** Of a picture for print, px. */
const WIDE_PX = 3840,
  HIGH_PX = 2160;
/** glTF counts in metres. */
const METRES = 0.001;

/** The scene as it is seen now, in 3840 × 2160 px, as a PNG. */
export async function scenePng({ gl, scene, camera }: Shown): Promise<Blob | null> {
  const { width, height } = gl.domElement,
    ratio = gl.getPixelRatio(),
    view = camera.view ? { ...camera.view } : null,
    aspect = camera.aspect;
  try {
    gl.setPixelRatio(1);
    gl.setSize(WIDE_PX, HIGH_PX, false);
    camera.clearViewOffset();
    camera.aspect = WIDE_PX / HIGH_PX;
    camera.updateProjectionMatrix();
    gl.render(scene, camera);
    return await new Promise((resolve) => gl.domElement.toBlob(resolve, 'image/png'));
  } finally {
    gl.setPixelRatio(ratio);
    gl.setSize(width / ratio, height / ratio, false);
    camera.aspect = aspect;
    if (view)
      camera.setViewOffset(
        view.fullWidth,
        view.fullHeight,
        view.offsetX,
        view.offsetY,
        view.width,
        view.height,
      );
    camera.updateProjectionMatrix();
    gl.render(scene, camera);
  }
}

/** The machine as binary glTF 2.0, in metres, its parts and runs by name. */
export async function sceneGlb({ scene }: Pick<Shown, 'scene'>, name: string): Promise<Blob> {
  const { GLTFExporter } = await import('three/examples/jsm/exporters/GLTFExporter.js');
  const root = new Group();
  root.name = name;
  root.scale.setScalar(METRES);
  for (const child of scene.children) if (child.name !== '') root.add(child.clone());
  const made = await new GLTFExporter().parseAsync(root, { binary: true });
  return new Blob([made as ArrayBuffer], { type: 'model/gltf-binary' });
}
