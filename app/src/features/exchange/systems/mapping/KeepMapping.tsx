import type { Destination, HandOverMapping } from '@dossier/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { formatWhen } from '@/lib/formatDate';
import { Button, LoadingLines, Notice, Subheading, Text } from '@/ui';
import { useChangeMappingMutation, useMappingVersionsQuery, useTrySystemMutation } from '../api';
import { Exchanged } from '../Deliveries';
import { Outward } from '../Outward';
import type { Kind } from './ruleWords';

interface Props {
  system: Destination;
  mapping: HandOverMapping;
  shownWith: { id: string; fullName: string } | undefined;
  kind: Kind;
  version: number;
  onTakeUp: (mapping: HandOverMapping) => void;
}

/** Keeping it, trying it, and what it was before. */
export function KeepMapping({
  system: { id, name, mapping: saved },
  mapping,
  shownWith,
  kind,
  version,
  onTakeUp,
}: Props) {
  const [save, saving] = useChangeMappingMutation();
  const [attempt, tried] = useTrySystemMutation();
  const [isLooking, setIsLooking] = useState(false);
  const isChanged = JSON.stringify(saved) !== JSON.stringify(mapping);
  return (
    <View className="gap-4">
      <Text role="status">
        {isChanged
          ? 'What you have changed is not saved yet.'
          : version > 0
            ? `This is version ${version}, and in force.`
            : ''}
      </Text>
      {saving.error ? <Notice fault>{problemText(saving.error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        <Button
          look="ink"
          disabled={!isChanged}
          busy={saving.isLoading}
          onPress={() => void save({ id, over: version, mapping })}
        >
          {`Save as version ${version + 1}`}
        </Button>
        {isChanged ? <Button onPress={() => onTakeUp(saved)}>As it was</Button> : null}
        <Button
          disabled={!shownWith || kind === 'company'}
          busy={tried.isLoading}
          onPress={() =>
            void attempt({ id, personId: shownWith!.id, mapping, ...(kind !== 'company' && { as: kind }) })
          }
        >
          {`Try it with ${shownWith?.fullName || 'somebody'}`}
        </Button>
      </View>
      {tried.error ? <Notice fault>{problemText(tried.error)}</Notice> : null}
      {tried.data ? (
        <View className="gap-2" role="group" aria-label="The try">
          <Notice fault={tried.data.problem !== null}>
            {tried.data.problem ?? `A record is in ${name} now whose name says that it is a try. Remove it there.`}
          </Notice>
          {tried.data.link ? <Outward href={tried.data.link}>The record there</Outward> : null}
          <Exchanged {...tried.data} />
        </View>
      ) : null}
      {version > 1 ? (
        <View className="gap-2">
          <View className="-ml-4 flex-row">
            <Button look="bare" onPress={() => setIsLooking(!isLooking)}>
              {isLooking ? 'Hide former versions' : 'Former versions'}
            </Button>
          </View>
          {isLooking ? <Versions id={id} now={version} onTakeUp={onTakeUp} /> : null}
        </View>
      ) : null}
    </View>
  );
}

function Versions({ id, now, onTakeUp }: { id: string; now: number; onTakeUp: (mapping: HandOverMapping) => void }) {
  const { data, error, refetch } = useMappingVersionsQuery(id);
  if (error)
    return (
      <Notice fault action={<Button onPress={() => void refetch()}>Try again</Button>}>
        {problemText(error)}
      </Notice>
    );
  if (!data) return <LoadingLines lines={2} />;
  return (
    <View className="gap-1">
      <Subheading>Former versions</Subheading>
      <View role="list" aria-label="Former versions">
        {data.items
          .filter(({ version }) => version !== now)
          .map(({ version, at, by, mapping }) => (
            <View
              key={version}
              role="listitem"
              className="flex-row flex-wrap items-center gap-x-3 border-b border-rule"
            >
              <Text className="min-w-[180px] flex-1">{`Version ${version}, ${formatWhen(at)}, ${by}`}</Text>
              <Button look="bare" label={`Take version ${version} up again`} onPress={() => onTakeUp(mapping)}>
                Take it up
              </Button>
            </View>
          ))}
      </View>
    </View>
  );
}
