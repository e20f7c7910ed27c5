/** The line of a loop's first lane, px under its top. */
export const LINE_Y = 38;
/**
 * From one lane to the next: icon, name and the next lane's temperatures. From the last lane to its
 * names, and to the profile under them.
 */
export const PITCH = 58,
  UNDER = 45;
const BELOW = 6;

/** Where the profile of a loop's pressure lies in its diagram, px, and how high all of it is. */
export function laneHeight(
  lanes: number,
  compact: boolean,
): { readonly profileTop: number; readonly profile: number; readonly whole: number } {
  const profileTop = LINE_Y + Math.max(0, lanes - 1) * PITCH + UNDER,
    profile = compact ? 18 : 30;
  return { profileTop, profile, whole: profileTop + profile + BELOW };
}
