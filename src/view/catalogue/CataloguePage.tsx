'use client';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useCallback, useDeferredValue, useMemo, useState } from 'react';
import { CATALOGUE } from '@/catalogue';
import { PART_KINDS, type Part, type PartKind } from '@/core/components';
import { formatNumber } from '@/core/units';
import { PageHead, useOwnShelves, usePartLists, Press, TextInput } from '@/view/shared';
import { handParts } from '@/view/workspace/download';
import { counted, msg } from '@/core/messages';
import { columnsFor, type Row } from './columns';
import { partFigures } from './figures';
import { CompareTable } from './CompareTable';
import { useCompared } from './compared';
import { ImportParts } from './ImportParts';
import { PartEditor } from './PartEditor';
import { PartsGrid } from './PartsGrid';
import { SheetEntry } from './SheetEntry';
import styles from './CataloguePage.module.css';

const KINDS = (Object.keys(PART_KINDS) as PartKind[]).filter((k) =>
  CATALOGUE.some((p) => p.kind === k),
);
/** Words a part is found by, put together once. */
const wordsOf = (p: Part): string =>
  `${p.name} ${p.maker} ${p.kind} ${partFigures(p)} ${p.id}`.toLowerCase();
/** The catalogue's rows, made once. */
const ROWS: readonly (Row & { readonly words: string })[] = CATALOGUE.map((part) => ({
  id: part.id,
  part,
  own: false,
  retired: false,
  words: wordsOf(part),
}));

/**
 * All parts there are: looked through, compared, copied to change; one's own kept, read in and
 * given out.
 */
