'use client';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import type { ComponentType } from 'react';
import { useStageAwake } from '../workspace/awake';
import { useSceneOnPage } from '../workspace/sceneOnPage';
import { isStage } from '../workspace/stages';
import { later } from '@/view/shared/later';

/** A stage that says when it answers: the pieces of a page wake one after the other. */
const awake = (Stage: ComponentType) =>
  function AwakeStage() {
    useStageAwake();
    return <Stage />;
  };

const VIEWS = {
  brief: dynamic(() => later(() => import('./brief/BriefStage').then((m) => awake(m.BriefStage)))),
  heat: dynamic(() => later(() => import('./heat/HeatStage').then((m) => awake(m.HeatStage)))),
  case: dynamic(() => later(() => import('./case/CaseStage').then((m) => awake(m.CaseStage)))),
  cooling: dynamic(() =>
    later(() => import('./cooling/CoolingStage').then((m) => awake(m.CoolingStage))),
  ),
  flow: dynamic(() => later(() => import('./flow/FlowStage').then((m) => awake(m.FlowStage)))),
  materials: dynamic(() =>
    later(() => import('./materials/MaterialsStage').then((m) => awake(m.MaterialsStage))),
  ),
  runs: dynamic(() => later(() => import('./runs/RunsStage').then((m) => awake(m.RunsStage)))),
  parts: dynamic(() => later(() => import('./parts/PartsStage').then((m) => awake(m.PartsStage)))),
  assembly: dynamic(() =>
    later(() => import('./assembly/AssemblyStage').then((m) => awake(m.AssemblyStage))),
  ),
  log: dynamic(() => later(() => import('./log/LogStage').then((m) => awake(m.LogStage)))),
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
