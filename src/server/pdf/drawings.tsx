import { G, Line, Polyline, Rect, Svg, Text as SvgText, View, Text } from '@react-pdf/renderer';
import type { CaseReport, CoolingCurve } from '@/core/thermal';
import { VIEW_NAMES, type ElevationSheet } from '@/core/elevation';
import type { Design } from '@/core/design';
import type { System } from '@/core/system';
import { componentName } from '@/core/design';
import { formatKelvin, formatMeasure } from '@/core/units';
import { formatNumber, msg } from '@/core/messages';
import { FAMILIES, pdfText } from './fonts';
import { tagged } from './tags';

const INK = '#1F2D36',
  SOFT = '#56636A',
  COPPER = '#A04C16',
  HAIR = '#CFC7B8';
const LATIN = FAMILIES[0] as string;

/** An elevation, as large as the width allows. */
export function PdfElevation({
  sheet,
  wide_pt,
  high_pt,
}: {
  readonly sheet: ElevationSheet;
  readonly wide_pt: number;
  readonly high_pt: number;
}) {
  const fit = Math.min(wide_pt / sheet.width_mm, high_pt / sheet.height_mm);
  return (
    <Svg
      width={sheet.width_mm * fit}
      height={sheet.height_mm * fit}
      viewBox={`0 0 ${sheet.width_mm} ${sheet.height_mm}`}
      {...tagged('Figure', {
        alt: msg`Elevation, ${VIEW_NAMES[sheet.view]}, with dimensions. Gaps and runs stand in the
          tables.`,
      })}
    >
      {sheet.shapes.map((s, i) => {
        if (s.shape === 'rect')
          return (
            <Rect
              key={i}
              x={s.at[0]}
              y={s.at[1]}
              width={s.size[0]}
              height={s.size[1]}
              fill="#FFFFFF"
              fillOpacity={0.75}
              stroke={INK}
              strokeWidth={s.weight}
            />
          );
        if (s.shape === 'line')
          return (
            <Polyline
              key={i}
              points={s.points.map((p) => p.join(',')).join(' ')}
              fill="none"
              stroke={s.weight > 1 ? COPPER : INK}
              strokeWidth={s.weight}
            />
          );
        return (
          <G key={i} transform={s.isUpright ? `rotate(-90 ${s.at[0]} ${s.at[1]})` : 'rotate(0)'}>
            <SvgText
              x={s.at[0]}
              y={s.at[1]}
              textAnchor={s.size < 7 ? 'middle' : 'start'}
              style={{ fontSize: s.size, fontFamily: LATIN }}
              fill={INK}
            >
              {pdfText(s.text)}
            </SvgText>
          </G>
        );
      })}
    </Svg>
  );
}

/** Each loop as a line of its stations, with the coolant's temperature between them. */
export function PdfLoops({
  design,
  system,
  heat,
}: {
  readonly design: Design;
  readonly system: System;
  readonly heat: CaseReport;
}) {
  return (
    <View>
      {system.loops.map((graph) => {
        const stations = graph.stations;
        const leaving = stations.map((id) => {
          const link = graph.links.find((l) => l.component === id);
          return link ? heat.nodes[link.to] : undefined;
        });
        return (
          <View key={graph.loop.id} style={{ marginTop: 8 }} wrap={false}>
            <Text style={{ fontWeight: 700 }}>{pdfText(graph.loop.name)}</Text>
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginTop: 3 }}>
              {stations.map((id, i) => (
                <View key={id} style={{ flexDirection: 'row', alignItems: 'center' }}>
                  <Text
                    style={{
                      borderWidth: 0.8,
                      borderColor: INK,
                      paddingHorizontal: 5,
                      paddingVertical: 3,
                    }}
                  >
                    {pdfText(componentName(design, id))}
                  </Text>
                  <Text style={{ color: SOFT, paddingHorizontal: 4, fontSize: 8 }}>
                    {leaving[i] === undefined
                      ? '–'
                      : `${formatMeasure(leaving[i] ?? 0, '°C', { decimals: 1 })} –`}
                  </Text>
                </View>
              ))}
            </View>
          </View>
        );
      })}
    </View>
  );
}

