'use client';
import { useEffect, useRef, useSyncExternalStore, type ReactNode } from 'react';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import Snackbar from '@mui/material/Snackbar';
import { useEditor } from './EditorProvider';
import { Announcer } from './Announcer';
import { AutoRoute } from './AutoRoute';
import { CommandSearch } from './CommandSearch';
import { ConflictDialog } from './ConflictDialog';
import { FindingSheet } from './FindingSheet';
import { GoneDialog } from './GoneDialog';
import { HistoryDrawer } from './HistoryDrawer';
import { LoopLine } from './LoopLine';
import { StageRail } from './StageRail';
import { CatalogueDrawer } from './CatalogueDrawer';
import { TopBar } from './TopBar';
import { askedOf, useFrame, useFrameKept, useInAddress } from './frame';
import { SPATIAL_STAGES, STAGES } from './stages';
import { useKeys } from './useKeys';
import styles from './Workspace.module.css';

const HelpDialog = dynamic(() => import('./HelpDialog').then((m) => m.HelpDialog));

/** The picked part and the stage, in the address and on the tab. */
function usePlaceInAddress(): void {
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const name = useEditor((s) => s.design.name);
  const design = useEditor((s) => s.design);
  const path = usePathname();
  const stage = STAGES.find((s) => path.endsWith(`/${s.id}`))?.name;
  const asked = useRef(askedOf('part'));
  useEffect(() => {
    const part = asked.current;
    asked.current = null;
    if (part !== null && design.components.some((c) => c.id === part)) pick(part);
  }, [design, pick]);
  useInAddress('part', picked);
  useEffect(() => {
    document.title = [stage, name, 'Zephyron'].filter(Boolean).join(' · ');
  }, [stage, name]);
}

/** The shape of a build: bar on top, stages left, the stage in the middle, the loop line below. */
export function Workspace({ children }: { readonly children: ReactNode }) {
  useKeys();
  useFrameKept();
  usePlaceInAddress();
  const path = usePathname();
  const rail =
    useFrame((s) => s.rail) ??
    (SPATIAL_STAGES.some((s) => path.endsWith(`/${s}`)) ? 'narrow' : 'wide');
  const diagnostic = useEditor((s) => s.diagnostic);
  const say = useEditor((s) => s.say);
  const open = useEditor((s) => s.open);
  const isHelpOpen = useEditor((s) => s.drawer === 'help');
  // False in the page as sent, true once the browser has taken it over: keys work from then on.
  const awake = useSyncExternalStore(
    () => () => undefined,
    () => true,
    () => false,
  );
  return (
    <div className={styles.shell} data-awake={awake} data-rail={rail}>
      <a href="#stage" className={styles.skip}>
        Skip to the stage
      </a>
      <AutoRoute />
      <Announcer />
      <TopBar />
      <StageRail isNarrow={rail === 'narrow'} />
      <main id="stage" tabIndex={-1} className={styles.stage}>
        {children}
      </main>
      <LoopLine />
      <FindingSheet />
      <CatalogueDrawer />
      <CommandSearch />
      <ConflictDialog />
      <GoneDialog />
      <HistoryDrawer />
      {isHelpOpen && <HelpDialog onClose={() => open(null)} />}
      <Snackbar
        open={diagnostic !== null}
        onClose={() => say(null)}
        autoHideDuration={9000}
        message={diagnostic}
      />
    </div>
  );
}
