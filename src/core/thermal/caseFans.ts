import type { FluidProperties } from '../fluids';
import { fanAgainst, fansAgainst } from './fan';
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
 * Where the fans of a radiator meet its drag. Sets on both faces are in a row: their pressures add,
 * each by its own curve, and one that stands holds the other back.
 */
export function radiatorWind(radiator: RadiatorSetup, air: FluidProperties): FanOperatingPoint {
  if (!radiator.fans.some((f) => f.speed_rpm > 0)) return STILL;
  const face_m2 = (radiator.part.section_mm * radiator.core.width_mm) / 1e6;
  const drag = (flow_m3h: number): number => {
    const v = flow_m3h / 3600 / face_m2;
    return coreDrag(radiator.core, v, air) + radiator.filterLoss_Pa * v * v;
  };
  const density = air.density_kgm3 / 1.2;
  const each = fansAgainst(radiator.fans, (f) => drag(f) / density);
  return {
    flow_m3h: each * radiator.sections,
    drop_Pa: drag(each),
    face_ms: each / 3600 / face_m2,
  };
}

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
