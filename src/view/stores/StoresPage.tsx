'use client';
import { useMemo, useState } from 'react';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { CATALOGUE } from '@/catalogue';
import { PART_KINDS, type Part, type PartKind } from '@/core/part';
import { formatMoney } from '@/core/quantity';
import { PageHead } from '@/view/shared';
import { partFigures } from './figures';
import { useOwnParts } from './ownParts';
import styles from './StoresPage.module.css';

interface Row { readonly id: string; readonly kind: PartKind; readonly name: string; readonly maker: string; readonly price: number; readonly figures: string }

const COLUMNS: GridColDef<Row>[] = [
  { field: 'kind', headerName: 'Kind', width: 130, valueGetter: (_, r) => PART_KINDS[r.kind].one },
  { field: 'name', headerName: 'Part', width: 220 }, { field: 'maker', headerName: 'Maker', width: 150 },
  { field: 'figures', headerName: 'What matters', flex: 1, minWidth: 320 },
  { field: 'price', headerName: 'Price', width: 90, align: 'right', headerAlign: 'right', valueFormatter: (v: number) => formatMoney(v) },
  { field: 'id', headerName: 'Number', width: 190, cellClassName: 'mono soft' },
];
const rowOf = (p: Part): Row => ({ id: p.id, kind: p.kind, name: p.name, maker: p.maker, price: p.price_minor, figures: partFigures(p) });
const ROWS: readonly Row[] = CATALOGUE.map(rowOf);
const KINDS = (Object.keys(PART_KINDS) as PartKind[]).filter((k) => ROWS.some((r) => r.kind === k));

/** All parts there are, to look through; parts are put into a build from inside it. */
export function StoresPage() {
  const [kind, setKind] = useState<PartKind | null>(null);
  const [text, setText] = useState('');
  const own = useOwnParts();
  const rows = useMemo(() => {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return [...own.map(rowOf), ...ROWS].filter((r) => (!kind || r.kind === kind) && words.every((w) => `${r.name} ${r.maker} ${r.kind} ${r.figures} ${r.id}`.toLowerCase().includes(w)));
  }, [kind, own, text]);
  return (
    <div>
      <PageHead at="Stores" />
      <main className={styles.main}>
        <div className={styles.head}><h1>The Stores</h1><input className={styles.search} aria-label="Search the Stores" placeholder="Search by name, size, figure" value={text} onChange={(e) => setText(e.target.value)} /></div>
        <p className="soft">{ROWS.length} parts of invented makers, with figures plausible for their class{own.length > 0 ? `, and ${own.length} of your own` : ''}. Open a build and choose &ldquo;Add a part&rdquo; to use one.</p>
        <div className={styles.kinds}>
          <button type="button" className={styles.kind} aria-pressed={kind === null} onClick={() => setKind(null)}>All</button>
          {KINDS.map((k) => <button key={k} type="button" className={styles.kind} aria-pressed={kind === k} onClick={() => setKind(k)}>{PART_KINDS[k].many}</button>)}
        </div>
        <div className={styles.grid}><DataGrid rows={rows} columns={COLUMNS} density="compact" disableColumnMenu disableRowSelectionOnClick hideFooterSelectedRowCount getRowHeight={() => 'auto'} initialState={{ pagination: { paginationModel: { pageSize: 100 } } }} pageSizeOptions={[100]} /></div>
      </main>
    </div>
  );
}
