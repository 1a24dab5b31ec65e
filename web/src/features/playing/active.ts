import { line } from '../../api/commands';
import { useDesk, useLooks } from '../../api/queries';
import { attempt } from '../../doing/notices';

/**
 * The list that is chosen: what keys play, what the chapter Looks draws, what the line means where it names none. The
 * show knows it, so that all of these mean the same one.
 */
export function useActiveList() {
  const lists = useLooks().data?.lists ?? [];
  const chosen = useDesk().data?.list;
  const choose = (id: number) => {
    const list = lists.find((l) => l.id === id);
    if (list && id !== chosen) void attempt(() => line(`list ${list.number}`));
  };
  return { list: lists.find((l) => l.id === chosen) ?? lists[0], choose };
}
