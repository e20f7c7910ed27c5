'use client';
import { memo } from 'react';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import type { Row } from './columns';
import { GRID_WORDS } from './gridWords';
import styles from './CataloguePage.module.css';

/** Two lines of a cell: rows of one height are laid out without measuring each. */
const ROW_PX = 44,
  HEAD_PX = 38,
  PAGE = 100;
const PAGES = { pagination: { paginationModel: { pageSize: PAGE } } };

/**
 * Parts by the columns of their kind. Drawn anew only when its rows are others: a key typed into
 * the search does not wait for it.
 */
export const PartsGrid = memo(function PartsGrid({
  rows,
  columns,
  onPick,
}: {
  readonly rows: readonly Row[];
  readonly columns: readonly GridColDef<Row>[];
  onPick(id: string): void;
}) {
  return (
    <div className={styles.grid}>
      <DataGrid
        rows={rows}
        columns={columns}
        rowHeight={ROW_PX}
        columnHeaderHeight={HEAD_PX}
        localeText={GRID_WORDS}
        hideFooterSelectedRowCount
        disableColumnResize
        onRowClick={(r) => onPick(String(r.id))}
        initialState={PAGES}
        pageSizeOptions={[PAGE]}
      />
    </div>
  );
});
