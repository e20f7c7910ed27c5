import type { FlowNetwork, NetworkLink } from '@/core/hydraulics';
import type { FluidProperties } from '@/core/fluids';
import { pchip } from '@/core/units';

/** A case of reference/network.json and what it was solved to be. */
export interface ReferenceNetwork {
  readonly id: string;
  readonly inputs: {
    readonly kinematic_viscosity_m2_s: number;
    readonly reservoir_heads_m: Readonly<Record<string, number>>;
    readonly pipes: readonly {
      readonly id: string;
      readonly from: string;
      readonly to: string;
      readonly length_m: number;
      readonly bore_mm: number;
      readonly roughness_mm: number;
      readonly K_minor: number;
    }[];
    readonly pumps: readonly {
      readonly id: string;
      readonly from: string;
      readonly to: string;
      readonly speed: number;
      readonly a: number;
      readonly b: number;
      readonly c: number;
    }[];
  };
  readonly expected: {
    readonly epanet: { readonly flows_L_min: Readonly<Record<string, number>> };
    readonly own_colebrook?: { readonly flows_L_min: Readonly<Record<string, number>> };
  };
}

/**
 * Points put through the file's power law, closely enough that the cubic between them adds nothing.
 */
const POINTS = 120;

/**
 * The file's pipes and pumps as links of the solver under test. Heads are metres of the fluid, so
 * any density does.
 */
export function networkOfReference({ inputs }: ReferenceNetwork): FlowNetwork {
  const density_kgm3 = 1000;
  const fluid: FluidProperties = {
    density_kgm3,
    viscosity_Pas: inputs.kinematic_viscosity_m2_s * density_kgm3,
    heatCapacity_JkgK: 4180,
    conductivity_WmK: 0.6,
  };
  const pumps = inputs.pumps.map((p): NetworkLink => {
    const most = (p.a / p.b) ** (1 / p.c);
    const points = Array.from({ length: POINTS + 1 }, (_, i) => {
      const q = (most * i) / POINTS;
      return [q, p.a - p.b * q ** p.c] as const;
    });
    return {
      id: p.id,
      from: p.from,
      to: p.to,
      pump: { speed: p.speed, curve: { curve: pchip(points), fullSpeed_rpm: 1 } },
    };
  });
  const pipes = inputs.pipes.map((p): NetworkLink => ({
    id: p.id,
    from: p.from,
    to: p.to,
    pipe: {
      length_mm: p.length_m * 1000,
      bore_mm: p.bore_mm,
      roughness_mm: p.roughness_mm,
      minor: [{ k: p.K_minor, bore_mm: p.bore_mm, of: 'K' }],
    },
  }));
  return { fluid, links: [...pumps, ...pipes], fixed: Object.keys(inputs.reservoir_heads_m) };
}
