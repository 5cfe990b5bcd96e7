import { useMemo } from 'react';
import { useDeviceSetting } from '@/lib/deviceSetting';
import { COLUMNS, NAME_COLUMN } from './columns';

interface Kept {
  order: string[];
  sizes: Record<string, number>;
  shown: string[];
}

const LEAST_WIDTH = 60;
const MOST_WIDTH = 640;
const USUAL: Kept = {
  order: COLUMNS.map(({ id }) => id),
  sizes: {},
  shown: COLUMNS.filter(({ isUsual }) => isUsual).map(({ id }) => id),
};

/** Which columns there are, in which order and how wide: remembered on this device for whoever is signed in. */
export function useTableLayout(accountId: string) {
  const [kept, keep] = useDeviceSetting<Kept>(`people.table.${accountId}`, USUAL);
  return useMemo(() => {
    // Columns that came since it was kept stand at the end.
    const order = [...kept.order.filter((id) => USUAL.order.includes(id)), ...USUAL.order.filter((id) => !kept.order.includes(id))]; // prettier-ignore
    const moved = (id: string, to: number): void => {
      const others = order.filter((one) => one !== id);
      // Nothing goes before the name.
      others.splice(Math.max(1, to), 0, id);
      keep({ ...kept, order: others });
    };
    return {
      order,
      sizes: kept.sizes,
      shown: order.filter((id) => id === NAME_COLUMN.id || kept.shown.includes(id)),
      resize: (id: string, size: number) =>
        keep({ ...kept, sizes: { ...kept.sizes, [id]: Math.round(Math.min(MOST_WIDTH, Math.max(LEAST_WIDTH, size))) } }), // prettier-ignore
      resized: (sizes: Record<string, number>) => keep({ ...kept, sizes }),
      toggle: (id: string) =>
        keep({
          ...kept,
          shown: kept.shown.includes(id) ? kept.shown.filter((one) => one !== id) : [...kept.shown, id],
        }),
      /** To the place of another one. */
      moveTo: (id: string, other: string) => moved(id, order.indexOf(other)),
      /** Past the next one that is shown. */
      step: (id: string, by: -1 | 1) => {
        const shown = order.filter((one) => one === NAME_COLUMN.id || kept.shown.includes(one));
        const next = shown[shown.indexOf(id) + by];
        if (next && next !== NAME_COLUMN.id) moved(id, order.indexOf(next));
      },
      reset: () => keep(USUAL),
    };
  }, [kept, keep]);
}

export type TableLayout = ReturnType<typeof useTableLayout>;
