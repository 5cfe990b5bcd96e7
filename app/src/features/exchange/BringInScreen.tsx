import { Link, useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { formatWhen } from '@/lib/formatDate';
import { Button, CannotShow, Heading, LoadingLines, Notice, Page, Soft, Subheading, Text } from '@/ui';
import { useBeginImportMutation, useImportsQuery } from './api';
import { countWords, stateWords } from './importWords';

const KINDS = '.vcf,.vcard,.csv,.tsv,.txt,.xlsx,.json,application/json';

/** Files of people: one to be picked, dropped or pasted, and those that were brought in before. */
export function BringInScreen() {
  const router = useRouter();
  const [begin, { isLoading, error }] = useBeginImportMutation();
  const picker = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    const answer = await begin(file);
    if (answer.data) router.push(`/bring-in/${answer.data.id}`);
  };
  const paste = (event: React.ClipboardEvent) => {
    const [file] = event.clipboardData.files;
    const text = event.clipboardData.getData('text/plain');
    if (file ?? text) event.preventDefault();
    void take(file ?? (text ? new File([text], 'Pasted table.csv') : undefined));
  };
  return (
    <Page measure={620}>
      <div
        role="region"
        aria-label="Files of people"
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void take(event.dataTransfer.files[0]);
        }}
        onPaste={paste}
      >
        <View className="gap-4">
          <View className="gap-1">
            <Heading>Bring in</Heading>
            <Soft>
              People from an address book or a spreadsheet: vCards, CSV or XLSX, or people taken out as JSON. You see
              what will become of each row before anybody is filed, and all of it can be taken back.
            </Soft>
          </View>
          <View
            className={`items-start gap-3 rounded-[5px] border border-dashed border-ink p-4 ${isOver ? 'bg-table' : ''}`}
          >
            <Button look="ink" busy={isLoading} onPress={() => picker.current?.click()}>
              Pick a file
            </Button>
            <Soft>Or drop it here, or paste rows copied from a spreadsheet into the field below.</Soft>
            <textarea
              aria-label="Paste rows from a spreadsheet"
              placeholder="Paste rows here"
              rows={2}
              readOnly={isLoading}
              value=""
              onChange={() => undefined}
              style={PASTE}
            />
            <input
              ref={picker}
              type="file"
              accept={KINDS}
              aria-label="File of people"
              hidden
              onChange={(event) => {
                void take(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
          </View>
          {isLoading ? (
            <View role="status">
              <Soft>Reading the file …</Soft>
            </View>
          ) : null}
          {error ? <Notice fault>{problemText(error)}</Notice> : null}
          <Link href="/between">
            <View className="min-h-touch justify-center">
              <Text className="underline underline-offset-4">From another device, without a server</Text>
            </View>
          </Link>
          <Before />
        </View>
      </div>
    </Page>
  );
}

const PASTE = {
  width: '100%',
  boxSizing: 'border-box',
  font: '400 16px/22px "Instrument Sans", sans-serif',
  color: 'rgb(var(--ink))',
  background: 'rgb(var(--sheet))',
  border: '1px solid rgb(var(--rule))',
  borderRadius: 4,
  padding: '8px 12px',
  resize: 'none',
} as const;

function Before() {
  const { data, error, refetch } = useImportsQuery(undefined, { refetchOnMountOrArgChange: true });
  if (error) return <CannotShow title="The files cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines lines={3} />;
  if (data.items.length === 0) return null;
  return (
    <View className="gap-1">
      <Subheading>Files before</Subheading>
      {data.items.map((file) => (
        <Link key={file.id} href={`/bring-in/${file.id}`}>
          <View className="w-full gap-0.5 border-b border-rule py-2">
            <Text style={{ overflowWrap: 'anywhere' } as object}>{file.name}</Text>
            <Soft className="tabular">
              {`${file.by}, ${formatWhen(file.at)}. ${[stateWords(file), ...countWords(file.counts)].join(', ')}${file.state === 'mapping' ? `: ${counted(file.rows, 'row')}` : ''}.`}
            </Soft>
          </View>
        </Link>
      ))}
    </View>
  );
}
