'use client';
import {
  createContext,
  startTransition,
  useContext,
  useEffect,
  useState,
  type ReactNode,
} from 'react';
import { useStore } from 'zustand';
import type { Told } from '@/core/analysis';
import type { Design } from '@/core/design';
import { msg } from '@/core/messages';
import { toldInThread, type MakeAnalyst } from '@/engine';
import { TroublePage, usePartLists } from '@/view/shared';
import { afterPaint, notAfterPaint } from '@/view/shared/afterPaint';
import { createEditor, type Editor, type EditorState, type OpenedBuild } from './editor';
import { openOutbox } from './outbox';

const Context = createContext<Editor | null>(null);

/**
 * Opens a build for the pages below it, and takes up what this browser still holds of it. What came
 * without being worked out is worked out here first.
 */
export function EditorProvider({
  build,
  ...shown
}: {
  readonly build: Omit<OpenedBuild, 'told'> & { readonly told: Told | null };
  /** Who works it out; a thread of its own where not said. */
  readonly analyst?: MakeAnalyst;
  readonly children: ReactNode;
}) {
  const { told, hasFailed } = useTold(build.design, build.told);
  if (told) return <OpenEditor build={{ ...build, told }} {...shown} />;
  return (
    <TroublePage title={build.design.name}>
      {hasFailed
        ? msg`This build could not be worked out. Nothing was changed.`
        : msg`Being worked out …`}
    </TroublePage>
  );
}

/** What is told of a design: as it came, else by a thread. */
function useTold(
  design: Design,
  known: Told | null,
): { readonly told: Told | null; readonly hasFailed: boolean } {
  const [told, setTold] = useState(known);
  const [hasFailed, setFailed] = useState(false);
  useEffect(() => {
    if (told) return undefined;
    let live = true;
    toldInThread(design, usePartLists.getState().partLists).then(
      (worked) => live && setTold(worked),
      () => live && setFailed(true),
    );
    return () => {
      live = false;
    };
  }, [design, told]);
  return { told, hasFailed };
}

function OpenEditor({
  build,
  analyst,
  children,
}: {
  readonly build: OpenedBuild;
  readonly analyst?: MakeAnalyst;
  readonly children: ReactNode;
}) {
  const [editor] = useState(() => createEditor(build, analyst));
  useOutbox(editor, build.id);
  useEffect(() => {
    usePartLists.getState().load();
    return usePartLists.subscribe((now, was) => {
      if (now.partLists !== was.partLists) editor.getState().rethink();
    });
  }, [editor]);
  useLeaving(editor);
  return <Context.Provider value={editor}>{children}</Context.Provider>;
}

/** Reads this browser's log of the build; edits wait for it. */
function useOutbox(editor: Editor, id: string): void {
  useEffect(() => {
    let live = true;
    void openOutbox(id, (kept) => live && editor.getState().setKept(kept)).then((opened) => {
      if (live) editor.getState().opened(opened);
      else opened.outbox.close();
    });
    return () => {
      live = false;
      editor.getState().close();
    };
  }, [editor, id]);
}

/** What is to be done when the page is left, and when it is looked at again. */
function useLeaving(editor: Editor): void {
  useEffect(() => {
    const warn = (e: BeforeUnloadEvent): void => {
      const { save, kept } = editor.getState();
      if (save === 'refused' || (save !== 'saved' && kept !== 'kept')) e.preventDefault();
    };
    const leave = (): void => editor.getState().pageCloses();
    const look = (): void => {
      if (document.visibilityState === 'visible') editor.getState().takeLeft();
    };
    const back = (): void => editor.getState().isBack();
    window.addEventListener('online', back);
    window.addEventListener('beforeunload', warn);
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', look);
    return () => {
      window.removeEventListener('online', back);
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', look);
    };
  }, [editor]);
}

export function useEditor<T>(select: (state: EditorState) => T): T {
  return useStore(useOpenEditor(), select);
}

/**
 * The same for what stands beside the picture under the hand: that is drawn first, this once it is
 * drawn, and not at all in between. What is selected depends on the state alone.
 */
export function useEditorLater<T>(select: (state: EditorState) => T): T {
  const editor = useOpenEditor();
  const [how] = useState(() => select);
  const [value, setValue] = useState(() => how(editor.getState()));
  useEffect(() => {
    const look = (): void => startTransition(() => setValue(() => how(editor.getState())));
    look();
    const stop = editor.subscribe(() => afterPaint(look));
    return () => {
      stop();
      notAfterPaint(look);
    };
  }, [editor, how]);
  return value;
}

/**
 * The editor's state at the moment of asking: for a key that is held down, whose next stroke may
 * come before the page has drawn what the last one did.
 */
export function useEditorNow(): () => EditorState {
  return useOpenEditor().getState;
}

function useOpenEditor(): Editor {
  const editor = useContext(Context);
  if (!editor) throw new Error('an editor is used outside its EditorProvider');
  return editor;
}
