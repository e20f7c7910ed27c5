import { Document, Image as Picture, Page, Text, View } from '@react-pdf/renderer';
import type { Analysis } from '@/core/analysis';
import type { Design } from '@/core/design';
import { elevationSheet, ELEVATIONS, VIEW_NAMES } from '@/core/elevation';
import { bendSheet } from '@/core/plan';
import { coolingCurves, worstRise } from '@/core/thermal';
import {
  formatFlow,
  formatKelvin,
  formatMeasure,
  formatNumber,
  formatShown,
  formatWatts,
  unitShown,
} from '@/core/units';
import { formatPrice, msg, shownLanguage } from '@/core/messages';
import { BuildTables } from './documents';
import { PdfCoolingChart, PdfElevation, PdfLoops } from './drawings';
import { FAMILIES, hasUnwritten, pdfText } from './fonts';
import { PdfTable } from './parts';
import { tagged } from './tags';

export type PaperSize = 'A4' | 'LETTER';

/** Drawing room on a page, pt. */
const ROOM: Readonly<Record<PaperSize, readonly [wide: number, high: number]>> = {
  A4: [515, 690],
  LETTER: [532, 640],
};

/**
 * The build as a book: cover with the machine, what comes out, loops and charts, elevations with
 * dimensions, the list, and how every tube is bent.
 */
export function BookDocument({
  design,
  analysis,
  size,
  cover,
}: {
  readonly design: Design;
  readonly analysis: Analysis;
  readonly size: PaperSize;
  /** The scene as a PNG, where a browser gave one. */
  readonly cover: Uint8Array | null;
}) {
  const { reports, system, findings } = analysis;
  const heat = reports.heat[design.brief.loadCase];
  const [wide, high] = ROOM[size];
  const rise = worstRise(heat);
  const sheets = ELEVATIONS.flatMap((view) => elevationSheet(system, reports.runs, view) ?? []);
  const [window] = sheets;
  const isUnwritten = hasUnwritten([design.name, ...design.components.map((c) => c.name)].join());
  return (
    <Document
      title={pdfText(msg`${design.name}: build book`)}
      creator="Zephyron"
      producer="Zephyron"
      language={shownLanguage()}
    >
      <Page size={size} style={PAGE}>
        <Text style={{ fontWeight: 700, fontSize: 30 }} {...tagged('H1')}>
          {pdfText(design.name)}
        </Text>
        <Text style={{ fontSize: 12, marginBottom: 14 }}>
          {msg`Build book. ${pdfText(design.case?.name ?? msg`No case`)}.`}
        </Text>
        {cover ? (
          <Picture
            src={{ data: Buffer.from(cover), format: 'png' }}
            style={{ width: wide, height: (wide * 9) / 16, objectFit: 'contain' }}
            {...tagged('Figure', { alt: msg`The machine in space.` })}
          />
        ) : (
          window && <PdfElevation sheet={window} wide_pt={wide} high_pt={high * 0.6} />
        )}
        <PdfTable
          title={msg`What comes out`}
          columns={[
            { head: '', wide: 40 },
            { head: msg`result`, wide: 30, right: true },
            { head: msg`limit`, wide: 30, right: true },
          ]}
          rows={[
            [msg`Coolant ΔT`, formatKelvin(rise), formatKelvin(design.brief.limits.deltaT_K)],
            [
              msg`Noise`,
              msg`${formatNumber(heat.noise_dBA)} dBA`,
              msg`${formatNumber(design.brief.limits.noise_dBA)} dBA`,
            ],
            ...reports.flow.loops.map((l) => [
              msg`Flow, ${design.loops.find((x) => x.id === l.id)?.name ?? l.id}`,
              formatFlow(l.flow_Lmin),
              formatFlow(design.brief.limits.flow_Lmin),
            ]),
            [msg`Heat into the loops`, formatWatts(heat.inLoop_W), ''],
            [
              msg`Parts of the loop`,
              formatPrice(reports.bom.loopTotal, design.brief.currency),
              reports.bom.budget === null
                ? ''
                : formatPrice(reports.bom.budget, design.brief.currency),
            ],
            [msg`Findings`, String(findings.filter((f) => f.severity !== 'note').length), '0'],
          ]}
        />
        {isUnwritten && (
          <Text style={{ marginTop: 8 }}>
            {msg`Letters that the fonts of this book do not have (Chinese, Japanese, Korean and
              others) are printed as a question mark.`}
          </Text>
        )}
        <Foot name={design.name} />
      </Page>
      <Page size={size} style={PAGE}>
        <Text style={HEAD} {...tagged('H2')}>{msg`Loop diagram`}</Text>
        <PdfLoops design={design} system={system} heat={heat} />
        <Text
          style={{ ...HEAD, marginTop: 20 }}
          {...tagged('H2')}
        >{msg`Coolant ΔT against noise`}</Text>
        <PdfCoolingChart
          curves={coolingCurves(
            analysis.thermalModel,
            reports.flow,
            design.brief.loadCase,
            CURVE_STEPS,
          )}
          now={rise === null ? null : { noise_dBA: heat.noise_dBA, deltaT_K: rise }}
          limits={design.brief.limits}
        />
        <Foot name={design.name} />
      </Page>
      {sheets.map((sheet) => (
        <Page key={sheet.view} size={size} style={PAGE}>
          <Text style={HEAD} {...tagged('H2')}>
            {msg`Elevation, ${VIEW_NAMES[sheet.view]}, ${unitShown('mm')} (not to scale on paper)`}
          </Text>
          <PdfElevation sheet={sheet} wide_pt={wide} high_pt={high} />
          <Foot name={design.name} />
        </Page>
      ))}
      <Page size={size} style={PAGE}>
        <BuildTables design={design} paper={{ reports, findings }} />
        <BendTables design={design} analysis={analysis} />
        <Foot name={design.name} />
      </Page>
    </Document>
  );
}

