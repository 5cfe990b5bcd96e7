import type { Opportunity, PipelineSettings } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Select, TextField } from '@/ui';
import { useEndOpportunityMutation } from '../api';

interface Props {
  one: Opportunity;
  as: 'won' | 'lost';
  settings: PipelineSettings;
  onDone: () => void;
}

/** Won or lost, and why, in the team's words. */
export function EndIt({ one, as, settings, onDone }: Props) {
  const [reason, setReason] = useState('');
  const [words, setWords] = useState('');
  const [end, { isLoading, error }] = useEndOpportunityMutation();
  const reasons = as === 'won' ? settings.winReasons : settings.lossReasons;
  const go = async () => {
    const told = { words: words.trim(), version: one.version };
    const answer = await end({ id: one.id, end: as === 'won' ? { state: 'won', reason: reason || null, ...told } : { state: 'lost', reason, ...told } }); // prettier-ignore
    if (!answer.error) onDone();
  };
  return (
    <View role="region" aria-label={as === 'won' ? 'Won' : 'Lost'} className="gap-3 border-l-2 border-ink pl-3">
      <View className="items-start">
        <Select
          label="Why"
          value={reason}
          onChange={setReason}
          options={[
            { value: '', label: as === 'won' ? 'Why, if you know' : 'Say why' },
            ...reasons.map((word) => ({ value: word, label: word })),
          ]}
        />
      </View>
      <TextField label="In a line, if there is more to say" value={words} onChangeText={setWords} maxLength={1000} />
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button look="ink" disabled={as === 'lost' && !reason} busy={isLoading} onPress={() => void go()}>
          {as === 'won' ? 'It is won' : 'It is lost'}
        </Button>
        <Button look="bare" onPress={onDone}>
          Leave it open
        </Button>
      </View>
    </View>
  );
}
