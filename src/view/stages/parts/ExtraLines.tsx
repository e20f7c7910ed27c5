'use client';
import { Press, TextInput } from '@/view/shared';
import { useState } from 'react';
import { freeId, type ExtraLine } from '@/core/design';
import { formatMoney, formatNumber } from '@/core/units';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

const EMPTY = { name: '', quantity: '1', price: '', note: '' };

/** Lines that no part of the build asks for: a light strip, a bracket, what a shop adds. */
export function ExtraLines() {
  const extras = useEditor((s) => s.design.choices.extras) ?? {};
  const currency = useEditor((s) => s.design.brief.currency);
  const commit = useEditor((s) => s.commit);
  const [typed, setTyped] = useState(EMPTY);
  const quantity = Number(typed.quantity.replace(',', '.')),
    price = typed.price.trim() === '' ? 0 : Number(typed.price.replace(',', '.'));
  const isPlain =
    typed.name.trim() !== '' && quantity > 0 && quantity <= 10_000 && price >= 0 && price <= 1e6;
  const put = (id: string, extra: ExtraLine | null, words: string): void =>
    commit(words, { do: 'list.extra', id, extra });
  const add = (): void => {
    const { name, note } = typed;
    put(
      freeId(Object.keys(extras), 'line'),
      {
        name: name.trim(),
        quantity,
        price_minor: Math.round(100 * price),
        ...(note.trim() === '' ? {} : { note: note.trim() }),
      },
      msg`add ${name.trim()} to the list`,
    );
    setTyped(EMPTY);
  };
  const field = (key: keyof typeof EMPTY, label: string, most: number) => (
    <label>
      <span className="soft">{label}</span>{' '}
      <TextInput
        aria-label={msg`${label} of a line of your own`}
        value={typed[key]}
        maxLength={most}
        onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
      />
    </label>
  );
  return (
    <Section title={msg`Lines of your own`}>
      {Object.entries(extras).map(([id, e]) => (
        <p key={id} className={styles.extra}>
          <span>
            {formatNumber(e.quantity)} × {e.name}
            {e.note && <span className="soft"> {e.note}</span>}
          </span>
          <span className="num">{formatMoney(e.quantity * e.price_minor)}</span>
          <Press
            className={styles.quiet}
            aria-label={msg`Take ${e.name} off the list`}
            onClick={() => put(id, null, msg`take ${e.name} off the list`)}
          >
            {msg`take off`}
          </Press>
        </p>
      ))}
      <div className={styles.extraNew}>
        {field('name', msg`What`, 80)}
        {field('quantity', msg`Pieces`, 8)}
        {field('price', msg`Each, ${currency}`, 12)}
        {field('note', msg`Note`, 200)}
        <Press className={styles.act} disabled={!isPlain} onClick={add}>
          {msg`Add to the list`}
        </Press>
      </div>
    </Section>
  );
}
