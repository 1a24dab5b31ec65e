import { useKept } from '../../app/kept';
import { useLooks } from '../../api/queries';

/** The list that keys play and that the chapter Looks draws: the one chosen last, or the first there is. */
export function useActiveList() {
  const lists = useLooks().data?.lists ?? [];
  const [chosen, choose] = useKept<number>('active list', 0);
  return { list: lists.find((l) => l.id === chosen) ?? lists[0], choose };
}
