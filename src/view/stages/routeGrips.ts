/** What is dragged goes in steps of this, mm. */
export const STEP_MM = 1;
