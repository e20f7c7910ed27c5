/** The speeds something that turns can be set to, rpm. */
export interface Turning {
  readonly minSpeed_rpm: number;
  readonly fullSpeed_rpm: number;
}

/**
 * The speed that it turns at when it is set so, rpm: 0 stands still, anything else is held within
 * what it can do. Nothing set is full speed.
 */
export function turningSpeed(part: Turning, set_rpm: number | undefined): number {
  const wanted = set_rpm ?? part.fullSpeed_rpm;
  return wanted <= 0 ? 0 : Math.min(part.fullSpeed_rpm, Math.max(part.minSpeed_rpm, wanted));
}
