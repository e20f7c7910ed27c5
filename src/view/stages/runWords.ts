import { findComponent, runName, type Design } from '@/core/design';
import type { Run } from '@/core/tubing';
import { counted, msg, noted } from '@/core/messages';
import { formatMillimetres } from '@/core/units';

/** The length a run is cut to; where it is estimated, that is said. */
export const cutWords = ({ cut_mm, estimated }: Pick<Run, 'cut_mm' | 'estimated'>): string =>
  estimated
    ? noted(msg`about ${formatMillimetres(cut_mm)}`, msg`estimated`)
    : formatMillimetres(cut_mm);

type Length = Pick<Run, 'cut_mm' | 'bends'>;
const lengthWords = ({ cut_mm, bends }: Length): string =>
  msg`${formatMillimetres(cut_mm)}, ${counted(bends, '# bend', '# bends')}`;

/** A run while it is held, beside how it lay before. */
export const liveWords = (live: Length & Pick<Run, 'name'>, before?: Length): string =>
  before
    ? msg`${live.name}: ${lengthWords(live)}; it was ${lengthWords(before)}.`
    : msg`${live.name}: ${lengthWords(live)}.`;

/** What a run comes near or meets, by name: a part, something of the case, or another run. */
export const nearWords = (design: Design, id: string): string =>
  findComponent(design, id)?.name ??
  design.case?.obstacles.find((o) => `case:${o.id}` === id)?.name ??
  runName(design, id);
