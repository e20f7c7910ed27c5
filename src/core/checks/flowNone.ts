import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const flowNone: OperatingCheck = {
  code: 'flow.none',
  severity: 'fails',
  stage: 'flow',
  meaning:
    'Nothing flows in a loop: it has no pump, its pump is stopped, the runs do not close a circuit, or the equations have no solution. Temperatures cannot be computed until it flows.',
  source: 'the network solution',
  run: (context) =>
    context.flow.loops.flatMap((loop): Diagnostic[] => {
      const name = context.design.loops.find((l) => l.id === loop.id)?.name ?? loop.id;
      if (loop.status === 'empty')
        return [
          {
            subjects: [loop.id],
            title: `${name} has no runs`,
            detail: 'Connect its parts: reservoir, pump, blocks, radiators and back.',
          },
        ];
      if (loop.status === 'no-pump')
        return [
          {
            subjects: [loop.id],
            title: `${name} has no turning pump`,
            detail:
              'Without a pump nothing flows. Add one from the catalogue, or give the one there a speed.',
          },
        ];
      if (loop.status !== 'solved')
        return [
          {
            subjects: [loop.id],
            title: `No flow could be found for ${name}`,
            detail: `The network's equations ended as "${loop.status}" after ${loop.iterations} rounds. Look for a run that ends nowhere.`,
          },
        ];
      if (loop.flow_Lmin < 1e-6)
        return [
          {
            subjects: [loop.id],
            title: `Nothing flows in ${name}`,
            detail: "The runs do not connect the pump's outlet back to its inlet.",
          },
        ];
      return [];
    }),
};