export function CataloguePage() {
  const [kind, setKind] = useState<PartKind | null>(null);
  const [text, setText] = useState('');
  const [picked, setPicked] = useState<string | null>(null);
  const [editing, setEditing] = useState<Part | null>(null);
  const [importing, setImporting] = useState(false);
  const [pasting, setPasting] = useState(false);
  const [diagnostic, setSaid] = useState<string | null>(null);
  const [out, setOut] = useState(false);
  const { own, retired } = useOwnShelves(),
    { drop, putBack, retire } = usePartLists();
  const { parts: compared, toggle } = useCompared();
  const [binned, setBinned] = useState<Part | null>(null);
  const all = useMemo(() => {
    const gone = new Set(retired);
    return [
      ...own.map((part) => ({
        id: part.id,
        part,
        own: true,
        retired: gone.has(part.id),
        words: wordsOf(part),
      })),
      ...ROWS.map((r) => (gone.has(r.id) ? { ...r, retired: true } : r)),
    ];
  }, [own, retired]);
  const asked = useDeferredValue(text);
  const rows = useMemo(() => {
    const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
    return all.filter(
      (r) =>
        r.retired === out &&
        (!kind || r.part.kind === kind) &&
        words.every((w) => r.words.includes(w)),
    );
  }, [all, asked, kind, out]);
  const columns = useMemo(() => columnsFor(kind), [kind]);
  const choose = useCallback((id: string) => {
    setPicked(id);
    setSaid(null);
  }, []);
  const row = all.find((r) => r.id === picked);
  const copy = (p: Part): void => {
    const id = `own-${p.id.replace(/^own-/, '')}`.slice(0, 56);
    let free = id;
    for (let n = 2; all.some((r) => r.id === free); n += 1) free = `${id}-${n}`;
    setEditing({
      ...structuredClone(p),
      id: free,
      name: msg`${p.name}, mine`,
      maker: msg`my own`,
    } as Part);
  };
  return (
    <div>
      <PageHead at="/catalogue" />
      <main className={styles.main}>
        <div className={styles.head}>
          <h1>{msg`Catalogue`}</h1>
          <TextInput
            className={styles.search}
            aria-label={msg`Search the catalogue`}
            placeholder={msg`Search by name, size, figure`}
            value={text}
            onChange={(e) => setText(e.target.value)}
          />
        </div>
        <p className="soft">
          {own.length > 0
            ? msg`${ROWS.length} parts of invented makers, with figures plausible for their class,
                and ${formatNumber(own.length)} of your own.`
            : msg`${ROWS.length} parts of invented makers, with figures plausible for their class.`}{' '}
          {msg`Open a build and choose “Add a part” to use one.`}{' '}
          <Press className={styles.link} onClick={() => setPasting(!pasting)}>
            {msg`Paste a datasheet`}
          </Press>{' '}
          <Press className={styles.link} onClick={() => setImporting(!importing)}>
            {msg`Read parts in`}
          </Press>{' '}
          <Press
            className={styles.link}
            onClick={() =>
              handParts(
                rows.map((r) => r.part),
                'csv',
              )
            }
          >
            {msg`Give these out as CSV`}
          </Press>{' '}
          <Press
            className={styles.link}
            onClick={() =>
              handParts(
                rows.map((r) => r.part),
                'json',
              )
            }
          >
            {msg`as JSON`}
          </Press>
        </p>
        {pasting && (
          <SheetEntry
            onDone={(part) => {
              setPasting(false);
              if (part) choose(part.id);
            }}
          />
        )}
        {importing && <ImportParts onDone={() => setImporting(false)} />}
        <div className={styles.kinds}>
          <Press className={styles.kind} aria-pressed={kind === null} onClick={() => setKind(null)}>
            {msg`All`}
          </Press>
          {KINDS.map((k) => (
            <Press
              key={k}
              className={styles.kind}
              aria-pressed={kind === k}
              onClick={() => setKind(k)}
            >
              {PART_KINDS[k].many}
            </Press>
          ))}
        </div>
        {editing ? (
          <section className={styles.panel} aria-label={msg`Edit a part`}>
            <h2>{editing.name}</h2>
            <PartEditor key={editing.id} start={editing} onDone={() => setEditing(null)} />
          </section>
        ) : (
          row && (
            <section className={styles.panel} aria-label={msg`Picked part`}>
              <p>
                <strong>{row.part.name}</strong>{' '}
                <span className="soft">
                  {row.part.maker}: {partFigures(row.part)}
                </span>
              </p>
              <p className={styles.row}>
                <Press className={styles.link} onClick={() => toggle(row.part)}>
                  {compared.some((p) => p.id === row.id)
                    ? msg`Take it out of the comparison`
                    : msg`Compare it`}
                </Press>
                <Press className={styles.link} onClick={() => copy(row.part)}>
                  {msg`Copy it as a part of your own`}
                </Press>
                {row.own && (
                  <Press className={styles.link} onClick={() => setEditing(row.part)}>
                    {msg`Change it`}
                  </Press>
                )}
                <Press
                  className={styles.link}
                  onClick={() =>
                    void retire(row.id, !row.retired).then((wrong) => {
                      setSaid(
                        wrong ??
                          (row.retired
                            ? msg`${row.part.name} is in use again.`
                            : msg`${row.part.name} is retired: no build is offered it. Builds
                              that have it keep their own copy.`),
                      );
                      setPicked(null);
                    })
                  }
                >
                  {row.retired ? msg`Bring it back into use` : msg`Retire it`}
                </Press>
                {row.own && (
                  <Press
                    className={styles.link}
                    onClick={() =>
                      void drop(row.id).then((wrong) => {
                        setSaid(wrong);
                        setBinned(wrong === null ? row.part : null);
                        setPicked(null);
                      })
                    }
                  >
                    {msg`Delete`}
                  </Press>
                )}
                <Press className={styles.link} onClick={() => handParts([row.part], 'json')}>
                  {msg`Give it out as a file`}
                </Press>
                <Press className={styles.quiet} onClick={() => setPicked(null)}>
                  {msg`Close`}
                </Press>
              </p>
            </section>
          )
        )}
        {diagnostic && <p role="status">{diagnostic}</p>}
        <CompareTable />
        <p className="soft">
          {msg`${out ? counted(rows.length, '# retired part', '# retired parts') : counted(rows.length, '# part', '# parts')}
            shown. Columns sort and filter by their menus.`}
          {(retired.length > 0 || out) && (
            <>
              {' '}
              <Press
                className={styles.link}
                aria-pressed={out}
                onClick={() => {
                  setOut(!out);
                  setPicked(null);
                }}
              >
                {out ? msg`Show what is in use` : msg`Show what is retired (${retired.length})`}
              </Press>
            </>
          )}
        </p>
        <PartsGrid rows={rows} columns={columns} onPick={choose} />
      </main>
      <Snackbar
        open={binned !== null}
        autoHideDuration={12_000}
        onClose={(_, reason) => reason === 'timeout' && setBinned(null)}
        message={
          binned
            ? msg`"${binned.name}" is in the bin for 30 days. Builds that have it keep their own
              copy.`
            : ''
        }
        action={
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              if (binned) void putBack(binned).then(setSaid);
              setBinned(null);
            }}
          >
            {msg`Undo`}
          </Button>
        }
      />
    </div>
  );
}
