import { componentName, type Design } from '@/core/design';
import { bladeTone, OCTAVES_HZ } from '@/core/acoustics';
import { turningSpeed } from '@/core/components';
import {
  INSTALLATION,
  noiseHeard,
  type ThermalModel,
  SPREAD,
  type Uncertainty,
  type CaseReport,
  type LoopHeat,
  type RadiatorHeat,
  type SpotHeat,
} from '@/core/thermal';
import {
  formatCelsius,
  formatKelvin,
  formatMeasure,
  formatNumber,
  formatShown,
  formatWatts,
} from '@/core/units';
import type { Expansion, LoopVolume } from '@/core/bom';
import type { LoopFlow, LinkFlow, RunDrop } from '@/core/hydraulics';
import type { Gap } from '@/core/clearance';
import { SPREAD_BESIDE, type GapJudged, type Judged } from '@/core/studies';
import type { LyingTube, Run } from '@/core/tubing';
import type { Reason } from '@/view/shared';
import { msg, worded, noted } from '@/core/messages';

const kw = (v: number): string => `${formatNumber(v, { decimals: 3 })} K/W`;

export function reasonForSpot(s: SpotHeat): Reason {
  return s.cooledBy === null
    ? {
        title: s.name,
        formula: msg`Case air plus the part's watts times its air cooler's resistance.`,
        inputs: [
          { name: msg`case air`, value: formatCelsius(s.coolant_C, 1) },
          { name: msg`heat`, value: formatWatts(s.heat_W) },
          { name: msg`hot spot to air`, value: kw(s.interface_KW) },
        ],
        source: 'part data; case air from the heat balance',
      }
    : {
        title: s.name,
        formula: msg`Mean coolant in the block plus the part's watts times the block's
          resistance at this flow and the resistance from hot spot to block.`,
        inputs: [
          { name: msg`coolant in the block`, value: formatCelsius(s.coolant_C, 1) },
          { name: msg`heat`, value: formatWatts(s.heat_W) },
          { name: msg`block at this flow`, value: kw(s.block_KW ?? 0) },
          { name: msg`hot spot to block`, value: kw(s.interface_KW) },
        ],
        source: "block's measured points, R = Rref (Qref/Q)^n; part data",
      };
}

export function reasonForRise(report: CaseReport, design: Design): Reason {
  return {
    title: msg`Coolant ΔT`,
    formula: msg`All heat put into a loop leaves by its radiators: each takes its conductance
      times coolant in minus air in. The mean of the coolant by volume (tubes, blocks,
      radiators, reservoir), minus the room. What a sensor shows depends on where it sits.`,
    inputs: [
      ...report.loops.map((l) => ({
        name: msg`${design.loops.find((x) => x.id === l.id)?.name ?? l.id}, heat in`,
        value: formatWatts(l.heatIn_W),
      })),
      ...report.loops.flatMap((l) => placesInLoop(l, report.loops.length > 1, design)),
      ...report.radiators.map((r) => ({
        name: `${componentName(design, r.id)}`,
        value: msg`${formatNumber(r.conductance_WK, { decimals: 1 })} W/K, air in
          ${formatCelsius(r.airIn_C, 1)}`,
      })),
      { name: msg`room`, value: formatCelsius(design.brief.room_C, 1) },
    ],
    source:
      'crossflow effectiveness–NTU, exact series (Kays & London); installation factors by common practice',
  };
}

/** Coolant at the places of a loop that a builder asks about. */
function placesInLoop(l: LoopHeat, several: boolean, design: Design): Reason['inputs'] {
  const coolant = several
    ? msg`coolant of ${design.loops.find((x) => x.id === l.id)?.name ?? l.id}`
    : msg`coolant`;
  const place = (name: string, temp_C: number | null) =>
    temp_C === null ? [] : [{ name, value: formatCelsius(temp_C, 1) }];
  return [
    ...place(noted(coolant, msg`mean by volume`), l.mean_C),
    ...place(noted(coolant, msg`coolest`), l.coolest_C),
    ...place(noted(coolant, msg`hottest`), l.hottest_C),
    ...place(noted(coolant, msg`into the pump`), l.pumpInlet_C),
    ...l.sensors.flatMap((s) =>
      place(
        msg`what
          ${s.port ? msg`the sensor in ${componentName(design, s.component)}` : componentName(design, s.component)}
          would read`,
        s.temp_C,
      ),
    ),
  ];
}

