'use client';
import { useMemo } from 'react';
import { applyEdit, type Build } from '@/core/design';
import { familyChange, familyOf } from '@/core/studies';
import { deriveList } from '@/core/bom';
import { resolve } from '@/core/system';
import { formatMoney } from '@/core/units';
import { runsOf } from '@/core/routing';
import { useOffer } from '@/view/shared';
import { useBench } from '@/view/workspace';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

/** The list alone, its runs estimated: both sides of a difference alike. */
const costOf = (build: Build): number => {
  const model = resolve(build);
  return deriveList(model, runsOf(model)).loopTotal;
};

/** Fittings of the whole build changed for another family at once, with what it costs and what stays. */
export function FamilyPicker() {
  const { build, workings, commit } = useBench((s) => s);
  const fittings = useOffer('fitting');
  const changes = useMemo(() => {
    const now = costOf(build);
    return [...new Set(fittings.map(familyOf))].map((f) => {
      const { edit, stays } = familyChange(build, f, fittings),
        all = edit.do === 'batch' && edit.edits.length === 0;
      return { f, edit, stays, all, more: all ? 0 : costOf(applyEdit(build, edit).build) - now };
    });
  }, [build, fittings]);
  if (build.loops.length === 0) return null;
  const { list } = workings.reports,
    now = new Set([
      ...build.loops.map((l) => familyOf(l.fitting)),
      familyOf(build.kit.rotary90),
      familyOf(build.kit.plug),
    ]);
  return (
    <Section title="Family of the fittings">
      <table>
        <tbody>
          {changes.map(({ f, edit, stays, all, more }) => (
            <tr key={f}>
              <td>
                {f}
                {now.has(f) && now.size === 1 ? <span className="soft"> now</span> : null}
              </td>
              <td className="num soft">
                {all ? '' : `${more >= 0 ? '+' : '−'}${formatMoney(Math.abs(more))}`}
              </td>
              <td>
                {all ? null : (
                  <button
                    type="button"
                    className={styles.quiet}
                    onClick={() => commit(`change all fittings to ${f}`, edit)}
                  >
                    change all
                  </button>
                )}
                {stays.length > 0 && !all ? (
                  <span className="soft">
                    {' '}
                    ({stays.join(', ')} stay{stays.length === 1 ? 's' : ''})
                  </span>
                ) : null}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft">
        Differences in {build.brief.currency} against {formatMoney(list.loopTotal)} now, runs
        estimated. Every run and cap follows; what no longer matches is a finding.
      </p>
    </Section>
  );
}
