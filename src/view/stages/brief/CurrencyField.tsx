'use client';
import { TypedField, type Typed } from '@/view/shared';
import { msg } from '@/core/messages';

/** Three letters of a currency. */
export function CurrencyField({
  value,
  onCommit,
}: {
  readonly value: string;
  onCommit(currency: string): void;
}) {
  return (
    <TypedField
      label={msg`Currency, three letters`}
      shown={value}
      read={readCurrency}
      width={64}
      maxLength={3}
      onCommit={onCommit}
    />
  );
}

function readCurrency(text: string): Typed<string> {
  const value = text.trim().toUpperCase();
  return /^[A-Z]{3}$/.test(value)
    ? { ok: true, value }
    : { ok: false, message: msg`A currency has three letters (ISO 4217), such as EUR or USD.` };
}

/** How many of one currency another is. */
export function RateField({
  value,
  onCommit,
}: {
  readonly value: number;
  onCommit(rate: number): void;
}) {
  return (
    <TypedField
      label={msg`Exchange rate`}
      shown={String(value)}
      read={readRate}
      width={88}
      onCommit={onCommit}
    />
  );
}

/** As the schema of the build bounds it. */
const LEAST_RATE = 1e-4,
  MOST_RATE = 1e5;

function readRate(text: string): Typed<number> {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && value >= LEAST_RATE && value <= MOST_RATE
    ? { ok: true, value }
    : { ok: false, message: msg`An exchange rate is a number from ${LEAST_RATE} to ${MOST_RATE}.` };
}
