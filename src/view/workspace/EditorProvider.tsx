'use client';
import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useStore } from 'zustand';
import type { Design } from '@/core/design';
import { usePartLists } from '@/view/shared';
import { createEditor, type Editor, type EditorState } from './editor';
import { readOutbox } from './outbox';

const Context = createContext<Editor | null>(null);

/** Opens a build for the pages below it, and takes up what this browser still holds of it. */
export function EditorProvider({
  id,
  revision,
  design,
  children,
}: {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly children: ReactNode;
}) {
  const [editor] = useState(() => createEditor(id, revision, design));
  useEffect(() => {
    let live = true;
    void readOutbox(id).then((entry) => {
      if (!live || !entry || editor.getState().past.length > 0) return;
      // A page kept by the browser's back button may be older than what was saved from here since.
      if (entry.dirty || entry.revision >= revision) editor.getState().restore(entry);
    });
    return () => {
      live = false;
    };
  }, [editor, id, revision]);
  useEffect(() => {
    usePartLists.getState().load();
    return usePartLists.subscribe((now, was) => {
      if (now.offer !== was.offer) editor.getState().rethink();
    });
  }, [editor]);
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent): void => {
      if (editor.getState().save === 'refused') e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [editor]);
  return <Context.Provider value={editor}>{children}</Context.Provider>;
}

export function useEditor<T>(select: (state: EditorState) => T): T {
  const editor = useContext(Context);
  if (!editor) throw new Error('useEditor outside an EditorProvider');
  return useStore(editor, select);
}
