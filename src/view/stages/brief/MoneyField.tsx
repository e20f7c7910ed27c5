'use client';
import { formatMoney } from '@/core/units';
import { TypedField, type Typed } from '@/view/shared';
import { msg } from '@/core/messages';

/** An amount in major units, kept in minor ones; empty means none. */
export function MoneyField({
  value,
  onCommit,
  label = msg`Budget`,
}: {
  readonly value: number | null;
  readonly onCommit: (minor: number | null) => void;
  readonly label?: string;
}) {
  return (
    <TypedField
      label={label}
      shown={value === null ? '' : formatMoney(value)}
      read={readAmount}
      width={88}
      placeholder={msg`none`}
      onCommit={onCommit}
    />
  );
}

function readAmount(text: string): Typed<number | null> {
  if (text.trim() === '') return { ok: true, value: null };
  const major = Number(text.replaceAll(',', '').trim());
  return Number.isFinite(major) && major >= 0 && major <= 1e7
    ? { ok: true, value: Math.round(major * 100) }
    : {
        ok: false,
        message: msg`"${text.slice(0, 20)}" is not an amount between 0 and 10,000,000.`,
      };
}
