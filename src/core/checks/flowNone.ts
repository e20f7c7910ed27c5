import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';

export const flowNone: OperatingCheck = {
  code: 'flow.none',
  severity: 'fails',
  stage: 'flow',
  get meaning() {
    return msg`Nothing flows in a loop: it has no pump, its pump is stopped, the runs do not
      close a circuit, or the equations have no solution. Temperatures cannot be computed until
      it flows.`;
  },
  get source() {
    return msg`the network solution`;
  },
  run: (context) =>
    context.flow.loops.flatMap((loop): Diagnostic[] => {
      const name = context.design.loops.find((l) => l.id === loop.id)?.name ?? loop.id;
      if (loop.status === 'empty')
        return [
          {
            subjects: [loop.id],
            title: msg`${name} has no runs`,
            detail: msg`Connect its parts: reservoir, pump, blocks, radiators and back.`,
          },
        ];
      if (loop.status === 'no-pump')
        return [
          {
            subjects: [loop.id],
            title: msg`${name} has no turning pump`,
            detail: msg`Without a pump nothing flows. Add one from the catalogue, or give the
              one there a speed.`,
          },
        ];
      if (loop.status !== 'solved')
        return [
          {
            subjects: [loop.id],
            title: msg`No flow could be found for ${name}`,
            detail: msg`The network's equations ended as "${loop.status}" after
              ${loop.iterations} rounds. Look for a run that ends nowhere.`,
          },
        ];
      if (loop.flow_Lmin < 1e-6)
        return [
          {
            subjects: [loop.id],
            title: msg`Nothing flows in ${name}`,
            detail: msg`The runs do not connect the pump's outlet back to its inlet.`,
          },
        ];
      return [];
    }),
};
