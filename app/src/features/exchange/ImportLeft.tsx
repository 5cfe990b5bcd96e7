import type { Import, ImportRow } from '@dossier/contract';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Subheading, Text } from '@/ui';
import { useImportRowsQuery, useSettleRowMutation } from './api';

const PARTS = [
  { outcome: 'perhaps', title: 'Perhaps known', about: 'These may be people who are here already. Say who they are.' },
  { outcome: 'conflicts', title: 'Changed here as well', about: 'The file says one thing, the record another.' },
  {
    outcome: 'refused',
    title: 'Rows of nobody',
    about: 'These rows were left out. Mend them in the file and bring it in again.',
  },
] as const;

/** Rows that somebody should look at: to be settled once they were brought in, only shown before. */
export function ImportLeft({ file }: { file: Import }) {
  return (
    <>
      {PARTS.filter(({ outcome }) => file.counts[outcome] > 0).map((part) => (
        <Part key={part.outcome} file={file} {...part} />
      ))}
    </>
  );
}

function Part({ file, outcome, title, about }: { file: Import } & (typeof PARTS)[number]) {
  const [after, setAfter] = useState(0);
  const { data, error } = useImportRowsQuery({ id: file.id, outcome, after });
  return (
    <View role="region" aria-label={title} className="gap-1">
      <Subheading>{title}</Subheading>
      <Soft>{about}</Soft>
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      {data ? null : <LoadingLines lines={2} />}
      {data?.items.map((row) => (
        <Row key={row.number} row={row} file={file} />
      ))}
      <View className="flex-row gap-3">
        {after > 0 ? <Button onPress={() => setAfter(0)}>From the beginning</Button> : null}
        {data?.next ? <Button onPress={() => setAfter(data.next!)}>More</Button> : null}
      </View>
    </View>
  );
}

function Row({ row, file }: { row: ImportRow; file: Import }) {
  const [settle, { isLoading, error }] = useSettleRowMutation();
  const maySettle = file.state === 'done' || file.state === 'cancelled';
  const { number, fullName, company, title, faults, conflicts, candidates } = row;
  const as = (how: Parameters<typeof settle>[0]['as']) => () => void settle({ id: file.id, number, as: how });
  return (
    <View className="gap-1 border-b border-rule py-2">
      <Text className="font-medium">{fullName || `Row ${number}`}</Text>
      <Soft>{[title, company].filter(Boolean).join(' · ')}</Soft>
      {faults.map(({ key, fault }) => (
        <Text key={key} className="text-[15px] text-brick">
          {fault}
        </Text>
      ))}
      {row.outcome === 'perhaps' ? (
        <View className="flex-row flex-wrap items-center gap-2">
          {candidates.map((one) => (
            <View key={one.id} className="flex-row flex-wrap items-center gap-2">
              <Link href={`/people/${one.id}`}>
                <Text className="underline underline-offset-4">
                  {[one.fullName, one.company].filter(Boolean).join(', ')}
                </Text>
              </Link>
              {maySettle ? (
                <Button busy={isLoading} label={`${fullName} is ${one.fullName}`} onPress={as({ personId: one.id })}>
                  Same person
                </Button>
              ) : null}
            </View>
          ))}
          {maySettle ? (
            <Button busy={isLoading} label={`${fullName} is somebody new`} onPress={as({ as: 'new' })}>
              Somebody new
            </Button>
          ) : null}
        </View>
      ) : null}
      {conflicts.map(({ key, label, here, file: there }) => (
        <View key={key} className="flex-row flex-wrap items-center gap-2">
          <Soft className="w-[120px]">{label}</Soft>
          <Text>{`Here “${here || 'nothing'}”, in the file “${there || 'nothing'}”`}</Text>
        </View>
      ))}
      {conflicts.length > 0 && maySettle ? (
        <View className="flex-row flex-wrap gap-2">
          <Button
            busy={isLoading}
            label={`${fullName}: take what the file says`}
            onPress={as({ take: conflicts.map(({ key }) => key) })}
          >
            Take from the file
          </Button>
          <Button busy={isLoading} label={`${fullName}: keep what is here`} onPress={as({ take: [] })}>
            Keep what is here
          </Button>
        </View>
      ) : null}
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
    </View>
  );
}
