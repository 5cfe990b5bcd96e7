import type { Import, ImportRule } from '@dossier/contract';
import { TARGETS } from '@dossier/core/exchange/targets';
import { Link } from 'expo-router';
import { View } from 'react-native';
import { isNotHere, problemText } from '@/lib/api';
import { counted } from '@/lib/counted';
import { Button, CannotShow, Choice, EmptyPage, Heading, LoadingLines, Notice, Page, Select, Soft, Subheading, Text, Toggle } from '@/ui'; // prettier-ignore
import { useActOnImportMutation, useImportStateQuery, useMapImportMutation } from './api';
import { ImportLeft } from './ImportLeft';
import { countWords, stateWords } from './importWords';

const ASK_AGAIN_MS = 1000;
const RULES: readonly { value: ImportRule; label: string }[] = [
  { value: 'fill', label: 'Fill gaps' },
  { value: 'file', label: 'File wins' },
  { value: 'ask', label: 'Ask me' },
];
const RULE_WORDS: Record<ImportRule, string> = {
  fill: 'Of people who are known only what is empty is filled.',
  file: 'Of people who are known what the file says replaces what is here.',
  ask: 'Of people who are known what is empty is filled; where the file says otherwise, you choose afterwards.',
};

/** One file: what its columns are, its first rows as they will be, how far it is, and what is left to settle. */
export function ImportScreen({ importId }: { importId: string }) {
  const first = useImportStateQuery(importId);
  const isMoving = first.data?.state === 'running' || first.data?.state === 'undoing';
  const { data, error, refetch } = useImportStateQuery(importId, { pollingInterval: isMoving ? ASK_AGAIN_MS : 0 });
  if (!data && isNotHere(error))
    return (
      <EmptyPage
        title="This file is not here"
        action={
          <Link href="/bring-in">
            <Text className="underline">Bring in a file</Text>
          </Link>
        }
      >
        It may belong to another workspace, or its address is incomplete.
      </EmptyPage>
    );
  if (!data && error) return <CannotShow title="This file cannot be shown" error={error} onRetry={refetch} />;
  if (!data) return <LoadingLines />;
  return (
    <Page measure={760}>
      <View className="gap-5">
        <View className="gap-1">
          <Link href="/bring-in">
            <View className="min-h-touch justify-center">
              <Text className="text-[15px] underline underline-offset-4">Bring in</Text>
            </View>
          </Link>
          <Heading style={{ overflowWrap: 'anywhere' } as object}>{data.name}</Heading>
          <View role="status">
            <Soft className="tabular">{`${stateWords(data)}. ${counted(data.rows, 'row')}.`}</Soft>
          </View>
        </View>
        {data.problem ? <Notice fault>{data.problem}</Notice> : null}
        <Counts file={data} />
        <Acts file={data} />
        {data.state === 'mapping' ? <Mapping file={data} /> : null}
        {['done', 'cancelled', 'mapping'].includes(data.state) ? <ImportLeft file={data} /> : null}
      </View>
    </Page>
  );
}

function Counts({ file }: { file: Import }) {
  const words = countWords(file.counts);
  if (words.length === 0 || (file.state === 'running' && file.done === 0)) return null;
  return (
    <View className="gap-1">
      {file.state === 'mapping' ? <Soft>What would become of them:</Soft> : null}
      {file.state === 'undone' ? <Soft>What had become of them:</Soft> : null}
      {words.map((each) => (
        <Text key={each} className="tabular">
          {each}
        </Text>
      ))}
    </View>
  );
}

function Acts({ file }: { file: Import }) {
  const [act, { isLoading, error }] = useActOnImportMutation();
  const { id, state, done, rows } = file;
  const go = (what: 'run' | 'run?dry=1' | 'cancel' | 'undo') => () => void act({ id, act: what });
  const looked = done === rows;
  return (
    <View className="gap-2">
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="flex-row flex-wrap gap-3">
        {state === 'mapping' ? (
          <>
            <Button look={looked ? 'plain' : 'ink'} busy={isLoading} onPress={go('run?dry=1')}>
              Look what would happen
            </Button>
            <Button look={looked ? 'ink' : 'plain'} busy={isLoading} onPress={go('run')}>
              Bring them in
            </Button>
          </>
        ) : null}
        {state === 'running' ? (
          <Button busy={isLoading} onPress={go('cancel')}>
            Stop
          </Button>
        ) : null}
        {state === 'cancelled' || state === 'failed' ? (
          <Button look="ink" busy={isLoading} onPress={go('run')}>
            Go on with the rest
          </Button>
        ) : null}
        {state === 'done' || state === 'cancelled' || state === 'failed' ? (
          <Button busy={isLoading} onPress={go('undo')}>
            Take it all back
          </Button>
        ) : null}
      </View>
    </View>
  );
}

const NOWHERE = '';

/** Where each column goes, and the first rows as they will be. */
function Mapping({ file }: { file: Import }) {
  const [map, { error }] = useMapImportMutation();
  const { id, mapping, columns, preview, rule, head, format } = file;
  return (
    <View className="gap-5">
      {error ? <Notice fault>{problemText(error)}</Notice> : null}
      <View className="gap-1">
        <Soft>Who is known already</Soft>
        <Choice
          label="Who is known already"
          options={RULES}
          value={rule}
          onChange={(next) => void map({ id, change: { mapping, rule: next } })}
        />
        <Soft>{RULE_WORDS[rule]}</Soft>
      </View>
      {format === 'vcard' || format === 'json' ? null : (
        <View className="gap-1">
          <Subheading>Columns</Subheading>
          <Toggle
            label="The first row says what stands in them"
            on={head}
            onChange={(on) => void map({ id, change: { mapping, head: on } })}
          />
          {columns.map(({ header, samples, target }, i) => (
            <View key={i} className="flex-row items-center gap-3 border-b border-rule py-1">
              <View className="min-w-0 flex-1">
                <Text numberOfLines={1}>{header || `Column ${i + 1}`}</Text>
                <Soft numberOfLines={1}>{samples.join(' · ') || 'Nothing stands in it'}</Soft>
              </View>
              <Select
                label={`${header || `Column ${i + 1}`} is`}
                options={optionsFor(target)}
                value={target ?? NOWHERE}
                onChange={(next) =>
                  void map({ id, change: { mapping: mapping.map((one, k) => (k === i ? next || null : one)) } })
                }
              />
            </View>
          ))}
        </View>
      )}
      <View className="gap-1">
        <Subheading>The first of them</Subheading>
        {preview.map(({ number, fullName, company, title, email, phone, faults }) => (
          <View key={number} className="border-b border-rule py-2">
            <Text className="font-medium">{fullName || 'Nobody'}</Text>
            <Soft>{[title, company, email, phone].filter(Boolean).join(' · ') || 'Nothing else'}</Soft>
            {faults.map(({ key, fault }) => (
              <Text key={key} className="text-[15px] text-brick">
                {fault}
              </Text>
            ))}
          </View>
        ))}
      </View>
    </View>
  );
}

/** What a column can be; one that was taken out here keeps what only such can be. */
function optionsFor(target: string | null) {
  const usual = [{ value: NOWHERE, label: 'Left out' }, ...TARGETS.map(({ key, label }) => ({ value: key as string, label }))]; // prettier-ignore
  return target === null || usual.some(({ value }) => value === target) ? usual : [...usual, { value: target, label: 'As it was taken out' }]; // prettier-ignore
}