export function reasonForRadiator(r: RadiatorHeat): Reason {
  return {
    title: msg`Heat a radiator takes`,
    formula:
      r.basis !== 'model'
        ? msg`${r.basis.replace(/^./, (c) => c.toUpperCase())}: watts per kelvin of its points
          at this air and flow, times coolant in minus air in.`
        : msg`Effectiveness times the smaller stream's capacity, from fin geometry, air flow
          where fan curve and core drag meet, and coolant flow.`,
    inputs: [
      { name: msg`fan speed`, value: msg`${formatNumber(r.speed_rpm)} rpm` },
      { name: msg`air through the radiator`, value: formatMeasure(r.airFlow_m3h, 'm³/h') },
      {
        name: msg`drag at that flow`,
        value: `${formatMeasure(r.airDrop_Pa, 'Pa', { decimals: 1 })}`,
      },
      { name: msg`air in`, value: formatCelsius(r.airIn_C, 1) },
      { name: msg`conductance`, value: `${formatNumber(r.conductance_WK, { decimals: 1 })} W/K` },
      {
        name: msg`installation factors`,
        value: msg`${INSTALLATION.airFlow} of air flow, ${INSTALLATION.conductance} of conductance`,
      },
    ],
    source: 'Kays & London; Shah & London; factors calibrated to common practice',
  };
}

/** Sources that are named one by one, loudest first. */
const SOURCES_NAMED = 6;

export function reasonForNoise(design: Design, thermalModel: ThermalModel): Reason {
  const { bands_dB, sources } = noiseHeard(thermalModel);
  const loudest = [...sources].sort((a, b) => b.level_dBA - a.level_dBA);
  const tones = thermalModel.system.design.components.flatMap(({ id, part, settings }) =>
    part.kind === 'pump'
      ? [{ id, tone_Hz: bladeTone(turningSpeed(part, settings.speed_rpm)) }]
      : [],
  );
  return {
    title: msg`Noise where you sit`,
    formula: msg`Each fan and pump at its speed: published level + 50 log10(speed/full speed),
      less what the case holds back of one within it (0 to 6 dB by octave) or one that looks to
      the rear (2 dB). Summed as energies, then − 20 log10(distance/1 m). An estimate: rooms
      reflect.`,
    inputs: [
      {
        name: msg`listener`,
        value: `${formatMeasure(design.brief.listener_m, 'm', { decimals: 1 })}`,
      },
      ...loudest.slice(0, SOURCES_NAMED).map((s) => ({
        name: componentName(design, s.component),
        value: msg`${formatNumber(s.level_dBA, { decimals: 1 })} dBA`,
      })),
      ...OCTAVES_HZ.map((f, i) => ({
        name: msg`octave of ${formatNumber(f)} Hz, not weighted`,
        value: msg`${formatNumber(bands_dB[i], { decimals: 0 })} dB`,
      })),
      ...tones.map((t) => ({
        name: msg`${componentName(design, t.id)} may hum at`,
        value: msg`${formatNumber(t.tone_Hz)} Hz, of seven blades`,
      })),
    ],
    source:
      'ASHRAE Handbook, fan laws; A-weighting by IEC 61672-1; shapes of spectra, case and direction by common practice, no source; free field',
  };
}

export function reasonForFlow(flow: LoopFlow): Reason {
  return {
    title: msg`Flow of the loop`,
    formula: msg`Where the pump's head equals what all runs, fittings and parts take. Newton on
      flows and pressures together (Todini & Pilati 1988).`,
    inputs: [
      { name: msg`head given`, value: `${formatMeasure(flow.head_kPa, 'kPa', { decimals: 1 })}` },
      { name: msg`coolant at`, value: formatCelsius(flow.coolant_C, 1) },
      { name: msg`rounds`, value: formatNumber(flow.iterations) },
      { name: msg`left over`, value: msg`${flow.residual.energy_kPa.toExponential(1)} kPa` },
    ],
    source:
      'pump curve by points, affinity laws; Darcy–Weisbach with Colebrook; Crane TP-410; dp = aQ + bQ² parts',
  };
}

