'use client';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import dynamic from 'next/dynamic';
import { usePathname } from 'next/navigation';
import { msg } from '@/core/messages';
import { useEditor } from './EditorProvider';
import { Announcer } from './Announcer';
import { AutoRoute } from './AutoRoute';
import { useAwake } from './awake';
import { LoopLine } from './LoopLine';
import { StageRail } from './StageRail';
import { TopBar } from './TopBar';
import { askedOf, useFrame, useFrameKept, useInAddress } from './frame';
import { SPATIAL_STAGES, STAGES } from './stages';
import { useTour } from './tour';
import { useKeys } from './useKeys';
import { later } from '@/view/shared/later';
import styles from './Workspace.module.css';

// What is opened on demand loads then.
const Snackbar = dynamic(() =>
  later(() => import('@mui/material/Snackbar').then((m) => m.default)),
);
const FindingSheet = dynamic(() =>
  later(() => import('./FindingSheet').then((m) => m.FindingSheet)),
);
const HelpDialog = dynamic(() => later(() => import('./HelpDialog').then((m) => m.HelpDialog)));
const CommandSearch = dynamic(() =>
  later(() => import('./CommandSearch').then((m) => m.CommandSearch)),
);
const ConflictDialog = dynamic(() =>
  later(() => import('./ConflictDialog').then((m) => m.ConflictDialog)),
);
const GoneDialog = dynamic(() => later(() => import('./GoneDialog').then((m) => m.GoneDialog)));
const TourSheet = dynamic(() => later(() => import('./TourSheet').then((m) => m.TourSheet)));
const HistoryDrawer = dynamic(() =>
  later(() => import('./HistoryDrawer').then((m) => m.HistoryDrawer)),
);
const CatalogueDrawer = dynamic(() =>
  later(() => import('./CatalogueDrawer').then((m) => m.CatalogueDrawer)),
);

/** Mounts what it holds when it is first asked for, and leaves it: it closes by itself. */
function WhenAsked({ asked, children }: { readonly asked: boolean; readonly children: ReactNode }) {
  const [was, setWas] = useState(asked);
  if (asked && !was) setWas(true);
  return was && children;
}

/** The picked part and the stage, in the address and on the tab; it draws nothing. */
function PlaceInAddress(): null {
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
  return null;
}

/** The address asks for the guided tour: it is begun once the page answers. It draws nothing. */
function TourAsked(): null {
  const id = useEditor((s) => s.id);
  const findings = useEditor((s) => s.analysis.findings);
  const start = useTour((s) => s.start);
  const isDone = useRef(false);
  useEffect(() => {
    const address = new URL(window.location.href);
    if (isDone.current || !address.searchParams.has(TOUR)) return;
    isDone.current = true;
    address.searchParams.delete(TOUR);
    window.history.replaceState(null, '', `${address.pathname}${address.search}`);
    start(id, findings);
  }, [id, findings, start]);
  return null;
}
const TOUR = 'tour';

/** The shape of a build: bar on top, stages left, the stage in the middle, the loop line below. */
export function Workspace({ children }: { readonly children: ReactNode }) {
  useKeys();
  useFrameKept();
  const path = usePathname();
  const rail =
    useFrame((s) => s.rail) ??
    (SPATIAL_STAGES.some((s) => path.endsWith(`/${s}`)) ? 'narrow' : 'wide');
  const diagnostic = useEditor((s) => s.diagnostic);
  const say = useEditor((s) => s.say);
  const open = useEditor((s) => s.open);
  const drawer = useEditor((s) => s.drawer);
  const isSearching = useEditor((s) => s.search);
  const isTouring = useTour((s) => s.stops !== null);
  const hasConflict = useEditor((s) => s.conflict !== null);
  const isGone = useEditor((s) => s.save === 'gone');
  const awake = useAwake((s) => s.isAwake);
  // Loaded when it is first opened; then it stays.
  const [hasFindings, setHasFindings] = useState(false);
  if (drawer === 'findings' && !hasFindings) setHasFindings(true);
  return (
    <div className={styles.shell} data-awake={awake} data-rail={rail}>
      <a href="#stage" className={styles.skip}>
        {msg`Skip to the stage`}
      </a>
      <PlaceInAddress />
      <TourAsked />
      <AutoRoute />
      <Announcer />
      <TopBar />
      <StageRail isNarrow={rail === 'narrow'} />
      <main id="stage" tabIndex={-1} className={styles.stage}>
        {children}
      </main>
      <LoopLine />
      {hasFindings && <FindingSheet />}
      <WhenAsked asked={drawer === 'stores'}>
        <CatalogueDrawer />
      </WhenAsked>
      <WhenAsked asked={isSearching}>
        <CommandSearch />
      </WhenAsked>
      <WhenAsked asked={isTouring}>
        <TourSheet />
      </WhenAsked>
      {hasConflict && <ConflictDialog />}
      {isGone && <GoneDialog />}
      <WhenAsked asked={drawer === 'history'}>
        <HistoryDrawer />
      </WhenAsked>
      {drawer === 'help' && <HelpDialog onClose={() => open(null)} />}
      <WhenAsked asked={diagnostic !== null}>
        <Snackbar
          open={diagnostic !== null}
          onClose={() => say(null)}
          autoHideDuration={9000}
          message={diagnostic}
        />
      </WhenAsked>
    </div>
  );
}
