import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, TextField } from '@/ui';
import { dueWords } from './dueWords';
import { useAddTask, type About } from './useAddTask';
import { useTyped } from './useTyped';

/** One line becomes a task: days and times are read from its words. */
export function TypedTaskField({ about = {} }: { about?: About }) {
  const [words, setWords] = useState('');
  const typed = useTyped(words);
  const { make, isKept, isLoading, error } = useAddTask();
  const [noted, setNoted] = useState('');
  const said = typed.dueOn ? `${typed.text}, ${dueWords(typed)}` : `${typed.text}, on no day`;
  const save = async () => {
    if (!typed.text || !(await make({ ...typed, ...about }))) return;
    setWords('');
    setNoted(said);
  };
  return (
    <View className="gap-1">
      <View className="flex-row items-end gap-2">
        <View className="min-w-0 flex-1">
          <TextField
            label="Something to do"
            placeholder="Call Friday 10"
            value={words}
            onChangeText={setWords}
            onSubmitEditing={() => void save()}
            submitBehavior="submit"
            maxLength={300}
          />
        </View>
        <Button
          look={words.trim() ? 'ink' : 'plain'}
          disabled={!words.trim()}
          busy={isLoading}
          label="Add the task"
          onPress={() => void save()}
        >
          Add
        </Button>
      </View>
      <Soft role="status">{words.trim() ? said : noted && `Noted: ${noted}.`}</Soft>
      {isKept ? <Notice>Kept on this device. It is sent once Dossier can be reached.</Notice> : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
