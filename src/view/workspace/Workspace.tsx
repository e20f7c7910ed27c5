'use client';
import { useSyncExternalStore, type ReactNode } from 'react';
import Snackbar from '@mui/material/Snackbar';
import { useEditor } from './EditorProvider';
import { AutoRoute } from './AutoRoute';
import { CommandSearch } from './CommandSearch';
import { ConflictDialog } from './ConflictDialog';
import { FindingDrawer } from './FindingDrawer';
import { GoneDialog } from './GoneDialog';
import { HistoryDrawer } from './HistoryDrawer';
import { LoopLine } from './LoopLine';
import { StageRail } from './StageRail';
import { CatalogueDrawer } from './CatalogueDrawer';
import { TopBar } from './TopBar';
import { useKeys } from './useKeys';
import styles from './Workspace.module.css';

/** The shape of a build: bar on top, stages left, the stage in the middle, the loop line below. */
export function Workspace({ children }: { readonly children: ReactNode }) {
  useKeys();
  const diagnostic = useEditor((s) => s.diagnostic);
  const say = useEditor((s) => s.say);
  // False in the page as sent, true once the browser has taken it over: keys work from then on.
  const awake = useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );
  return (
    <div className={styles.shell} data-awake={awake}>
      <AutoRoute />
      <TopBar />
      <StageRail />
      <main className={styles.stage}>{children}</main>
      <LoopLine />
      <FindingDrawer />
      <CatalogueDrawer />
      <CommandSearch />
      <ConflictDialog />
      <GoneDialog />
      <HistoryDrawer />
      <Snackbar
        open={diagnostic !== null}
        onClose={() => say(null)}
        autoHideDuration={9000}
        message={diagnostic}
      />
    </div>
  );
}
