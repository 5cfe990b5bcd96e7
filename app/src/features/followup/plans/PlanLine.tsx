import { View } from 'react-native';
import { Button, Soft } from '@/ui';
import { usePlansQuery } from '../api';

interface Props {
  planIds: readonly string[];
  isLeftOut: boolean;
  onLeaveOut: (isLeftOut: boolean) => void;
}

/** Where cards are filed without a look at the last step: what begins then, to be left out with one touch. */
export function PlanLine({ planIds, isLeftOut, onLeaveOut }: Props) {
  const { data } = usePlansQuery(undefined, { skip: planIds.length === 0 });
  const names = data?.items.filter(({ id, isOn }) => isOn && planIds.includes(id)).map(({ name }) => name) ?? [];
  if (names.length === 0) return null;
  const plans = names.join(', ');
  return (
    <View className="flex-row items-center gap-2 border-t border-rule bg-paper pl-4">
      <Soft numberOfLines={2} className="min-w-0 flex-1">
        {isLeftOut ? `${plans} does not begin.` : `${plans} begins. Nothing is sent before they agree.`}
      </Soft>
      <Button
        look="bare"
        label={isLeftOut ? `Let ${plans} begin` : `Leave out ${plans}`}
        onPress={() => onLeaveOut(!isLeftOut)}
      >
        {isLeftOut ? 'Let it begin' : 'Leave it out'}
      </Button>
    </View>
  );
}
