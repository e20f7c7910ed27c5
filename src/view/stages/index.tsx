'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useSceneOnPage } from '../workspace/sceneOnPage';
import { isStage } from '../workspace/stages';

const VIEWS = {
  brief: dynamic(() => import('./brief/BriefStage').then((m) => m.BriefStage)),
  heat: dynamic(() => import('./heat/HeatStage').then((m) => m.HeatStage)),
  case: dynamic(() => import('./case/CaseStage').then((m) => m.CaseStage)),
  cooling: dynamic(() => import('./cooling/CoolingStage').then((m) => m.CoolingStage)),
  flow: dynamic(() => import('./flow/FlowStage').then((m) => m.FlowStage)),
  materials: dynamic(() => import('./materials/MaterialsStage').then((m) => m.MaterialsStage)),
  runs: dynamic(() => import('./runs/RunsStage').then((m) => m.RunsStage)),
  parts: dynamic(() => import('./parts/PartsStage').then((m) => m.PartsStage)),
  assembly: dynamic(() => import('./assembly/AssemblyStage').then((m) => m.AssemblyStage)),
  log: dynamic(() => import('./log/LogStage').then((m) => m.LogStage)),
} as const;

const SceneToTake = dynamic(() => import('./scene/SceneToTake'));

/** The stage that the address names: its picture and panel, loaded when first opened. */
export function StageView() {
  const stage = usePathname().split('/').at(-1) ?? '';
  const View = isStage(stage) ? VIEWS[stage] : VIEWS.heat;
  const isSceneWanted = useSceneOnPage((s) => s.wanted > 0);
  return (
    <>
      <View />
      {isSceneWanted && <SceneToTake />}
    </>
  );
}
