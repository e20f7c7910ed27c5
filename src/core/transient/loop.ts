import { luFactor, luSolve } from '../heat';
import type { LoopGraph } from '../model';

/** A part's metal on an edge, between the part and the coolant. */
export interface Body {
  readonly source: number;
  readonly share: number;
  readonly edge: number;
  readonly capacity_JK: number;
  resistance_KW: number;
  temp_C: number;
  heat_W: number;
}

/** What acts on a loop in one step. */
export interface Push {
  readonly capacityFlow_WK: Float64Array;
  readonly conductance_WK: Float64Array;
  readonly air_C: Float64Array;
  readonly gain_W: Float64Array;
}

/** A chord of conductance and flow this small is not worth factoring anew for. */
const SAME = 1e-3;

/**
 * The coolant of one loop as stirred stretches, one an edge, its state the temperature each lets out; streams mix where they meet.
 * Implicit Euler (backward differences): stable at any step, exact in the energy it moves, and with a step of no end the steady balance.
 */
export class LoopState {
  readonly temp_C: Float64Array;
  private readonly n: number;
  private readonly lu: Float64Array;
  private readonly order: Int32Array;
  private readonly rhs: Float64Array;
  private readonly inlet_C: Float64Array;
  private readonly slope: Float64Array;
  private readonly base: Float64Array;
  /** Edges into the start of each edge with their shares of its stream; when flow runs backwards start and end are swapped. */
  private feeds: readonly (readonly { readonly edge: number; readonly share: number }[])[] = [];
  private held: {
    step_s: number;
    conductance: Float64Array;
    flow: Float64Array | null;
    resistances: Float64Array;
  } = { step_s: 0, conductance: new Float64Array(0), flow: null, resistances: new Float64Array(0) };

  constructor(
    private readonly graph: LoopGraph,
    private readonly capacity_JK: Float64Array,
    readonly bodies: readonly Body[],
    start_C: number,
  ) {
    this.n = graph.edges.length;
    this.temp_C = new Float64Array(this.n).fill(start_C);
    this.lu = new Float64Array(this.n * this.n);
    this.order = new Int32Array(this.n);
    this.rhs = new Float64Array(this.n);
    this.inlet_C = new Float64Array(this.n).fill(start_C);
    this.slope = new Float64Array(this.n);
    this.base = new Float64Array(this.n);
  }

  /** Which stream feeds which; asked again only when the flows change. */
  setFlows(flows_Lmin: Float64Array): void {
    const end = (k: number): string => {
      const e = this.graph.edges[k] as LoopGraph['edges'][number];
      return (flows_Lmin[k] as number) >= 0 ? e.to : e.from;
    };
    const start = (k: number): string => {
      const e = this.graph.edges[k] as LoopGraph['edges'][number];
      return (flows_Lmin[k] as number) >= 0 ? e.from : e.to;
    };
    const into = new Map<string, { edge: number; q: number }[]>();
    for (let k = 0; k < this.n; k += 1) {
      const q = Math.abs(flows_Lmin[k] as number);
      if (q > 1e-6) into.set(end(k), [...(into.get(end(k)) ?? []), { edge: k, q }]);
    }
    this.feeds = Array.from({ length: this.n }, (_, k) => {
      if (Math.abs(flows_Lmin[k] as number) <= 1e-6) return [];
      const list = into.get(start(k)) ?? [],
        sum = list.reduce((s, f) => s + f.q, 0);
      return list.map((f) => ({ edge: f.edge, share: f.q / sum }));
    });
    this.held.flow = null;
  }

