'use client';
import { useEffect } from 'react';
import { useEditor, useSceneOnPage } from '@/view/workspace';
import { CaseInSpace } from './CaseInSpace';

/** Where no scene can be drawn: says so to who waits for one. */
function NoScene() {
  useEffect(() => useSceneOnPage.setState({ isImpossible: true }), []);
  return null;
}

const nothing = (): void => undefined;

/** The whole machine, drawn beside the page for an export, as large as a window. */
export default function SceneToTake() {
  const design = useEditor((s) => s.design);
  const { system, reports } = useEditor((s) => s.analysis);
  return (
    <div
      inert
      aria-hidden="true"
      style={{ position: 'fixed', left: -4000, top: 0, width: 1280, height: 800 }}
    >
      <CaseInSpace
        design={design}
        system={system}
        gaps={[]}
        runs={reports.runs}
        picked={null}
        onPick={nothing}
        onHold={nothing}
        heat={reports.heat[design.brief.loadCase]}
        otherwise={<NoScene />}
      />
    </div>
  );
}
