'use client';
import { LOAD_CASES } from '@/core/components';
import { worstRise } from '@/core/thermal';
import { formatCelsius, formatFlow, formatKelvin, formatNumber } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { CASE_NAMES } from '../brief/BriefStage';
import { StageFrame, Section } from '../frame/StageFrame';

/** Not here yet, and says so; what will be compared is printed already. */
export function LogStage() {
  const analysis = useEditor((s) => s.analysis);
  const { heat, flow } = analysis.reports;
  return (
    <StageFrame
      title="The log is not here yet"
      sentence="Readings of the finished machine will be set against the prediction here, and the model calibrated by them. The prediction to hold it to stands below; write your readings beside it on paper for now."
      side={
        <Section title="What to note">
          <p>
            After one hour of combined load: room, coolant and part temperatures, fan and pump
            speed, flow, noise. Use the same thermometer for room and coolant: what it reads wrong
            cancels in the difference.
          </p>
        </Section>
      }
    >
      <table style={{ maxWidth: 720 }}>
        <thead>
          <tr>
            <th>load</th>
            <th className="num">coolant over room</th>
            <th className="num">hottest coolant</th>
            <th className="num">hottest part</th>
            <th className="num">flow</th>
            <th className="num">noise, est.</th>
          </tr>
        </thead>
        <tbody>
          {LOAD_CASES.map((c) => {
            const r = heat[c];
            const hottest = r.hotSpots.reduce<(typeof r.hotSpots)[number] | null>(
              (a, b) => ((b.temp_C ?? -1) > (a?.temp_C ?? -1) ? b : a),
              null,
            );
            const warm = r.loops.map((l) => l.hottest_C ?? NaN);
            return (
              <tr key={c}>
                <td>{CASE_NAMES[c]}</td>
                <td className="num">{formatKelvin(worstRise(r))}</td>
                <td className="num">
                  {formatCelsius(warm.length > 0 ? Math.max(...warm) : null, 1)}
                </td>
                <td className="num">
                  {hottest ? `${hottest.name} ${formatCelsius(hottest.temp_C)}` : '–'}
                </td>
                <td className="num">
                  {flow.loops.map((l) => formatFlow(l.flow_Lmin)).join(', ') || '–'}
                </td>
                <td className="num">{formatNumber(r.noise_dBA)} dBA</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </StageFrame>
  );
}
