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
} from '@/core/thermal';
import {
  formatCelsius,
  formatKelvin,
  formatMeasure,
  formatNumber,
  formatWatts,
} from '@/core/units';
import type { Reason } from '@/view/shared';
import { msg, noted } from '@/core/messages';

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
    source: msg`crossflow effectiveness–NTU, exact series (Kays & London); installation factors by
      common practice`,
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
    source: msg`Kays & London; Shah & London; factors calibrated to common practice`,
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
    source: msg`ASHRAE Handbook, fan laws; A-weighting by IEC 61672-1; shapes of spectra, case and
      direction by common practice, no source; free field`,
  };
}

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
    source: msg`the heat model, solved for area`,
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
  source: msg`standard deviations by common practice, no source; logged readings will narrow the
    first two`,
});

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
  source: msg`the heat model, solved for heat`,
});
