'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName, findComponent } from '@/core/design';
import type { AirSensitivity } from '@/core/thermal';
import type { CasePart } from '@/core/components';
import {
  formatCelsius,
  formatKelvin,
  formatMeasure,
  formatNumber,
  formatShown,
  formatWatts,
  unitShown,
} from '@/core/units';
import { Segments, Press, rich } from '@/view/shared';
import { useAirSensitivity, useEditor } from '@/view/workspace';
import { listAnd, msg, sentences } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { VentsTable } from './VentsTable';
import styles from './CoolingStage.module.css';

/** Unlike by more than this share, intake and exhaust are told to be out of balance. */
const UNEVEN = 0.25;

/**
 * Who draws room air in and who blows out, what that makes of the case air, and why an exhaust
 * radiator breathes warm.
 */
export function AirPanel() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const report = analysis.reports.heat[design.brief.loadCase];
  const { thermalModel } = analysis;
  const nameOf = (id: string): string => componentName(design, id);
  const intake = report.radiators.filter((r) => r.air === 'in'),
    exhaust = report.radiators.filter((r) => r.air === 'out');
  const before_W = intake.reduce((s, r) => s + (r.heat_W ?? 0), 0);
  const { room_C } = design.brief;
  const turn = (id: string, air: 'in' | 'out'): void => {
    const p = findComponent(design, id)?.placement;
    if (p?.on === 'mount')
      commit(`${nameOf(id)} ${air === 'in' ? 'intake' : 'exhaust'}`, {
        do: 'component.place',
        component: id,
        placement: { ...p, air },
      });
  };
  const balance =
    report.intake_m3h + report.exhaust_m3h > 0
      ? (report.intake_m3h - report.exhaust_m3h) / Math.max(report.intake_m3h, report.exhaust_m3h)
      : 0;
  const rows = [
    ...report.radiators.map((r) => ({
      id: r.id,
      reversed: r.reversed,
      way: thermalModel.radiators.find((x) => x.id === r.id)?.air ?? 'in',
      flow: r.airFlow_m3h,
      drop: r.airDrop_Pa,
      inC: r.airIn_C,
      outC: r.airOut_C,
    })),
    ...report.caseFans.map((b) => ({
      id: b.id,
      reversed: b.reversed,
      way: thermalModel.caseFans.find((x) => x.set.component === b.id)?.air ?? b.air,
      flow: b.airFlow_m3h,
      drop: b.airDrop_Pa,
      inC: b.air === 'in' ? room_C : report.caseAir_C,
      outC: b.air === 'in' ? room_C : report.caseAir_C,
    })),
  ];
  const balanceWords = () => {
    if (Math.abs(balance) < UNEVEN) return msg`They balance well.`;
    if (balance > 0)
      return msg`Fans bring more in than they blow out: the rest leaves through vents and gaps,
        and dust stays outside the filters.`;
    return msg`Fans blow more out than they bring in: the rest is drawn in through vents and
      gaps, past the filters.`;
  };
  const { result: sensitivity } = useAirSensitivity();
  return (
    <>
      <Section title={msg`Air through the case`}>
        <p>
          {sentences(
            msg`Case air is at ${formatCelsius(report.caseAir_C, 1)},
              ${formatKelvin(report.caseAir_C - room_C)} above room air.`,
            before_W > 1 &&
              msg`${formatWatts(before_W)} come into it from
                ${listAnd(intake.map((r) => nameOf(r.id)))}.`,
            report.airCooled_W > 1 &&
              msg`${formatWatts(report.airCooled_W)} come from air-cooled parts.`,
          )}
        </p>
        {exhaust.map((r) => {
          const cost = r.conductance_WK * (r.airIn_C - room_C);
          return (
            <p key={r.id}>
              {rich`${(<strong>{nameOf(r.id)}</strong>)} is an exhaust, so it takes in that air:
                ${formatCelsius(r.airIn_C, 1)} instead of ${formatCelsius(room_C, 1)}. At the
                same coolant it sheds ${formatWatts(cost)} less than it would with room air.`}
            </p>
          );
        })}
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`radiator or fan`}</TableCell>
              <TableCell>{msg`way`}</TableCell>
              <TableCell className="num">{unitShown('m³/h')}</TableCell>
              <TableCell className="num">{unitShown('Pa')}</TableCell>
              <TableCell className="num">{`in, ${unitShown('°C')}`}</TableCell>
              <TableCell className="num">{msg`out`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((r) => (
              <TableRow key={r.id} data-picked={picked === r.id || undefined}>
                <TableCell>
                  <Press className={styles.link} onClick={() => pick(r.id)}>
                    {nameOf(r.id)}
                  </Press>
                </TableCell>
                <TableCell>
                  {r.way === 'within' ? (
                    msg`stands free`
                  ) : (
                    <Segments
                      label={msg`Way of ${nameOf(r.id)}`}
                      value={r.way}
                      options={[
                        { value: 'in', label: msg`in` },
                        { value: 'out', label: msg`out` },
                      ]}
                      onPick={(air) => turn(r.id, air)}
                    />
                  )}
                </TableCell>
                <TableCell className="num">
                  {formatShown(r.reversed ? -r.flow : r.flow, 'm³/h')}
                </TableCell>
                <TableCell className="num">{formatShown(r.drop, 'Pa', { decimals: 1 })}</TableCell>
                <TableCell className="num">{formatShown(r.inC, '°C', { decimals: 1 })}</TableCell>
                <TableCell className="num">{formatShown(r.outC, '°C', { decimals: 1 })}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <p>
          {msg`${formatMeasure(report.intake_m3h, 'm³/h')} are drawn in and
            ${formatMeasure(report.exhaust_m3h, 'm³/h')} blown out. ${balanceWords()}`}
        </p>
        <p>{sensitivity ? sensitivityWords(sensitivity) : msg`Being worked out …`}</p>
        <p className="soft">
          {msg`${report.chambers
            .map((c) => pressureWords(c, report.chambers.length > 1, design.case))
            .join(
              ' ',
            )} Each chamber mixes fully. Flows have the installation factor of ${formatNumber(thermalModel.factors.airFlow, { decimals: 2 })} in them; pressure is the resistance of radiator, filter and grille.`}
        </p>
      </Section>
      <VentsTable />
    </>
  );
}

/** What the case costs the coolant: beside no case at all, and taped shut. */
function sensitivityWords({ asItIs_K, openFrame_K, sealed_K }: AirSensitivity): string {
  if (asItIs_K === null) return '';
  const by = (other: number | null): string => {
    if (other === null) return msg`without a steady temperature`;
    const warmer = other - asItIs_K;
    if (Math.abs(warmer) < 0.05) return msg`as warm as now`;
    return `${formatMeasure(Math.abs(warmer), 'K', { decimals: 1 })} ${warmer > 0 ? 'warmer' : 'cooler'}`;
  };
  return msg`On an open frame the coolant would be ${by(openFrame_K)}; with every vent and seam
    taped, ${by(sealed_K)}.`;
}

const chamberName = (shell: CasePart | null, id: string): string =>
  shell?.air?.chambers?.find((c) => c.id === id)?.name ?? msg`The main chamber`;

function pressureWords(
  {
    id,
    pressure_Pa,
    temp_C,
  }: { readonly id: string; readonly pressure_Pa: number; readonly temp_C: number },
  several: boolean,
  shell: CasePart | null,
): string {
  const where = several ? chamberName(shell, id) : msg`The case`,
    by = formatMeasure(Math.abs(pressure_Pa), 'Pa', { decimals: 1 });
  return sentences(
    pressure_Pa >= 0
      ? msg`${where} stands ${by} over the room.`
      : msg`${where} stands ${by} under the room.`,
    several && msg`It is at ${formatCelsius(temp_C, 1)}.`,
  );
}
