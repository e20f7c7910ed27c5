// First-load script of every page, gzip: held by `size-limit` in `npm test`. What is loaded after
// that, charts and the scene, is held over the wire by the interface tests.
import { firstLoads } from './scripts/firstLoad.mjs';

const DEMO = '/builds/dawn-chorus-desk';
const STAGES = [
  'brief',
  'heat',
  'case',
  'cooling',
  'flow',
  'materials',
  'runs',
  'parts',
  'assembly',
  'log',
];
const LIMITS = [
  { path: '/', limit: '220 kB' },
  { path: '/new', limit: '250 kB' },
  ...STAGES.map((stage) => ({ path: `${DEMO}/${stage}`, limit: '350 kB' })),
];

const files = await firstLoads(LIMITS.map(({ path }) => path));

export default LIMITS.map(({ path, limit }) => ({
  name: path,
  path: files.get(path),
  limit,
  gzip: true,
}));
