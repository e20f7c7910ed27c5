'use client';
import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';

/**
 * Anything that is pressed: the library's role, focus and keyboard, with the look of the place it
 * is in. At least 24 px high, so that a thumb finds it (WCAG 2.2, 2.5.8).
 */
export const Press = styled(ButtonBase)({
  display: 'inline-block',
  verticalAlign: 'baseline',
  minHeight: 24,
  // In a column it keeps the height of what it says.
  flexShrink: 0,
  textAlign: 'inherit',
  font: 'inherit',
}) as React.ComponentType<ButtonBaseProps & { readonly [data: `data-${string}`]: unknown }>;
