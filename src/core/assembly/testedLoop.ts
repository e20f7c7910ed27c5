import { reservoirsOf, tubeCompliance, type Bom } from '../bom';
import { loopOfRun, type AirTest, type Loop } from '../design';
import { standardPressure } from '../fluids';
import { judgeAirTest, type LeakReport, type TestedLoop } from '../leakTest';
import type { System } from '../system';
import type { Run } from '../tubing';
import { isoMinutes } from '../units';

/** How well the temperature of the air in the loop is known from a room thermometer, K (an estimate). */
const TEMPERATURE_K = 0.3;

interface Inputs {
  readonly system: System;
  readonly runs: readonly Run[];
  readonly bom: Pick<Bom, 'volumes'>;
}

/** A loop as an air test has it: its air, what its tubes swell by, its room and its gauge. */
export function testedLoop(
  { system, runs, bom }: Inputs,
  loop: Loop,
  { resolution_mbar }: Pick<AirTest, 'resolution_mbar'>,
): TestedLoop {
  const { design } = system;
  // Under air the reservoir is empty, not filled to its mark.
  const volume_mL =
    (bom.volumes.find((v) => v.loop === loop.id)?.total_mL ?? 0) +
    reservoirsOf(design, loop).reduce((sum, r) => sum + r.volume_mL - r.fill_mL, 0);
  const compliance_mLbar = runs
    .filter((r) => r.loop === loop.id && r.by === 'tube')
    .reduce((sum, r) => {
      const { outer_mm, inner_mm, material } = loopOfRun(loop, r.id).tube;
      return sum + tubeCompliance({ volume_mL: r.volume_mL, outer_mm, inner_mm, material });
    }, 0);
  return {
    volume_mL,
    compliance_mLbar,
    room_mbar: standardPressure(design.brief.altitude_m) / 100,
    resolution_mbar,
    temperature_K: TEMPERATURE_K,
  };
}

/** What the readings of an air test come to; null while there are too few. */
export function airTestReport(inputs: Inputs, loop: Loop, test: AirTest): LeakReport | null {
  const start = isoMinutes(test.readings[0]?.on ?? '');
  return judgeAirTest(
    test.readings.map((r) => ({
      at_min: isoMinutes(r.on) - start,
      gauge_mbar: r.gauge_mbar,
      temp_C: r.temp_C,
    })),
    testedLoop(inputs, loop, test),
  );
}
