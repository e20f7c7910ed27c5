import type { GridLocaleText } from '@mui/x-data-grid';
import { counted, msg, worded } from '@/core/messages';

const PAGES: Readonly<Record<string, string>> = worded(() => ({
  first: msg`Go to the first page`,
  last: msg`Go to the last page`,
  next: msg`Go to the next page`,
  previous: msg`Go to the previous page`,
}));

/** The words of the table of parts that its library would say in English. */
export const GRID_WORDS: Partial<GridLocaleText> = worded(() => ({
  noRowsLabel: msg`No parts`,
  noResultsOverlayLabel: msg`No part fits this filter`,
  columnsManagementSearchTitle: msg`Search`,
  columnsManagementNoColumns: msg`No columns`,
  columnsManagementShowHideAllText: msg`Show or hide all`,
  columnsManagementReset: msg`Reset`,
  columnsManagementDeleteIconLabel: msg`Clear`,
  filterPanelAddFilter: msg`Add a filter`,
  filterPanelRemoveAll: msg`Remove all`,
  filterPanelDeleteIconLabel: msg`Delete`,
  filterPanelOperator: msg`Operator`,
  filterPanelColumn: msg`Column`,
  filterPanelInputLabel: msg`Value`,
  filterPanelInputPlaceholder: msg`Value to filter by`,
  filterOperatorContains: msg`contains`,
  filterOperatorDoesNotContain: msg`does not contain`,
  filterOperatorEquals: msg`equals`,
  filterOperatorDoesNotEqual: msg`does not equal`,
  filterOperatorStartsWith: msg`starts with`,
  filterOperatorEndsWith: msg`ends with`,
  filterOperatorIsEmpty: msg`is empty`,
  filterOperatorIsNotEmpty: msg`is not empty`,
  filterOperatorIsAnyOf: msg`is any of`,
  columnMenuLabel: msg`Menu`,
  columnMenuAriaLabel: (column: string) => msg`Menu of the column ${column}`,
  columnMenuShowColumns: msg`Show columns`,
  columnMenuManageColumns: msg`Choose columns`,
  columnMenuFilter: msg`Filter`,
  columnMenuHideColumn: msg`Hide this column`,
  columnMenuUnsort: msg`Do not sort`,
  columnMenuSortAsc: msg`Sort, lowest first`,
  columnMenuSortDesc: msg`Sort, highest first`,
  columnHeaderFiltersTooltipActive: (n: number) =>
    msg`${counted(n, '# filter in use', '# filters in use')}`,
  columnHeaderFiltersLabel: msg`Show filters`,
  columnHeaderSortIconLabel: msg`Sort`,
  paginationRowsPerPage: msg`Rows a page:`,
  paginationDisplayedRows: ({ from, to, count }: { from: number; to: number; count: number }) =>
    msg`${from} to ${to} of ${count}`,
  paginationItemAriaLabel: (type: string) => PAGES[type] ?? type,
}));
