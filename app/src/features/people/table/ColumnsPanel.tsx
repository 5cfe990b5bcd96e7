import { View } from 'react-native';
import { Button, Soft, Toggle } from '@/ui';
import { columnOf, NAME_COLUMN } from './columns';
import type { TableLayout } from './useTableLayout';

/** Which columns there are, and in which order. */
export const ColumnsPanel = ({ layout, onDone }: { layout: TableLayout; onDone: () => void }) => (
  <View role="region" aria-label="Columns of the table" className="gap-1 px-4 pb-3">
    <Soft>The table stays like this on this device.</Soft>
    {layout.order
      .filter((id) => id !== NAME_COLUMN.id)
      .map((id) => {
        const { label } = columnOf(id);
        const isShown = layout.shown.includes(id);
        return (
          <View key={id} className="flex-row items-center">
            <View className="min-w-0 flex-1">
              <Toggle label={label} on={isShown} onChange={() => layout.toggle(id)} />
            </View>
            {isShown ? (
              <>
                <Button
                  look="bare"
                  className="px-2"
                  label={`${label} further to the left`}
                  onPress={() => layout.step(id, -1)}
                >
                  ←
                </Button>
                <Button
                  look="bare"
                  className="px-2"
                  label={`${label} further to the right`}
                  onPress={() => layout.step(id, 1)}
                >
                  →
                </Button>
              </>
            ) : null}
          </View>
        );
      })}
    <View className="flex-row flex-wrap gap-2 pt-2">
      <Button look="ink" onPress={onDone}>
        Show the table
      </Button>
      <Button look="bare" onPress={layout.reset}>
        As at first
      </Button>
    </View>
  </View>
);
