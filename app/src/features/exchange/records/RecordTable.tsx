import type { TableBack } from '@dossier/contract';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useMay } from '@/features/account';
import { API, problemText } from '@/lib/api';
import { Button, Notice, Soft, Text } from '@/ui';
import { useBringTableBackMutation } from './api';
import { backWords, type RecordKind } from './backWords';

/** Records of a list as a table: out to a spreadsheet, and back after a look at what it does. @param address of the list */
export function RecordTable({ of, address }: { of: RecordKind; address: string }) {
  const may = useMay();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File>();
  const [told, setTold] = useState<TableBack>();
  const [isDone, setDone] = useState(false);
  const [isOpen, setOpen] = useState(false);
  const [bring, { isLoading, error }] = useBringTableBackMutation();
  if (!may('takeOut')) return null;
  const look = async (chosen: File) => {
    setFile(chosen);
    setDone(false);
    setTold(undefined);
    const answer = await bring({ of, file: chosen, preview: true });
    if (answer.data) setTold(answer.data);
  };
  const go = async () => {
    const answer = await bring({ of, file: file!, preview: false });
    if (!answer.data) return;
    setTold(answer.data);
    setDone(true);
  };
  const leave = () => {
    setFile(undefined);
    setTold(undefined);
  };
  return (
    <>
      <Button look="bare" className="-mx-4" expanded={isOpen} onPress={() => setOpen(!isOpen)}>
        As a spreadsheet
      </Button>
      {isOpen ? (
        <View className="w-full gap-2">
          <View className="flex-row flex-wrap items-center gap-x-4">
            {(['xlsx', 'csv'] as const).map((format) => (
              <a
                key={format}
                href={`${API}/${of}/export?${[address, `format=${format}`].filter(Boolean).join('&')}`}
                download
                style={{ color: 'rgb(var(--ink))', padding: '11px 0', textUnderlineOffset: 4 }}
              >
                <Text className="underline underline-offset-4">{`As ${format.toUpperCase()}`}</Text>
              </a>
            ))}
            {may('edit') ? (
              <>
                <input
                  ref={input}
                  type="file"
                  aria-label={`A table of ${of}`}
                  accept=".csv,.xlsx"
                  style={{ display: 'none' }}
                  onChange={({ target }) => {
                    const chosen = target.files?.[0];
                    if (chosen) void look(chosen);
                    target.value = '';
                  }}
                />
                <Button look="bare" className="-mx-4" busy={isLoading} onPress={() => input.current?.click()}>
                  Bring one back
                </Button>
              </>
            ) : null}
          </View>
          {error && file ? (
            <Notice
              fault
              action={
                <Button look="bare" onPress={leave}>
                  Close
                </Button>
              }
            >
              {problemText(error)}
            </Notice>
          ) : null}
          {told ? (
            <View
              role="region"
              aria-label="A table that came back"
              tabIndex={0}
              className="max-h-[45vh] gap-2 overflow-y-auto border-l-2 border-ink pl-3"
            >
              <View role="status">
                {backWords(of, told, isDone).map((words) => (
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
                <Button look="bare" onPress={leave}>
                  {isDone ? 'Close' : 'Leave it'}
                </Button>
              </View>
            </View>
          ) : null}
        </View>
      ) : null}
    </>
  );
}
