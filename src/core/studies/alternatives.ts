import { applyEdit, type Design, type Edit } from '../design';
import { analyse } from '../analysis';
import { compileSystem } from '../system';
import { alternatives, routesOf, tidinessOf, type Route } from '../routing';

/** Another way of a run, worked out whole. */
export interface AlternativeJudged {
  /** Lays it so; null for the way it has. */
  readonly edit: Edit | null;
  readonly route: Route;
  readonly bends: number;
  readonly planes: number;
  readonly length_mm: number;
  /** From 0 to 1. */
  readonly tidiness: number;
  /** Over the run at the flow that then comes about; null while nothing flows. */
  readonly drop_kPa: number | null;
}

/** Ways a run may take, the one it has first: each with its bends, planes, length and pressure drop. */
export function judgedAlternatives(
  design: Design,
  connection: string,
  tell: (done: number, of: number) => boolean = () => true,
): readonly AlternativeJudged[] {
  const system = compileSystem(design);
  const routed = routesOf(system);
  const found = alternatives(system, routed, connection, (done, of) => tell(done, 2 * of));
  return found.flatMap(({ route, stored }, i): AlternativeJudged[] => {
    if (!tell(found.length + i, 2 * found.length)) return [];
    const isNow = routed.routes.some((r) => r.connection === connection && r.path === route.path);
    const edit: Edit | null = isNow
      ? null
      : { do: 'layout.set', routes: { [connection]: stored }, noRoute: { [connection]: null } };
    const laid = edit ? applyEdit(design, edit).design : design;
    const { reports, system: after, routed: lies } = analyse(laid);
    const tidy = tidinessOf(after, lies.routes, 0).runs.find((r) => r.connection === connection);
    const link = reports.flow.links.find((l) => l.id === connection);
    return tidy
      ? [
          {
            edit,
            route,
            bends: tidy.bends,
            planes: tidy.planes,
            length_mm: tidy.length_mm,
            tidiness: tidy.score,
            drop_kPa: link?.drop_kPa ?? null,
          },
        ]
      : [];
  });
}
