'use client';
import { msg } from '@/core/messages';
import { useEditorLater } from './EditorProvider';

/** Says politely, to whoever listens instead of looking, how many checks fail after an edit. */
export function Announcer() {
  const findings = useEditorLater((s) => s.analysis.findings);
  const fails = findings.filter((f) => f.severity === 'fails').length,
    marginal = findings.filter((f) => f.severity === 'marginal').length;
  const words =
    fails + marginal === 0
      ? msg`No check fails.`
      : msg`Checks that fail: ${fails}. Marginal: ${marginal}.`;
  return (
    <p role="status" aria-label={msg`Checks`} className="visually-hidden">
      {words}
    </p>
  );
}
