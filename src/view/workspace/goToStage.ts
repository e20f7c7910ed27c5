import type { MouseEvent } from 'react';
import type { StageId } from './stages';

export const stageAddress = (build: string, stage: StageId): string =>
  `/builds/${encodeURIComponent(build)}/${stage}`;

/** Opens another stage of the open build. The server is not asked: the build is here. */
export function goToStage(build: string, stage: StageId): void {
  window.history.pushState(null, '', stageAddress(build, stage));
}

/** The same for a link, unless it is to open elsewhere (another tab, a download). */
export function followToStage(e: MouseEvent, build: string, stage: StageId): void {
  if (e.defaultPrevented || e.button !== 0 || e.metaKey || e.ctrlKey || e.shiftKey || e.altKey)
    return;
  e.preventDefault();
  goToStage(build, stage);
}
