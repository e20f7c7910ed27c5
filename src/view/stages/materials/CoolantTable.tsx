'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Loop } from '@/core/design';
import { changeEvery, coolantCost, coolantHabits, mixFor, YEARS_COMPARED } from '@/core/bom';
import { environmentOf, judgeCorrosion } from '@/core/corrosion';
import { formatMoney, formatMeasure, formatNumber } from '@/core/units';
import { Mark, useOffer, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import styles from './MaterialsStage.module.css';

const WORST = { fails: 0, marginal: 1, unchecked: 2, ok: 3 } as const;

/**
 * Coolants side by side for one loop: what the metals, plastics and seals say, habits, upkeep, and
 * what three years of it cost.
 */
export function CoolantTable({ loop }: { readonly loop: Loop }) {
  const design = useEditor((s) => s.design);
  const bom = useEditor((s) => s.analysis.reports.bom);
  const commit = useEditor((s) => s.commit);
  const coolants = useOffer('coolant');
  const volume = bom.volumes.find((v) => v.loop === loop.id)?.buy_mL ?? 0,
    { currency } = design.brief;
  const rows = [
    ...coolants,
    ...(coolants.some((c) => c.id === loop.coolant.id) ? [] : [loop.coolant]),
  ]
    .map((coolant) => {
      const filled: Loop = { ...loop, coolant, coolantAge_months: 0 },
        { pairs, polymers } = judgeCorrosion({ ...design, loops: [filled] });
      const verdict =
          [...pairs, ...polymers].map((p) => p.verdict).sort((a, b) => WORST[a] - WORST[b])[0] ??
          'ok',
        of = (v: 'fails' | 'marginal'): string =>
          polymers
            .filter((s) => s.verdict === v)
            .map((s) => s.material)
            .join(', ');
      return {
        coolant,
        verdict,
        attacks: of('fails'),
        watch: of('marginal'),
        environment: environmentOf(filled),
        habits: coolantHabits(coolant),
        cost: coolantCost(coolant, volume, design.brief),
        mix: mixFor(coolant, volume),
      };
    })
    .sort((a, b) => WORST[b.verdict] - WORST[a.verdict] || a.cost.total_minor - b.cost.total_minor);
  return (
    <div className={styles.scroll} tabIndex={0} role="region" aria-label={msg`Coolants compared`}>
      <Table className={styles.coolants}>
        <TableHead>
          <TableRow>
            <TableCell>{msg`coolant`}</TableCell>
            <TableCell className="no-print" />
            <TableCell>{msg`metals, plastics`}</TableCell>
            <TableCell className="num">{msg`${YEARS_COMPARED} years, ${currency}`}</TableCell>
            <TableCell className="num">{msg`changed every`}</TableCell>
            <TableCell>{msg`stains`}</TableCell>
            <TableCell>{msg`clogs`}</TableCell>
            <TableCell>{msg`toxic`}</TableCell>
            <TableCell className="num">{'µS/cm'}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((r) => {
            const careWords = () => {
              if (r.attacks) return msg`attacks ${r.attacks}`;
              if (r.watch) return msg`watch ${r.watch}`;
              if (r.environment === 'ordinary') return msg`inhibited`;
              return msg`plain`;
            };
            return (
              <TableRow
                key={r.coolant.id}
                data-picked={r.coolant.id === loop.coolant.id || undefined}
              >
                <TableCell>
                  {r.coolant.name}{' '}
                  <span className="soft">
                    {r.mix.water_mL > 0
                      ? msg`${formatMeasure(r.mix.concentrate_mL, 'mL')} to
                          ${formatMeasure(r.mix.water_mL, 'mL')} water;
                          ${formatMoney(r.cost.perLitre_minor)} a litre`
                      : msg`${formatMoney(r.cost.perLitre_minor)} a litre`}
                  </span>
                </TableCell>
                <TableCell className="no-print">
                  {r.coolant.id === loop.coolant.id ? (
                    <span className="soft">{msg`in it`}</span>
                  ) : (
                    <Press
                      className={styles.link}
                      onClick={() =>
                        commit(msg`fill ${loop.name} with ${r.coolant.name}`, {
                          do: 'loop.coolant',
                          loop: loop.id,
                          coolant: r.coolant,
                          age_months: 0,
                        })
                      }
                    >
                      {msg`fill`}
                    </Press>
                  )}
                </TableCell>
                <TableCell>
                  <Mark verdict={r.verdict} /> <span className="soft">{careWords()}</span>
                </TableCell>
                <TableCell className="num">
                  {formatMoney(r.cost.total_minor)}{' '}
                  <span className="soft">{msg`${counted(r.cost.fills, '# fill', '# fills')}`}</span>
                </TableCell>
                <TableCell className="num">{msg`${changeEvery(r.coolant)} mo.`}</TableCell>
                <TableCell>{r.habits.stains}</TableCell>
                <TableCell>{r.habits.clogs}</TableCell>
                <TableCell>{r.coolant.poisonous ? <strong>{msg`yes`}</strong> : msg`no`}</TableCell>
                <TableCell className="num">
                  {r.coolant.conductivity_uScm === undefined
                    ? '–'
                    : formatNumber(r.coolant.conductivity_uScm)}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <p className="soft">
        {msg`Metals by the anodic index, plastics and rubbers by resistance tables, both from
          memory; staining and clogging by common practice, no source; conductivity and
          intervals as the coolant's own data say. Costs are bottles at the catalogue's prices
          for ${formatMeasure(volume, 'mL')} a fill, water not counted.`}
      </p>
    </div>
  );
}
