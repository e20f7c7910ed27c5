import type { FluidProperties } from '../fluids';
import { fanAgainst } from './fan';
import { coreDrag } from './radiator';
import type { CaseFans, RadiatorSetup } from './thermalModel';

export interface FanOperatingPoint {
  /** Through the whole radiator or row, m³/h, before the installation factor. */
  readonly flow_m3h: number;
  readonly drop_Pa: number;
  readonly face_ms: number;
}

const STILL: FanOperatingPoint = { flow_m3h: 0, drop_Pa: 0, face_ms: 0 };

/**
 * Where the fans of a radiator meet its drag. Fans on both faces add pressure (two in series); of
 * two unlike sets the weaker's curve is used for both, which errs on the careful side.
 */
export function radiatorWind(radiator: RadiatorSetup, air: FluidProperties): FanOperatingPoint {
  const turning = radiator.fans.filter((f) => f.speed_rpm > 0);
  const [first] = turning;
  if (!first) return STILL;
  const face_m2 = (radiator.part.section_mm * radiator.core.width_mm) / 1e6;
  const weaker = turning.reduce((a, b) => (freeFlow(b) < freeFlow(a) ? b : a), first);
  const drag = (flow_m3h: number): number => {
    const v = flow_m3h / 3600 / face_m2;
    return coreDrag(radiator.core, v, air) + radiator.filterLoss_Pa * v * v;
  };
  const density = air.density_kgm3 / 1.2;
  const each = fanAgainst(weaker.curve, weaker.speed_rpm, turning.length, (f) => drag(f) / density);
  return {
    flow_m3h: each * radiator.sections,
    drop_Pa: drag(each),
    face_ms: each / 3600 / face_m2,
  };
}

const freeFlow = (f: RadiatorSetup['fans'][number]): number =>
  (f.speed_rpm / f.curve.fullSpeed_rpm) * (f.curve.curve.x[f.curve.curve.x.length - 1] as number);

/** Fans on a mount with nothing but filter and grille before them. */
export function caseFanPoint(bare: CaseFans): FanOperatingPoint {
  const { set } = bare;
  if (set.speed_rpm <= 0) return STILL;
  const face_m2 = set.part.section_mm ** 2 / 1e6;
  const each = fanAgainst(
    set.curve,
    set.speed_rpm,
    1,
    (f) => (bare.filterLoss_Pa + GRILLE_PA) * (f / 3600 / face_m2) ** 2,
  );
  const v = each / 3600 / face_m2;
  return {
    flow_m3h: each * set.count,
    drop_Pa: (bare.filterLoss_Pa + GRILLE_PA) * v * v,
    face_ms: v,
  };
}

/** A bare fan's own grille and the case's openings, Pa at 1 m/s (common practice, no source). */
const GRILLE_PA = 2;
