import type { Opportunity } from '@dossier/contract';
import { View } from 'react-native';
import { formatWhen } from '@/lib/formatDate';
import { Soft, Subheading, Text } from '@/ui';
import { lastedWords, PART_WORDS } from '../words';

type Act = Opportunity['history'][number];

const WORDS: Readonly<Record<Act['kind'], (act: Act) => string>> = {
  made: ({ by, stage }) => `Written down by ${by}, in “${stage}”`,
  moved: ({ by, stage }) => `Moved to “${stage}” by ${by}`,
  changed: ({ by }) => `Changed by ${by}`,
  won: ({ by }) => `Won, said by ${by}`,
  lost: ({ by }) => `Lost, said by ${by}`,
  reopened: ({ by }) => `Opened again by ${by}`,
};

const FIELDS: Readonly<Record<string, string>> = {
  title: 'Name',
  company: 'Firm',
  value: 'Worth',
  currency: 'Currency',
  expectedOn: 'Expected on',
  chance: 'Chance',
  about: 'About',
  owner: 'Owner',
  occasion: 'Occasion',
  people: 'People',
  reason: 'Why',
};

/** Where it was and for how long, and what was done with it. */
export function HistoryOf({ one: { stays, history } }: { one: Opportunity }) {
  return (
    <View className="gap-4">
      <View className="gap-1">
        <Subheading>Where it was</Subheading>
        <View role="list">
          {stays.map(({ stage, state, from, until, ms }) => (
            <View
              key={from}
              role="listitem"
              className="flex-row flex-wrap justify-between gap-x-4 border-b border-rule py-2"
            >
              <Text>{state === 'open' ? stage : state === 'won' ? 'Won' : 'Lost'}</Text>
              <Soft className="tabular">{`${lastedWords(ms)}${until ? '' : ' so far'}, from ${formatWhen(from)}`}</Soft>
            </View>
          ))}
        </View>
      </View>
      <View className="gap-1">
        <Subheading>What was done</Subheading>
        {history.map((act) => (
          <View key={act.id} className="border-b border-rule py-2">
            <View className="flex-row flex-wrap justify-between gap-x-4">
              <Text>{WORDS[act.kind](act)}</Text>
              <Soft>{formatWhen(act.at)}</Soft>
            </View>
            {act.kind === 'moved'
              ? null
              : act.changes.map(({ field, before, after }) => (
                  <Soft key={field} className="[overflow-wrap:anywhere]">
                    {`${FIELDS[field] ?? field}: ${[before, after]
                      .map((value) => inWords(value))
                      .filter(Boolean)
                      .join(' → ')}`}
                  </Soft>
                ))}
          </View>
        ))}
      </View>
    </View>
  );
}

/** Parts of people are said as everywhere else. */
const inWords = (value: string): string =>
  Object.entries(PART_WORDS).reduce(
    (said, [part, words]) => said.replaceAll(`: ${part}`, `: ${words.toLowerCase()}`),
    value,
  );
