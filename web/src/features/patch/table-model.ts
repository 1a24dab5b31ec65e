import {
  columnVisibilityFeature,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useMemo } from 'react';
import type { FixtureView } from '../../api/client';
import { COLUMNS, comparedBy, type Column, type ColumnKey } from './columns';

const features = tableFeatures({
  columnVisibilityFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});

const columns: ColumnDef<typeof features, FixtureView>[] = COLUMNS.map((c) => {
  const compare = comparedBy(c.key);
  return {
    id: c.key,
    accessorFn: c.value,
    sortFn: (a, b) => compare(a.original, b.original),
  };
});

export interface Sort {
  key: ColumnKey;
  down: boolean;
}

/** The rows in order and the columns that are shown. */
export function usePatchTable(data: FixtureView[], sort: Sort, shown: ColumnKey[]) {
  // The same state is the same object, so that nothing is sorted again while the table scrolls.
  const sorting = useMemo(() => [{ id: sort.key, desc: sort.down }], [sort]);
  const columnVisibility = useMemo(
    () => Object.fromEntries(COLUMNS.map((c) => [c.key, shown.includes(c.key)])),
    [shown],
  );
  const table = useTable({
    features,
    columns,
    data,
    getRowId: (f) => String(f.id),
    state: { sorting, columnVisibility },
  });
  const visible = new Set(table.getVisibleLeafColumns().map((c) => c.id));
  return {
    rows: table.getRowModel().rows,
    columns: COLUMNS.filter((c) => visible.has(c.key)) as Column[],
  };
}
