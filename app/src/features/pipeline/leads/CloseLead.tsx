import type { Lead, Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { useDispatch } from 'react-redux';
import { useSessionQuery } from '@/features/account';
import { peopleSlice, useChangeManyMutation } from '@/features/people';
import { problemText } from '@/lib/api';
import { Button, Notice, Select, Subheading, TextField } from '@/ui';

/** Why a lead is closed: a word of the team's, and a line. */
export function CloseLead({
  lead,
  onDone,
  onLeave,
}: {
  lead: Pick<Lead | Person, 'id' | 'fullName'>;
  onDone: () => void;
  onLeave: () => void;
}) {
  // prettier-ignore
  const reasons = useSessionQuery().data?.workspace.closeReasons ?? [];
  const [reason, setReason] = useState('');
  const [words, setWords] = useState('');
  const dispatch = useDispatch();
  const [change, { isLoading, error }] = useChangeManyMutation();
  const close = async () => {
    const answer = await change({ who: { ids: [lead.id] }, what: { closed: { reason, words: words.trim() } } });
    if (!answer.data) return;
    dispatch(peopleSlice.actions.changeTold(answer.data.id));
    onDone();
  };
  return (
    <View role="region" aria-label="Close the lead" className="gap-3 border-l-2 border-ink pl-3">
      <Subheading>{`Close ${lead.fullName || 'this lead'}`}</Subheading>
      <View className="items-start">
        <Select
          label="Why"
          value={reason}
          onChange={setReason}
          options={[{ value: '', label: 'Say why' }, ...reasons.map((word) => ({ value: word, label: word }))]}
        />
      </View>
      <TextField label="In a line, if there is more to say" value={words} onChangeText={setWords} maxLength={500} />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" disabled={!reason} busy={isLoading} onPress={() => void close()}>
          Close the lead
        </Button>
        <Button look="bare" onPress={onLeave}>
          Leave it open
        </Button>
      </View>
    </View>
  );
}
