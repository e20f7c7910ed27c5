/** The arrow or ring under the pointer; parts behind it are not dragged then. */
export const grip: { axis: string | null } = { axis: null };
