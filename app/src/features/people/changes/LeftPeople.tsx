import type { PeopleChangeState } from '@dossier/contract';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Soft, Text } from '@/ui';
import { leftWords, people } from './changeWords';

/** Who was left as they are by a change of many, each with why, when it is asked for. */
export function LeftPeople({ change: { left, leftTotal } }: { change: PeopleChangeState }) {
  const [open, setOpen] = useState(false);
  if (leftTotal === 0) return null;
  if (!open)
    return (
      <View className="items-start">
        <Button look="bare" className="-ml-4" onPress={() => setOpen(true)}>
          Who was left
        </Button>
      </View>
    );
  return (
    <View role="list" aria-label="Left as they are" className="gap-1">
      {left.map((one) => (
        <View key={one.personId} role="listitem">
          <Link href={`/people/${one.personId}`}>
            <Text className="underline underline-offset-4">{leftWords(one)}</Text>
          </Link>
        </View>
      ))}
      {leftTotal > left.length ? <Soft>{`and ${people(leftTotal - left.length)} more`}</Soft> : null}
    </View>
  );
}
