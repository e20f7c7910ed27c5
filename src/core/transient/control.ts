import type { Control } from '../design';

/**
 * Speed a control asks for at a temperature, rpm: straight lines between its points, held beyond
 * them.
 */
export function asked({ points }: Pick<Control, 'points'>, temp_C: number): number {
  const first = points[0],
    last = points[points.length - 1];
  if (!first || !last) return 0;
  if (temp_C <= first[0]) return first[1];
  if (temp_C >= last[0]) return last[1];
  const i = points.findIndex((p) => p[0] >= temp_C);
  const a = points[i - 1] as Control['points'][number],
    b = points[i] as Control['points'][number];
  return a[1] + ((temp_C - a[0]) / (b[0] - a[0])) * (b[1] - a[1]);
}

/**
 * Follows a temperature step by step: up at once, down only past the hysteresis, never faster than
 * the ramp.
 */
export class Follower {
  private kept: number | null = null;
  constructor(
    private readonly control: Control,
    private readonly least_rpm: number,
    private readonly most_rpm: number,
    public speed_rpm: number,
  ) {}

  step(temp_C: number, step_s: number): number {
    const { hysteresis_K, ramp_rpms } = this.control;
    if (this.kept === null || temp_C > this.kept) this.kept = temp_C;
    else if (temp_C < this.kept - hysteresis_K) this.kept = temp_C + hysteresis_K;
    const target = Math.min(
      this.most_rpm,
      Math.max(this.least_rpm, asked(this.control, this.kept)),
    );
    const most = ramp_rpms * step_s;
    this.speed_rpm += Math.min(most, Math.max(-most, target - this.speed_rpm));
    return this.speed_rpm;
  }
}
