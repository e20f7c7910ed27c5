'use client';
import Slider from '@mui/material/Slider';
import styles from './Scene.module.css';

/** How far something goes, as a slider with its figure beside. */
export function Sliding({
  label,
  name,
  value,
  most,
  text,
  onChange,
}: {
  readonly label: string;
  readonly name: string;
  readonly value: number;
  readonly most: number;
  readonly text: string;
  onChange(value: number): void;
}) {
  return (
    <span className={styles.cut}>
      {label}
      <Slider
        size="small"
        min={0}
        max={most}
        value={value}
        onChange={(_, v) => onChange(v as number)}
        getAriaLabel={() => name}
        getAriaValueText={() => text}
        sx={{ width: 78 }}
      />
      <span className={styles.mm}>{text}</span>
    </span>
  );
}