export function reasonForDrop(link: LinkFlow, name: string, split?: RunDrop): Reason {
  return {
    title: msg`Pressure drop of ${name}`,
    formula:
      link.kind === 'passage'
        ? msg`Its measured curve a Q + b Q², a scaled with viscosity and b with density.`
        : msg`Friction along the whole cut length, arcs too; K ρ v²/2 of each bend beyond the
          length of its arc; each fitting at its own bore, from port to tube, by K or by its
          measured points. Nothing is counted twice.`,
    inputs: [
      { name: msg`flow`, value: `${formatMeasure(link.flow_Lmin, 'L/min', { decimals: 2 })}` },
      ...(link.reynolds
        ? [
            { name: msg`Reynolds number`, value: formatNumber(link.reynolds) },
            { name: 'regime', value: link.regime ?? '' },
          ]
        : []),
      ...(split && link.kind !== 'passage' ? splitOf(split) : []),
    ],
    source: link.kind === 'passage' ? 'part data' : 'Colebrook (1939); Crane TP-410, from memory',
  };
}

const splitOf = ({ tube_kPa, bends_kPa, fittings }: RunDrop): Reason['inputs'] => {
  const row = (name: string, drop_kPa: number) => ({
    name,
    value: `${formatMeasure(drop_kPa, 'kPa', { decimals: 3 })}`,
  });
  return [
    row(msg`tube and arcs`, tube_kPa),
    row('bends', bends_kPa),
    ...fittings.map((f) => row(f.of, f.drop_kPa)),
  ];
};

export const reasonForGap = (g: Gap, judged?: GapJudged): Reason => ({
  title: msg`${g.nameA} and ${g.nameB}`,
  formula: msg`Shortest distance of the two bodies, boxes or cylinders; when they overlap, minus
    the shortest move that parts them.`,
  inputs: [
    { name: msg`nominal`, value: `${formatMeasure(g.gap_mm, 'mm', { decimals: 1 })}` },
    {
      name: msg`both at the end of their tolerance`,
      value: `${formatMeasure(g.worst_mm, 'mm', { decimals: 1 })}`,
    },
    {
      name: msg`expected of two made independently (root of the sum of squares)`,
      value: `${formatMeasure(g.rss_mm, 'mm', { decimals: 1 })}`,
    },
    ...chancesOf(judged),
  ],
  source: judged
    ? 'geometry of the placed parts; a tolerance as three standard deviations (common practice, no source)'
    : 'geometry of the placed parts',
});

/** How a gap falls out over many builds, where its verdict may turn. */
const chancesOf = (judged: GapJudged | undefined): Reason['inputs'] =>
  judged?.band
    ? [
        {
          name: msg`90 % of such builds`,
          value: msg`${formatShown(judged.band.low, 'mm', { decimals: 1 })} to
            ${formatMeasure(judged.band.high, 'mm', { decimals: 1 })}`,
        },
        { name: msg`the two touch`, value: msg`${formatNumber(100 * judged.beyond)} in 100` },
        {
          name: msg`less is left than the brief keeps clear`,
          value: msg`${formatNumber(100 * judged.tight)} in 100`,
        },
      ]
    : [];

/** Radii of a run's bends, each once; the tube's own of a straight one. */
const radiiOf = ({ lra, radius_mm }: NonNullable<Run['routed']>): string =>
  [...new Set([...lra.map((b) => b.radius_mm), ...(lra.length === 0 ? [radius_mm] : [])])]
    .map((r) => `${formatMeasure(r, 'mm', { decimals: 1 })}`)
    .join(', ');

