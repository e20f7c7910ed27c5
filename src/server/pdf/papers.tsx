import { airTestReport, assemblySteps, CAUTIONS, quoteOf } from '@/core/assembly';
import { quantityShown, unitWords } from '@/core/bom';
import { type analyse } from '@/core/analysis';
import { factorsOf, isMeasuredHere, type Design, type Order } from '@/core/design';
import { QUANTITY_UNIT, quantityName, ranOn, residualsOf, serviceDue } from '@/core/log';
import {
  formatFlow,
  formatKelvin,
  formatMoney,
  formatMeasure,
  formatNumber,
  formatDate,
} from '@/core/units';
import { msg, sentences, noted } from '@/core/messages';
import { PdfSheet, PdfTable } from './parts';

type Analysed = ReturnType<typeof analyse>;
const NOBODY: Order = { client: '', rate_cents: 0, tax: 0 };
const named = ({ client }: Order): string => (client === '' ? msg`nobody named yet` : client);

const inputsOf = ({ system, reports }: Analysed) => ({
  system,
  runs: reports.runs,
  bom: reports.bom,
  portFits: reports.clearance.ports,
});

/** What the machine will cost, for whom, and until when. */
export function QuoteDocument({
  design,
  analysis,
}: {
  readonly design: Design;
  readonly analysis: Analysed;
}) {
  const order = design.choices.work?.client ?? NOBODY;
  const { bom, heat, flow } = analysis.reports;
  const quote = quoteOf(bom, assemblySteps(inputsOf(analysis)), order);
  const { brief } = design;
  const judged = heat[brief.loadCase];
  return (
    <PdfSheet
      title={msg`Quote: ${design.name}`}
      under={sentences(
        msg`For ${named(order)}.`,
        order.due && msg`Promised for ${formatDate(order.due, 'day')}.`,
        msg`All sums in ${brief.currency}.`,
      )}
      foot={msg`Zephyron, ${design.name}. Hours and figures are estimates. What the law asks of
        a quote, ask where you are.`}
    >
      <PdfTable
        title={msg`What it will do`}
        columns={[
          { head: msg`loop`, wide: 40 },
          { head: msg`coolant ΔT`, wide: 30, right: true },
          { head: msg`flow`, wide: 30, right: true },
        ]}
        rows={design.loops.map((l) => [
          l.name,
          formatKelvin(judged.loops.find((x) => x.id === l.id)?.deltaT_K ?? null),
          formatFlow(flow.loops.find((x) => x.id === l.id)?.flow_Lmin),
        ])}
      />
      <PdfTable
        title={msg`What it costs`}
        columns={[
          { head: '', wide: 70 },
          { head: brief.currency, wide: 30, right: true },
        ]}
        rows={[
          [msg`Parts, tools left out`, formatMoney(quote.parts)],
          [
            msg`${formatNumber(quote.hours, { decimals: 1 })} hours at
              ${formatMoney(order.rate_cents)}`,
            formatMoney(quote.work),
          ],
          [msg`Net`, formatMoney(quote.net)],
          [msg`Tax, ${formatNumber(100 * order.tax, { decimals: 1 })} %`, formatMoney(quote.tax)],
          [msg`Together`, formatMoney(quote.total)],
        ]}
      />
      <PdfTable
        title={msg`Parts`}
        columns={[
          { head: msg`qty`, wide: 12, right: true },
          { head: msg`part`, wide: 60 },
          { head: msg`total`, wide: 28, right: true },
        ]}
        rows={bom.lines
          .filter((l) => !l.tool)
          .map((l) => [
            `${quantityShown(l)}${l.unit === 'piece' ? '' : ` ${unitWords(l)}`}`,
            `${l.name}, ${l.maker}`,
            l.owned ? msg`owned` : formatMoney(l.total),
          ])}
      />
    </PdfSheet>
  );
}