/** Points of each curve: enough for paper. */
const CURVE_STEPS = 20;
const PAGE = {
  padding: 40,
  paddingBottom: 52,
  fontFamily: FAMILIES,
  fontSize: 9,
  color: '#1F2D36',
} as const;
const HEAD = { fontWeight: 700, fontSize: 14, marginBottom: 6 } as const;

function Foot({ name }: { readonly name: string }) {
  return (
    <View
      fixed
      style={{
        position: 'absolute',
        bottom: 24,
        left: 40,
        right: 40,
        fontSize: 8,
        flexDirection: 'row',
        justifyContent: 'space-between',
      }}
    >
      <Text>
        {pdfText(
          msg`Zephyron, ${name}. Estimates are marked. Local rules and qualified people first.`,
        )}
      </Text>
      <Text render={({ pageNumber, totalPages }) => msg`${pageNumber} of ${totalPages}`} />
    </View>
  );
}

/** How every hard tube is bent: mark, turn, angle. */
function BendTables({
  design,
  analysis: { reports },
}: {
  readonly design: Design;
  readonly analysis: Analysis;
}) {
  const made = design.loops.flatMap((loop) =>
    reports.runs
      .filter((r) => r.loop === loop.id && r.by === 'tube')
      .flatMap((r) => bendSheet(r, loop) ?? []),
  );
  return made
    .filter((s) => s.bends.length > 0)
    .map((s) => (
      <PdfTable
        key={s.run}
        title={msg`Bends: ${s.name}, cut
          ${formatMeasure(s.cut_mm + s.trim_mm, 'mm', { decimals: 1 })} of
          ${s.outer_mm}/${s.inner_mm}`}
        columns={[
          { head: msg`bend`, wide: 12 },
          { head: msg`mark from the first end, ${unitShown('mm')}`, wide: 34, right: true },
          { head: msg`turn`, wide: 24, right: true },
          { head: msg`angle`, wide: 24, right: true },
        ]}
        rows={s.bends.map((b, i) => [
          String(i + 1),
          formatShown(b.start_mm, 'mm', { decimals: 1 }),
          b.rotation_deg === null ? '–' : `${formatNumber(b.rotation_deg, { decimals: 1 })}°`,
          `${formatNumber(b.angle_deg, { decimals: 1 })}°`,
        ])}
      />
    ));
}
