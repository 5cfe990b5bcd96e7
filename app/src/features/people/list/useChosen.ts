import type { ChosenPeople } from '@dossier/contract';
import { useCallback, useMemo, useState } from 'react';
import { useSelection } from '@/lib/useSelection';

/**
 * Whom a change is to be about: some people of a list, or everybody in it but some. Another list is another choice.
 * @param ids of the rows that are there, in their order @param total how many the list has, as far as it is known
 */
export function useChosen(address: string, ids: readonly string[], total: number) {
  const { active, chosen, toggle, begin, end } = useSelection(ids, true);
  const [everybodyOf, setEverybodyOf] = useState<string>();
  const everybody = everybodyOf === address;
  const [of, setOf] = useState(address);
  if (of !== address) {
    setOf(address);
    end();
  }
  const everyone = useCallback(() => {
    begin();
    setEverybodyOf(address);
  }, [address, begin]);
  const none = useCallback(() => {
    begin();
    setEverybodyOf(undefined);
  }, [begin]);
  const stop = useCallback(() => {
    end();
    setEverybodyOf(undefined);
  }, [end]);
  const marked = useMemo(() => new Set(chosen), [chosen]);
  // The same for as long as the choice is the same: it is asked about.
  const who = useMemo(
    (): ChosenPeople => (everybody ? { list: address, except: [...chosen] } : { ids: [...chosen] }),
    [address, chosen, everybody],
  );
  return {
    active,
    everybody,
    count: everybody ? Math.max(0, total - chosen.length) : chosen.length,
    isChosen: (id: string) => marked.has(id) !== everybody,
    toggle,
    begin: none,
    everyone,
    stop,
    who,
  };
}
