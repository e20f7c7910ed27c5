'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import { PART_KINDS, type Part, type PartKind } from '@/core/components';

import {
  asCustom,
  fieldsOf,
  figuresRead,
  guessMapping,
  isPartsExport,
  kindNamed,
  partsFromExport,
  partsFromRows,
  readSheet,
  type DecimalStyle,
  type Mapping,
  type Sheet,
} from '@/format';
import { Mark, Pick, usePartLists, Press } from '@/view/shared';
import { counted, msg, worded } from '@/core/messages';
import { fieldWords } from './fieldWords';
import styles from './CataloguePage.module.css';

interface Checked {
  readonly ok: boolean;
  readonly troubles: readonly { readonly path: string; readonly message: string }[];
}
const KINDS = (Object.keys(PART_KINDS) as PartKind[]).filter((k) =>
  CATALOGUE.some((p) => p.kind === k),
);
const MOST_BYTES = 4_000_000,
  MOST_SHOWN = 40;

/**
 * Parts read in from JSON or CSV: columns put to fields, every row looked at before any is kept.
 */
export function ImportParts({ onDone }: { onDone(): void }) {
  const keep = usePartLists((s) => s.keep);
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [kind, setKind] = useState<PartKind>('fan');
  const [like, setLike] = useState('');
  const [mapping, setMapping] = useState<Mapping>({});
  const [style, setStyle] = useState<DecimalStyle>('point');
  const [json, setJson] = useState<readonly Part[] | null>(null);
  const [checked, setChecked] = useState<readonly Checked[] | null>(null);
  const [diagnostic, setSaid] = useState<string | null>(null);
  const patterns = CATALOGUE.filter((p) => p.kind === kind),
    pattern = patterns.find((p) => p.id === like) ?? patterns[0];
  const fields = pattern ? fieldsOf(pattern) : [];
  const whole = sheet !== null && isPartsExport(sheet);
  const { parts, same } = asCustom(json ?? rowsOf(sheet, pattern, mapping, style), CATALOGUE);
  const reset = (): void => {
    setChecked(null);
    setSaid(null);
  };
  const read = async (file: File | undefined): Promise<void> => {
    reset();
    setSheet(null);
    setJson(null);
    if (!file) return;
    if (file.size > MOST_BYTES) {
      setSaid(msg`The file is larger than 4 MB: take it in parts.`);
      return;
    }
    const text = await file.text();
    if (/\.json$/i.test(file.name)) {
      try {
        const data = JSON.parse(text) as unknown;
        setJson((Array.isArray(data) ? data : [data]) as Part[]);
      } catch (e) {
        setSaid(msg`It is no JSON: ${(e as Error).message.slice(0, 120)}`);
      }
      return;
    }
    const next = readSheet(text);
    if (next.columns.length === 0 || next.rows.length === 0) {
      setSaid(msg`It has no rows: the first line must name the columns.`);
      return;
    }
    setSheet(next);
    setStyle(next.decimals.style);
    const named = kindNamed(next);
    readAs(KINDS.find((k) => k === named) ?? kind, next);
  };
  const readAs = (k: PartKind, { columns }: Sheet): void => {
    reset();
    setKind(k);
    setLike('');
    const first = CATALOGUE.find((p) => p.kind === k);
    if (first) setMapping(guessMapping(fieldsOf(first), columns));
  };
  const check = async (): Promise<void> => {
    try {
      const r = await fetch('/api/parts/check', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(parts),
      });
      const body = (await r.json()) as readonly Checked[] | { readonly error: string };
      if (r.ok) setChecked(body as readonly Checked[]);
      else setSaid((body as { error: string }).error);
    } catch {
      setSaid(msg`The server does not answer: nothing was kept.`);
    }
  };
  const keepGood = async (): Promise<void> => {
    let kept = 0;
    for (const [i, p] of parts.entries())
      if (checked?.[i]?.ok) {
        const wrong = await keep(p);
        if (wrong) {
          setSaid(`${p.name}: ${wrong}`);
          break;
        }
        kept += 1;
      }
    setSaid(msg`${counted(kept, '# part', '# parts')} kept.`);
    if (kept > 0 && kept === parts.length) onDone();
  };
  const good = checked?.filter((c) => c.ok).length ?? 0;
  return (
    <section className={styles.panel} aria-label={msg`Import parts`}>
      <div className={styles.row}>
        <h2>{msg`Read parts in`}</h2>
        <Press className={styles.quiet} onClick={onDone}>
          {msg`Close`}
        </Press>
      </div>
      <label>
        {msg`CSV or JSON file`}{' '}
        <input
          type="file"
          accept=".csv,.json,text/csv,application/json"
          onChange={(e) => {
            void read(e.target.files?.[0]);
          }}
        />
      </label>
      {sheet && (
        <Decimals
          sheet={sheet}
          style={style}
          onPick={(s) => {
            reset();
            setStyle(s);
          }}
        />
      )}
      {whole && (
        <p className="soft">
          {msg`${counted(sheet.rows.length, '# row', '# rows')}, exported from Zephyron: each is
            a whole part.`}
        </p>
      )}
      {same > 0 && (
        <p className="soft">
          {msg`${counted(same, '# part is', '# parts are')} in the catalogue already, with the
            same figures: left out.`}
        </p>
      )}
      {sheet && pattern && !whole && (
        <>
          <div className={styles.row}>
            <Pick
              label={msg`Each row is a`}
              value={kind}
              options={KINDS.map((k) => ({ value: k, label: PART_KINDS[k].one }))}
              onPick={(k) => readAs(k, sheet)}
            />
            <Pick
              label={msg`What no column says, as of`}
              value={pattern.id}
              options={patterns.map((p) => ({ value: p.id, label: p.name }))}
              onPick={(id) => {
                reset();
                setLike(id);
              }}
            />
          </div>
          <p className="soft">
            {msg`${counted(sheet.rows.length, '# row', '# rows')}. Put columns to figures; what
              has none keeps the pattern's.`}
          </p>
          <div className={styles.fields}>
            {fields.map((f) => (
              <Pick
                key={f}
                label={fieldWords(f)}
                value={mapping[f] ?? ''}
                options={[
                  { value: '', label: msg`the pattern’s` },
                  ...sheet.columns.map((c) => ({ value: c, label: c })),
                ]}
                onPick={(c) => {
                  reset();
                  const { [f]: _old, ...rest } = mapping;
                  setMapping(c === '' ? rest : { ...rest, [f]: c });
                }}
              />
            ))}
          </div>
        </>
      )}
      {parts.length > 0 && (
        <p className={styles.row}>
          <Press className={styles.act} onClick={() => void check()}>
            {msg`Look at ${counted(parts.length, '# part', '# parts')}`}
          </Press>
          {checked && (
            <Press className={styles.act} disabled={good === 0} onClick={() => void keepGood()}>
              {msg`Keep the ${good} that are right`}
            </Press>
          )}
        </p>
      )}
      {checked && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`row`}</TableCell>
              <TableCell>{msg`part`}</TableCell>
              <TableCell>{msg`what is wrong`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {parts.slice(0, MOST_SHOWN).map((p, i) => {
              const c = checked[i];
              return (
                <TableRow key={i}>
                  <TableCell>{i + 1}</TableCell>
                  <TableCell>
                    {typeof p === 'object' && p !== null ? (p.name ?? p.id) : '–'}
                  </TableCell>
                  <TableCell>
                    {c?.ok ? (
                      <Mark verdict="ok" />
                    ) : (
                      <>
                        <Mark verdict="fails" />{' '}
                        {c?.troubles
                          .slice(0, 3)
                          .map((t) => `${t.path}: ${t.message}`)
                          .join('; ')}
                      </>
                    )}
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
      {checked && parts.length > MOST_SHOWN && (
        <p className="soft">{msg`The first ${MOST_SHOWN} are shown; all were looked at.`}</p>
      )}
      {diagnostic && <p role="status">{diagnostic}</p>}
    </section>
  );
}

function rowsOf(
  sheet: Sheet | null,
  pattern: Part | undefined,
  mapping: Mapping,
  style: DecimalStyle,
): readonly Part[] {
  if (!sheet) return [];
  if (isPartsExport(sheet)) return partsFromExport(sheet, style);
  return pattern ? partsFromRows(pattern, sheet, mapping, style) : [];
}

const STYLES = worded(
  () =>
    [
      { value: 'point', label: msg`point: 0.5` },
      { value: 'comma', label: msg`comma: 0,5` },
    ] as const,
);
const MOST_FIGURES = 6;

/** How the file writes decimals, what that was told by, and figures before and after. */
function Decimals({
  sheet,
  style,
  onPick,
}: {
  readonly sheet: Sheet;
  readonly style: DecimalStyle;
  onPick(style: DecimalStyle): void;
}) {
  const { decimals } = sheet;
  const figures = figuresRead(sheet, style, MOST_FIGURES);
  return (
    <div>
      <div className={styles.row}>
        <Pick
          label={msg`Decimal mark of this file`}
          value={style}
          options={STYLES}
          onPick={onPick}
        />
        <span className="soft">
          {decimals.proof > 0
            ? msg`Detected from ${counted(decimals.proof, '# cell', '# cells')}, such as
              ${decimals.example ?? ''}.`
            : msg`No cell tells which: assumed. Check the figures below.`}
        </span>
      </div>
      {decimals.against !== null && (
        <p>
          <Mark verdict="marginal" />{' '}
          {msg`The cell ${decimals.against} is written with the other mark.`}
        </p>
      )}
      {figures.length > 0 && (
        <p className="soft">
          {msg`Read as: ${figures
            .map((f) => `${f.text} → ${f.value === null ? msg`not a number` : String(f.value)}`)
            .join(' · ')}`}
        </p>
      )}
    </div>
  );
}
