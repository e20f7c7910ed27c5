'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import {
  guessKind,
  MOST_TEXT,
  partOfSheet,
  readSheet,
  SHEET_KINDS,
  typedValue,
  valueText,
  type Ask,
  type MadePart,
  type SheetRead,
  type SheetKind,
  type SheetValue,
  type SheetValues,
  type Words,
} from '@/core/datasheet';
import { PART_KINDS, type Part } from '@/core/components';
import { freeId } from '@/core/design';
import { slug } from '@/format';
import { Mark, Pick, usePartLists, TextInput } from '@/view/shared';
import { msg } from '@/core/messages';
import { partFigures } from './figures';
import { SheetText } from './SheetText';
import styles from './SheetEntry.module.css';

const KINDS = SHEET_KINDS.map((value) => ({ value, label: PART_KINDS[value].one }));

/**
 * A part from its maker's sheet, pasted as text: every figure stands beside the words it came from
 * until the builder confirms it; what is not plain is asked.
 */
export function SheetEntry({ onDone }: { onDone(part: Part | null): void }) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState<SheetKind | null>(null);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [looked, setLooked] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const keep = usePartLists((s) => s.keep);
  const own = usePartLists((s) => s.partLists.own);
  const kind = chosen ?? guessKind(text);
  const read = useMemo(
    () => (kind && text.trim() !== '' ? readSheet(text, kind) : null),
    [kind, text],
  );
  const values = useMemo((): SheetValues => {
    const told: Record<string, SheetValue> = Object.fromEntries(
      (read?.found ?? []).map((f) => [f.field, f.value]),
    );
    for (const [field, words] of Object.entries(typed)) {
      const value = typedValue(field, words);
      if (value === null) delete told[field];
      else told[field] = value;
    }
    return told;
  }, [read, typed]);
  const open = (read?.asks ?? []).filter((a) => values[a.field] === undefined);
  const made = useMemo((): MadePart | string | null => {
    if (!kind || !read || open.length > 0) return null;
    const name = typeof values.name === 'string' ? values.name : 'part';
    const id = freeId(
      own.map((p) => p.id),
      `own-${slug(name)}`.slice(0, 50),
    );
    try {
      return partOfSheet(kind, id, values);
    } catch (error) {
      if (error instanceof RangeError) return error.message;
      throw error;
    }
  }, [kind, read, open.length, values, own]);
  const put = (field: string, words: string): void => setTyped({ ...typed, [field]: words });
  const save = async (part: Part): Promise<void> => {
    const wrong = await keep(part);
    setTrouble(wrong);
    if (wrong === null) onDone(part);
  };
  const isMade = made !== null && typeof made !== 'string';
  return (
    <div className={styles.sheet}>
      <div className={styles.side}>
        <TextField
          label={msg`The maker's sheet, as text`}
          placeholder={msg`Paste it here: any layout, any language of units.`}
          multiline
          minRows={8}
          maxRows={16}
          fullWidth
          value={text}
          slotProps={{ htmlInput: { maxLength: MOST_TEXT } }}
          onChange={(e) => {
            setText(e.target.value);
            setTyped({});
          }}
          onKeyDown={(e) => e.stopPropagation()}
        />
        {read && <SheetText text={text} read={read} looked={looked} />}
      </div>
      <div className={styles.side}>
        <Pick
          label={msg`It is a`}
          value={kind ?? ('' as SheetKind)}
          options={KINDS}
          onPick={(k) => {
            setChosen(k);
            setTyped({});
          }}
        />
        {open.length > 0 && (
          <section aria-label={msg`Missing`}>
            <h3>
              <Mark verdict="marginal" /> {msg`Missing`}
            </h3>
            {open.map((ask) => (
              <Question
                key={ask.field}
                ask={ask}
                typed={typed[ask.field] ?? ''}
                onType={(words) => put(ask.field, words)}
                onLook={setLooked}
              />
            ))}
          </section>
        )}
        {read && (
          <Figures
            text={text}
            rows={rowsOf(read, values)}
            typed={typed}
            values={values}
            onType={put}
            onLook={setLooked}
          />
        )}
        {isMade && made.assumed.length > 0 && (
          <p className="soft">
            {msg`Not in the sheet, taken as usual (estimated):
              ${made.assumed.map((a) => `${a.name}: ${a.value}`).join('; ')}. Change them in the
              part afterwards.`}
          </p>
        )}
        {isMade && (
          <p>
            <strong>{made.part.name}</strong> <span className="soft">{partFigures(made.part)}</span>
          </p>
        )}
        {typeof made === 'string' && <p role="alert">{msg`Not yet a part: ${made}.`}</p>}
        {trouble !== null && <p role="alert">{trouble}</p>}
        <p className={styles.row}>
          <Button
            variant="outlined"
            disabled={!isMade}
            onClick={() => isMade && void save(made.part)}
          >
            {msg`Confirm and keep it`}
          </Button>
          <Button onClick={() => onDone(null)}>{msg`Leave it`}</Button>
        </p>
      </div>
    </div>
  );
}

