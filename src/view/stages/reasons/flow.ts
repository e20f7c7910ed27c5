import { formatCelsius, formatMeasure, formatNumber } from '@/core/units';
import type { LoopFlow, LinkFlow, RunDrop } from '@/core/hydraulics';
import type { Reason } from '@/view/shared';
import { msg } from '@/core/messages';

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
    source: msg`pump curve by points, affinity laws; Darcy–Weisbach with Colebrook; Crane TP-410;
      dp = aQ + bQ² parts`,
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
            { name: msg`regime`, value: link.regime ?? '' },
          ]
        : []),
      ...(split && link.kind !== 'passage' ? splitOf(split) : []),
    ],
    source:
      link.kind === 'passage' ? msg`part data` : msg`Colebrook (1939); Crane TP-410, from memory`,
  };
}

const splitOf = ({ tube_kPa, bends_kPa, fittings }: RunDrop): Reason['inputs'] => {
  const row = (name: string, drop_kPa: number) => ({
    name,
    value: `${formatMeasure(drop_kPa, 'kPa', { decimals: 3 })}`,
  });
  return [
    row(msg`tube and arcs`, tube_kPa),
    row(msg`bends`, bends_kPa),
    ...fittings.map((f) => row(f.of, f.drop_kPa)),
  ];
};
