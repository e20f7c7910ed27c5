'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { useSceneOnPage } from '../workspace/sceneOnPage';
import { isStage } from '../workspace/stages';
import { later } from '@/view/shared/later';

const VIEWS = {
  brief: dynamic(() => later(() => import('./brief/BriefStage').then((m) => m.BriefStage))),
  heat: dynamic(() => later(() => import('./heat/HeatStage').then((m) => m.HeatStage))),
  case: dynamic(() => later(() => import('./case/CaseStage').then((m) => m.CaseStage))),
  cooling: dynamic(() => later(() => import('./cooling/CoolingStage').then((m) => m.CoolingStage))),
  flow: dynamic(() => later(() => import('./flow/FlowStage').then((m) => m.FlowStage))),
  materials: dynamic(() =>
    later(() => import('./materials/MaterialsStage').then((m) => m.MaterialsStage)),
  ),
  runs: dynamic(() => later(() => import('./runs/RunsStage').then((m) => m.RunsStage))),
  parts: dynamic(() => later(() => import('./parts/PartsStage').then((m) => m.PartsStage))),
  assembly: dynamic(() =>
    later(() => import('./assembly/AssemblyStage').then((m) => m.AssemblyStage)),
  ),
  log: dynamic(() => later(() => import('./log/LogStage').then((m) => m.LogStage))),
} as const;

const SceneToTake = dynamic(() =>
  later(() => import('./scene/SceneToTake').then((m) => m.default)),
);

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
