import { componentName, type Design } from '@/core/design';
import { quantityShown, shortWhy, unitWords, type Bom } from '@/core/bom';
import { SEVERITY_NAMES } from '@/core/checks';
import { CASE_WORDS, PART_KINDS, type PartKind } from '@/core/components';
import {
  formatCelsius,
  formatFlow,
  formatKelvin,
  formatMoney,
  formatMeasure,
  formatNumber,
  formatWatts,
} from '@/core/units';
import { msg, worded, noted } from '@/core/messages';
import type { Paper } from './paper';
import { PdfSheet, PdfTable, type Column } from './parts';

type Line = Bom['lines'][number];
const LIST: readonly Column[] = worded(() => [
  { head: msg`qty`, wide: 8, right: true },
  { head: msg`part`, wide: 30 },
  { head: msg`required by`, wide: 38 },
  { head: msg`each`, wide: 11, right: true },
  { head: msg`total`, wide: 13, right: true },
]);
const reported = (why: string): string => {
  const { short, more } = shortWhy(why, 6);
  return more > 0 ? msg`${short}; and ${more} more places` : short;
};
const rowOf = (l: Line): readonly string[] => [
  `${quantityShown(l)}${l.unit === 'piece' ? ' x' : ` ${unitWords(l)}`}`,
  `${l.name}, ${l.maker}`,
  noted(reported(l.why), l.estimated && msg`estimated`),
  formatMoney(l.unitPrice),
  l.owned ? msg`owned` : noted(formatMoney(l.total), l.have > 0 && msg`${l.have} spare`),
];

function ListTables({ list, currency }: { readonly list: Bom; readonly currency: string }) {
  return (
    <>
      {(Object.keys(PART_KINDS) as PartKind[]).map((k) => (
        <PdfTable
          key={k}
          title={k === 'consumable' ? msg`Consumables` : PART_KINDS[k].many}
          columns={LIST}
          rows={list.lines.filter((l) => l.kind === k && l.inBudget).map(rowOf)}
        />
      ))}
      <PdfTable
        title={msg`Tools, outside the loop's budget`}
        columns={LIST}
        rows={list.lines.filter((l) => l.tool).map(rowOf)}
      />
      <PdfTable
        title={msg`Existing hardware, outside the loop's budget`}
        columns={LIST}
        rows={list.lines.filter((l) => !l.inBudget && !l.tool).map(rowOf)}
      />
      <PdfTable
        title={msg`Sums`}
        columns={[
          { head: '', wide: 50 },
          { head: currency, wide: 20, right: true },
        ]}
        rows={[
          [msg`Loop`, formatMoney(list.loopTotal)],
          ...(list.budget === null ? [] : [[msg`Budget`, formatMoney(list.budget)]]),
          [msg`Tools`, formatMoney(list.toolTotal)],
          [msg`Machine`, formatMoney(list.machineTotal)],
        ]}
      />
    </>
  );
}

/** The parts list on A4. */
export const ListDocument = ({ design, list }: { readonly design: Design; readonly list: Bom }) => (
  <PdfSheet
    title={msg`${design.name}: parts list`}
    under={msg`${list.lines.length} lines. Prices are from the catalogue, in
      ${design.brief.currency}.`}
    foot={msg`Zephyron, ${design.name}`}
  >
    <ListTables list={list} currency={design.brief.currency} />
  </PdfSheet>
);

