'use client';
import ExpandLess from '@mui/icons-material/ExpandLess';
import ExpandMore from '@mui/icons-material/ExpandMore';
import { useEffect, useRef, useState } from 'react';
import Drawer from '@mui/material/Drawer';
import { findingKey, groupByFix, type Finding, type Fix } from '@/core/checks';

import { Mark, Press, verdictOfSeverity, rich } from '@/view/shared';
import { counted, msg, sentences } from '@/core/messages';
import { useEditor } from './EditorProvider';
import { FindingList } from './FindingList';
import { STAGES } from './stages';
import { useTour } from './tour';
import { useFixes } from './useJobs';
import { useShowFinding } from './useShowFinding';
import drawer from './Drawer.module.css';
import styles from './FindingList.module.css';

/** Every finding of the build beside the stage: first what one change solves, then by stage. */
export function FindingSheet() {
  const isOpen = useEditor((s) => s.drawer === 'findings');
  const close = useEditor((s) => s.open);
  const opener = useRef<Element | null>(null);
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (!isOpen) return;
    opener.current = document.activeElement;
    head.current?.focus();
    return () => {
      if (opener.current instanceof HTMLElement) opener.current.focus();
    };
  }, [isOpen]);
  return (
    <Drawer
      variant="persistent"
      anchor="right"
      open={isOpen}
      slotProps={{
        paper: {
          className: `${drawer.paper} ${styles.sheet}`,
          elevation: 0,
          component: 'aside',
          'aria-label': msg`Findings`,
          onKeyDown: (e: React.KeyboardEvent) => {
            if (e.key === 'Escape') close(null);
          },
        } as object,
      }}
    >
      {isOpen && (
        <>
          <div className={drawer.head}>
            <h1 tabIndex={-1} ref={head}>
              {msg`Findings`}
            </h1>
            <Press className={drawer.close} onClick={() => close(null)}>
              {msg`Close`}
            </Press>
          </div>
          <SheetBody onApplied={() => head.current?.focus()} />
        </>
      )}
    </Drawer>
  );
}

const NONE: readonly (readonly [string, readonly Fix[]])[] = [];

function SheetBody({ onApplied }: { readonly onApplied: () => void }) {
  const findings = useEditor((s) => s.analysis.findings);
  const commit = useEditor((s) => s.commit);
  const open = useEditor((s) => s.open);
  const id = useEditor((s) => s.id);
  const startTour = useTour((s) => s.start);
  const weighed = findings.filter((f) => f.severity !== 'note');
  const resolved = useFixes(findings.map(findingKey));
  const isFresh = resolved.fresh && resolved.result !== null;
  const { groups, alone } = groupByFix(weighed, isFresh ? (resolved.result ?? NONE) : NONE);
  const notes = findings.filter((f) => f.severity === 'note');
  const [areNotesOpen, setNotesOpen] = useState(false);
  return (
    <>
      <p role="status" className="soft">
        {sentences(
          countWords(findings),
          !isFresh && findings.length > 0 && msg`Trying what would solve them …`,
        )}
      </p>
      {findings.length > 1 && (
        <Press
          className={styles.tour}
          onClick={() => {
            open(null);
            startTour(id, findings);
          }}
        >
          {msg`Walk through them one by one`}
        </Press>
      )}
      {groups.map(({ fix, findings: solved }) => (
        <section key={fix.label} className={styles.group}>
          <h2>{msg`${fix.label}: clears ${counted(solved.length, '# finding', '# findings')}`}</h2>
          <ul className={styles.list}>
            {solved.map((f) => (
              <FindingLine key={findingKey(f)} finding={f} />
            ))}
          </ul>
          <Press
            className={styles.fix}
            onClick={() => {
              commit(fix.label, fix.edit);
              onApplied();
            }}
          >
            {msg`Apply this change`}
          </Press>
        </section>
      ))}
      {STAGES.map((s) => {
        const own = alone.filter((f) => f.stage === s.id);
        return own.length === 0 ? null : (
          <section key={s.id} className={drawer.section}>
            <h2>{s.name}</h2>
            <FindingList findings={own} onApplied={onApplied} />
          </section>
        );
      })}
      {notes.length > 0 && (
        <section className={drawer.section}>
          <h2>
            <Press aria-expanded={areNotesOpen} onClick={() => setNotesOpen(!areNotesOpen)}>
              {rich`${counted(notes.length, '# note', '# notes')}
                ${areNotesOpen ? <ExpandLess fontSize="inherit" /> : <ExpandMore fontSize="inherit" />}`}
            </Press>
          </h2>
          {areNotesOpen && <FindingList findings={notes} onApplied={onApplied} />}
        </section>
      )}
    </>
  );
}

/** One finding in a line; a click goes to its stage and picks the part it is about. */
function FindingLine({ finding: f }: { readonly finding: Finding }) {
  const show = useShowFinding();
  return (
    <li className={styles.line}>
      <Mark verdict={verdictOfSeverity[f.severity]} />
      <Press className={styles.title} onClick={() => show(f)}>
        {f.title}
      </Press>
    </li>
  );
}

function countWords(findings: readonly Finding[]): string {
  if (findings.length === 0)
    return msg`Everything checked so far is OK. Findings come as you add parts and connect them.`;
  const count = (severity: Finding['severity']): number =>
    findings.filter((f) => f.severity === severity).length;
  const words = [
    count('fails') > 0 ? msg`${counted(count('fails'), '# fails', '# fail')}` : '',
    count('marginal') > 0 ? msg`${count('marginal')} marginal` : '',
    count('note') > 0 ? msg`${counted(count('note'), '# note', '# notes')}` : '',
  ];
  return `${words.filter((w) => w !== '').join(', ')}.`;
}
