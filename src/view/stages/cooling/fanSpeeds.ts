import { turningSpeed } from '@/core/components';
import { findComponent, type Design } from '@/core/design';

/** Different speeds, to the turn, rpm. */
export const differentSpeeds = (speeds_rpm: readonly number[]): readonly number[] => [
  ...new Set(speeds_rpm.map(Math.round)),
];

/** The middle of different speeds, rpm; 0 of none. */
export const middleOf = (speeds_rpm: readonly number[]): number =>
  speeds_rpm.length > 0 ? speeds_rpm.reduce((a, b) => a + b, 0) / speeds_rpm.length : 0;

/** The middle of the speeds that a design asks of these fans, rpm. */
export const middleSpeed = (design: Design, fans: readonly string[]): number =>
  middleOf(
    differentSpeeds(
      fans.flatMap((id) => {
        const fan = findComponent(design, id);
        return fan?.part.kind === 'fan' ? turningSpeed(fan.part, fan.settings.speed_rpm) : [];
      }),
    ),
  );
