// Least distances between swept tubes and solids by a kernel of meshes, on its own: reads cases as
// JSON from standard input, prints their gaps.
import { readFileSync } from 'node:fs';
import init from 'manifold-3d';

const kernel = await init();
kernel.setup();
const { Manifold, CrossSection } = kernel;
/** Facets so many that none lies farther inside its circle than 0.02 mm. */
const facets = (r) => 4 * Math.ceil(Math.PI / Math.acos(1 - 0.02 / r) / 4);
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
  const solid = Manifold.cylinder(Math.hypot(...sub(to, from)), r, r, facets(r));
  return placed(solid, x, cross(z, x), z, from);
}

/** A circle swept about an axis from where an arc begins. */
function bend({ from, centre, axis, angle_deg, radius }, r) {
  const solid = CrossSection.circle(r, facets(r))
    .translate([radius, 0])
    .revolve(facets(radius + r), angle_deg);
  const x = unit(sub(from, centre));
  return placed(solid, x, cross(axis, x), axis, centre);
}

/** Round at both ends: there it sits in a fitting, which is measured by itself. */
const tube = ({ path, r }) =>
  Manifold.compose([
    ...path.map((s) => (s.kind === 'line' ? rod(s.from, s.to, r) : bend(s, r))),
    ...[path[0].from, path[path.length - 1].to].map((at) =>
      Manifold.sphere(r, facets(r)).translate(at),
    ),
  ]);
const solid = ({ box, cylinder }) =>
  box
    ? Manifold.cube(sub(box.max, box.min)).translate(box.min)
    : rod(cylinder.from, cylinder.to, cylinder.radius);

const cases = JSON.parse(readFileSync(0, 'utf8'));
const gaps = cases.map(({ a, b, within }) => {
  const [first, second] = [tube(a), b.path ? tube(b) : solid(b)];
  const gap = first.minGap(second, within);
  first.delete();
  second.delete();
  return gap;
});
process.stdout.write(JSON.stringify(gaps));
