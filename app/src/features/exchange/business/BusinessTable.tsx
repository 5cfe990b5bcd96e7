import type { BusinessBack } from '@dossier/contract';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { Button, Notice, Soft, Text } from '@/ui';
import { useBringBusinessBackMutation } from './api';
import { backWords } from './backWords';

/** Business of the list as a table: out to a spreadsheet, and back after a look at what it does. @param address of the list */
export function BusinessTable({ address }: { address: string }) {
  const may = useMay();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File>();
  const [told, setTold] = useState<BusinessBack>();
  const [isDone, setDone] = useState(false);
  const [bring, { isLoading, error }] = useBringBusinessBackMutation();
  if (!may('takeOut')) return null;
  const look = async (chosen: File) => {
    setFile(chosen);
    setDone(false);
    setTold(undefined);
    const answer = await bring({ file: chosen, preview: true });
    if (answer.data) setTold(answer.data);
  };
  const go = async () => {
    const answer = await bring({ file: file!, preview: false });
    if (!answer.data) return;
    setTold(answer.data);
    setDone(true);
  };
  const close = () => {
    setFile(undefined);
    setTold(undefined);
  };
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap items-center gap-x-4">
        {(['xlsx', 'csv'] as const).map((format) => (
          <a
            key={format}
            href={`${API}/business/export?${[address, `format=${format}`].filter(Boolean).join('&')}`}
            download
            style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}
          >
            <Text className="underline underline-offset-4">{`Take out as ${format.toUpperCase()}`}</Text>
          </a>
        ))}
        {may('edit') ? (
          <>
            <input
              ref={input}
              type="file"
              aria-label="A table of business"
              accept=".csv,.xlsx"
              style={{ display: 'none' }}
              onChange={({ target }) => {
                const chosen = target.files?.[0];
                if (chosen) void look(chosen);
                target.value = '';
              }}
            />
            <Button look="bare" className="-mx-3" busy={isLoading} onPress={() => input.current?.click()}>
              Bring a table back
            </Button>
          </>
        ) : null}
      </View>
      {error && file ? (
        <Notice
          fault
          action={
            <Button look="bare" onPress={close}>
              Close
            </Button>
          }
        >
          {problemText(error)}
        </Notice>
      ) : null}
      {told ? (
        <View role="region" aria-label="A table that came back" className="gap-2 border-l-2 border-ink pl-3">
          <View role="status">
            {backWords(told, isDone).map((words) => (
              <Text key={words}>{words}</Text>
            ))}
          </View>
          {told.conflicts.map(({ row, title, field, here, there }) => (
            <Soft key={`${row} ${field}`} className="[overflow-wrap:anywhere]">
              {`Row ${row}, ${title}: ${field} is “${here || 'nothing'}” here by now, not “${there}”. It stays.`}
            </Soft>
          ))}
          {told.faults.map(({ row, title, field, fault }) => (
            <Soft key={`${row} ${field} fault`} className="[overflow-wrap:anywhere]">
              {`Row ${row}, ${title || 'without a name'}${field ? `, ${field}` : ''}: ${fault}`}
            </Soft>
          ))}
          <View className="flex-row flex-wrap gap-2">
            {isDone || told.changed + told.made === 0 ? null : (
              <Button look="ink" busy={isLoading} onPress={() => void go()}>
                Take it over
              </Button>
            )}
            <Button look="bare" onPress={close}>
              {isDone ? 'Close' : 'Leave it'}
            </Button>
          </View>
        </View>
      ) : null}
    </View>
  );
}