export const reasonForRun = (r: Run): Reason =>
  r.routed
    ? {
        title: r.name,
        formula: msg`Straights and arcs of the routed middle line, and how deep both ends sit in
          their fittings.`,
        inputs: [
          { name: msg`bends`, value: formatNumber(r.bends) },
          { name: msg`radius`, value: radiiOf(r.routed) },
          { name: msg`kept from everything`, value: formatMeasure(r.routed.kept_mm, 'mm') },
          {
            name: msg`nearest`,
            value: r.routed.nearest
              ? `${formatMeasure(r.routed.nearest.gap_mm, 'mm', { decimals: 1 })}`
              : msg`nothing`,
          },
        ],
        source: 'routing in space',
      }
    : {
        title: r.name,
        formula:
          r.guess ??
          msg`Estimated from where the two ports are and point: straight legs with bends of the
            tube's radius, plus what goes into each fitting. Routing in space will replace it.`,
        inputs: [
          { name: msg`bends`, value: formatNumber(r.bends) },
          { name: msg`turning`, value: `${formatNumber(r.turning_deg)}°` },
        ],
        source: 'estimate from the ports',
      };

export const reasonForVolume = (v: LoopVolume): Reason => ({
  title: msg`Coolant of the loop`,
  formula: msg`Blocks, radiators and pump whole, the reservoir to its fill mark, tubes by bore
    and length; 15 % margin.`,
  inputs: [
    { name: msg`parts`, value: formatMeasure(v.parts_mL, 'mL') },
    { name: msg`tubes`, value: formatMeasure(v.tubes_mL, 'mL') },
    { name: msg`to buy`, value: formatMeasure(v.buy_mL, 'mL') },
  ],
  source: 'part data; spare by common practice',
});

export const reasonForLying = (
  run: Run,
  { turning_deg, beside_mm, sag_mm }: LyingTube,
): Reason => ({
  title: msg`${run.name}, left to itself`,
  formula: msg`The curve of least bending energy between its two fittings at its length; sag of a
    full tube clamped at both ends, w L⁴ / 384 E I, for a hardness of 70 Shore A (estimated).`,
  inputs: [
    { name: msg`beside its route`, value: formatMeasure(beside_mm, 'mm', { decimals: 1 }) },
    { name: msg`turning`, value: `${formatNumber(turning_deg)}°` },
    { name: msg`sag`, value: formatMeasure(sag_mm, 'mm', { decimals: 1 }) },
  ],
  source: 'elastica (Euler 1744; Love, ch. XIX); rubber by its hardness (Gent 1958)',
});

export const reasonForNeeded = (
  sections: number,
  needed: number | null,
  rise: number | null,
  limit: number,
): Reason => {
  const neededWords = () => {
    if (needed === null) return '–';
    if (Number.isFinite(needed)) return formatNumber(needed, { decimals: 1 });
    return msg`no number is enough`;
  };
  return {
    title: msg`Sections needed`,
    formula: msg`All radiators with their fans and the air they bring grown or shrunk alike, at
      the present speed, until the warmest loop meets the limit. Findings offer radiators really
      placed, each worked out whole.`,
    inputs: [
      { name: msg`now`, value: formatNumber(sections) },
      { name: msg`rise now`, value: formatKelvin(rise) },
      { name: msg`limit`, value: formatKelvin(limit) },
      {
        name: msg`needed`,
        value: neededWords(),
      },
    ],
    source: 'the heat model, solved for area',
  };
};

export const reasonForBand = (b: Uncertainty): Reason => ({
  title: msg`90 % range over such builds`,
  formula: msg`${formatNumber(b.draws)} draws of what the papers do not settle, each worked out
    whole; the middle nine tenths are shown. The draws are seeded: the same build shows the same
    band.`,
  inputs: [
    {
      name: msg`installation factor of air coolers`,
      value: `± ${formatNumber(100 * SPREAD.airFlow)} %`,
    },
    {
      name: msg`installation factor on heat`,
      value: `± ${formatNumber(100 * SPREAD.conductance)} %`,
    },
    { name: msg`draw of each part`, value: `± ${formatNumber(100 * SPREAD.draw)} %` },
    { name: msg`each block`, value: `± ${formatNumber(100 * SPREAD.block)} %` },
    { name: msg`paste and pads`, value: `± ${formatNumber(100 * SPREAD.interface)} %` },
    { name: msg`over the brief’s rise`, value: `${formatNumber(100 * b.riseOver)} %` },
  ],
  source:
    'standard deviations by common practice, no source; logged readings will narrow the first two',
});

