'use client';
import Link from 'next/link';
import { useState } from 'react';
import dynamic from 'next/dynamic';

import { ThemeSwitch, Press, TextInput, UnitsSwitch, rich } from '@/view/shared';
import { counted, msg } from '@/core/messages';
import { useEditor, useEditorLater } from './EditorProvider';
import { NextStep } from './NextStep';
import { saveWords } from './saveWords';
import { later } from '@/view/shared/later';
import styles from './TopBar.module.css';

const ExportDialog = dynamic(() =>
  later(() => import('./ExportDialog').then((m) => m.ExportDialog)),
);

export function TopBar() {
  const name = useEditor((s) => s.design.name);
  const open = useEditor((s) => s.open);
  const setSearch = useEditor((s) => s.setSearch);
  const commit = useEditor((s) => s.commit);
  const [isExporting, setExporting] = useState(false);
  return (
    <header className={styles.bar}>
      <Link href="/" className={styles.mark} title={msg`All builds`}>
        Zephyron
      </Link>
      <BuildName
        key={name}
        name={name}
        onRename={(to) => commit(msg`rename the build`, { do: 'design.rename', name: to })}
      />
      <SaveState />
      <NextStep />
      <UnitsSwitch className={styles.units} />
      <Steps />
      <Press className={styles.tool} onClick={() => open('findings')} title={msg`All findings (F)`}>
        <FindingCount />
      </Press>
      <Press className={styles.tool} onClick={() => setSearch(true)}>
        {rich`Find a command ${(<kbd className={styles.key}>{msg`Ctrl K`}</kbd>)}`}
      </Press>
      <Press
        className={styles.tool}
        aria-label={msg`Help: keys and terms`}
        title={msg`Keys and terms (?)`}
        onClick={() => open('help')}
      >
        ?
      </Press>
      <ThemeSwitch />
      <Press className={styles.export} aria-haspopup="dialog" onClick={() => setExporting(true)}>
        {msg`Print and export`}
      </Press>
      {isExporting && <ExportDialog onClose={() => setExporting(false)} />}
    </header>
  );
}

/** Whether all is saved; opens the history. */
function SaveState() {
  const revision = useEditorLater((s) => s.revision);
  const save = useEditorLater((s) => s.save);
  const saveMessage = useEditorLater((s) => s.saveMessage);
  const kept = useEditorLater((s) => s.kept);
  const open = useEditor((s) => s.open);
  return (
    <span
      role="status"
      className={styles.state}
      data-trouble={!['saved', 'saving', 'unsaved'].includes(save) || undefined}
    >
      <Press onClick={() => open('history')} title={msg`The history of this build`}>
        {msg`${saveWords(save, kept, saveMessage)}, revision ${revision}`}
      </Press>
    </span>
  );
}

/** One step back and one on. */
function Steps() {
  const past = useEditorLater((s) => s.past);
  const future = useEditorLater((s) => s.future);
  const undo = useEditor((s) => s.undo);
  const redo = useEditor((s) => s.redo);
  return (
    <>
      <Press
        className={styles.tool}
        disabled={past.length === 0}
        onClick={undo}
        title={
          past.length > 0 ? msg`Undo: ${past.at(-1)?.label ?? ''} (Ctrl+Z)` : msg`Nothing to undo`
        }
      >
        {msg`Undo`}
      </Press>
      <Press
        className={styles.tool}
        disabled={future.length === 0}
        onClick={redo}
        title={
          future.length > 0
            ? msg`Redo: ${future.at(-1)?.label ?? ''} (Ctrl+Shift+Z)`
            : msg`Nothing to redo`
        }
      >
        {msg`Redo`}
      </Press>
    </>
  );
}

/** Findings and notes told apart; nothing is said to be absent that is there. */
function FindingCount(): string {
  const findings = useEditorLater((s) => s.analysis.findings);
  const notes = findings.filter((f) => f.severity === 'note').length;
  const count = findings.length - notes;
  if (count === 0 && notes === 0) return msg`No findings`;
  const parts = [
    count > 0 ? msg`${counted(count, '# finding', '# findings')}` : '',
    notes > 0 ? msg`${counted(notes, '# note', '# notes')}` : '',
  ];
  return parts.filter((p) => p !== '').join(', ');
}

function BuildName({
  name,
  onRename,
}: {
  readonly name: string;
  readonly onRename: (name: string) => void;
}) {
  const [text, setText] = useState(name);
  const done = (): void => {
    const t = text.trim().slice(0, 80);
    if (t && t !== name) onRename(t);
    else setText(name);
  };
  return (
    <TextInput
      className={styles.name}
      aria-label={msg`Name of the build`}
      value={text}
      size={Math.max(8, Math.min(36, text.length))}
      maxLength={80}
      onChange={(e) => setText(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === 'Enter') e.currentTarget.blur();
        if (e.key === 'Escape') setText(name);
      }}
    />
  );
}