const CHART = { wide: 440, high: 210, left: 34, under: 26 } as const;

/** What the chart shows, for who hears it. */
const chartWords = (
  now: { readonly noise_dBA: number; readonly deltaT_K: number } | null,
  limits: Design['brief']['limits'],
): string =>
  now === null
    ? msg`Curves of coolant ΔT against noise, one for this build and one for each change.`
    : msg`Curves of coolant ΔT against noise, one for this build and one for each change. As set
      now: ${formatKelvin(now.deltaT_K)} at ${formatNumber(now.noise_dBA)} dBA; required: at most
      ${formatKelvin(limits.deltaT_K)} and ${formatNumber(limits.noise_dBA)} dBA.`;

/** Coolant ΔT against noise over the fans' speeds, with the limits of the brief. */
export function PdfCoolingChart({
  curves,
  now,
  limits,
}: {
  readonly curves: readonly CoolingCurve[];
  readonly now: { readonly noise_dBA: number; readonly deltaT_K: number } | null;
  readonly limits: Design['brief']['limits'];
}) {
  const points = curves.flatMap((c) => c.points);
  if (points.length === 0) return null;
  const low = Math.floor(Math.min(...points.map((p) => p.noise_dBA))),
    high = Math.ceil(Math.max(...points.map((p) => p.noise_dBA), limits.noise_dBA)),
    most = 4 * Math.ceil(Math.min(40, Math.max(limits.deltaT_K * 2, 8)) / 4);
  const x = (dBA: number): number =>
    CHART.left + ((dBA - low) / Math.max(1, high - low)) * (CHART.wide - CHART.left - 90);
  const y = (k: number): number => (CHART.high - CHART.under) * (1 - Math.min(k, most) / most) + 6;
  const word = (at: readonly [number, number], text: string, colour = SOFT, key = text) => (
    <SvgText key={key} x={at[0]} y={at[1]} style={{ fontSize: 7, fontFamily: LATIN }} fill={colour}>
      {text}
    </SvgText>
  );
  return (
    <Svg
      width={CHART.wide}
      height={CHART.high}
      {...tagged('Figure', { alt: chartWords(now, limits) })}
    >
      <Rect
        x={x(low)}
        y={y(limits.deltaT_K)}
        width={x(limits.noise_dBA) - x(low)}
        height={y(0) - y(limits.deltaT_K)}
        fill={COPPER}
        fillOpacity={0.1}
      />
      {Array.from({ length: most / 4 + 1 }, (_, i) => 4 * i).map((k) => (
        <G key={k}>
          <Line x1={x(low)} x2={x(high)} y1={y(k)} y2={y(k)} stroke={HAIR} strokeWidth={0.5} />
          {word([8, y(k) + 2], String(k), SOFT, `k${k}`)}
        </G>
      ))}
      {curves.map((c) => (
        <G key={c.id}>
          <Polyline
            points={c.points
              .filter((p) => p.deltaT_K <= most)
              .map((p) => `${x(p.noise_dBA)},${y(p.deltaT_K)}`)
              .join(' ')}
            fill="none"
            stroke={c.id === 'now' ? INK : SOFT}
            strokeWidth={c.id === 'now' ? 1.4 : 0.6}
          />
        </G>
      ))}
      {now && (
        <Rect x={x(now.noise_dBA) - 3} y={y(now.deltaT_K) - 3} width={6} height={6} fill={COPPER} />
      )}
      {word(
        [x(low), CHART.high - 6],
        msg`noise from ${low} to ${high} dBA; up: coolant above room air, K`,
      )}
      {word([x(high) + 6, 14], msg`bold: this build`, INK)}
      {word([x(high) + 6, 24], msg`thin: one change each`, SOFT)}
      {word([x(high) + 6, 34], msg`square: as set now`, COPPER)}
    </Svg>
  );
}
