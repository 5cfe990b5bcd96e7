import type { ChosenPeople, TakeOutFormat, TakeOutHow } from '@dossier/contract';
import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { counted } from '@/lib/counted';
import { sizeWords } from '@/lib/fetchFile';
import { useFetchedFile } from '@/lib/useFetchedFile';
import { Button, Choice, Notice, Soft, Subheading, Text, Toggle } from '@/ui';
import { GivePeople } from './betweenDevices/GivePeople';
import { ColumnsChoice } from './ColumnsChoice';

const FORMATS: readonly { value: TakeOutFormat; label: string; about: string }[] = [
  { value: 'vcard', label: 'Address cards', about: 'vCard, for address books of phones and computers.' },
  { value: 'xlsx', label: 'Spreadsheet', about: 'XLSX. What is changed there can be brought back.' },
  { value: 'csv', label: 'Plain table', about: 'CSV, for other programs.' },
  { value: 'json', label: 'Everything', about: 'JSON, with what was read on each card.' },
];
const VERSIONS = [
  { value: '4.0', label: '4.0' },
  { value: '3.0', label: '3.0, older' },
];
const ONE_FILE = [
  { value: '0', label: 'One file' },
  { value: '1', label: 'One each' },
];
const DELIMITERS = [
  { value: 'comma', label: 'Comma' },
  { value: 'semicolon', label: 'Semicolon' },
  { value: 'tab', label: 'Tab' },
];
const PICTURES = [
  { value: 'none', label: 'None' },
  { value: 'inside', label: 'Inside' },
  { value: 'beside', label: 'Beside' },
];

interface Props {
  who: ChosenPeople;
  /** In words, as the list says it: "about 1,200 people". */
  shown: string;
  onClose: () => void;
}

/** People as a file: which kind, with what; how far it is, and where to stop it. */
export function TakeOutPanel({ who, shown, onClose }: Props) {
  const [format, setFormat] = useState<TakeOutFormat>('vcard');
  const [how, setHow] = useState<Required<TakeOutHow>>(USUAL);
  const [notGiven, setNotGiven] = useState<string>();
  const set = (change: TakeOutHow) => setHow({ ...how, ...change });
  const { state, begin, stop } = useFetchedFile('/people/export');
  const isTable = format === 'xlsx' || format === 'csv';
  const pictures = isTable && how.pictures === 'inside' ? 'none' : how.pictures;
  return (
    <View role="region" aria-label={`Take out ${shown}`} className="min-h-0 flex-1">
      <ScrollView className="flex-1" contentContainerStyle={{ paddingHorizontal: 16, paddingBottom: 16, gap: 14 }}>
        <Subheading>{`Take out ${shown}`}</Subheading>
        <View role="radiogroup" aria-label="Kind of file">
          {FORMATS.map((one) => (
            <Format key={one.value} {...one} chosen={one.value === format} onChoose={() => setFormat(one.value)} />
          ))}
        </View>
        {format === 'vcard' ? (
          <>
            <Asked label="Version">
              <Choice label="Version" options={VERSIONS} value={how.version} onChange={(version) => set({ version })} />
            </Asked>
            <Asked label="Files">
              <Choice label="Files" options={ONE_FILE} value={how.zip} onChange={(zip) => set({ zip })} />
            </Asked>
          </>
        ) : null}
        {format === 'csv' ? (
          <>
            <Asked label="Between the cells">
              <Choice
                label="Between the cells"
                options={DELIMITERS}
                value={how.delimiter}
                onChange={(delimiter) => set({ delimiter })}
              />
            </Asked>
            <Toggle
              label="Say at its beginning that it is UTF-8; spreadsheets want that"
              on={how.mark === '1'}
              onChange={(on) => set({ mark: on ? '1' : '0' })}
            />
          </>
        ) : null}
        <Asked label="Pictures of cards">
          <Choice
            label="Pictures of cards"
            options={isTable ? PICTURES.filter(({ value }) => value !== 'inside') : PICTURES}
            value={pictures}
            onChange={(value) => set({ pictures: value })}
          />
        </Asked>
        {isTable ? <ColumnsChoice who={who} chosen={how.column} onChange={(column) => set({ column })} /> : null}
      </ScrollView>
      <View className="gap-2 border-t border-rule px-4 py-3">
        {notGiven ? <Notice fault>{notGiven}</Notice> : null}
        {state.kind === 'failed' ? <Notice fault>{state.words}</Notice> : null}
        <View role="status">
          {state.kind === 'running' ? (
            <Soft>
              {state.headers
                ? `${peopleIn(state.headers)}: ${sizeWords(state.bytes)} have come so far`
                : 'Putting it together …'}
            </Soft>
          ) : state.kind === 'done' ? (
            <Text>{`${peopleIn(state.headers)} taken out: ${state.name}, ${sizeWords(state.bytes)}.`}</Text>
          ) : null}
        </View>
        <View className="flex-row flex-wrap gap-2">
          {state.kind === 'running' ? (
            <Button onPress={stop}>Stop</Button>
          ) : (
            <Button look="ink" onPress={() => void begin({ who, ...how, format, pictures })}>
              Take out
            </Button>
          )}
          {state.kind === 'running' ? null : <GivePeople who={who} onProblem={setNotGiven} />}
          <Button look="bare" onPress={onClose}>
            Close
          </Button>
        </View>
      </View>
    </View>
  );
}

const USUAL: Required<TakeOutHow> = {
  format: 'vcard',
  version: '4.0',
  zip: '0',
  pictures: 'none',
  delimiter: 'comma',
  mark: '1',
  column: [],
};

/** How many are in a file, as was said before it came. */
const peopleIn = (headers: Headers): string => counted(Number(headers.get('dossier-people') ?? 0), 'person', 'people');

/** A choice under what it is about. */
const Asked = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <View className="gap-1">
    <Soft>{label}</Soft>
    {children}
  </View>
);

function Format({
  label,
  about,
  chosen,
  onChoose,
}: {
  label: string;
  about: string;
  chosen: boolean;
  onChoose: () => void;
}) {
  // prettier-ignore
  return (
    <Pressable
      role="radio"
      aria-checked={chosen}
      aria-label={label}
      onPress={onChoose}
      className="min-h-touch flex-row items-center gap-3 border-b border-rule py-2 hover:bg-table"
    >
      <View className="h-[20px] w-[20px] items-center justify-center rounded-full border border-ink">
        {chosen ? <View className="h-[10px] w-[10px] rounded-full bg-ink" /> : null}
      </View>
      <View className="min-w-0 flex-1">
        <Text className={chosen ? 'font-medium' : ''}>{label}</Text>
        <Soft>{about}</Soft>
      </View>
    </Pressable>
  );
}
