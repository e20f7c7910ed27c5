import { shelf } from '@/server';
import { Shelf } from '@/view/builds';

export const dynamic = 'force-dynamic';

export default async function ShelfPage() {
  return <Shelf entries={await shelf()} />;
}
