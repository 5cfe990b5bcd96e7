import type { Counted } from '@dossier/contract';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { Button, Text } from '@/ui';
import { people } from '../changes/changeWords';
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
}

/** How many are chosen, and what can be done with them. */
export function ChosenBar({ choice, total, counted, onChange, onTakeOut, onHandOver }: Props) {
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
      <View className="flex-row flex-wrap items-center gap-3">
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
        <Link href="/people/changes">
          <View className="min-h-touch justify-center">
            <Text className="text-[15px] underline underline-offset-4">Changed before</Text>
          </View>
        </Link>
      </View>
    </View>
  );
}
