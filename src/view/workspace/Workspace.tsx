'use client';
import { useSyncExternalStore, type ReactNode } from 'react';
import Snackbar from '@mui/material/Snackbar';
import { useBench } from './EditorProvider';
import { AutoRoute } from './AutoRoute';
import { CommandSearch } from './CommandSearch';
import { ConflictDialog } from './ConflictDialog';
import { FindingDrawer } from './FindingDrawer';
import { LoopLine } from './LoopLine';
import { StageRail } from './StageRail';
import { StoresDrawer } from './CatalogueDrawer';
import { TopBar } from './TopBar';
import { useKeys } from './useKeys';
import styles from './Workspace.module.css';

/** The shape of a build: bar on top, stages left, the stage in the middle, the loop line below. */
export function Workspace({ children }: { readonly children: ReactNode }) {
  useKeys();
  const said = useBench((s) => s.said);
  const say = useBench((s) => s.say);
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
      <StoresDrawer />
      <CommandSearch />
      <ConflictDialog />
      <Snackbar
        open={said !== null}
        onClose={() => say(null)}
        autoHideDuration={9000}
        message={said}
      />
    </div>
  );
}
