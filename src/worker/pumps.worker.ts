import { expose } from 'comlink';
import { offered, type Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import { pumpChoices, type PumpChoice } from '@/core/choice';
import { workOut } from '@/core/evaluate';
import type { PumpPart } from '@/core/part';

/** Every pump of the Stores, alone and in twos, in one loop of a build; off the main thread, telling how far it is. */
const api = {
  choices(
    build: Build,
    loop: string,
    shelves: Shelves,
    tell: (done: number, of: number) => void,
  ): readonly PumpChoice[] {
    const { model, reports } = workOut(build);
    const pumps = offered(shelves).filter((p): p is PumpPart => p.kind === 'pump');
    const own = build.items.flatMap((i) =>
      i.part.kind === 'pump' && !pumps.some((p) => p.id === i.part.id) ? [i.part] : [],
    );
    return pumpChoices(
      model,
      reports.runs,
      loop,
      reports.flow.loops.find((l) => l.id === loop)?.coolant_C ?? build.brief.room_C + 8,
      [...own, ...pumps],
      (done, of) => {
        tell(done, of);
        return true;
      },
    );
  },
};

export type PumpsWorker = typeof api;
expose(api);