/** What was asked, what comes out, what is wrong, runs, screws, coolant and the list, as tables. */
export function BuildTables({
  design,
  paper: { reports, findings },
}: {
  readonly design: Design;
  readonly paper: Paper;
}) {
  const { brief } = design,
    heat = reports.heat[brief.loadCase],
    nameOf = (id: string): string => componentName(design, id);
  return (
    <>
      <PdfTable
        title={msg`Loops`}
        columns={[
          { head: msg`loop`, wide: 30 },
          { head: msg`flow`, wide: 17, right: true },
          { head: msg`head`, wide: 17, right: true },
          { head: msg`coolant ΔT`, wide: 19, right: true },
          { head: msg`heat in`, wide: 17, right: true },
        ]}
        rows={design.loops.map((l) => {
          const f = reports.flow.loops.find((x) => x.id === l.id),
            h = heat.loops.find((x) => x.id === l.id);
          return [
            l.name,
            formatFlow(f?.flow_Lmin),
            f ? `${formatMeasure(f.head_kPa, 'kPa', { decimals: 1 })}` : '-',
            formatKelvin(h?.deltaT_K ?? null),
            formatWatts(h?.heatIn_W ?? 0),
          ];
        })}
      />
      <PdfTable
        title={msg`Hot spots`}
        columns={[
          { head: msg`spot`, wide: 60 },
          { head: msg`temperature`, wide: 20, right: true },
          { head: msg`limit`, wide: 20, right: true },
        ]}
        rows={heat.hotSpots.map((x) => [
          `${nameOf(x.component)}, ${x.name}`,
          formatCelsius(x.temp_C, 1),
          formatCelsius(x.limit_C),
        ])}
      />
      <PdfTable
        title={msg`Findings`}
        columns={[
          { head: '', wide: 9 },
          { head: msg`what`, wide: 36 },
          { head: msg`more`, wide: 55 },
        ]}
        rows={findings.map((f) => [SEVERITY_NAMES[f.severity], f.title, f.detail])}
      />
      <PdfTable
        title={msg`Runs`}
        columns={[
          { head: msg`run`, wide: 46 },
          { head: msg`ends`, wide: 26 },
          { head: msg`bends`, wide: 10, right: true },
          { head: msg`cut`, wide: 18, right: true },
        ]}
        rows={reports.runs.map((r) =>
          r.by === 'direct'
            ? [r.name, msg`direct`, '', '']
            : [
                r.name,
                `${r.ends.from}, ${r.ends.to}`,
                String(r.bends),
                r.estimated
                  ? msg`about ${formatMeasure(r.cut_mm, 'mm')}`
                  : formatMeasure(r.cut_mm, 'mm'),
              ],
        )}
      />
      <PdfTable
        title={msg`Screws`}
        columns={[
          { head: msg`for`, wide: 46 },
          { head: msg`thread`, wide: 20 },
          { head: msg`length`, wide: 18, right: true },
          { head: msg`washers each`, wide: 16, right: true },
        ]}
        rows={reports.screws.map((x) => [
          nameOf(x.fans ?? x.radiator),
          x.thread,
          x.length_mm === null ? msg`none on the list` : msg`${x.quantity} x ${x.length_mm} mm`,
          String(x.washers),
        ])}
      />
      <PdfTable
        title={msg`Coolant`}
        columns={[
          { head: msg`loop`, wide: 28 },
          { head: msg`coolant`, wide: 36 },
          { head: msg`holds`, wide: 16, right: true },
          { head: msg`bottles`, wide: 20, right: true },
        ]}
        rows={reports.bom.volumes.map((v) => {
          const l = design.loops.find((x) => x.id === v.loop);
          return [
            l?.name ?? v.loop,
            l?.coolant.name ?? '',
            formatMeasure(v.total_mL, 'mL'),
            msg`${v.bottles} of ${formatMeasure(l?.coolant.bottle_mL, 'mL')}`,
          ];
        })}
      />
      <ListTables list={reports.bom} currency={brief.currency} />
    </>
  );
}

/** The build on paper, as tables. */
export function BuildDocument({
  design,
  paper,
}: {
  readonly design: Design;
  readonly paper: Paper;
}) {
  const { brief } = design;
  return (
    <PdfSheet
      title={design.name}
      under={msg`${design.case?.name ?? msg`No case`}. Judged in ${CASE_WORDS[brief.loadCase]} at
        ${formatCelsius(brief.room_C)}; required: coolant at most
        ${formatKelvin(brief.limits.deltaT_K)} above room air,
        ${formatNumber(brief.limits.noise_dBA)} dBA, ${formatFlow(brief.limits.flow_Lmin)}.`}
      foot={msg`Zephyron, ${design.name}. Estimates are marked. Local rules and qualified people
        come first.`}
    >
      <BuildTables design={design} paper={paper} />
    </PdfSheet>
  );
}
