'use client';
import type { Finding } from '@/core/checks';
import { useEditor } from './EditorProvider';
import { goToStage } from './goToStage';

/** Opens the stage of a finding, with what it is about picked everywhere. */
export function useShowFinding(): (f: Finding) => void {
  const id = useEditor((s) => s.id);
  const pick = useEditor((s) => s.pick);
  return (f) => {
    pick(f.subjects[0] ?? null);
    if (!window.location.pathname.endsWith(`/${f.stage}`)) goToStage(id, f.stage);
  };
}
