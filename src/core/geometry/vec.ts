/** Points and directions in millimetres: x rear → front, y bottom → top, z board tray → glass. */
export type Vec = readonly [x: number, y: number, z: number];

export const add = (a: Vec, b: Vec): Vec => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec, k: number): Vec => [a[0] * k, a[1] * k, a[2] * k];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const norm = (a: Vec): number => Math.sqrt(dot(a, a));
export const unit = (a: Vec): Vec => {
  const n = norm(a);
  return n > 0 ? scale(a, 1 / n) : a;
};
export const distance = (a: Vec, b: Vec): number => norm(sub(a, b));
