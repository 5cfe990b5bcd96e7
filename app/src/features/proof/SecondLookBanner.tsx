import type { ProofCard } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useSessionQuery } from '@/features/account';
import { useAnswerSecondLookMutation } from '@/features/tray';
import { problemText } from '@/lib/api';
import { Button, Notice, Text, TextField } from '@/ui';

/** What a colleague is asked about this card; whoever is asked says when it is done. */
export function SecondLookBanner({ cardId, look }: { cardId: string; look: NonNullable<ProofCard['secondLook']> }) {
  const { data: session } = useSessionQuery();
  const [answer, { isLoading, error }] = useAnswerSecondLookMutation();
  const [words, setWords] = useState('');
  const mine = look.askedOf.id === session?.user.id;
  const own = look.askedBy.id === session?.user.id;
  return (
    <View className="gap-2 border-b border-rule px-4 py-3">
      <Text>{`${own ? 'You ask' : `${look.askedBy.name} asks`} ${mine ? 'you' : look.askedOf.name} for a second look${look.message ? `: “${look.message}”` : '.'}`}</Text>
      {mine ? <TextField label="Answer" value={words} onChangeText={setWords} maxLength={400} /> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {mine || own ? (
        <View className="flex-row">
          <Button busy={isLoading} onPress={() => void answer({ cardId, answer: words.trim() })}>
            {mine ? 'I have looked' : 'No longer needed'}
          </Button>
        </View>
      ) : null}
    </View>
  );
}
