import type { TextCard } from '@dossier/contract';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { v7 as uuidv7 } from 'uuid';
import { api } from '@/lib/api';
import { sendOrKeep } from '@/lib/outbox';
import { Button, Notice, Soft, Subheading, TextField } from '@/ui';

interface Props {
  accountId: string;
  occasionId: string | null;
  onDone: () => void;
}

/** Puts a card without a picture into the tray, or keeps it here until it can be sent. */
export function useTextCard(accountId: string, occasionId: string | null) {
  const dispatch = useDispatch();
  const router = useRouter();
  /** @returns why it was refused, in words */
  return async (card: Pick<TextCard, 'kind' | 'text'>, words: string): Promise<string | undefined> => {
    const cardId = uuidv7();
    const body: TextCard = { ...card, takenAt: new Date().toISOString(), occasionId };
    const request = { method: 'PUT' as const, path: `/cards/${cardId}/text`, body, words };
    const answer = await sendOrKeep(accountId, request)(dispatch);
    if (typeof answer === 'object') return answer.refusal;
    dispatch(api.util.invalidateTags(['Tray', 'Occasion']));
    router.push(answer === 'sent' ? `/proof/${cardId}` : '/tray');
    return undefined;
  };
}

/** A card without a picture: from pasted text, or typed from nothing. */
export function WithoutPicture({ accountId, occasionId, onDone }: Props) {
  const put = useTextCard(accountId, occasionId);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState<'text' | 'blank'>();
  const go = async (kind: 'text' | 'blank') => {
    setBusy(kind);
    setProblem(
      await put({ kind, text: kind === 'text' ? text : '' }, kind === 'text' ? 'Pasted text' : 'A blank card'),
    );
    setBusy(undefined);
  };
  return (
    <ScrollView className="min-h-0 flex-1 bg-paper" contentContainerStyle={{ paddingBottom: 32 }}>
      <View className="w-full max-w-[560px] gap-4 self-center px-4 pt-4">
        <View className="flex-row items-center justify-between gap-3">
          <Subheading>Without a picture</Subheading>
          <Button onPress={onDone}>Close</Button>
        </View>
        <TextField
          label="E-mail signature or any text"
          hint="Greetings, quoted mail and disclaimers around it do not matter."
          value={text}
          onChangeText={setText}
          multiline
          autoFocus
          maxLength={20_000}
          className="min-h-[180px]"
        />
        {problem ? <Notice fault>{problem}</Notice> : null}
        <View className="flex-row flex-wrap gap-3">
          <Button
            look="ink"
            busy={busy === 'text'}
            disabled={text.trim() === '' || busy !== undefined}
            onPress={() => void go('text')}
          >
            Read this text
          </Button>
          <Button busy={busy === 'blank'} disabled={busy !== undefined} onPress={() => void go('blank')}>
            Type a card
          </Button>
        </View>
        <Soft>“Type a card” opens an empty one.</Soft>
      </View>
    </ScrollView>
  );
}
