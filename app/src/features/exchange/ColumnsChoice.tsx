import type { ChosenPeople, TakeOutColumns } from '@dossier/contract';
import { useState } from 'react';
import { TextInput, View } from 'react-native';
import { problemText } from '@/lib/api';
import { Button, LoadingLines, Notice, Soft, Toggle } from '@/ui';
import { useTakeOutColumnsQuery } from './api';

interface Props {
  who: ChosenPeople;
  /** Keys, perhaps each with a name behind an equals sign; none for all. */
  chosen: readonly string[];
  onChange: (chosen: readonly string[]) => void;
}

/** Which columns a table has, and what they are called; all of them until somebody chooses. */
export function ColumnsChoice({ who, chosen, onChange }: Props) {
  const [isOpen, setOpen] = useState(false);
  const count = chosen.length;
  return (
    <View className="gap-2">
      <View className="flex-row items-center gap-2">
        <Soft className="flex-1">
          {count === 0 ? 'All columns' : `${count} chosen ${count === 1 ? 'column' : 'columns'}`}
        </Soft>
        <Button look="bare" onPress={() => setOpen(!isOpen)}>
          {isOpen ? 'Done choosing' : 'Choose columns'}
        </Button>
      </View>
      {isOpen ? <Columns who={who} chosen={chosen} onChange={onChange} /> : null}
    </View>
  );
}

function Columns({ who, chosen, onChange }: Props) {
  const { data, error } = useTakeOutColumnsQuery(who);
  if (error) return <Notice fault>{problemText(error)}</Notice>;
  if (!data) return <LoadingLines lines={4} />;
  const named = namesOf(data, chosen);
  const set = (key: string, name: string | undefined) => onChange(withName(data, named, key, name));
  return (
    <View role="group" aria-label="Columns">
      {data.columns.map(({ key, header }) => {
        const name = named.get(key);
        return (
          <View key={key} className="flex-row items-center gap-2 border-b border-rule">
            <View className="min-w-0 flex-1">
              <Toggle label={header} on={name !== undefined} onChange={(on) => set(key, on ? '' : undefined)} />
            </View>
            {name !== undefined ? (
              <View className="w-[46%]">
                <TextInput
                  aria-label={`${header}: what the column is called`}
                  value={name}
                  placeholder={header}
                  onChangeText={(text) => set(key, text)}
                  className="min-h-[36px] rounded-[4px] border border-rule bg-sheet px-3 py-1 font-sans text-[16px] text-ink"
                />
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

/** Names by the keys of the chosen columns; all of them, under their own, where none is chosen. */
export function namesOf({ columns }: TakeOutColumns, chosen: readonly string[]): Map<string, string> {
  if (chosen.length === 0) return new Map(columns.map(({ key }) => [key, '']));
  return new Map(chosen.map((one) => [one.replace(/=.*$/s, ''), one.includes('=') ? one.slice(one.indexOf('=') + 1) : ''])); // prettier-ignore
}

/** The choice with a column under a name, or without it. @returns in the order of the table; none where all are as they were */
export function withName(
  { columns }: TakeOutColumns,
  named: ReadonlyMap<string, string>,
  key: string,
  name: string | undefined,
): readonly string[] {
  const next = new Map(named);
  if (name === undefined) next.delete(key);
  else next.set(key, name);
  const chosen = columns.filter((column) => next.has(column.key));
  // A table without a column is none.
  if (chosen.length === 0) return [...named.keys()];
  if (chosen.length === columns.length && chosen.every((column) => !next.get(column.key))) return [];
  return chosen.map((column) => (next.get(column.key) ? `${column.key}=${next.get(column.key)}` : column.key));
}
