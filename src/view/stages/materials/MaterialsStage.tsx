'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName } from '@/core/design';
import { useState } from 'react';
import { looseParts } from '@/core/loops';
import { METAL_NAMES } from '@/core/corrosion';
import { formatMeasure, formatNumber } from '@/core/units';
import { changeEvery, mixFor } from '@/core/bom';
import { Mark, Pick, Segments, useOffer, Press } from '@/view/shared';
import { ConnectDialog, useEditor } from '@/view/workspace';
import { counted, msg, worded, noted } from '@/core/messages';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { CoolantTable } from './CoolantTable';
import { PolymerTable } from './SoftTable';
import styles from './MaterialsStage.module.css';

const GLYCOLS = worded(() => ({
  ethylene: msg`ethylene glycol`,
  propylene: msg`propylene glycol`,
}));

/** Which metals meet in one coolant, who carries them, and whether they may. */
export function MaterialsStage() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const open = useEditor((s) => s.open);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const { corrosion: metals, bom: list } = analysis.reports;
  const coolants = useOffer('coolant');
  const [connecting, setConnecting] = useState(false);
  const [view, setView] = useState<'metals' | 'coolants'>('metals');
  if (metals.metals.length === 0) {
    const loose = looseParts(design).length >= 2;
    return (
      <>
        <EmptyStage
          stage="materials"
          title={msg`Nothing is wetted yet`}
          text={msg`Once parts are connected into a loop, every metal, plastic and seal the
            coolant touches is judged here.`}
          action={loose ? msg`Connect the loop` : msg`Open the catalogue`}
          onAction={() => (loose ? setConnecting(true) : open('stores'))}
        />
        {connecting && <ConnectDialog onClose={() => setConnecting(false)} />}
      </>
    );
  }
  const bad = metals.pairs.filter((p) => p.verdict === 'fails').length,
    marginal = metals.pairs.filter((p) => p.verdict === 'marginal').length;
  const nameOf = (id: string): string =>
    id.startsWith('fitting:')
      ? ([design.loops.map((l) => l.fitting), Object.values(design.kit).filter((k) => 'duty' in k)]
          .flat()
          .find((f) => `fitting:${f.id}` === id)?.name ?? id)
      : componentName(design, id);
  const softVerdict = (loop: string, material: string) =>
    metals.polymers.find((m) => m.loop === loop && m.material === material)?.verdict;
  const titleWords = () => {
    if (bad > 0)
      return msg`${counted(bad, 'One pair', '# pairs')} of metals cannot share the coolant`;
    if (marginal > 0) return msg`The metals are compatible, some only just`;
    return msg`The metals are compatible`;
  };
  return (
    <StageFrame
      stage="materials"
      title={titleWords()}
      sentence={msg`Copper, brass and nickel together, or aluminium throughout: never both in
        one coolant. Dry metal, such as a housing the coolant does not touch, never counts.`}
      side={design.loops.map((loop) => {
        const volume = list.volumes.find((v) => v.loop === loop.id);
        const { coolant } = loop;
        const { material } = loop.tube;
        const tubeWords = () => {
          if (softVerdict(loop.id, material) === 'fails') return msg`${material}: attacked by it`;
          if (material === 'soft PVC')
            return msg`${material}: may leach plasticiser, which settles in the block`;
          return msg`${material}: agrees`;
        };
        return (
          <Section key={loop.id} title={msg`Coolant of ${loop.name}`}>
            <div className={styles.fields}>
              <Pick
                label={msg`Coolant`}
                value={coolant.id}
                options={[
                  ...(coolants.some((c) => c.id === coolant.id)
                    ? []
                    : [{ value: coolant.id, label: coolant.name }]),
                  ...coolants.map((c) => ({ value: c.id, label: c.name })),
                ]}
                onPick={(id) => {
                  const next = coolants.find((c) => c.id === id);
                  if (next)
                    commit(msg`fill ${loop.name} with ${next.name}`, {
                      do: 'loop.coolant',
                      loop: loop.id,
                      coolant: next,
                      age_months: 0,
                    });
                }}
              />
              <AgeField
                months={loop.coolantAge_months}
                onCommit={(age_months) =>
                  commit(msg`set the age of the coolant`, {
                    do: 'loop.coolant',
                    loop: loop.id,
                    coolant,
                    age_months,
                  })
                }
              />
            </div>
            <Table>
              <TableBody>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`counts as`}
                  </TableCell>
                  <TableCell>
                    {metals.environments[loop.id] === 'ordinary'
                      ? msg`ordinary: inhibitor in date, 0.25 V allowed`
                      : msg`harsh: no inhibitor in date, 0.15 V allowed`}
                  </TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`made of`}
                  </TableCell>
                  <TableCell>
                    {coolant.base.glycol === 'none'
                      ? msg`water`
                      : msg`${formatNumber(coolant.base.volumeShare * 100)} %
                        ${GLYCOLS[coolant.base.glycol]} by volume, in water`}
                  </TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`inhibitor`}
                  </TableCell>
                  <TableCell>
                    {coolant.inhibitor_months > 0
                      ? msg`${coolant.inhibitor_months} months`
                      : msg`none`}
                  </TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`biocide`}
                  </TableCell>
                  <TableCell>{coolant.biocide ? msg`yes` : msg`none: add one`}</TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`look`}
                  </TableCell>
                  <TableCell>{coolant.look}</TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`upkeep`}
                  </TableCell>
                  <TableCell>{coolant.upkeep}</TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`needed`}
                  </TableCell>
                  <TableCell>
                    {volume &&
                      msg`${formatMeasure(volume.total_mL, 'mL')} in the loop,
                        ${formatMeasure(volume.buy_mL, 'mL')} with spare:
                        ${counted(volume.bottles, '# bottle', '# bottles')} of
                        ${formatMeasure(coolant.bottle_mL, 'mL')}`}
                  </TableCell>
                </TableRow>
                {coolant.waterParts !== undefined && volume && (
                  <TableRow>
                    <TableCell component="th" scope="row">
                      {msg`mixed`}
                    </TableCell>
                    <TableCell>
                      {msg`${formatMeasure(mixFor(coolant, volume.buy_mL).concentrate_mL, 'mL')}
                        of it with
                        ${formatMeasure(mixFor(coolant, volume.buy_mL).water_mL, 'mL')}
                        distilled water (1 to ${formatNumber(coolant.waterParts)} by volume)`}
                    </TableCell>
                  </TableRow>
                )}
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`next change`}
                  </TableCell>
                  <TableCell>
                    {msg`${
                      changeEvery(coolant) > loop.coolantAge_months
                        ? msg`in ${changeEvery(coolant) - loop.coolantAge_months} months`
                        : msg`due now`
                    }: drain, flush with distilled water until it runs clear, look at the fins, fill`}
                  </TableCell>
                </TableRow>
                <TableRow>
                  <TableCell component="th" scope="row">
                    {msg`tube`}
                  </TableCell>
                  <TableCell>{tubeWords()}</TableCell>
                </TableRow>
              </TableBody>
            </Table>
            {coolant.poisonous && (
              <p className={styles.caution}>
                {msg`Ethylene glycol is toxic, to pets above all. Keep it from children, read
                  the safety sheet, dispose of it by local rules.`}
              </p>
            )}
          </Section>
        );
      })}
    >
      <div className="no-print">
        <Segments
          label={msg`View`}
          value={view}
          options={[
            { value: 'metals', label: msg`metals` },
            { value: 'coolants', label: msg`coolants compared` },
          ]}
          onPick={setView}
        />
      </div>
      {view === 'coolants' &&
        design.loops.map((loop) => (
          <section key={loop.id} className={styles.loop}>
            <h2>
              {loop.name}: {loop.tube.name}
            </h2>
            <CoolantTable loop={loop} />
          </section>
        ))}
      {view === 'metals' &&
        design.loops.map((loop) => {
          const own = metals.metals.filter((m) => m.loop === loop.id);
          const pairOf = (a: string, b: string) =>
            metals.pairs.find(
              (p) => p.loop === loop.id && ((p.a === a && p.b === b) || (p.a === b && p.b === a)),
            );
          return (
            <section key={loop.id} className={styles.loop}>
              {design.loops.length > 1 && <h2>{loop.name}</h2>}
              <div
                className={styles.scroll}
                tabIndex={0}
                role="region"
                aria-label={msg`Metals of ${loop.name}, pair by pair`}
              >
                <Table className={styles.matrix}>
                  <TableHead>
                    <TableRow>
                      <TableCell />
                      {own.map((m) => (
                        <TableCell key={m.metal} scope="col" className={styles.metal}>
                          {METAL_NAMES[m.metal]}
                        </TableCell>
                      ))}
                    </TableRow>
                  </TableHead>
                  <TableBody>
                    {own.map((row, i) => (
                      <TableRow key={row.metal}>
                        <TableCell component="th" scope="row" className={styles.metal}>
                          {METAL_NAMES[row.metal]}
                        </TableCell>
                        {own.map((col, j) => {
                          const pair = pairOf(row.metal, col.metal);
                          if (j > i) return <TableCell key={col.metal} className={styles.blank} />;
                          return i === j || !pair ? (
                            <TableCell
                              key={col.metal}
                              className={styles.self}
                              aria-label={msg`the same metal`}
                            />
                          ) : (
                            <TableCell
                              key={col.metal}
                              className={styles.cell}
                              data-verdict={pair.verdict}
                            >
                              <Mark verdict={pair.verdict} size={14} />{' '}
                              <b>{formatNumber(pair.difference_V, { decimals: 2 })} V</b>
                              <span>{msg`of ${formatNumber(pair.limit_V, { decimals: 2 })}`}</span>
                              {pair.verdict !== 'ok' && (
                                <span>
                                  {noted(
                                    msg`${METAL_NAMES[pair.dissolves]} dissolves`,
                                    Number.isFinite(pair.areaRatio) &&
                                      msg`${formatNumber(pair.areaRatio, { decimals: pair.areaRatio < 10 ? 1 : 0 })}
                                        : 1 of area`,
                                  )}
                                </span>
                              )}
                            </TableCell>
                          );
                        })}
                      </TableRow>
                    ))}
                  </TableBody>
                </Table>
              </div>
              <Table className={styles.carriers}>
                <TableHead>
                  <TableRow>
                    <TableCell>{msg`wetted metal`}</TableCell>
                    <TableCell className="num">{msg`area`}</TableCell>
                    <TableCell>{msg`carried by`}</TableCell>
                  </TableRow>
                </TableHead>
                <TableBody>
                  {own.map((m) => (
                    <TableRow key={m.metal}>
                      <TableCell>
                        {METAL_NAMES[m.metal]}
                        {m.platedOver.length > 0 ? (
                          <span className="soft">
                            {' '}
                            {msg`over ${m.platedOver.map((p) => METAL_NAMES[p]).join(', ')}: a
                              scratch exposes it`}
                          </span>
                        ) : null}
                      </TableCell>
                      <TableCell className="num">
                        {formatMeasure(m.area_mm2 / 100, 'cm²')}
                      </TableCell>
                      <TableCell>
                        {m.carriers.map((c, k) => (
                          <span key={c.component}>
                            {k > 0 ? ', ' : ''}
                            {c.component.startsWith('fitting:') ? (
                              nameOf(c.component)
                            ) : (
                              <Press
                                className={styles.link}
                                data-picked={picked === c.component || undefined}
                                onClick={() => pick(c.component)}
                              >
                                {nameOf(c.component)}
                              </Press>
                            )}
                          </span>
                        ))}
                      </TableCell>
                    </TableRow>
                  ))}
                </TableBody>
              </Table>
              <PolymerTable
                loop={loop.id}
                polymers={metals.polymers.filter((m) => m.loop === loop.id)}
                coolant={loop.coolant.name}
              />
            </section>
          );
        })}
      <p className="soft">
        {msg`Differences of the anodic index as reprinted from MIL-STD-889 and MIL-F-14072, from
          memory; reprints differ by up to 0.05 V. Plastics and rubbers after compound tables of
          O-ring handbooks and general chemical-resistance tables, from memory; a part maker's
          own data go before them.`}
      </p>
    </StageFrame>
  );
}

function AgeField({
  months,
  onCommit,
}: {
  readonly months: number;
  readonly onCommit: (m: number) => void;
}) {
  return (
    <label className={styles.age}>
      <span className="soft">{msg`Months in use`}</span>
      <input
        type="number"
        min={0}
        max={240}
        value={months}
        onKeyDown={(e) => e.stopPropagation()}
        onChange={(e) => {
          const v = Number(e.target.value);
          if (Number.isFinite(v) && v >= 0 && v <= 240) onCommit(v);
        }}
      />
    </label>
  );
}
