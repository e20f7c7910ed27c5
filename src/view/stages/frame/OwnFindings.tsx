'use client';
import { memo } from 'react';
import type { Stage } from '@/core/checks';
import { msg } from '@/core/messages';
import { FindingList, useEditorLater } from '@/view/workspace';

/** A stage's findings, which close its panel; drawn after the picture, and not with it. */
export const OwnFindings = memo(function OwnFindings({
  stage,
  className,
}: {
  readonly stage: Stage;
  readonly className: string | undefined;
}) {
  const findings = useEditorLater((s) => s.analysis.findings);
  const own = findings.filter((f) => f.stage === stage);
  if (own.length === 0) return null;
  return (
    <section className={className}>
      <h2>{msg`Findings here`}</h2>
      <FindingList findings={own} />
    </section>
  );
});
