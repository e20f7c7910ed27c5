'use client';
import { unitShown } from '@/core/units';
import { msg } from '@/core/messages';
import { Press } from './Press';
import { chooseUnits, useUnits } from './units';

/** Metric or United States units, for the whole app. */
export function UnitsSwitch({ className }: { readonly className?: string | undefined }) {
  const units = useUnits();
  const other = units === 'us' ? 'metric' : 'us';
  return (
    <Press
      className={className}
      aria-label={
        units === 'us'
          ? msg`Units: United States. Use metric units`
          : msg`Units: metric. Use US units`
      }
      title={msg`Units of the whole app. Any other may be typed, such as 3/8 in or 1.1 gpm.`}
      onClick={() => chooseUnits(other)}
    >
      {['mm', '°C', 'L/min'].map(unitShown).join(' · ')}
    </Press>
  );
}
