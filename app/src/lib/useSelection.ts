import { useCallback, useEffect, useMemo, useRef, useState } from 'react';

/**
 * Several rows of a list, chosen one by one or as a run.
 * @param ids rows in their order on the screen @param stay whether rows stay chosen that are not on the screen any more
 */
export function useSelection(ids: readonly string[], stay = false) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>();
  const [last, setLast] = useState<string>();

  // The same for as long as the list is there, so that rows need not be made anew.
  const latest = useRef({ ids, chosen, last });
  useEffect(() => {
    latest.current = { ids, chosen, last };
  });
  const toggle = useCallback((id: string, run = false) => {
    const { ids, chosen, last } = latest.current;
    const next = new Set(chosen);
    const [from, to] = [ids.indexOf(last ?? ''), ids.indexOf(id)].sort((a, b) => a - b) as [number, number];
    if (run && from >= 0) ids.slice(from, to + 1).forEach((one) => next.add(one));
    else if (!next.delete(id)) next.add(id);
    setChosen(next);
    setLast(id);
  }, []);
  const begin = useCallback(() => setChosen(new Set()), []);
  const end = useCallback(() => setChosen(undefined), []);
  const all = useCallback(() => setChosen(new Set(ids)), [ids]);
  const still = useMemo(() => (stay ? [...(chosen ?? [])] : ids.filter((id) => chosen?.has(id))), [chosen, ids, stay]);

  return { active: chosen !== undefined, chosen: still, toggle, begin, end, all };
}
