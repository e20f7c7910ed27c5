'use client';
import { useHotkeys } from 'react-hotkeys-hook';
import { useEditor, useEditorNow } from './EditorProvider';
import { goToStage } from './goToStage';
import { isLoopOpen, useFrame } from './frame';
import { STAGES } from './stages';

/**
 * Keys of the workspace: digits for stages, [ and ] along the flow, L for the loop diagram, F for
 * findings, Ctrl+K, Ctrl+Z.
 */
export function useKeys(): void {
  const id = useEditor((s) => s.id);
  const undo = useEditor((s) => s.undo);
  const redo = useEditor((s) => s.redo);
  const open = useEditor((s) => s.open);
  const drawer = useEditor((s) => s.drawer);
  const setSearch = useEditor((s) => s.setSearch);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const editorNow = useEditorNow();
  const enabled = useFrame((s) => s.areKeysOn);
  const loops = () => editorNow().analysis.system.loops;
  useHotkeys(
    STAGES.map((s) => s.digit),
    (e) => {
      const s = STAGES.find((x) => x.digit === e.key);
      if (s) goToStage(id, s.id);
    },
    { preventDefault: true, enabled },
    [id],
  );
  useHotkeys('f', () => open(drawer === 'findings' ? null : 'findings'), { enabled }, [drawer]);
  useHotkeys(
    ['?', 'shift+?'],
    () => open(drawer === 'help' ? null : 'help'),
    { useKey: true, enabled },
    [drawer],
  );
  useHotkeys(
    'l',
    () => {
      const { loop, set } = useFrame.getState();
      const isOpen = isLoopOpen(loop, window.location.pathname, loops().length);
      set({ loop: isOpen ? 'ribbon' : 'open' });
    },
    { enabled },
    [editorNow],
  );
  useHotkeys('mod+k', () => setSearch(true), { preventDefault: true, enableOnFormTags: true });
  useHotkeys('mod+z', undo, { preventDefault: true });
  useHotkeys(['mod+shift+z', 'mod+y'], redo, { preventDefault: true });
  useHotkeys('escape', () => pick(null));
  const step = (by: number): void => {
    const stations = loops().flatMap((g) => g.stations);
    if (stations.length === 0) return;
    const i = picked ? stations.indexOf(picked) : -1;
    const nextIndex = () => {
      if (i < 0) {
        if (by > 0) return 0;
        return stations.length - 1;
      }
      return (i + by + stations.length) % stations.length;
    };
    pick(stations[nextIndex()] ?? null);
  };
  useHotkeys('[', () => step(-1), { useKey: true, enabled }, [editorNow, picked]);
  useHotkeys(']', () => step(1), { useKey: true, enabled }, [editorNow, picked]);
}