/** What is handed over: promised and measured, tests, coolant, what is due, what to heed. */
export function HandoverDocument({
  design,
  analysis,
}: {
  readonly design: Design;
  readonly analysis: Analysed;
}) {
  const { work = {} } = design.choices;
  const order = work.client ?? NOBODY;
  const ran = ranOn(design);
  const { heat, flow, bom } = analysis.reports;
  const judged = heat[design.brief.loadCase];
  return (
    <PdfSheet
      title={msg`Handover: ${design.name}`}
      under={sentences(
        msg`For ${named(order)}.`,
        ran === null ? msg`It has not run yet.` : msg`First run on ${formatDate(ran, 'day')}.`,
      )}
      foot={msg`Zephyron, ${design.name}. Local rules and qualified people come first.`}
    >
      <PdfTable
        title={
          isMeasuredHere(design)
            ? msg`Figures, corrected by readings of this machine`
            : msg`Figures, as worked out`
        }
        columns={[
          { head: msg`loop`, wide: 28 },
          { head: msg`coolant`, wide: 36 },
          { head: msg`holds`, wide: 12, right: true },
          { head: msg`over room`, wide: 12, right: true },
          { head: msg`flow`, wide: 12, right: true },
        ]}
        rows={design.loops.map((l) => [
          l.name,
          l.coolant.name,
          formatMeasure(bom.volumes.find((v) => v.loop === l.id)?.total_mL, 'mL'),
          formatKelvin(judged.loops.find((x) => x.id === l.id)?.deltaT_K ?? null),
          formatFlow(flow.loops.find((x) => x.id === l.id)?.flow_Lmin),
        ])}
      />
      <PdfTable
        title={msg`Air test`}
        columns={[
          { head: msg`loop`, wide: 30 },
          { head: msg`verdict`, wide: 20 },
          { head: msg`leak, mL/min of air`, wide: 30, right: true },
          { head: msg`readings`, wide: 20, right: true },
        ]}
        rows={design.loops.map((l) => {
          const test = work.airTests?.[l.id];
          const report = test ? airTestReport(inputsOf(analysis), l, test) : null;
          return [
            l.name,
            report?.verdict ?? msg`not done`,
            report
              ? `${formatNumber(report.leak_mLmin, { decimals: 3 })} +/- ${formatNumber(report.leakBand_mLmin, { decimals: 3 })}`
              : '-',
            formatNumber(test?.readings.length ?? 0),
          ];
        })}
      />
      <MeasuredTable design={design} />
      <PdfTable
        title={msg`What is due`}
        columns={[
          { head: msg`job`, wide: 46 },
          { head: msg`due`, wide: 18 },
          { head: msg`why`, wide: 36 },
        ]}
        rows={serviceDue(design, ran).map((j) => [
          j.title,
          j.due ? formatDate(j.due, 'day') : msg`after the first run`,
          j.why,
        ])}
      />
      <PdfTable
        title={msg`Heed`}
        columns={[{ head: '', wide: 100 }]}
        rows={[
          [
            msg`Look for drops once a week in the first month. Switch off and pull the plug at
              any leak.`,
          ],
          [
            msg`Never open a fitting while the machine is on. Coolant is not to drink: keep it
              from children and animals.`,
          ],
          [msg`Stand it upright for a day after it was carried. Empty it before it is shipped.`],
        ]}
      />
    </PdfSheet>
  );
}

/** Every figure that was read, beside what was worked out for its state. */
function MeasuredTable({ design }: { readonly design: Design }) {
  const readings = design.choices.work?.readings ?? [];
  const rows = residualsOf(design, readings, factorsOf(design)).map((r) => [
    formatDate(readings[r.reading]?.on ?? '', 'moment'),
    `${quantityName(design, r)}, ${QUANTITY_UNIT[r.kind]}`,
    formatNumber(r.measured, { decimals: 2 }),
    formatNumber(r.predicted, { decimals: 2 }),
  ]);
  return (
    <PdfTable
      title={msg`Measured`}
      columns={[
        { head: msg`on`, wide: 24 },
        { head: msg`figure`, wide: 44 },
        { head: msg`measured`, wide: 16, right: true },
        { head: msg`worked out`, wide: 16, right: true },
      ]}
      rows={rows}
    />
  );
}

/** The steps of the work with a box to tick, for the bench: what is done is crossed already. */
export function ChecklistDocument({
  design,
  analysis,
}: {
  readonly design: Design;
  readonly analysis: Analysed;
}) {
  const { done = {}, notes = {}, order } = design.choices.work ?? {};
  const steps = assemblySteps({ ...inputsOf(analysis), ...(order ? { order } : {}) });
  const cautions = [...new Set(steps.flatMap((s) => s.cautions))];
  return (
    <PdfSheet
      title={msg`Checklist: ${design.name}`}
      under={msg`${steps.length} steps, in an order that traps no part. Minutes: the first time,
        with practice (estimated).`}
      foot={msg`Zephyron, ${design.name}. Local rules and qualified people come first.`}
    >
      <PdfTable
        title={msg`What can hurt`}
        columns={[
          { head: '', wide: 22 },
          { head: '', wide: 78 },
        ]}
        rows={cautions.map((c) => [CAUTIONS[c].title, CAUTIONS[c].text])}
      />
      <PdfTable
        title={msg`Steps`}
        columns={[
          { head: msg`done`, wide: 7 },
          { head: msg`step`, wide: 28 },
          { head: msg`how`, wide: 43 },
          { head: msg`heed`, wide: 12 },
          { head: msg`min`, wide: 10, right: true },
        ]}
        rows={steps.map((s, i) => [
          s.id in done ? '[x]' : '[  ]',
          `${i + 1}. ${s.title}`,
          [...s.how, ...(notes[s.id] ? [msg`Note: ${notes[s.id] ?? ''}`] : [])].join(' '),
          s.cautions.map((c) => CAUTIONS[c].title).join(', '),
          noted(
            `${s.minutes.beginner}, ${s.minutes.practised}`,
            s.waits_h > 0 && msg`waits ${s.waits_h} h`,
          ),
        ])}
      />
    </PdfSheet>
  );
}
