import { applyEdit, type Edit, componentName } from '../design';
import { msg, sentences } from '../messages';
import type { Fix } from './diagnostic';
import { portFits, type PortFit } from '../clearance';
import { compileSystem } from '../system';
import { formatMillimetres } from '../units';
import { runsOf } from '../routing';
import { candidates } from './fitFixes';
import type { SpatialCheck, SpatialInputs } from './inputs';

const MOST_FIXES = 2,
  MOST_TRIES = 8,
  MOST_PORTS = 3;

export const fitPort: SpatialCheck = {
  code: 'fit.port',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`A fitting, plug or valve does not go into its port: something stands where it
      would be. An extender lifts it over what is beside it; a smaller cap, another port or a
      slide gives it room. Offered is what was tried and works.`;
  },
  get source() {
    return msg`geometry: the fitting as a cylinder straight out of its port`;
  },
  run: (context) =>
    context.ports
      .filter((p) => p.verdict === 'clash')
      .map((p, i) => ({
        subjects: [p.component],
        title: msg`${p.fitting} does not go into ${p.name}`,
        detail: sentences(
          msg`It runs into ${p.with ?? msg`what is there`} by
            ${formatMillimetres(-(p.gap_mm ?? 0), 1)}.`,
          p.besidePort && msg`An extender on one of the two parts them.`,
        ),
        measured: p.gap_mm ?? 0,
        limit: 0,
        unit: 'mm',
        candidates: () => (i < MOST_PORTS ? portFixes(context, p) : []),
      })),
};

/** Changes tried on a copy: the fitting goes in, and no other port is worse off. */
function portFixes(context: SpatialInputs, p: PortFit): readonly Fix[] {
  const clashes = context.ports.filter((x) => x.verdict === 'clash').length;
  const good: Fix[] = [];
  for (const fix of [
    ...requirements(context, p),
    ...(p.withComponent ? candidates(context, { a: p.component, b: p.withComponent }) : []),
  ].slice(0, MOST_TRIES)) {
    if (good.length >= MOST_FIXES) break;
    const system = compileSystem(applyEdit(context.design, fix.edit).design);
    const then = portFits(system, runsOf(system));
    const same = then.find((x) => x.component === p.component && x.port === p.port);
    if (
      (!same || same.verdict !== 'clash') &&
      then.filter((x) => x.verdict === 'clash').length < clashes
    )
      good.push(fix);
  }
  return good;
}

function requirements({ design, system, offer }: SpatialInputs, p: PortFit): readonly Fix[] {
  const fixes: Fix[] = [];
  for (const loop of design.loops) {
    for (const connection of loop.connections) {
      for (const end of ['from', 'to'] as const) {
        if (
          connection.by !== 'tube' ||
          connection[end].component !== p.component ||
          connection[end].port !== p.port
        )
          continue;
        for (const [piece, words] of [
          ['straight', msg`a straight fitting`],
          ['extender', msg`an extender`],
          ['rotary90', msg`a 90° rotary`],
          ['rotary45', msg`a 45° rotary`],
        ] as const) {
          if (connection.ends[end] !== piece)
            fixes.push({
              label: msg`Use ${words} at ${p.name}`,
              edit: {
                do: 'connection.ends',
                loop: loop.id,
                connection: connection.id,
                ends: { ...connection.ends, [end]: piece },
              },
            });
        }
      }
    }
    const cap = loop.caps.find((c) => c.component === p.component && c.port === p.port);
    if (!cap) continue;
    for (const piece of offer) {
      if (
        piece.kind === 'fitting' &&
        piece.duty === cap.with &&
        cap.piece === undefined &&
        piece.length_mm < design.kit[cap.with].length_mm
      )
        fixes.push({
          label: msg`Use a lower one: ${piece.name}`,
          edit: { do: 'kit.set', duty: cap.with, fitting: piece },
        });
    }
    if (cap.with !== 'plug') {
      const plug: Edit = {
        do: 'cap.set',
        loop: loop.id,
        port: { component: p.component, port: p.port },
        with: 'plug',
      };
      // The valve or fill cap goes to another spare port of the same loop.
      const height = system.portAt(p)?.at[1] ?? 0;
      const serves = (y: number | undefined): boolean =>
        y !== undefined && (cap.with === 'drain' ? y <= height + 20 : y >= height - 20);
      for (const other of loop.caps)
        if (other.with === 'plug' && other !== cap && serves(system.portAt(other)?.at[1]))
          fixes.push({
            label: msg`Put the ${cap.with === 'drain' ? msg`drain valve` : msg`fill cap`} on
              ${componentName(design, other.component)} instead`,
            edit: {
              do: 'batch',
              edits: [
                plug,
                {
                  do: 'cap.set',
                  loop: loop.id,
                  port: { component: other.component, port: other.port },
                  with: cap.with,
                },
              ],
            },
          });
    }
  }
  return fixes;
}
