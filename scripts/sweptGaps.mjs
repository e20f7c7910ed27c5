// Least distances between swept tubes and solids by a kernel of meshes, on its own: reads cases as
// JSON from standard input, prints their gaps.
import { readFileSync } from 'node:fs';
import init from 'manifold-3d';

const kernel = await init();
kernel.setup();
const { Manifold, CrossSection } = kernel;
/** Facets may lie beside their circle by so much, mm. */
const OFF_MM = 0.014;
/** So many that none lies farther inside its circle than that. */
const facets = (r) => 4 * Math.ceil(Math.PI / Math.acos(1 - OFF_MM / r) / 4);
/** Of a circle drawn larger by that much: its corners lie outside, the middles of its facets inside. */
const round = (r) => ({ radius: r + OFF_MM, facets: facetsTwice(r) });
const facetsTwice = (r) => 4 * Math.ceil(Math.PI / Math.acos((r - OFF_MM) / (r + OFF_MM)) / 4);
const sub = (a, b) => a.map((v, i) => v - b[i]);
const cross = (a, b) => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a) => {
  const l = Math.hypot(...a);
  return a.map((v) => v / l);
};
/** Columns x, y, z and the origin. */
const placed = (solid, x, y, z, at) => solid.transform([...x, 0, ...y, 0, ...z, 0, ...at, 1]);

function rod(from, to, r) {
  const z = unit(sub(to, from));
  const x = unit(cross(Math.abs(z[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0], z));
  const { radius, facets } = round(r);
  const solid = Manifold.cylinder(Math.hypot(...sub(to, from)), radius, radius, facets);
  return placed(solid, x, cross(z, x), z, from);
}

/** A circle swept about an axis from where an arc begins. */
function bend({ from, centre, axis, angle_deg, radius }, r) {
  const tube = round(r);
  const solid = CrossSection.circle(tube.radius, tube.facets)
    .translate([radius, 0])
    .revolve(facets(radius + r), angle_deg);
  const x = unit(sub(from, centre));
  return placed(solid, x, cross(axis, x), axis, centre);
}

/** Its pieces; round at both ends: there it sits in a fitting, which is measured by itself. */
const tube = ({ path, r }) => [
  ...path.map((s) => (s.kind === 'line' ? rod(s.from, s.to, r) : bend(s, r))),
  ...[path[0].from, path[path.length - 1].to].map((at) =>
    Manifold.sphere(round(r).radius, round(r).facets).translate(at),
  ),
];
const solid = ({ box, cylinder }) => [
  box
    ? Manifold.cube(sub(box.max, box.min)).translate(box.min)
    : rod(cylinder.from, cylinder.to, cylinder.radius),
];

/** How far two boxes are apart: no gap inside them is smaller. */
const apart = (a, b) =>
  Math.hypot(...a.min.map((low, i) => Math.max(0, low - b.max[i], b.min[i] - a.max[i])));

/** The least gap of any two pieces; those whose boxes lie farther apart than it are not asked. */
function leastGap(as, bs, within) {
  const pairs = as.flatMap((a) =>
    bs.map((b) => ({ a, b, apart: apart(a.boundingBox(), b.boundingBox()) })),
  );
  return pairs
    .sort((x, y) => x.apart - y.apart)
    .reduce(
      (least, { a, b, apart }) => (apart < least ? Math.min(least, a.minGap(b, least)) : least),
      within,
    );
}

const cases = JSON.parse(readFileSync(0, 'utf8'));
const gaps = cases.map(({ a, b, within }) => {
  const [first, second] = [tube(a), b.path ? tube(b) : solid(b)];
  const gap = leastGap(first, second, within);
  for (const piece of [...first, ...second]) piece.delete();
  return gap;
});
process.stdout.write(JSON.stringify(gaps));
