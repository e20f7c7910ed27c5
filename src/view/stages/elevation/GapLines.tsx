import type { Vec } from '@/core/geometry';
import type { View } from '@/core/elevation';
import type { System } from '@/core/system';
import { formatShown } from '@/core/units';
import { Dimension } from './Dimension';
import { gapsOnSheet } from './gapsOnSheet';

interface Props {
  readonly model: System;
  readonly picked: string;
  readonly view: View;
  readonly size: Vec;
  /** Less than this is marginal, mm. */
  readonly clear_mm: number;
  /** Millimetres a screen pixel stands for. */
  readonly k: number;
}

/** Dimension lines from the picked part to what is near it in this view. */
export function GapLines({ model, picked, view, size, clear_mm, k }: Props) {
  return gapsOnSheet(model, picked, view, size, k).map(({ key, gap_mm, ...ends }) => (
    <Dimension
      key={key}
      {...ends}
      text={formatShown(gap_mm, 'mm')}
      colour={gap_mm < clear_mm ? 'var(--marginal)' : 'var(--copper)'}
      k={k}
    />
  ));
}
