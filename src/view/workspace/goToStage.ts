import type { MouseEvent } from 'react';
import { useFrame } from './frame';
import { SPATIAL_STAGES, type StageId } from './stages';

export const stageAddress = (build: string, stage: StageId): string =>
  `/builds/${encodeURIComponent(build)}/${stage}`;

/** Opens another stage of the open build. The server is not asked: the build is here. */
export function goToStage(build: string, stage: StageId): void {
  const asked = new URLSearchParams();
  if (SPATIAL_STAGES.includes(stage)) asked.set('view', useFrame.getState().view);
  const part = new URLSearchParams(window.location.search).get('part');
  if (part !== null) asked.set('part', part);
  const search = asked.size > 0 ? `?${asked.toString()}` : '';
  window.history.pushState(null, '', `${stageAddress(build, stage)}${search}`);
}

/** The same for a link, unless it is to open elsewhere (another tab, a download). */
export function followToStage(e: MouseEvent, build: string, stage: StageId): void {
  if (e.defaultPrevented || e.button !== 0 || e.metaKey || e.ctrlKey || e.shiftKey || e.altKey)
    return;
  e.preventDefault();
  goToStage(build, stage);
}
