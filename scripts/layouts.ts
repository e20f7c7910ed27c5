// Routes the demo builds and writes their layouts into the catalogue: run after the router or a
// demo has changed.
import { writeFileSync } from 'node:fs';
import { DEMO_BUILDS } from '../src/catalogue';
import { EMPTY_LAYOUT } from '../src/core/design';
import { withRoutes } from '../src/core/routing';

for (const { name, design } of DEMO_BUILDS) {
  const { layout } = withRoutes({ ...design, layout: EMPTY_LAYOUT });
  writeFileSync(`src/catalogue/layouts/${name}.json`, `${JSON.stringify(layout, null, 1)}\n`);
  const without = Object.keys(layout.noRoute).length;
  console.log(`${name}: ${Object.keys(layout.routes).length} routed, ${without} without a way`);
}