  /** One step. Gives the heat that left through conductances, W. */
  step(push: Push, step_s: number): number {
    const { n, lu, rhs, temp_C, bodies } = this;
    this.blockTerms(step_s);
    if (this.changed(push, step_s)) this.factor(push, step_s);
    for (let k = 0; k < n; k += 1)
      rhs[k] =
        ((this.capacity_JK[k] as number) / step_s) * (temp_C[k] as number) +
        (this.held.conductance[k] as number) * (push.air_C[k] as number) +
        (push.gain_W[k] as number) +
        (this.base[k] as number);
    luSolve(lu, this.order, rhs, n);
    let out_W = 0;
    for (let k = 0; k < n; k += 1) temp_C[k] = rhs[k] as number;
    for (let k = 0; k < n; k += 1) {
      const feeds = this.feeds[k] ?? [];
      let inlet = temp_C[k] as number;
      if (feeds.length > 0) {
        inlet = 0;
        for (const f of feeds) inlet += f.share * (temp_C[f.edge] as number);
      }
      this.inlet_C[k] = inlet;
      const conductance = this.held.conductance[k] as number;
      if (conductance > 0) out_W += conductance * (inlet - (push.air_C[k] as number));
    }
    for (const b of bodies) {
      const coolant = this.coolantAt(b.edge),
        beta = b.capacity_JK / step_s;
      b.temp_C =
        (beta * b.temp_C + b.heat_W + coolant / b.resistance_KW) / (beta + 1 / b.resistance_KW);
    }
    return out_W;
  }

  /** Mean coolant within an edge, °C. */
  coolantAt(k: number): number {
    return ((this.inlet_C[k] as number) + (this.temp_C[k] as number)) / 2;
  }
  inletAt(k: number): number {
    return this.inlet_C[k] as number;
  }

  /** Energy held over 0 °C, J. */
  stored(): number {
    let sum = 0;
    for (let k = 0; k < this.n; k += 1)
      sum += (this.capacity_JK[k] as number) * (this.temp_C[k] as number);
    for (const b of this.bodies) sum += b.capacity_JK * b.temp_C;
    return sum;
  }

  /** A body gives (T_body − T_coolant)/R to its edge; the body's own step is worked in, so what is left is a line in the coolant. */
  private blockTerms(step_s: number): void {
    this.base.fill(0);
    this.slope.fill(0);
    for (const b of this.bodies) {
      const beta = b.capacity_JK / step_s,
        under = b.resistance_KW * beta + 1;
      this.base[b.edge] = (this.base[b.edge] as number) + (beta * b.temp_C + b.heat_W) / under;
      this.slope[b.edge] = (this.slope[b.edge] as number) + beta / under;
    }
  }

  private changed(push: Push, step_s: number): boolean {
    const { held } = this;
    if (held.flow === null || held.step_s !== step_s) return true;
    for (let k = 0; k < this.n; k += 1) {
      const now = push.conductance_WK[k] as number;
      if (Math.abs(now - (held.conductance[k] as number)) > SAME * Math.max(now, 1e-9)) return true;
    }
    return this.bodies.some((b, i) => b.resistance_KW !== held.resistances[i]);
  }

  private factor(push: Push, step_s: number): void {
    const { n, lu } = this;
    lu.fill(0);
    for (let k = 0; k < n; k += 1) {
      const m = push.capacityFlow_WK[k] as number,
        half = (this.slope[k] as number) / 2,
        feeds = this.feeds[k] ?? [];
      const fed = feeds.length > 0;
      // Without a stream the coolant within is one temperature, its own.
      lu[k * n + k] =
        (this.capacity_JK[k] as number) / step_s +
        (fed ? m + half : 2 * half + (push.conductance_WK[k] as number));
      for (const f of feeds)
        lu[k * n + f.edge] =
          (lu[k * n + f.edge] as number) +
          f.share * (half - m + (push.conductance_WK[k] as number));
    }
    if (!luFactor(lu, this.order, n)) throw new RangeError("the loop's balance has no answer");
    this.held = {
      step_s,
      conductance: Float64Array.from(push.conductance_WK),
      flow: push.capacityFlow_WK,
      resistances: Float64Array.from(this.bodies, (b) => b.resistance_KW),
    };
  }
}