/** What a band of flow, noise or price was drawn from. */
const BESIDE = worded(
  () =>
    ({
      flow: {
        title: msg`90 % range of the flow`,
        inputs: [
          { name: msg`the pump's head`, value: `± ${formatNumber(100 * SPREAD_BESIDE.head)} %` },
          {
            name: msg`all of the loop resistance`,
            value: `± ${formatNumber(100 * SPREAD_BESIDE.losses)} %`,
          },
        ],
        beyond: msg`move less than the brief asks`,
      },
      noise: {
        title: msg`90 % range of the noise`,
        inputs: [
          {
            name: msg`level of each fan and pump`,
            value: msg`± ${formatNumber(SPREAD_BESIDE.sound_dB, { decimals: 1 })} dB`,
          },
        ],
        beyond: msg`are louder than the brief allows`,
      },
      price: {
        title: msg`90 % range of the price`,
        inputs: [
          {
            name: msg`each price until it is quoted`,
            value: `± ${formatNumber(100 * SPREAD_BESIDE.price)} %`,
          },
        ],
        beyond: msg`cost more than the budget`,
      },
    }) as const,
);

export const reasonForBeside = (of: keyof typeof BESIDE, { beyond }: Judged): Reason => ({
  title: BESIDE[of].title,
  formula: msg`${drawn()} The draws are seeded: the same build shows the same band.`,
  inputs: [
    ...BESIDE[of].inputs,
    { name: BESIDE[of].beyond, value: msg`${formatNumber(100 * beyond)} in 100` },
  ],
  source: 'standard deviations by common practice, no source',
});
const drawn = () =>
  msg`Draws of what the papers do not settle, each worked out; the middle nine tenths are shown.`;

export const reasonForCarries = (
  c: { readonly heat_W: number; readonly ofNow: number; readonly speed_rpm: number },
  limits: { readonly deltaT_K: number; readonly noise_dBA: number },
): Reason => ({
  title: msg`Heat the loops would carry`,
  formula: msg`All parts’ heat grown alike until the warmest loop meets the brief’s rise, fans
    as fast as the brief’s noise allows.`,
  inputs: [
    { name: msg`rise allowed`, value: formatKelvin(limits.deltaT_K) },
    { name: msg`noise allowed`, value: msg`${formatNumber(limits.noise_dBA)} dBA` },
    { name: msg`fans`, value: msg`${formatNumber(c.speed_rpm)} rpm` },
    { name: msg`of today’s heat`, value: `${formatNumber(100 * c.ofNow)} %` },
  ],
  source: 'the heat model, solved for heat',
});

export const reasonForExpansion = (e: Expansion): Reason => ({
  title: msg`Growth when hot`,
  formula: msg`Volume times the ratio of the coolant’s densities, cold over hot, less one. The
    air over it is pressed together and warmed as an ideal gas with water vapour in it; tubes
    swell by ΔV/V = (2 Δp/E) ((D² + d²)/(D² − d²) + ν).`,
  inputs: [
    { name: msg`filled at`, value: formatCelsius(e.cold_C, 1) },
    { name: msg`hottest coolant`, value: formatCelsius(e.hot_C, 1) },
    { name: msg`air at the fill`, value: formatMeasure(e.air_mL, 'mL') },
    { name: msg`what tubes give`, value: `${formatMeasure(e.swells_mL, 'mL', { decimals: 1 })}` },
    {
      name: msg`closed warm, then cold`,
      value: `${formatMeasure(-e.sinks_bar, 'bar', { decimals: 2 })}`,
    },
  ],
  source:
    'density fits of the coolant; ideal gas; vapour by Magnus (WMO); thick-walled cylinder (Lamé), moduli from memory',
});