interface Row {
  readonly field: string;
  readonly name: string;
  readonly unit: string;
  readonly value: SheetValue;
  readonly words: Words | undefined;
}

/** What was read, and what was answered. */
const rowsOf = (read: SheetRead, values: SheetValues): readonly Row[] => [
  ...read.found,
  ...read.asks.flatMap(({ field, name, unit, words }): Row[] => {
    const value = values[field];
    return value === undefined ? [] : [{ field, name, unit, value, words: words[0] }];
  }),
];

/** Every figure to be looked over, beside the words it came from. */
function Figures({
  text,
  rows,
  typed,
  values,
  onType,
  onLook,
}: {
  readonly text: string;
  readonly rows: readonly Row[];
  readonly typed: Readonly<Record<string, string>>;
  readonly values: SheetValues;
  onType(field: string, words: string): void;
  onLook(field: string | null): void;
}) {
  return (
    <Table className={styles.figures}>
      <TableHead>
        <TableRow>
          <TableCell>{msg`figure`}</TableCell>
          <TableCell>{msg`value`}</TableCell>
          <TableCell>{msg`from the words`}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map(({ field, name, unit, value, words }) => (
          <TableRow
            key={field}
            onMouseEnter={() => onLook(field)}
            onMouseLeave={() => onLook(null)}
          >
            <TableCell>{name}</TableCell>
            <TableCell>
              {isCurve(value) ? (
                valueText(value)
              ) : (
                <TextInput
                  aria-label={name}
                  value={typed[field] ?? valueText(value)}
                  aria-invalid={values[field] === undefined}
                  onFocus={() => onLook(field)}
                  onChange={(e) => onType(field, e.target.value)}
                  onKeyDown={(e) => e.stopPropagation()}
                />
              )}{' '}
              <span className="soft">{unit}</span>
            </TableCell>
            <TableCell className="soft">
              {words ? `\u201c${text.slice(words.from, words.to).trim()}\u201d` : msg`your answer`}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

const isCurve = (value: SheetValue): boolean =>
  Array.isArray(value) && value.some((v) => typeof v !== 'number');

/** One thing the sheet does not tell plainly: its choices, or a field to type in. */
function Question({
  ask,
  typed,
  onType,
  onLook,
}: {
  readonly ask: Ask;
  readonly typed: string;
  onType(words: string): void;
  onLook(field: string | null): void;
}) {
  return (
    <div
      className={styles.ask}
      onMouseEnter={() => onLook(ask.field)}
      onMouseLeave={() => onLook(null)}
    >
      <p>{ask.text}</p>
      <p className={styles.row}>
        {ask.options.map((o) => (
          <Button
            key={o.label}
            size="small"
            variant="outlined"
            onClick={() => onType(valueText(o.value))}
          >
            {o.label}
          </Button>
        ))}
        <label>
          <span className="soft">{ask.options.length > 0 ? msg`or` : ask.name}</span>{' '}
          <TextInput
            aria-label={msg`${ask.name}, missing`}
            defaultValue={typed}
            onFocus={() => onLook(ask.field)}
            onBlur={(e) => onType(e.target.value)}
            onKeyDown={(e) => {
              e.stopPropagation();
              if (e.key === 'Enter') onType(e.currentTarget.value);
            }}
          />{' '}
          <span className="soft">{ask.unit}</span>
        </label>
      </p>
    </div>
  );
}
