import type { ChosenPeople } from '@dossier/contract';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, LoadingLines, Notice, Soft, Subheading, Text } from '@/ui';
import { useHandOverMutation, useSystemNamesQuery } from './api';

interface Props {
  who: ChosenPeople;
  /** In words, as the list says it. */
  shown: string;
  onClose: () => void;
}

/** People are handed over to another system. */
export function HandOverPanel({ who, shown, onClose }: Props) {
  const { data, error, refetch } = useSystemNamesQuery();
  const [handOver, { data: begun, error: problem, isLoading, originalArgs }] = useHandOverMutation();
  const to = data?.items.find(({ id }) => id === originalArgs?.id);
  return (
    <View role="region" aria-label={`Hand over ${shown}`} className="min-h-0 flex-1 gap-3 px-4 py-2">
      <Subheading>{`Hand over ${shown}`}</Subheading>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : !data ? (
        <LoadingLines lines={2} />
      ) : data.items.length === 0 ? (
        <Soft>No other system is set up. Your manager does that in the settings.</Soft>
      ) : (
        <View role="list" aria-label="Where to">
          {data.items.map(({ id, name, isPaused }) => (
            <View
              key={id}
              role="listitem"
              className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-1"
            >
              <View className="min-w-[150px] flex-1">
                <Text className="[overflow-wrap:anywhere]">{name}</Text>
                {isPaused ? <Soft>It pauses: they go there when it goes on.</Soft> : null}
              </View>
              <Button
                label={`Hand over to ${name}`}
                busy={isLoading && to?.id === id}
                onPress={() => void handOver({ id, who })}
              >
                Hand over
              </Button>
            </View>
          ))}
        </View>
      )}
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
      {begun && to ? (
        <Text role="status">
          {begun.begun > 0
            ? `${counted(begun.begun, 'person', 'people')} on the way to ${to.name}.`
            : `They are all on the way to ${to.name} already.`}
        </Text>
      ) : null}
      <View className="-ml-4 flex-row">
        <Button look="bare" onPress={onClose}>
          Close
        </Button>
      </View>
    </View>
  );
}
