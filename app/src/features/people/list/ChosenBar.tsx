import type { Counted } from '@dossier/contract';
import { Link } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { Button, Notice, Text } from '@/ui';
import { people } from '../changes/changeWords';
import type { Ask as AskType } from './lent';
import type { useChosen } from './useChosen';
import { peopleWords } from './words';

interface Props {
  choice: ReturnType<typeof useChosen>;
  /** How many the list has, and how surely. */
  total: number;
  counted: Counted;
  onChange: () => void;
  onTakeOut: (() => void) | undefined;
  onHandOver: () => void;
  Ask: AskType;
}

/** How many are chosen, and what can be done with them. */
export function ChosenBar({ choice, total, counted, onChange, onTakeOut, onHandOver, Ask }: Props) {
  const [notAsked, setNotAsked] = useState<string>();
  const { count, everybody, everyone, begin, stop } = choice;
  const isAll = everybody && count === total;
  return (
    <View role="toolbar" aria-label="Chosen people" className="gap-1 border-t border-rule bg-paper px-4 py-2">
      <View className="flex-row flex-wrap items-center gap-x-2">
        <Text role="status" className="tabular flex-1">
          {count === 0
            ? 'Nobody chosen'
            : isAll
              ? `All ${peopleWords(total, counted)} chosen`
              : `${people(count)} chosen`}
        </Text>
        {isAll ? (
          <Button look="bare" className="px-2" onPress={begin}>
            None
          </Button>
        ) : (
          <Button look="bare" className="px-2" onPress={everyone}>
            {`All ${total.toLocaleString('en')}`}
          </Button>
        )}
        <Button look="bare" className="px-2" onPress={stop}>
          Done
        </Button>
      </View>
      {notAsked ? <Notice fault>{notAsked}</Notice> : null}
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        className="-mx-4 flex-grow-0"
        contentContainerStyle={{ gap: 12, paddingHorizontal: 16, alignItems: 'center' }}
      >
        <Button look="ink" disabled={count === 0} onPress={onChange}>
          Change them …
        </Button>
        {onTakeOut ? (
          <Button disabled={count === 0} onPress={onTakeOut}>
            Take out
          </Button>
        ) : null}
        <Button disabled={count === 0} onPress={onHandOver}>
          Hand over
        </Button>
        <Ask who={choice.who} disabled={count === 0} onProblem={setNotAsked} />
        <Link href="/people/changes">
          <View className="min-h-touch justify-center">
            <Text className="text-[15px] underline underline-offset-4">Changed before</Text>
          </View>
        </Link>
      </ScrollView>
    </View>
  );
}
