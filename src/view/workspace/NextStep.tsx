'use client';
import { Press } from '@/view/shared';
import { memo, useState } from 'react';
import type { Analysis } from '@/core/analysis';
import type { Design } from '@/core/design';
import { msg } from '@/core/messages';
import { ConnectDialog } from './ConnectLater';
import { useEditor, useEditorLater } from './EditorProvider';
import { goToStage } from './goToStage';
import { nextStep, type NextStep as Step } from './stepNow';
import styles from './TopBar.module.css';

/** What to do now, in one line with its button: on every stage. */
export function NextStep() {
  const design = useEditorLater((s) => s.design);
  const analysis = useEditorLater((s) => s.analysis);
  return <StepOf design={design} analysis={analysis} />;
}

const StepOf = memo(function StepOf({
  design,
  analysis,
}: {
  readonly design: Design;
  readonly analysis: Analysis;
}) {
  const id = useEditor((s) => s.id);
  const open = useEditor((s) => s.open);
  const openStores = useEditor((s) => s.openStores);
  const pick = useEditor((s) => s.pick);
  const route = useEditor((s) => s.route);
  const [connecting, setConnecting] = useState(false);
  const step = nextStep(design, analysis);
  const go = ({ act }: Step): void => {
    switch (act.do) {
      case 'stage':
        goToStage(id, act.stage);
        if (act.part !== undefined) pick(act.part);
        return;
      case 'stores':
        openStores(act.kind);
        return;
      case 'connect':
        setConnecting(true);
        return;
      case 'route':
        route();
        return;
      case 'findings':
        open('findings');
    }
  };
  return (
    <span className={styles.next}>
      <span className="soft">{msg`Next`}</span>
      <Press onClick={() => go(step)}>{step.text}</Press>
      {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
    </span>
  );
});
