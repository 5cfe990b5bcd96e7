import type { Task } from '@dossier/contract';
import { snoozedTo, type Snooze } from '@dossier/core/followup/tasks';
import { useState } from 'react';
import { View } from 'react-native';
import { useTeamQuery } from '@/features/account';
import { problemText } from '@/lib/api';
import { Button, DayField, Notice, Select, Soft } from '@/ui';
import { useChangeTaskMutation, useEndTaskMutation } from '../api';

const CHOICES: readonly { value: Snooze; label: string }[] = [
  { value: 'evening', label: 'This evening' },
  { value: 'tomorrow', label: 'Tomorrow' },
  { value: 'monday', label: 'Monday' },
  { value: 'nextWeek', label: 'In a week' },
];

/** Puts a task off, gives it to a colleague, or drops it. */
export function PutOff({ task, onDone }: { task: Task; onDone: () => void }) {
  const [change, { error, isLoading }] = useChangeTaskMutation();
  const [end, dropped] = useEndTaskMutation();
  const { data: team } = useTeamQuery();
  const [day, setDay] = useState(task.dueOn ?? '');
  const put = async (edit: { dueOn: string; dueTime: string | null } | { ownerId: string }) => {
    const answer = await change({ id: task.id, edit });
    if (!answer.error) onDone();
  };
  const problem = error ?? dropped.error;
  return (
    <View role="group" aria-label={`Put off: ${task.text}`} className="gap-2 pb-3">
      <View className="flex-row flex-wrap gap-2">
        {CHOICES.map(({ value, label }) => (
          <Button key={value} disabled={isLoading} onPress={() => void put(snoozedTo(value, new Date()))}>
            {label}
          </Button>
        ))}
      </View>
      <View className="flex-row flex-wrap items-end gap-3">
        <View className="max-w-[200px]">
          <DayField label="Another day" value={day} onChange={setDay} />
        </View>
        <Button disabled={!day || isLoading} onPress={() => void put({ dueOn: day, dueTime: task.dueTime })}>
          To that day
        </Button>
      </View>
      <View className="flex-row flex-wrap items-center gap-3">
        <Soft aria-hidden>Whose</Soft>
        <Select
          label="Whose task"
          value={task.owner.id}
          onChange={(ownerId) => void put({ ownerId })}
          options={(team?.items ?? [task.owner]).map(({ id, name }) => ({ value: id, label: name }))}
        />
        <Button look="brick" label={`Drop: ${task.text}`} onPress={() => void end({ id: task.id, to: 'dropped' })}>
          Drop
        </Button>
      </View>
      {problem ? <Notice fault>{problemText(problem)}</Notice> : null}
    </View>
  );
}
