'use client';
import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase';
import styles from './Press.module.css';

/**
 * Anything that is pressed: the library's role, focus and keyboard, with the look of the place it
 * is in. At least 24 px high, so that a thumb finds it (WCAG 2.2, 2.5.8). There are many of them on
 * a page, so their look is no style worked out at each drawing.
 */
export const Press = ({
  className,
  ...props
}: ButtonBaseProps & { readonly [data: `data-${string}`]: unknown }) => (
  <ButtonBase {...props} className={className ? `${styles.press} ${className}` : styles.press} />
);
