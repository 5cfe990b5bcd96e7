import type { Company, Person, Task } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, Notice, Soft, Subheading, Text } from '@/ui';
import { useEndTaskMutation, useTasksQuery } from '../api';
import { dueWords, here } from './dueWords';
import { PutOff } from './PutOff';
import { TypedTaskField } from './TypedTaskField';
import type { About } from './useAddTask';

/** What is to be done about somebody, by whoever. */
export const PersonTasks = ({ person }: { person: Person }) => (
  <Tasks about={{ personId: person.id }} isClosed={person.deletedAt !== null} />
);

/** What is to be done about a firm. */
export const CompanyTasks = ({ company }: { company: Company }) => <Tasks about={{ companyId: company.id }} />;

/** What is to be done for a piece of business. */
export const OpportunityTasks = ({ opportunityId }: { opportunityId: string }) => <Tasks about={{ opportunityId }} />;

function Tasks({ about, isClosed = false }: { about: About; isClosed?: boolean }) {
  const { data, error, refetch } = useTasksQuery({ whose: 'team', ...about });
  return (
    <View className="gap-2">
      <Subheading>To do</Subheading>
      {error && !data ? (
        <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
          {problemText(error)}
        </Notice>
      ) : null}
      {data?.items.map((task) => (
        <OneTask key={task.id} task={task} />
      ))}
      {isClosed ? null : <TypedTaskField about={about} />}
    </View>
  );
}

function OneTask({ task }: { task: Task }) {
  const [later, setLater] = useState(false);
  const [end, { error }] = useEndTaskMutation();
  return (
    <View className="border-b border-rule">
      <View className="flex-row flex-wrap items-center gap-x-2 py-1">
        <View className="min-w-[170px] flex-1">
          <Text className="[overflow-wrap:anywhere]">{task.text}</Text>
          <Soft>{[dueWords(task), task.owner.name, task.plan].filter(Boolean).join(' · ')}</Soft>
        </View>
        <Button label={`Done: ${task.text}`} onPress={() => void end({ id: task.id, to: 'done', today: here().day })}>
          Done
        </Button>
        <Button look="bare" label={`Later: ${task.text}`} onPress={() => setLater(!later)}>
          Later
        </Button>
      </View>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {later ? <PutOff task={task} onDone={() => setLater(false)} /> : null}
    </View>
  );
}
