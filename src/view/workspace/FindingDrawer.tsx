'use client';
import { Press } from '@/view/shared';
import Drawer from '@mui/material/Drawer';
import { STAGES } from './stages';
import { useEditor } from './EditorProvider';
import { FindingList } from './FindingList';
import styles from './Drawer.module.css';

/** Every finding of the build by stage, worst first. */
export function FindingDrawer() {
  const open = useEditor((s) => s.drawer === 'findings');
  const setOpen = useEditor((s) => s.open);
  const findings = useEditor((s) => s.analysis.findings);
  return (
    <Drawer
      anchor="right"
      open={open}
      onClose={() => setOpen(null)}
      slotProps={{ paper: { className: styles.paper as string, elevation: 0 } }}
    >
      <div className={styles.head}>
        <h1>Findings</h1>
        <Press className={styles.close} onClick={() => setOpen(null)}>
          Close
        </Press>
      </div>
      {findings.length === 0 && (
        <p>
          Nothing to find: everything checked so far is OK. Findings come as you add parts and
          connect them.
        </p>
      )}
      {STAGES.map((s) => {
        const own = findings.filter((f) => f.stage === s.id);
        return own.length === 0 ? null : (
          <section key={s.id} className={styles.section}>
            <h2>{s.name}</h2>
            <FindingList findings={own} />
          </section>
        );
      })}
    </Drawer>
  );
}
