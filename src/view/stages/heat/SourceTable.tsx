'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { drawOf } from '@/core/thermal';
import { LOAD_CASES } from '@/core/components';
import { formatNumber, formatWatts } from '@/core/units';
import { QuantityField, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { listAnd, msg, noted } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './HeatStage.module.css';

/** Each part's draw; the picked one opens its tuning. */
export function SourceTable() {
  const brief = useEditor((s) => s.design.brief);
  const components = useEditor((s) => s.design.components);
  const heat = useEditor((s) => s.analysis.reports.heat);
  const system = useEditor((s) => s.analysis.system);
  const thermalModel = useEditor((s) => s.analysis.thermalModel);
  const commit = useEditor((s) => s.commit);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const judged = heat[brief.loadCase];
  const supplies = components.filter((i) => i.part.kind === 'supply');
  const rating = supplies.reduce((s, i) => s + (i.part.kind === 'supply' ? i.part.rating_W : 0), 0);
  const helpers = components.reduce((s, i) => {
    const powerOf = () => {
      if (i.part.kind === 'pump') return i.part.power_W;
      if (i.part.kind === 'fan') return i.part.power_W * (system.placed.get(i.id)?.count ?? 1);
      return 0;
    };
    return s + powerOf();
  }, 0);
  const heaviest =
    Math.max(
      ...[...LOAD_CASES, 'custom' as const].map((c) =>
        heat[c].parts.reduce((s, p) => s + p.heat_W, 0),
      ),
    ) + helpers;
  return (
    <Section title={msg`Parts that make heat`}>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>{msg`part`}</TableCell>
            <TableCell className="num">{msg`full draw`}</TableCell>
            <TableCell className="num">{msg`now`}</TableCell>
            <TableCell>{msg`cooled by`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {thermalModel.sources.map((s) => {
            const { settings } = s.component,
              tuned =
                settings.clock !== undefined ||
                settings.voltage !== undefined ||
                settings.shares !== undefined;
            return [
              <TableRow key={s.component.id} data-picked={picked === s.component.id || undefined}>
                <TableCell>
                  <Press
                    className={styles.link}
                    aria-expanded={picked === s.component.id}
                    onClick={() => pick(picked === s.component.id ? null : s.component.id)}
                  >
                    {s.component.name}
                  </Press>
                  {tuned && <span className="soft"> {msg`tuned`}</span>}
                </TableCell>
                <TableCell className="num">
                  <QuantityField
                    label={msg`Full draw of ${s.component.name}`}
                    hideLabel
                    width={40}
                    value={drawOf(s)}
                    quantity="power"
                    min={0}
                    max={2000}
                    onCommit={(v) =>
                      v !== null &&
                      commit(msg`set the draw of ${s.component.name}`, {
                        do: 'component.set',
                        component: s.component.id,
                        values: { powerDraw_W: v },
                      })
                    }
                  />
                </TableCell>
                <TableCell className="num">
                  {formatWatts(judged.parts.find((p) => p.component === s.component.id)?.heat_W)}
                </TableCell>
                <TableCell>
                  {s.block ? noted(s.block.name, !s.loop && msg`not connected`) : msg`air`}
                </TableCell>
              </TableRow>,
              picked === s.component.id && (
                <TableRow key={`${s.component.id}-tuning`} data-picked>
                  <TableCell colSpan={4}>
                    <div className={styles.tuning}>
                      <QuantityField
                        label={msg`Clock against its maker's`}
                        value={100 * (settings.clock ?? 1)}
                        quantity="share"
                        decimals={1}
                        width={46}
                        min={20}
                        max={200}
                        onCommit={(v) =>
                          v !== null &&
                          commit(msg`set the clock of ${s.component.name}`, {
                            do: 'component.set',
                            component: s.component.id,
                            values: { clock: v / 100 },
                          })
                        }
                      />
                      <QuantityField
                        label={msg`Voltage`}
                        value={100 * (settings.voltage ?? 1)}
                        quantity="share"
                        decimals={1}
                        width={46}
                        min={50}
                        max={160}
                        onCommit={(v) =>
                          v !== null &&
                          commit(msg`set the voltage of ${s.component.name}`, {
                            do: 'component.set',
                            component: s.component.id,
                            values: { voltage: v / 100 },
                          })
                        }
                      />
                      {(tuned || settings.powerDraw_W !== undefined) && (
                        <Press
                          className={styles.put}
                          onClick={() =>
                            commit(msg`${s.component.name} as its maker says`, {
                              do: 'component.unset',
                              component: s.component.id,
                              keys: ['clock', 'voltage', 'powerDraw_W', 'shares', 'customShare'],
                            })
                          }
                        >
                          {msg`As its maker says, ${formatWatts(s.part.draw_W)}`}
                        </Press>
                      )}
                    </div>
                    <p className="soft">
                      {msg`Power goes as clock times voltage squared, an estimate: leakage is
                        left out. A typed power draw caps it.`}
                    </p>
                  </TableCell>
                </TableRow>
              ),
            ];
          })}
        </TableBody>
      </Table>
      {rating > 0 && (
        <p>
          {msg`${listAnd(supplies.map((s) => s.name))}: ${formatWatts(heaviest)} of
            ${formatWatts(rating)} in the heaviest load, fans and pumps among them;
            ${formatNumber(100 * (1 - heaviest / rating))} % margin.`}
        </p>
      )}
    </Section>
  );
}
