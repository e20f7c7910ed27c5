import Pagination from '@mui/material/Pagination';
import { msg } from '@/core/messages';

/** What a button of the pages says to who hears it. */
function pageWords(type: string, page: number | null, isHere: boolean): string {
  if (type === 'page') return isHere ? msg`Page ${page ?? 1}` : msg`Go to page ${page ?? 1}`;
  return type === 'previous' ? msg`Go to the previous page` : msg`Go to the next page`;
}

/** The pages of a long list, counted from 1. */
export function Pages({
  label,
  count,
  page,
  onPage,
}: {
  readonly label: string;
  readonly count: number;
  readonly page: number;
  onPage(page: number): void;
}) {
  return (
    <Pagination
      count={count}
      page={page}
      onChange={(_, chosen) => onPage(chosen)}
      shape="rounded"
      aria-label={label}
      getItemAriaLabel={pageWords}
    />
  );
}
