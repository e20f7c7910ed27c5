'use client';
import { useMemo } from 'react';
import { useEditor, useEditorNow } from './EditorProvider';
import { runDrawing } from './runDrawing';

/** Drawing a run from port to port: in the drawings, in the loop diagram, or by name. */
export function useDrawRun() {
  const editorNow = useEditorNow();
  const drawing = useEditor((s) => s.drawing);
  const doing = useMemo(() => runDrawing(editorNow), [editorNow]);
  return { drawing, ...doing };
}
