import type { Occasion } from '@dossier/contract';
import { Link } from 'expo-router';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, FirstTime, LoadingLines, Notice, Serif, Soft, Subheading, Text } from '@/ui';
import { OccasionForm } from './OccasionForm';
import { useOccasions, whereAndWhen } from './useOccasions';

interface Props {
  accountId: string;
  onDone: () => void;
}

/** Sets the occasion for what comes next, or makes a new one on the spot. */
export function OccasionChooser({ accountId, onDone }: Props) {
  const { items, current, choose, save, error, isLoading } = useOccasions(accountId);
  const [making, setMaking] = useState(false);
  const open = items.filter((occasion) => !occasion.closed);
  const set = (id: string | null) => {
    choose(id);
    onDone();
  };

  return (
    <ScrollView className="min-h-0 flex-1 bg-paper" contentContainerStyle={{ paddingBottom: 32 }}>
      <View className="w-full max-w-[560px] gap-4 self-center px-4 pt-4">
        <View className="flex-row items-center justify-between gap-3">
          <Subheading>{making ? 'New occasion' : 'Where are these cards from?'}</Subheading>
          {making ? null : <Button onPress={onDone}>Close</Button>}
        </View>
        <FirstTime about="occasion">
          An occasion is where cards come from: a fair, a visit day, a route. What you set for it holds for every card
          photographed under it.
        </FirstTime>
        {making ? (
          <OccasionForm
            onCancel={() => setMaking(false)}
            onSave={async (fields) => {
              const { id, answer } = await save(fields);
              if (typeof answer === 'object') return answer.refusal;
              set(id);
              return undefined;
            }}
          />
        ) : (
          <>
            <View className="items-start">
              <Button look="ink" onPress={() => setMaking(true)}>
                New occasion
              </Button>
            </View>
            {error && items.length === 0 ? <Notice fault>{problemText(error)}</Notice> : null}
            {isLoading && items.length === 0 ? (
              <LoadingLines lines={2} />
            ) : (
              <View role="radiogroup" aria-label="Occasion">
                {open.map((occasion) => (
                  <OccasionRow
                    key={occasion.id}
                    occasion={occasion}
                    chosen={occasion.id === current?.id}
                    onPress={() => set(occasion.id)}
                  />
                ))}
                <Row name="No occasion" chosen={!current} onPress={() => set(null)} />
              </View>
            )}
            <Link href="/settings/occasions">
              <View className="min-h-touch justify-center">
                <Text className="underline underline-offset-4">Change an occasion</Text>
              </View>
            </Link>
          </>
        )}
      </View>
    </ScrollView>
  );
}

const OccasionRow = ({ occasion, ...rest }: { occasion: Occasion; chosen: boolean; onPress: () => void }) => (
  <Row name={occasion.name} detail={whereAndWhen(occasion)} {...rest} />
);

interface RowProps {
  name: string;
  detail?: string;
  chosen: boolean;
  onPress: () => void;
}

const Row = ({ name, detail, chosen, onPress }: RowProps) => (
  <Pressable
    role="radio"
    aria-checked={chosen}
    aria-label={[name, detail].filter(Boolean).join(', ')}
    onPress={onPress}
    className={`min-h-[56px] justify-center border-b border-l-[3px] border-b-rule py-2 pl-3 hover:bg-table ${chosen ? 'border-l-ink' : 'border-l-transparent'}`}
  >
    <Serif className="text-[19px] leading-[25px]">{name}</Serif>
    {detail ? <Soft>{detail}</Soft> : null}
  </Pressable>
);
