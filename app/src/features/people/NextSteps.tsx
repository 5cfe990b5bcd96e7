import type { Person } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatDay } from '@/lib/formatDate';
import { Button, DayField, Notice, Soft, Subheading, Text, TextField } from '@/ui';
import { useEndStepMutation, usePlanStepMutation } from './api';

/** What is to be done next, and by when. */
export function NextSteps({ person }: { person: Person }) {
  const [writing, setWriting] = useState(false);
  const [text, setText] = useState('');
  const [dueOn, setDueOn] = useState('');
  const [plan, planned] = usePlanStepMutation();
  const [end, ended] = useEndStepMutation();
  const error = planned.error ?? ended.error;
  const save = async () => {
    const answer = await plan({ personId: person.id, step: { text: text.trim(), dueOn: dueOn || null } });
    if (answer.error) return;
    setText('');
    setDueOn('');
    setWriting(false);
  };
  return (
    <View className="gap-2">
      <Subheading>Next step</Subheading>
      {person.steps.map((step) => (
        <View key={step.id} className="flex-row flex-wrap items-center gap-x-3 border-b border-rule py-1">
          <View className="min-w-[180px] flex-1">
            <Text>{step.text}</Text>
            <Soft>{[step.dueOn && formatDay(step.dueOn), step.by].filter(Boolean).join(' · ')}</Soft>
          </View>
          <Button label={`Done: ${step.text}`} onPress={() => void end({ id: step.id, to: 'done' })}>
            Done
          </Button>
          <Button look="bare" label={`Drop: ${step.text}`} onPress={() => void end({ id: step.id, to: 'dropped' })}>
            Drop
          </Button>
        </View>
      ))}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {writing ? (
        <View className="gap-2">
          <TextField label="What is to be done" value={text} onChangeText={setText} maxLength={300} autoFocus />
          <View className="max-w-[220px]">
            <DayField label="By when" value={dueOn} onChange={setDueOn} />
          </View>
          <View className="flex-row gap-2">
            <Button look="ink" disabled={!text.trim()} busy={planned.isLoading} onPress={() => void save()}>
              Plan it
            </Button>
            <Button look="bare" onPress={() => setWriting(false)}>
              Close
            </Button>
          </View>
        </View>
      ) : person.deletedAt ? null : (
        <View className="items-start">
          <Button onPress={() => setWriting(true)}>{person.steps.length > 0 ? 'Plan another' : 'Plan a step'}</Button>
        </View>
      )}
    </View>
  );
}
